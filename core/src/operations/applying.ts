import { formOf, type ProductForm, type ProductSheet } from '../materials/sheet.ts';
import { isHiddenFace, ruleIn, type Context } from './context.ts';
import { reachedM2, type Reach } from './extent.ts';
import { opReason } from './operation.ts';
import type { ZoneState } from './state.ts';
import type { Reason } from '../wording/reason.ts';

/**
 * How a coat is put on, one row for each way: by gun, out of a spray can, by brush. How far it goes, how large a place it
 * is for, and what it takes besides the metres over the panel.
 */

/** What is put on, over which areas, with how many coats on each. */
export interface Application {
  readonly sheet: ProductSheet;
  readonly zones: readonly ZoneState[];
  readonly coatsOn: (zone: ZoneState) => number;
}

interface FormRow {
  /** How much of an area it goes over. */
  readonly reach: Reach;
  /** Setting up and cleaning, minutes. @param ml what the coats take */
  readonly setUpMin: (m2: number, ml: number, sheet: ProductSheet, context: Shop) => number;
  /** Why a place is too large for it. */
  readonly tooLarge?: (zone: ZoneState, sheet: ProductSheet, context: Around) => Reason | null;
  /** It makes a mist: what is around is masked first, and the gun or nozzle looked after. */
  readonly isSprayed?: true;
  /** Each coat over a square metre, minutes. */
  readonly perM2Min: (context: Shop) => number;
  /** Spot by spot where they are known, at so many minutes each. */
  readonly spotMin?: (context: Shop) => number;
  /** Marks that it leaves, to be levelled where it is seen, µm. */
  readonly marksUm?: (context: Shop) => number;
  /** Left of each mix in what it is put on with, ml; nothing where absent. */
  readonly lossMl?: (m2: number, context: Shop) => number;
  /** Said of the minutes where they are the small ones. */
  readonly said: (m2: number, ml: number, sheet: ProductSheet, context: Shop) => readonly Reason[];
}

type Shop = Pick<Context, 'shop'>;
type Around = Pick<Context, 'shop' | 'panel'>;

/** Setting up and cleaning the big gun, minutes (default, calibrated as survey/labour-rules.ts). */
export const SPRAY_FIXED_MIN = 9;
const MIN_PER_COAT = 1;

/** A coat goes over all that was dulled for it. */
export const COAT_REACH = 'reachM2';

/** What an aerosol can holds where its sheet does not say, ml (default). */
const USUAL_CAN_ML = 400;

/** Whole cans of an aerosol that cover a need. */
export const aerosolCans = ({ canMl = USUAL_CAN_ML }: Pick<ProductSheet, 'canMl'>, needMl: number) => ({
  canMl,
  cans: Math.max(1, Math.ceil(needMl / canMl - 1e-9)),
});

/** Whether a place is so small that nobody takes up the big gun for it. */
const isForSmallGun = (m2: number, context: Shop): boolean => m2 <= ruleIn(context, 'smallGunM2').value;

const sprayPerM2Min = (context: Shop): number => ruleIn(context, 'sprayMinPerM2').value;

const shaken = (ml: number, sheet: ProductSheet, context: Shop): number =>
  aerosolCans(sheet, ml).cans * ruleIn(context, 'sprayCanMin').value;

/** Why an area is more than a small place; null where it is one. */
function largerThanSmall(
  code: 'coat.too-large-for-can' | 'coat.too-large-for-brush-inside',
  zone: ZoneState,
  sheet: ProductSheet,
  context: Around,
): Reason | null {
  const areaM2 = reachedM2(reachOf(sheet), zone) * context.panel.count;
  const { value: mostM2, source } = ruleIn(context, 'smallGunM2');
  if (areaM2 <= mostM2) return null;
  return { ...opReason(code, { sheet: sheet.name, areaM2, mostM2 }), rule: 'sheet', source };
}

