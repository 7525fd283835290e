import { workAirAt } from '../operations/day.ts';
import { z } from 'zod';
import { FILLER_WASTE } from '../film/filler-mix.ts';
import { mixByVolume } from '../film/mix.ts';
import { mixPartsOf, vocGPerL, type MixPart } from '../materials/mix-parts.ts';
import { formOf, readyGramsPerMl, type ProductSheet } from '../materials/sheet.ts';
import { canIdOf } from '../materials/stock.ts';
import { isCoat, isLaying, type BodyAct, type CoatAct } from '../operations/act.ts';
import { aerosolCans, appliedM2, leastCoatMl } from '../operations/applying.ts';
import { bodyLitres, leastBodyGrams, liftsOf } from '../operations/bodywork.ts';
import { coatsMl, lossMlOf, mostCoats } from '../operations/coating.ts';
import { sheetIn, type Context } from '../operations/context.ts';
import { minutesOfArea, workedOn } from '../operations/table.ts';
import { costOf } from '../operations/perform.ts';
import { zoneOf, type PanelState } from '../operations/state.ts';
import { flashMin, mixWindows } from '../operations/windows.ts';
import { isFlexible } from '../survey/zone-facts.ts';
import { amountOf, centsOf } from '../units/money.ts';
import { SOURCES } from '../wording/reason.ts';
import { placesOf } from './steps.ts';
import { isStepOf, type Performed, type StepOf } from './prepare.ts';

/** What is mixed for each step of a plan that lays something: how much, in how many pots, by scale and by volume. */

const partSchema = z.object({
  name: z.string(),
  /** Product whose cans it comes from. */
  canOf: z.string(),
  ml: z.number(),
  /** Left out where the sheet gives no density: then it is poured by volume. */
  grams: z.number().optional(),
  /** What the marks of the cup, or the scale, must read once it is in. */
  readMl: z.number(),
  /** Left out from the first part of which the density is not known. */
  readGrams: z.number().optional(),
});

export const pourSchema = z.object({
  n: z.number().int(),
  op: z.string(),
  sheetId: z.string(),
  zones: z.array(z.string()),
  /** What the coats take, losses of every pot included. */
  needMl: z.number(),
  /** Of it, what is left in cup and line of each pot. */
  lossMl: z.number(),
  /** What is mixed each time; what a can holds where it is an aerosol. */
  potMl: z.number(),
  /** What is mixed the last time, where that is less: fewer coats are left for it. */
  lastPotMl: z.number().optional(),
  /** Of one pot, in the order in which they are poured. */
  parts: z.array(partSchema),
  /** Mixes apart from each other: more than one where coats lie further apart than the pot life. */
  pots: z.number().int(),
  /** More than one pot for each coat or lift: laying it takes longer than the pot life. */
  potsACoat: z.number().int().optional(),
  /** Aerosol cans in place of pots; those of two parts keep for the pot life once they are activated. */
  cans: z.number().int().optional(),
  potLifeMin: z.number().optional(),
  inductionMin: z.number().optional(),
  leftoverMl: z.number(),
  cost: z.number(),
  /** Solvent in a litre ready to spray; null where the sheet does not say. */
  vocGPerL: z.number().nullable(),
  vocSource: z.enum(SOURCES),
});
export type Pour = z.infer<typeof pourSchema>;

export const shoppingSchema = z.object({ sheetId: z.string(), component: z.string(), ml: z.number() });
export type Shopping = z.infer<typeof shoppingSchema>;

/** Steps in which a batch is rounded up, ml: what can be poured and read in a cup of that size. */
const ROUNDED_TO: readonly (readonly [upToMl: number, stepMl: number])[] = [
  [20, 1],
  [100, 5],
  [1000, 10],
  [Infinity, 50],
];

const roundedUp = (ml: number): number => {
  const [, stepMl] = ROUNDED_TO.find(([upToMl]) => ml <= upToMl)!;
  return Math.ceil(ml / stepMl - 1e-9) * stepMl;
};

interface Pots {
  readonly pots: number;
  /** Of one coat or lift. */
  readonly potsACoat: number;
}
interface Batch extends Pots {
  readonly netMl: number;
  readonly potLifeMin: number | undefined;
  /** Least that is mixed in one go. */
  readonly leastMl: number;
  /** Left in cup and line of each pot. */
  readonly lossMl: number;
}

const ONE_POT: Pots = { pots: 1, potsACoat: 1 };
const fitting = (min: number, potLifeMin: number): number => Math.max(1, Math.ceil(min / potLifeMin - 1e-9));

/** How many pots the coats of an act take: what would begin in a pot that has gone off gets a fresh one. */
function potsOfCoats(act: CoatAct, panel: PanelState, context: Context, potLifeMin: number): Pots {
  const sheet = sheetIn(context, act.sheetId);
  const coats = mostCoats(act);
  const coatMin = costOf(act, panel, context).handsOnMin / coats;
  const potsACoat = fitting(coatMin, potLifeMin);
  if (potsACoat > 1) return { pots: coats * potsACoat, potsACoat };
  const apartMin = coatMin + flashMin(sheet.flash.betweenCoatsMin, sheet, context, panel.clockMin);
  // In one pot lie as many coats as have been sprayed when it goes off.
  const coatsInPot = Math.floor((potLifeMin - coatMin) / apartMin + 1e-9) + 1;
  return { pots: Math.ceil(coats / coatsInPot), potsACoat: 1 };
}

