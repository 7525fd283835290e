import { sheetSchema, type ProductSheet } from '@blue-ledge/core';
import { Injectable } from '@nestjs/common';
import { isDeepStrictEqual } from 'node:util';
import { Database, type Read } from '../database/database.ts';
import { IdempotentWrites, type WriteRequest } from '../database/idempotent-writes.ts';
import { ProblemError, notFound, stale } from '../http/problem.ts';
import { mustBeKnown } from '../http/zod.pipe.ts';
import { ShopsReader, ShopsWriter } from '../shops/shops.repository.ts';
import type { SheetParams, SheetPut } from './shelf.schemas.ts';

/** @throws {ProblemError} 404 */
async function mustBeHere(tx: Read, shop: string): Promise<void> {
  if (!(await new ShopsReader(tx).byId(shop))) throw notFound(`Shop "${shop}"`);
}

/** What two sheets say besides their version. */
const isSameSheet = ({ version: _a, ...a }: ProductSheet, { version: _b, ...b }: ProductSheet): boolean =>
  isDeepStrictEqual(a, b);

/** The product sheets of a shop. A version never changes: plans that were made with it keep saying so. */
@Injectable()
export class ShelfService {
  constructor(
    private readonly database: Database,
    private readonly writes: IdempotentWrites,
  ) {}

  /** The newest version of each sheet, archived ones as well. */
  sheets(shop: string): Promise<ProductSheet[]> {
    return this.database.read(async (tx) => {
      await mustBeHere(tx, shop);
      return new ShopsReader(tx).sheets(shop);
    });
  }

  async versions({ shop, sheet }: SheetParams): Promise<ProductSheet[]> {
    const versions = await this.database.read((tx) => new ShopsReader(tx).versions(shop, sheet));
    if (versions.length === 0) throw notFound(`Sheet "${sheet}"`);
    return versions;
  }

  /** Keeps the next version of a sheet, or its first. */
  put(
    asked: WriteRequest,
    { shop, sheet: id }: SheetParams,
    { sheet, from }: SheetPut,
  ): Promise<ProductSheet> {
    if (sheet.id !== id)
      throw new ProblemError(400, 'Some of what was sent cannot be used.', [
        { path: 'sheet.id', message: `must be "${id}", as in the address` },
      ]);
    return this.writes.run(asked, async (tx) => {
      await mustBeHere(tx, shop);
      const shops = new ShopsWriter(tx);
      const now = await shops.sheet(shop, id);
      // Sent again after an answer that did not arrive: it is kept already.
      if (now && isSameSheet(now, sheet)) return now;
      if ((now?.version ?? 0) !== from) throw stale(sheet, now);
      mustBeKnown(sheetSchema, sheet, now ?? {}, 'sheet');
      const [kept] = await shops.putSheets(shop, [{ ...sheet, version: from + 1 }]);
      return kept!;
    });
  }

  /** Takes sheets in, all or none: the next version of those that are here, unless they say the same. */
  take(
    asked: WriteRequest,
    shop: string,
    sheets: readonly ProductSheet[],
  ): Promise<{ nNew: number; nChanged: number; nSame: number }> {
    const twice = sheets.find(({ id }, i) => sheets.findIndex((other) => other.id === id) !== i);
    if (twice)
      throw new ProblemError(400, 'Some of what was sent cannot be used.', [
        { path: 'sheets', message: `has "${twice.id}" twice: give one of them another id` },
      ]);
    return this.writes.run(asked, async (tx) => {
      await mustBeHere(tx, shop);
      const shops = new ShopsWriter(tx);
      const known = new Map((await shops.sheets(shop)).map((sheet) => [sheet.id, sheet]));
      const differs = sheets.filter((sheet) => {
        const now = known.get(sheet.id);
        return !now || !isSameSheet(now, sheet);
      });
      for (const sheet of differs)
        mustBeKnown(sheetSchema, sheet, known.get(sheet.id) ?? {}, `sheets.${sheets.indexOf(sheet)}`);
      await shops.putSheets(
        shop,
        differs.map((sheet) => ({ ...sheet, version: (known.get(sheet.id)?.version ?? 0) + 1 })),
      );
      const nNew = differs.filter(({ id }) => !known.has(id)).length;
      return { nNew, nChanged: differs.length - nNew, nSame: sheets.length - differs.length };
    });
  }
}