const BY_HAND: FormRow = {
  reach: COAT_REACH,
  setUpMin: (_m2, _ml, _sheet, context) => ruleIn(context, 'brushSetUpMin').value,
  perM2Min: (context) => ruleIn(context, 'brushMinPerM2').value,
  said: () => [],
};

const FORMS: Readonly<Record<ProductForm, FormRow>> = {
  sprayed: {
    reach: COAT_REACH,
    isSprayed: true,
    perM2Min: sprayPerM2Min,
    lossMl: (m2, context) =>
      ruleIn(context, isForSmallGun(m2, context) ? 'smallCupLossMl' : 'cupLossMl').value,
    setUpMin: (m2, _ml, _sheet, context) =>
      isForSmallGun(m2, context) ? ruleIn(context, 'smallGunSetUpMin').value : SPRAY_FIXED_MIN,
    said: (m2, _ml, _sheet, context) => {
      const { value: smallM2, source } = ruleIn(context, 'smallGunM2');
      if (!isForSmallGun(m2, context)) return [];
      const setUpMin = ruleIn(context, 'smallGunSetUpMin').value;
      return [{ ...opReason('coat.small-gun', { smallM2, setUpMin }), rule: 'labour', source }];
    },
  },
  aerosol: {
    reach: COAT_REACH,
    isSprayed: true,
    perM2Min: sprayPerM2Min,
    setUpMin: (_m2, ml, sheet, context) => shaken(ml, sheet, context),
    tooLarge: (zone, sheet, context) => largerThanSmall('coat.too-large-for-can', zone, sheet, context),
    said: (_m2, ml, sheet, context) => {
      const { value: canMin, source } = ruleIn(context, 'sprayCanMin');
      const { cans } = aerosolCans(sheet, ml);
      return [{ ...opReason('coat.spray-can', { cans, canMin }), rule: 'labour', source }];
    },
  },
  brushed: {
    ...BY_HAND,
    reach: 'openM2',
    spotMin: (context) => ruleIn(context, 'brushSpotMin').value,
    marksUm: (context) => ruleIn(context, 'brushMarksUm').value,
    lossMl: (_m2, context) => ruleIn(context, 'brushLossMl').value,
    tooLarge: (zone, sheet, context) => {
      // Nobody looks at the inside: there a brush does for as much as a spray can.
      if (isHiddenFace(zone.zone))
        return largerThanSmall('coat.too-large-for-brush-inside', zone, sheet, context);
      const { value: mostMm, source } = ruleIn(context, 'brushMm');
      const spotMm = zone.patch?.spots?.mm;
      if (spotMm !== undefined && spotMm <= mostMm) return null;
      return {
        ...opReason('coat.too-large-for-brush', { sheet: sheet.name, mostMm }),
        rule: 'sheet',
        source,
      };
    },
    said: (_m2, _ml, _sheet, context) => {
      const { value: setUpMin, source } = ruleIn(context, 'brushSetUpMin');
      const spotMin = ruleIn(context, 'brushSpotMin').value;
      return [{ ...opReason('coat.by-brush', { setUpMin, spotMin }), rule: 'labour', source }];
    },
  },
  spread: BY_HAND,
  wiped: BY_HAND,
};

const formRowOf = (sheet: Pick<ProductSheet, 'form' | 'kind'>): FormRow => FORMS[formOf(sheet)];

/** How much of an area the coats of a product go over. */
export const reachOf = (sheet: Pick<ProductSheet, 'form' | 'kind'>): Reach => formRowOf(sheet).reach;

/** Whether putting a product on makes a mist that lands beside it. */
export const isSprayed = (sheet: Pick<ProductSheet, 'form' | 'kind'>): boolean =>
  formRowOf(sheet).isSprayed === true;

/** Marks that putting a product on leaves, µm. */
export const marksUm = (sheet: Pick<ProductSheet, 'form' | 'kind'>, context: Shop): number =>
  formRowOf(sheet).marksUm?.(context) ?? 0;