/** Filler sets between lifts, and each lift is mixed in as many pots as can be spread before they set. */
function potsOfLifts(act: BodyAct, panel: PanelState, context: Context, potLifeMin: number): Pots {
  const zones = act.zones.map((id) => zoneOf(panel, id));
  const lifts = Math.max(...zones.map((zone) => liftsOf(zone, act, context)));
  const spreadMin = minutesOfArea(act.op, workedOn(act.op, zones, context), context);
  const potsACoat = fitting(spreadMin, potLifeMin);
  return { pots: lifts * potsACoat, potsACoat };
}

function batchOf(act: CoatAct | BodyAct, panel: PanelState, context: Context): Batch {
  const zones = act.zones.map((id) => zoneOf(panel, id));
  const sheet = sheetIn(context, act.sheetId);
  const potLife = mixWindows(sheet, panel.clockMin, context).find(({ kind }) => kind === 'pot-life');
  const potLifeMin = potLife && potLife.closesAtMin - panel.clockMin;
  if (isCoat(act)) {
    const netMl = coatsMl(zones, act, context);
    const pots = potLifeMin === undefined ? ONE_POT : potsOfCoats(act, panel, context, potLifeMin);
    const leastMl = leastCoatMl(sheet, appliedM2({ sheet, zones }, context), context);
    return { netMl, ...pots, potLifeMin, leastMl, lossMl: lossMlOf(zones, act, context) };
  }
  const litres = zones.reduce((sum, zone) => sum + bodyLitres(zone, act, context), 0);
  const pots = potLifeMin === undefined ? ONE_POT : potsOfLifts(act, panel, context, potLifeMin);
  const leastMl = leastBodyGrams(sheet, context) / readyGramsPerMl(sheet).value;
  return { netMl: litres * 1000 * FILLER_WASTE, ...pots, potLifeMin, leastMl, lossMl: 0 };
}

const round = (value: number): number => Math.round(value * 10) / 10;
/** Hardener of a little filler is a few tenths of a gram. */
const roundFine = (value: number): number => Math.round(value * 100) / 100;

/** Product whose cans a component of a sheet comes from. */
const canOfComponent = (sheet: ProductSheet, component: string, { shelf }: Context): string =>
  canIdOf(sheet, component, (id) => shelf.get(id));

/** A pot part by part; by mass as far as densities are known. */
function partsOf(
  sheet: ProductSheet,
  components: readonly MixPart[],
  potMl: number,
  context: Context,
): Pour['parts'] {
  const lines = mixByVolume(
    components.map(({ parts }) => parts),
    potMl,
  );
  let readGrams: number | undefined = 0;
  return lines.map(({ volumeMl: ml, cumulativeMl }, i) => {
    const { name, gramsPerMl } = components[i]!;
    const grams = gramsPerMl === undefined ? undefined : ml * gramsPerMl;
    readGrams = readGrams === undefined || grams === undefined ? undefined : readGrams + grams;
    return {
      name,
      canOf: canOfComponent(sheet, name, context),
      ml: roundFine(ml),
      ...(grams === undefined ? {} : { grams: roundFine(grams) }),
      readMl: roundFine(cumulativeMl),
      ...(readGrams === undefined ? {} : { readGrams: roundFine(readGrams) }),
    };
  });
}

/** An aerosol is bought mixed: whole cans that cover the need. */
function aerosolsOf(sheet: ProductSheet, needMl: number, context: Context) {
  const { name } = sheet.components[0]!;
  const { cans, canMl } = aerosolCans(sheet, needMl);
  return {
    potMl: canMl,
    cans,
    parts: [{ name, canOf: canOfComponent(sheet, name, context), ml: canMl, readMl: canMl }],
    mixedMl: cans * canMl,
  };
}

