import type { ProductSheet, Shop, ShopView } from '@blue-ledge/core';
import { randomUUID } from 'node:crypto';
import type { Read, Write } from '../database/database.ts';
import { jsonOf } from '../database/sql.ts';
import type { SheetFields, ShopFields } from '../database/tables.ts';

/** The only file that reads and writes shops and their sheets. */

/** Shops in one snapshot. */
export class ShopsReader {
  constructor(protected readonly tx: Read) {}

  async all(): Promise<ShopView[]> {
    const { tables } = this.tx;
    const order: [string, string][] = [
      ['createdAt', 'ASC'],
      ['id', 'ASC'],
    ];
    const rows = await tables.shops.findAll({ order });
    return rows.map(({ id, name, version, body }) => ({ id, name, version, shop: body as Shop }));
  }

  async byId(id: string): Promise<ShopView | null> {
    const [row] = await this.tx.sql.rows<Pick<ShopFields, 'name' | 'version' | 'body'>>(
      'SELECT name, version, body FROM shops WHERE id = $1',
      id,
    );
    return row ? { id, name: row.name, version: row.version, shop: jsonOf<Shop>(row.body) } : null;
  }

  /** The newest version of each of the shop's own sheets. */
  async sheets(shopId: string): Promise<ProductSheet[]> {
    const rows = await this.tx.sql.rows<Pick<SheetFields, 'body'>>(
      `SELECT body FROM sheets AS newest WHERE "shopId" = $1 AND "sheetVersion" =
         (SELECT MAX("sheetVersion") FROM sheets WHERE "shopId" = $1 AND id = newest.id) ORDER BY id`,
      shopId,
    );
    return rows.map(({ body }) => jsonOf<ProductSheet>(body));
  }

  /** All versions of a sheet, the first one first. */
  async versions(shopId: string, id: string): Promise<ProductSheet[]> {
    const rows = await this.tx.sql.rows<Pick<SheetFields, 'body'>>(
      'SELECT body FROM sheets WHERE "shopId" = $1 AND id = $2 ORDER BY "sheetVersion"',
      shopId,
      id,
    );
    return rows.map(({ body }) => jsonOf<ProductSheet>(body));
  }

  /** The newest version of one sheet, or nothing. */
  async sheet(shopId: string, id: string): Promise<ProductSheet | null> {
    return (await this.versions(shopId, id)).at(-1) ?? null;
  }

  /** How many jobs refer to it. */
  async nJobs(shopId: string): Promise<number> {
    const { tables } = this.tx;
    return tables.jobs.count({ where: { shopId } });
  }
}

export class ShopsWriter extends ShopsReader {
  constructor(protected override readonly tx: Write) {
    super(tx);
  }

  async insert(name: string, shop: Shop, sheets: readonly ProductSheet[]): Promise<ShopView> {
    const { tables, note } = this.tx;
    const id = randomUUID();
    await tables.shops.create({ id, name, body: shop });
    note({ subject: `shops/${id}`, kind: 'shop.made', body: { name } });
    await this.addSheets(id, sheets);
    return { id, name, version: 1, shop };
  }

  /** Adds sheets that the shop does not have; those that it has stay as they are. */
  async addSheets(shopId: string, sheets: readonly ProductSheet[]): Promise<void> {
    const known = new Set((await this.sheets(shopId)).map(({ id }) => id));
    await this.putSheets(
      shopId,
      sheets.filter(({ id }) => !known.has(id)),
    );
  }

  /** Keeps versions of sheets that are not there yet. */
  async putSheets(shopId: string, sheets: readonly ProductSheet[]): Promise<readonly ProductSheet[]> {
    const { tables, note } = this.tx;
    await tables.sheets.bulkCreate(
      sheets.map((sheet) => ({ shopId, id: sheet.id, sheetVersion: sheet.version, body: sheet })),
    );
    const versions = Object.fromEntries(sheets.map(({ id, version }) => [id, version]));
    if (sheets.length > 0)
      note({ subject: `shops/${shopId}/sheets`, kind: 'sheets.kept', body: { versions } });
    return sheets;
  }

  /** Writes where the version is still `from`; false when it is not. */
  async update(id: string, { name, shop }: Pick<ShopView, 'name' | 'shop'>, from: number): Promise<boolean> {
    const { tables, note } = this.tx;
    const values = { name, body: shop, version: from + 1 };
    const [nRows] = await tables.shops.update(values, { where: { id, version: from } });
    if (nRows === 1) note({ subject: `shops/${id}`, kind: 'shop.changed', body: { version: from + 1 } });
    return nRows === 1;
  }

  async remove(id: string): Promise<void> {
    const { tables, note } = this.tx;
    await tables.sheets.destroy({ where: { shopId: id } });
    await tables.shops.destroy({ where: { id } });
    note({ subject: `shops/${id}`, kind: 'shop.removed' });
  }
}
