import {
  shopAirSchema,
  shopSchema,
  withThings,
  type Shop,
  type ShopThings,
  type ShopView,
} from '@blue-ledge/core';
import { Injectable } from '@nestjs/common';
import { isDeepStrictEqual } from 'node:util';
import { ClocksWriter } from '../clocks/clocks.repository.ts';
import { Database } from '../database/database.ts';
import { IdempotentWrites, type WriteRequest } from '../database/idempotent-writes.ts';
import { ProblemError, notFound, stale } from '../http/problem.ts';
import { mustBeKnown, parsedBy } from '../http/zod.pipe.ts';
import { ShopsReader, ShopsWriter } from './shops.repository.ts';
import type { ShopAdd, ShopPatch } from './shops.schemas.ts';

/** The shop with some fields replaced and things changed; null takes a field away. */
function withFields(shop: Shop, fields: object, things: ShopThings = {}): Shop {
  const merged = Object.entries(withThings({ ...shop, ...fields }, things)).filter(
    ([, value]) => value !== null,
  );
  const next = parsedBy(shopSchema, Object.fromEntries(merged), 'shop');
  mustBeKnown(shopSchema, next, shop, 'shop');
  return next;
}

/** Shops: where work is done, and by which figures, schools and sheets. */
@Injectable()
export class ShopsService {
  constructor(
    private readonly database: Database,
    private readonly writes: IdempotentWrites,
  ) {}

  list(): Promise<ShopView[]> {
    return this.database.read((tx) => new ShopsReader(tx).all());
  }

  async get(id: string): Promise<ShopView> {
    const shop = await this.database.read((tx) => new ShopsReader(tx).byId(id));
    if (!shop) throw notFound(`Shop "${id}"`);
    return shop;
  }

  add(asked: WriteRequest, { name, shop }: ShopAdd): Promise<ShopView> {
    return this.writes.run(asked, (tx) => new ShopsWriter(tx).insert(name, shop, []));
  }

  /** Changes the fields that are sent; the others stay as they are. */
  patch(asked: WriteRequest, id: string, { version, name, shop, things }: ShopPatch): Promise<ShopView> {
    return this.writes.run(asked, async (tx) => {
      const shops = new ShopsWriter(tx);
      const now = await shops.byId(id);
      if (!now) throw notFound(`Shop "${id}"`);
      const next = { name: name ?? now.name, shop: withFields(now.shop, shop ?? {}, things) };
      if (!(await shops.update(id, next, version ?? now.version))) throw stale({ name, shop, things }, now);
      const [was, is] = [now.shop, next.shop].map((each) => shopAirSchema.parse(each));
      if (!isDeepStrictEqual(was, is)) await new ClocksWriter(tx).airChanged(id, was!, Date.now());
      return { id, ...next, version: now.version + 1 };
    });
  }

  /** Takes a shop away that no job refers to. */
  remove(asked: WriteRequest, id: string, version: number): Promise<{ removed: ShopView }> {
    return this.writes.run(asked, async (tx) => {
      const shops = new ShopsWriter(tx);
      const now = await shops.byId(id);
      if (!now) throw notFound(`Shop "${id}"`);
      if (now.version !== version) throw stale(null, now);
      const nJobs = await shops.nJobs(id);
      if (nJobs > 0)
        throw new ProblemError(
          409,
          `${nJobs === 1 ? 'A job is' : `${nJobs} jobs are`} planned for this shop, archived ones and those that were removed lately counted. Give ${nJobs === 1 ? 'it' : 'them'} another shop first.`,
        );
      await new ClocksWriter(tx).leaveShop(id);
      await shops.remove(id);
      return { removed: now };
    });
  }
}