/** The pour of one step. */
function pourOf({ act, before }: StepOf<CoatAct | BodyAct>, n: number, context: Context): Pour {
  const sheet = sheetIn(context, act.sheetId);
  const { netMl, pots, potsACoat, potLifeMin, leastMl, lossMl } = batchOf(act, before, context);
  const needMl = netMl + pots * lossMl;
  // Of an uneven number of coats the last pot gets what is left of them.
  const coats = isCoat(act) && potsACoat === 1 ? mostCoats(act) : pots;
  const coatsInPot = Math.ceil(coats / pots);
  const mlOf = (n: number): number => roundedUp(Math.max(leastMl, (netMl * n) / coats + lossMl));
  const isFlex = act.zones.some((id) => isFlexible(zoneOf(before, id).zone));
  const components = mixPartsOf(sheet, isFlex, workAirAt(before.clockMin, context).celsius);
  const potMl = mlOf(coatsInPot);
  const lastPotMl = mlOf(coats - coatsInPot * (pots - 1));
  const { mixedMl, ...mixed } =
    formOf(sheet) === 'aerosol'
      ? { pots: 1, ...aerosolsOf(sheet, needMl, context) }
      : {
          potMl,
          ...(lastPotMl < potMl ? { lastPotMl } : {}),
          pots,
          parts: partsOf(sheet, components, potMl, context),
          mixedMl: (pots - 1) * potMl + lastPotMl,
        };
  const voc = vocGPerL(components);
  return {
    n,
    op: act.op,
    sheetId: sheet.id,
    zones: placesOf(act, before).zones,
    needMl: round(needMl),
    lossMl,
    ...mixed,
    ...(potsACoat > 1 && mixed.pots > 1 ? { potsACoat } : {}),
    ...(potLifeMin === undefined ? {} : { potLifeMin: round(potLifeMin) }),
    ...(sheet.inductionMin ? { inductionMin: sheet.inductionMin } : {}),
    leftoverMl: round(Math.max(0, mixedMl - needMl)),
    cost: Math.round((mixedMl * sheet.pricePerLitre) / 10) / 100,
    vocGPerL: voc === null ? null : Math.round(voc),
    vocSource: sheet.components.every((component) => component.vocGPerL !== undefined) ? 'sheet' : 'model',
  };
}

/**
 * What is mixed for steps of a plan, in their order; steps that lay nothing are left out.
 * @param nBefore how many steps of the plan come before these
 */
export const poursOf = (steps: readonly Performed[], nBefore: number, context: Context): Pour[] =>
  steps.flatMap((step, i) => (isStepOf(step, isLaying) ? [pourOf(step, nBefore + i + 1, context)] : []));

function scaledParts(parts: Pour['parts'], share: number): Pour['parts'] {
  const scaled = (value: number): number => roundFine(value * share);
  return parts.map(({ name, canOf, ml, grams, readMl, readGrams }) => ({
    name,
    canOf,
    ml: scaled(ml),
    ...(grams === undefined ? {} : { grams: scaled(grams) }),
    readMl: scaled(readMl),
    ...(readGrams === undefined ? {} : { readGrams: scaled(readGrams) }),
  }));
}

/** The parts of pot `nth`, from 0: all pots are alike but for a last one that is smaller. */
export function potOf({ parts, potMl, lastPotMl, pots }: Pour, nth: number): Pick<Pour, 'parts' | 'potMl'> {
  if (lastPotMl === undefined || nth < pots - 1) return { parts, potMl };
  return { parts: scaledParts(parts, lastPotMl / potMl), potMl: lastPotMl };
}

/** Shares of two pots of one mix differ by rounding of their readings alone. */
const SAME_SHARE = 0.01;

/** Whether two pots have the same parts in the same ratio: a flexible part has its additive, a rigid one has not. */
const isMixedAlike = (a: Pour, b: Pour): boolean =>
  a.parts.length === b.parts.length &&
  a.parts.every(({ name, ml }, i) => {
    const other = b.parts[i]!;
    return name === other.name && Math.abs(ml / a.potMl - other.ml / b.potMl) < SAME_SHARE;
  });

/**
 * One mix for several panels that are sprayed together: what all of them take, with the loss of one pot.
 * @param pours of the same product, each in one pot of its own
 * @returns null where they are of different products or mixed otherwise, or one of them needs more than one pot
 */
export function combinedPour(pours: readonly Pour[]): Pour | null {
  const [first, ...others] = pours;
  if (!first || first.cans !== undefined) return null;
  if (others.some(({ sheetId, pots }) => sheetId !== first.sheetId || pots !== 1) || first.pots !== 1)
    return null;
  if (!others.every((other) => isMixedAlike(first, other))) return null;
  const lossMl = Math.max(...pours.map((pour) => pour.lossMl));
  const needMl = round(pours.reduce((sum, pour) => sum + pour.needMl - pour.lossMl, 0) + lossMl);
  const potMl = roundedUp(needMl);
  const share = potMl / first.potMl;
  return {
    ...first,
    needMl,
    lossMl,
    potMl,
    parts: scaledParts(first.parts, share),
    leftoverMl: round(Math.max(0, potMl - needMl)),
    cost: amountOf(centsOf(first.cost * share)),
  };
}

/** What pours take in all, by component and the product whose cans it comes from, in the order in which they are wanted. */
export function shoppingOf(pours: readonly Pour[]): Shopping[] {
  const wanted = new Map<string, Shopping>();
  for (const { parts, pots, potMl, lastPotMl = potMl, cans = pots - 1 + lastPotMl / potMl } of pours)
    for (const { name: component, canOf: sheetId, ml } of parts) {
      const key = `${sheetId} ${component}`;
      const known = wanted.get(key)?.ml ?? 0;
      wanted.set(key, { sheetId, component, ml: round(known + cans * ml) });
    }
  return [...wanted.values()];
}
