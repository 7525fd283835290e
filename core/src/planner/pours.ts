import { z } from 'zod';
import { FILLER_WASTE } from '../film/filler-mix.ts';
import { mixByVolume } from '../film/mix.ts';
import { isTwoPack, type ProductSheet } from '../materials/sheet.ts';
import { isCoat, isLaying, type BodyAct, type CoatAct } from '../operations/act.ts';
import { bodyLitres } from '../operations/bodywork.ts';
import { mostCoats, volumeMl } from '../operations/coating.ts';
import { ruleIn, sheetIn, type Context } from '../operations/context.ts';
import { costOf } from '../operations/perform.ts';
import { zoneOf, type PanelState } from '../operations/state.ts';
import { flashMin, mixWindows } from '../operations/windows.ts';
import { isFlexible } from '../survey/zone-facts.ts';
import { placesOf } from './steps.ts';
import type { Performed } from './prepare.ts';

/** What is mixed for each step of a plan that lays something: how much, in how many pots, by scale and by volume. */

const partSchema = z.object({
  name: z.string(),
  ml: z.number(),
  grams: z.number(),
  /** What the marks of the cup, or the scale, must read once it is in. */
  readMl: z.number(),
  readGrams: z.number(),
});

export const pourSchema = z.object({
  n: z.number().int(),
  op: z.string(),
  sheetId: z.string(),
  zones: z.array(z.string()),
  /** What the coats take, losses of every pot included. */
  needMl: z.number(),
  /** What is mixed each time. */
  potMl: z.number(),
  /** Of one pot, in the order in which they are poured. */
  parts: z.array(partSchema),
  /** Mixes apart from each other: more than one where coats lie further apart than the pot life. */
  pots: z.number().int(),
  potLifeMin: z.number().optional(),
  inductionMin: z.number().optional(),
  leftoverMl: z.number(),
  cost: z.number(),
});
export type Pour = z.infer<typeof pourSchema>;

export const shoppingSchema = z.object({ sheetId: z.string(), component: z.string(), ml: z.number() });
export type Shopping = z.infer<typeof shoppingSchema>;

/** Steps in which a batch is rounded up, ml: what can be poured and read in a cup of that size. */
const ROUNDED_TO: readonly (readonly [upToMl: number, stepMl: number])[] = [
  [100, 5],
  [1000, 10],
  [Infinity, 50],
];

const roundedUp = (ml: number): number => {
  const [, stepMl] = ROUNDED_TO.find(([upToMl]) => ml <= upToMl)!;
  return Math.ceil(ml / stepMl - 1e-9) * stepMl;
};

interface Component {
  readonly name: string;
  readonly parts: number;
  readonly gramsPerMl: number;
}

/** Flexible additive, g/ml (default). */
const FLEX_GRAMS_PER_ML = 1;

/** What goes into a pot, by volume: a filler's hardener by its share of mass, flexible additive where a part wants it. */
function componentsOf(sheet: ProductSheet, isFlex: boolean): Component[] {
  const { components, hardenerPercent, flexPercent } = sheet;
  const [body, hardener] = components;
  if (hardenerPercent && body && hardener) {
    const parts = (hardenerPercent.usual / 100) * (body.gramsPerMl / hardener.gramsPerMl);
    return [
      { ...body, parts: 1 },
      { ...hardener, parts },
    ];
  }
  if (!isFlex || flexPercent === undefined || !isTwoPack(sheet)) return components;
  const sum = components.reduce((total, { parts }) => total + parts, 0);
  const additive = {
    name: 'flexible additive',
    parts: (sum * flexPercent) / 100,
    gramsPerMl: FLEX_GRAMS_PER_ML,
  };
  return [...components, additive];
}

interface Batch {
  readonly netMl: number;
  readonly pots: number;
  readonly potLifeMin: number | undefined;
}

