import { z } from 'zod';
import {
  compressorSchema,
  cupSchema,
  gunSchema,
  heaterSchema,
  setupSchema,
  shopBlockSchema,
} from '../materials/equipment.ts';
import { personSchema } from './shop-time.ts';
import type { Shop } from './shop.ts';

/** Things of a shop that are added, changed and taken away one by one: two people never undo each other's. */

const byId = <T extends z.ZodType>(thing: T) =>
  z.record(z.string().min(1).max(40), thing.nullable()).optional();

/** What becomes of things, by their ids; null takes one away. */
export const shopThingsSchema = z.object({
  guns: byId(gunSchema),
  compressors: byId(compressorSchema),
  heaters: byId(heaterSchema),
  blocks: byId(shopBlockSchema),
  cups: byId(cupSchema),
  setups: byId(setupSchema),
  people: byId(personSchema),
});
export type ShopThings = z.infer<typeof shopThingsSchema>;
export type ShopThingKind = keyof ShopThings;
export const SHOP_THING_KINDS = Object.keys(shopThingsSchema.shape) as ShopThingKind[];

interface Thing {
  readonly id: string;
}

function changed<T extends Thing>(now: readonly T[], changes: Readonly<Record<string, T | null>>): T[] {
  const known = new Set(now.map(({ id }) => id));
  const kept = now.flatMap((thing) => {
    const change = changes[thing.id];
    return change === undefined ? [thing] : change === null ? [] : [{ ...change, id: thing.id }];
  });
  const added = Object.entries(changes).flatMap(([id, thing]) =>
    thing === null || known.has(id) ? [] : [{ ...thing, id }],
  );
  return [...kept, ...added];
}

/** The shop with some of its things changed; the others keep their place, new ones come last. */
export function withThings(shop: Shop, things: ShopThings): Shop {
  const lists = SHOP_THING_KINDS.flatMap((kind) => {
    const changes = things[kind];
    if (changes === undefined) return [];
    const now: readonly Thing[] = shop[kind] ?? [];
    return [[kind, changed(now, changes as Record<string, Thing | null>)] as const];
  });
  return { ...shop, ...Object.fromEntries(lists) };
}
