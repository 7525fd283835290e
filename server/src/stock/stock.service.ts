import {
  canSchema,
  leftAfter,
  type Can,
  type CanMove,
  type CanMoveView,
  type CanView,
  type Need,
} from '@blue-ledge/core';
import { Injectable } from '@nestjs/common';
import { isDeepStrictEqual } from 'node:util';
import { Database, type Read } from '../database/database.ts';
import { IdempotentWrites, type WriteRequest } from '../database/idempotent-writes.ts';
import { ProblemError, notFound, stale } from '../http/problem.ts';
import { wallTimeOf } from '../clocks/wall-time.ts';
import { mustBeKnown } from '../http/zod.pipe.ts';
import { PlannerService } from '../planning/planner.service.ts';
import { PlansReader } from '../plans/plans.repository.ts';
import { ShopsReader } from '../shops/shops.repository.ts';
import { StockReader, StockWriter } from './stock.repository.ts';
import type { CanParams, CanPut } from './stock.schemas.ts';

/** @throws {ProblemError} 404 */
async function mustBeHere(tx: Read, shop: string): Promise<void> {
  if (!(await new ShopsReader(tx).byId(shop))) throw notFound(`Shop "${shop}"`);
}

/** On the day, by the shop’s own calendar, that something is first taken from it a can is opened. */
const opened = (can: Can, move: CanMove): Can =>
  move.kind === 'pour' && can.openedOn === undefined
    ? { ...can, openedOn: wallTimeOf(Date.now()).startOn }
    : can;

/** Cans of a shop: what is left in them, what was taken, and what the plans of its open jobs need. */
@Injectable()
export class StockService {
  constructor(
    private readonly database: Database,
    private readonly writes: IdempotentWrites,
    private readonly planner: PlannerService,
  ) {}

  cans(shop: string): Promise<CanView[]> {
    return this.database.read(async (tx) => {
      await mustBeHere(tx, shop);
      return new StockReader(tx).all(shop);
    });
  }

  moves({ shop, can }: CanParams): Promise<CanMoveView[]> {
    return this.database.read(async (tx) => {
      const stock = new StockReader(tx);
      if (!(await stock.byId(shop, can))) throw notFound(`Can "${can}"`);
      return stock.moves(shop, can);
    });
  }

  /** Keeps what is known of a can; what is left in it changes by moves alone. */
  put(asked: WriteRequest, { shop, can: id }: CanParams, { can, from }: CanPut): Promise<CanView> {
    if (can.id !== id)
      throw new ProblemError(400, 'Some of what was sent cannot be used.', [
        { path: 'can.id', message: `must be "${id}", as in the address` },
      ]);
    return this.writes.run(asked, async (tx) => {
      await mustBeHere(tx, shop);
      const stock = new StockWriter(tx);
      const now = await stock.byId(shop, id);
      if (!now) {
        if (from !== 0) throw notFound(`Can "${id}"`);
        mustBeKnown(canSchema, can, {}, 'can');
        return stock.insert(shop, can);
      }
      if (isDeepStrictEqual(now.can, can)) return now;
      if (now.version !== from) throw stale(can, now);
      mustBeKnown(canSchema, can, now.can, 'can');
      return stock.update(shop, can, now);
    });
  }

  /** Books moves, all or none; one that is kept already is not kept again. */
  move(asked: WriteRequest, shop: string, moves: readonly CanMove[]): Promise<CanView[]> {
    return this.writes.run(asked, async (tx) => {
      await mustBeHere(tx, shop);
      const stock = new StockWriter(tx);
      const touched: CanView[] = [];
      for (const move of moves) {
        const now = await stock.byId(shop, move.canId);
        if (!now) throw notFound(`Can "${move.canId}"`);
        if (await stock.hasMove(shop, move.id)) {
          touched.push(now);
          continue;
        }
        const leftMl = leftAfter(now.leftMl, move);
        const next = await stock.update(shop, opened(now.can, move), { ...now, leftMl });
        await stock.keepMove(shop, move, leftMl);
        touched.push(next);
      }
      return touched;
    });
  }

  /** What the chosen systems of the shop's open jobs need. */
  async needs(shop: string, gone: AbortSignal): Promise<Need[]> {
    const plans = await this.database.read(async (tx) => {
      await mustBeHere(tx, shop);
      return new PlansReader(tx).chosenInShop(shop);
    });
    return this.planner.needs(plans, gone);
  }
}
