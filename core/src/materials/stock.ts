import { z } from 'zod';
import { boughtIn } from './mix-parts.ts';
import { sheetIdOf } from './modes.ts';
import type { ProductSheet } from './sheet.ts';
import { daysBetween } from '../units/calendar.ts';

/** Cans of a shop: what is left in each, whether it may still be used, and which of them a pour is taken from. */

const day = z.string().regex(/^\d{4}-\d{2}-\d{2}$/, 'must be a day like 2026-12-07');

export const canSchema = z.looseObject({
  id: z.string().min(1).max(40),
  sheetId: z.string().min(1).max(60),
  /** What is in it: the name of a component of the product. */
  component: z.string().trim().min(1, 'needs the name of a component').max(60),
  sizeMl: z.number().min(1, 'must be at least 1 ml').max(250_000, 'must be at most 250 l'),
  batch: z.string().trim().max(40).optional(),
  openedOn: day.optional(),
  expiresOn: day.optional(),
  price: z.number().min(0).max(100_000).optional(),
  /** It froze: water-carried material does not come back from that. */
  isFrozen: z.boolean().optional(),
});
export type Can = z.infer<typeof canSchema>;

/** A can as the server keeps it. */
export interface CanView {
  readonly can: Can;
  readonly leftMl: number;
  readonly version: number;
}

export const canMoveSchema = z.discriminatedUnion('kind', [
  /** Taken out for a pour. */
  z.object({
    kind: z.literal('pour'),
    id: z.string().min(8).max(200),
    canId: z.string().min(1).max(40),
    ml: z.number().positive('must be more than 0 ml').max(250_000),
    /** What it was poured for, in words and by address. */
    reason: z.string().trim().max(200).default(''),
    job: z.string().max(80).optional(),
    panel: z.string().max(80).optional(),
  }),
  /** Somebody looked: this is what is in it. */
  z.object({
    kind: z.literal('correction'),
    id: z.string().min(8).max(200),
    canId: z.string().min(1).max(40),
    leftMl: z.number().min(0, 'must be 0 ml or more').max(250_000),
    reason: z.string().trim().min(3, 'needs a reason: spilt, counted anew, thrown away').max(200),
  }),
]);
export type CanMove = z.infer<typeof canMoveSchema>;

/** A move as it is kept. */
export interface CanMoveView {
  readonly move: CanMove;
  readonly at: string;
  readonly by: string;
  /** Left in the can after it. */
  readonly leftMl: number;
}

type SheetOf = (id: string) => ProductSheet | undefined;

/**
 * Id of the product whose cans a component is poured from: the sheet's own, or that of the product which it is mixed from
 * where that is bought with the component.
 */
export function canIdOf(
  { id, cansOf }: Pick<ProductSheet, 'id' | 'cansOf'>,
  component: string,
  sheetOf: SheetOf,
): string {
  const other = cansOf === undefined ? undefined : sheetOf(cansOf);
  return other && boughtIn(other).includes(component) ? other.id : sheetIdOf(id);
}

/** What a product is bought in that is no can of another product. */
export const ownCansOf = (sheet: ProductSheet, sheetOf: SheetOf): string[] =>
  boughtIn(sheet).filter((component) => canIdOf(sheet, component, sheetOf) === sheet.id);

/** Cans under the product that they are poured for, whichever of those with the same cans they were entered for. */
export const byProduct = (cans: readonly CanView[], sheetOf: SheetOf): CanView[] =>
  cans.map((view) => {
    const sheet = sheetOf(view.can.sheetId);
    const sheetId = sheet ? canIdOf(sheet, view.can.component, sheetOf) : view.can.sheetId;
    return sheetId === view.can.sheetId ? view : { ...view, can: { ...view.can, sheetId } };
  });

/** What is left after a move; a can is never less than empty, whatever was thought to be in it. */
export const leftAfter = (leftMl: number, move: CanMove): number =>
  move.kind === 'pour' ? Math.max(0, Math.round((leftMl - move.ml) * 10) / 10) : move.leftMl;

export type CanState = 'fine' | 'expires-soon' | 'expired' | 'frozen' | 'empty';

/** Days before its end in which a can is said to expire soon. */
const SOON_DAYS = 30;