/** How many pots the coats of an act take: a coat that would begin in a pot that has gone off gets a fresh one. */
function potsOf(act: CoatAct, panel: PanelState, context: Context, potLifeMin: number | undefined): number {
  if (potLifeMin === undefined) return 1;
  const sheet = sheetIn(context, act.sheetId);
  const coats = mostCoats(act);
  const coatMin = costOf(act, panel, context).handsOnMin / coats;
  const apartMin = coatMin + flashMin(sheet.flash.betweenCoatsMin, sheet, context);
  // In one pot lie as many coats as have been sprayed when it goes off; a coat longer than that is somebody's hurry.
  const coatsInPot = Math.max(1, Math.floor((potLifeMin - coatMin) / apartMin + 1e-9) + 1);
  return Math.ceil(coats / coatsInPot);
}

function batchOf(act: CoatAct | BodyAct, panel: PanelState, context: Context): Batch {
  const zones = act.zones.map((id) => zoneOf(panel, id));
  const sheet = sheetIn(context, act.sheetId);
  const potLife = mixWindows(sheet, 0, context).find(({ kind }) => kind === 'pot-life');
  const potLifeMin = potLife?.closesAtMin;
  if (isCoat(act)) {
    const netMl = volumeMl(zones, act, context) - ruleIn(context, 'cupLossMl').value;
    return { netMl, pots: potsOf(act, panel, context, potLifeMin), potLifeMin };
  }
  const litres = zones.reduce((sum, zone) => sum + bodyLitres(zone, act, context), 0);
  return { netMl: litres * 1000 * FILLER_WASTE, pots: 1, potLifeMin };
}

const round = (value: number): number => Math.round(value * 10) / 10;
/** Hardener of a little filler is a few tenths of a gram. */
const roundFine = (value: number): number => Math.round(value * 100) / 100;

/** The pour of one step. */
function pourOf({ act, before }: Performed & { act: CoatAct | BodyAct }, n: number, context: Context): Pour {
  const sheet = sheetIn(context, act.sheetId);
  const { netMl, pots, potLifeMin } = batchOf(act, before, context);
  const lossMl = isCoat(act) ? ruleIn(context, 'cupLossMl').value : 0;
  const needMl = netMl + pots * lossMl;
  // Of an uneven number of coats the fuller pot counts.
  const coats = isCoat(act) ? mostCoats(act) : 1;
  const potMl = roundedUp((netMl * Math.ceil(coats / pots)) / coats + lossMl);
  const isFlex = act.zones.some((id) => isFlexible(zoneOf(before, id).zone));
  const components = componentsOf(sheet, isFlex);
  const lines = mixByVolume(
    components.map(({ parts }) => parts),
    potMl,
    components.map(({ gramsPerMl }) => gramsPerMl),
  );
  return {
    n,
    op: act.op,
    sheetId: sheet.id,
    zones: placesOf(act, before).zones,
    needMl: round(needMl),
    potMl,
    parts: lines.map(({ volumeMl: ml, cumulativeMl, massGrams = 0, cumulativeGrams = 0 }, i) => ({
      name: components[i]!.name,
      ml: roundFine(ml),
      grams: roundFine(massGrams),
      readMl: roundFine(cumulativeMl),
      readGrams: roundFine(cumulativeGrams),
    })),
    pots,
    ...(potLifeMin === undefined ? {} : { potLifeMin: round(potLifeMin) }),
    ...(sheet.inductionMin ? { inductionMin: sheet.inductionMin } : {}),
    leftoverMl: round(Math.max(0, pots * potMl - needMl)),
    cost: round((pots * potMl * sheet.pricePerLitre) / 1000),
  };
}

/**
 * What is mixed for steps of a plan, in their order; steps that lay nothing are left out.
 * @param nBefore how many steps of the plan come before these
 */
export const poursOf = (steps: readonly Performed[], nBefore: number, context: Context): Pour[] =>
  steps.flatMap((step, i) => {
    const { act } = step;
    return isLaying(act) ? [pourOf({ ...step, act }, nBefore + i + 1, context)] : [];
  });

/** What pours take in all, by product and component, in the order in which they are wanted. */
export function shoppingOf(pours: readonly Pour[]): Shopping[] {
  const wanted = new Map<string, Shopping>();
  for (const { sheetId, parts, pots } of pours)
    for (const { name: component, ml } of parts) {
      const key = `${sheetId} ${component}`;
      const known = wanted.get(key)?.ml ?? 0;
      wanted.set(key, { sheetId, component, ml: round(known + pots * ml) });
    }
  return [...wanted.values()];
}