/** Why an area is too large for the way in which a product is put on; null where it is not. */
export const tooLargeFor = (sheet: ProductSheet, zone: ZoneState, context: Around): Reason | null =>
  formRowOf(sheet).tooLarge?.(zone, sheet, context) ?? null;

/** Hands-on minutes of coats by gun: taking it up for each, and the metres of its travel by square metres x coats. */
export const coatsMin = (coats: number, m2Coats: number, context: Shop): number =>
  MIN_PER_COAT * coats + sprayPerM2Min(context) * m2Coats;

/** The same with setting up. @param m2 what each coat goes over, of all parts together @param ml what they take */
export const sprayingMin = (
  sheet: ProductSheet,
  { coats, m2Coats, m2, ml }: { coats: number; m2Coats: number; m2: number; ml: number },
  context: Shop,
): number => {
  const { setUpMin, perM2Min } = formRowOf(sheet);
  return setUpMin(m2, ml, sheet, context) + MIN_PER_COAT * coats + perM2Min(context) * m2Coats;
};

/** What each coat goes over, of all parts together, m². */
export const appliedM2 = (
  { sheet, zones }: Pick<Application, 'sheet' | 'zones'>,
  { panel }: Around,
): number => panel.count * zones.reduce((sum, zone) => sum + reachedM2(reachOf(sheet), zone), 0);

/**
 * Hands-on minutes of coats, setting up and cleaning included.
 * @param ml what the coats take, ready to spray
 */
export function applyingMin(application: Application, ml: number, context: Around): number {
  const { sheet, zones, coatsOn } = application;
  const { setUpMin, spotMin, perM2Min, reach } = formRowOf(sheet);
  const { count } = context.panel;
  const m2 = appliedM2(application, context);
  const fixedMin = setUpMin(m2, ml, sheet, context);
  if (spotMin && zones.every(({ patch }) => patch?.spots)) {
    const strokes = zones.reduce((sum, zone) => sum + coatsOn(zone) * zone.patch!.spots!.count, 0);
    return fixedMin + strokes * count * spotMin(context);
  }
  const m2Coats = count * zones.reduce((sum, zone) => sum + coatsOn(zone) * reachedM2(reach, zone), 0);
  const coats = Math.max(...zones.map(coatsOn));
  return fixedMin + MIN_PER_COAT * coats + perM2Min(context) * m2Coats;
}

/** Where the minutes of setting up come from, where they are those of a small place. */
export const saidOfApplying = (application: Application, ml: number, context: Around): readonly Reason[] =>
  formRowOf(application.sheet).said(appliedM2(application, context), ml, application.sheet, context);

/**
 * Least that is mixed of a coat in one go, ml, by the shop's figures: of less the hardener is no amount that a scale reads.
 * 0 for what needs no mixing.
 * @param m2 what each coat goes over, of all parts together
 */
export function leastCoatMl(sheet: ProductSheet, m2: number, context: Shop): number {
  const form = formOf(sheet);
  if (sheet.components.length === 1 || form === 'aerosol') return 0;
  if (form !== 'sprayed') return ruleIn(context, 'leastBrushMl').value;
  if (!isForSmallGun(m2, context)) return ruleIn(context, 'leastMixMl').value;
  return Math.max(ruleIn(context, 'leastSmallMixMl').value, leastByScaleMl(sheet, context));
}

/** Least of which every part can be weighed, ml. */
function leastByScaleMl({ components }: ProductSheet, context: Shop): number {
  const { value: grams } = ruleIn(context, 'leastPartGrams');
  const parts = components.reduce((sum, component) => sum + component.parts, 0);
  return Math.max(
    ...components.map((component) => (grams * parts) / (component.parts * (component.gramsPerMl ?? 1))),
  );
}

/** What each mix leaves in cup, line and strainer, or in the brush, ml. @param m2 what each coat goes over */
export const mixLossMl = (sheet: ProductSheet, m2: number, context: Shop): number =>
  formRowOf(sheet).lossMl?.(m2, context) ?? 0;