/** Whether a can may be used. @param today ISO day */
export function canState({ can, leftMl }: Pick<CanView, 'can' | 'leftMl'>, today: string): CanState {
  if (leftMl <= 0) return 'empty';
  if (can.isFrozen) return 'frozen';
  if (can.expiresOn === undefined) return 'fine';
  if (can.expiresOn < today) return 'expired';
  return daysBetween(today, can.expiresOn) <= SOON_DAYS ? 'expires-soon' : 'fine';
}

const isUsable = (state: CanState): boolean => state === 'fine' || state === 'expires-soon';

/** Something that is wanted of a product: a part of a pour, or what plans need. */
export interface Wanted {
  readonly sheetId: string;
  readonly component: string;
  readonly ml: number;
}

export interface Take {
  readonly canId: string;
  readonly component: string;
  readonly ml: number;
}

export interface Booking {
  readonly takes: readonly Take[];
  /** What no usable can holds. */
  readonly short: readonly Wanted[];
  /** Cans of these products that hold something and must not be used. */
  readonly unfit: readonly CanView[];
}

const isFor =
  ({ sheetId, component }: Wanted) =>
  ({ can }: CanView): boolean =>
    can.sheetId === sheetIdOf(sheetId) && can.component === component;

/** Opened cans first, then those that expire first, then those of which least is left. */
const inOrderOfUse = (a: CanView, b: CanView): number =>
  Number(b.can.openedOn !== undefined) - Number(a.can.openedOn !== undefined) ||
  (a.can.expiresOn ?? '9999').localeCompare(b.can.expiresOn ?? '9999') ||
  a.leftMl - b.leftMl ||
  (a.can.id < b.can.id ? -1 : 1);

/** From which cans something is taken. @param today ISO day */
export function bookingOf(wanted: readonly Wanted[], cans: readonly CanView[], today: string): Booking {
  const leftMl = new Map(cans.map(({ can, leftMl: left }) => [can.id, left]));
  const takes: Take[] = [];
  const short: Wanted[] = [];
  for (const want of wanted) {
    let missingMl = want.ml;
    const usable = cans.filter((can) => isFor(want)(can) && isUsable(canState(can, today)));
    for (const { can } of usable.toSorted(inOrderOfUse)) {
      const ml = Math.min(missingMl, leftMl.get(can.id)!);
      if (ml <= 0) continue;
      takes.push({ canId: can.id, component: want.component, ml });
      leftMl.set(can.id, leftMl.get(can.id)! - ml);
      missingMl -= ml;
    }
    if (missingMl > 0.05) short.push({ ...want, ml: Math.round(missingMl * 10) / 10 });
  }
  const unfit = cans.filter((can) => {
    const state = canState(can, today);
    return wanted.some((want) => isFor(want)(can)) && (state === 'expired' || state === 'frozen');
  });
  return { takes, short, unfit };
}

/** What is there of a component in cans that may be used, ml. */
export const usableLeftMl = (want: Omit<Wanted, 'ml'>, cans: readonly CanView[], today: string): number =>
  cans
    .filter((can) => isFor({ ...want, ml: 0 })(can) && isUsable(canState(can, today)))
    .reduce((sum, { leftMl }) => sum + leftMl, 0);

/** Cans to buy of what is short. */
export interface CansToBuy {
  readonly count: number;
  readonly sizeMl: number;
}

/**
 * The smallest can that the shop had of it that covers what is short, or several of the largest; null where it never had
 * one: then nobody knows how it is sold.
 */
export function cansToBuy(want: Wanted, cans: readonly CanView[]): CansToBuy | null {
  const sizes = cans.filter(isFor(want)).map(({ can }) => can.sizeMl);
  if (sizes.length === 0) return null;
  const covering = sizes.filter((sizeMl) => sizeMl >= want.ml - 0.05);
  const sizeMl = covering.length > 0 ? Math.min(...covering) : Math.max(...sizes);
  return { count: Math.max(1, Math.ceil((want.ml - 0.05) / sizeMl)), sizeMl };
}

/** What the plans of a shop's open jobs need of a component, and which panels it is for. */
export interface Need extends Wanted {
  readonly name: string;
  readonly panels: readonly { readonly job: string; readonly panel: string; readonly ml: number }[];
}
