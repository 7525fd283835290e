import { sprayVolumeMl, wetFilmUm } from '../film/coverage.ts';
import { sagLimitWetUm } from '../film/sag.ts';
import { labelOf } from '../materials/layer-kinds.ts';
import {
  formOf,
  isTwoPack,
  lowShearOf,
  readyGramsPerMl,
  readyVolumeSolids,
  type ProductSheet,
} from '../materials/sheet.ts';
import { isLowEnergy } from '../survey/zone-facts.ts';
import type { Reason } from '../wording/reason.ts';
import { isLastCoat, type CoatAct } from './act.ts';
import { ruleIn, sheetIn, type Context } from './context.ts';
import {
  COAT_REACH,
  SPRAY_FIXED_MIN,
  aerosolCans,
  appliedM2,
  applyingMin,
  isSprayed,
  marksUm,
  mixLossMl,
  reachOf,
  saidOfApplying,
  tooLargeFor,
  type Application,
} from './applying.ts';
import { cautionsOfSheet } from './bodywork.ts';
import { changed } from './changed-area.ts';
import { workAirAt } from './day.ts';
import { reachedM2 } from './extent.ts';
import { settledBy, withIssue } from './issues.ts';
import { opReason, type Moment, type Operation, type OperationRow, type Rows } from './operation.ts';
import { filmPercentIn, transferIn } from './spraying.ts';
import {
  isBare,
  isUnprimedComposite,
  isUnprimedPlastic,
  topOf,
  type LaidCoat,
  type Layer,
  type PanelState,
  type ZoneState,
} from './state.ts';
import { coatWindows, flashMin } from './windows.ts';

/** Spraying: each zone gets its coats, and the new layer carries its own clocks. */

/** Coats that an act lays on an area. */
export const coatsOn = (act: CoatAct, zone: ZoneState): number => act.coats[zone.zone.id] ?? 1;
export const mostCoats = (act: CoatAct): number => Math.max(...Object.values(act.coats));
export const coatFilmUm = (act: CoatAct, zone: ZoneState, sheet: ProductSheet): number =>
  coatsOn(act, zone) * sheet.film.perCoatUm;

const applicationOf = (zones: readonly ZoneState[], act: CoatAct, context: Context): Application => ({
  sheet: sheetIn(context, act.sheetId),
  zones,
  coatsOn: (zone) => coatsOn(act, zone),
});

/** What is left in cup and line of each mix for an act, ml. */
export const lossMlOf = (zones: readonly ZoneState[], act: CoatAct, context: Context): number => {
  const application = applicationOf(zones, act, context);
  return mixLossMl(application.sheet, appliedM2(application, context), context);
};

/** Volume ready to spray that the coats of an act take, ml. */
export function coatsMl(zones: readonly ZoneState[], act: CoatAct, context: Context): number {
  const sheet = sheetIn(context, act.sheetId);
  const volumeSolids = readyVolumeSolids(sheet);
  const transfer = transferIn(sheet, context).value;
  return zones.reduce(
    (sum, zone) =>
      sum +
      sprayVolumeMl({
        areaM2: reachedM2(reachOf(sheet), zone) * context.panel.count,
        dryUm: coatFilmUm(act, zone, sheet),
        volumeSolids,
        transfer,
        lossMl: 0,
      }),
    0,
  );
}

/** The same with what is left in cup and line, ml. */
export const volumeMl = (zones: readonly ZoneState[], act: CoatAct, context: Context): number =>
  coatsMl(zones, act, context) + lossMlOf(zones, act, context);

/** What the material of an act costs; the cans of a two-pack aerosol are used up once they are released. */
function materialCost(zones: readonly ZoneState[], act: CoatAct, context: Context): number {
  const sheet = sheetIn(context, act.sheetId);
  const needMl = volumeMl(zones, act, context);
  const { cans, canMl } = aerosolCans(sheet, needMl);
  const isUsedUp = formOf(sheet) === 'aerosol' && isTwoPack(sheet);
  return ((isUsedUp ? cans * canMl : needMl) / 1000) * sheet.pricePerLitre;
}

function laidCoat(act: CoatAct, sheet: ProductSheet, { endMin, context }: Moment): LaidCoat {
  const { flash, recoat, cure } = coatWindows(sheet, endMin, context);
  const laid = { sheetId: sheet.id, flash, recoat, cure, isLast: isLastCoat(act) };
  return act.toneL === undefined ? laid : { ...laid, toneL: act.toneL };
}

/** More of a coat: what lay in a hollow lies there still, and what was blocked counts. */
const onto = (laid: LaidCoat, { laid: was }: Layer): LaidCoat => ({
  ...laid,
  ...(was?.hollowUm === undefined ? {} : { hollowUm: was.hollowUm }),
  ...(was?.nBlocked === undefined ? {} : { nBlocked: was.nBlocked }),
});

function apply(act: CoatAct, moment: Moment): (zone: ZoneState) => ZoneState {
  const sheet = sheetIn(moment.context, act.sheetId);
  const kind = sheet.kind as ZoneState['stack'][number]['kind'];
  const freshPeelUm =
    kind === 'build' || kind === 'dtm' ? ruleIn(moment.context, 'orangePeelUm').value : null;
  const laid = laidCoat(act, sheet, moment);
  const leftUm = marksUm(sheet, moment.context);
  return (zone) => {
    const settled = settledBy(zone, act.op);
    const looked = isUnprimedComposite(zone) ? withIssue(settled, 'look') : settled;
    const top = topOf(zone);
    const um = coatFilmUm(act, zone, sheet);
    // More of the same product is one film: what must stay, and what the sheet allows, is said of all of it.
    const isMore = top.laid?.sheetId === sheet.id && top.kind === kind;
    const stack = isMore
      ? [...zone.stack.slice(0, -1), { kind, um: top.um + um, laid: onto(laid, top) }]
      : [...zone.stack, { kind, um, laid }];
    return changed(looked, {
      stack,
      bareSinceMin: null,
      surface: {
        soil: 'clean',
        // Nobody wipes over fresh promoter: what was tacked before it counts for the primer on it.
        isTacked: sheet.kind === 'promoter' && zone.surface.isTacked,
        hasGuideCoat: false,
        scratch: null,
        peelUm: freshPeelUm ?? zone.surface.peelUm,
        wavesUm: Math.max(zone.surface.wavesUm, leftUm),
      },
    });
  };
}

/** Wet film of one coat against what sags, µm. */
export interface Sag {
  readonly wetUm: number;
  /** Most that an upright part bears, whatever way it is held; Infinity where the panel lies level. */
  readonly uprightUm: number;
  /** Most that this coat may have. */
  readonly limitUm: number;
  /** A part off the vehicle is laid flat for a coat that would sag on it. */
  readonly isLaidFlat: boolean;
}

/** What one coat of an act lies like on this panel. */
export function sagOf(act: CoatAct, context: Context): Sag {
  const sheet = sheetIn(context, act.sheetId);
  const { orientation, shape, offVehicle } = context.panel;
  const model = sagLimitWetUm(readyGramsPerMl(sheet).value, lowShearOf(sheet).value, shape === 'sharp');
  const uprightUm = orientation === 'vertical' ? model : Infinity;
  const wetUm = wetFilmUm(sheet.film.perCoatUm, readyVolumeSolids(sheet));
  const isLaidFlat = offVehicle && wetUm > uprightUm;
  const limitUm = Math.min(sheet.film.maxWetUm ?? Infinity, isLaidFlat ? Infinity : uprightUm);
  return { wetUm, uprightUm, limitUm, isLaidFlat };
}

function explain(zones: readonly ZoneState[], act: CoatAct, panel: PanelState, context: Context): Reason[] {
  const sheet = sheetIn(context, act.sheetId);
  const reasons: Reason[] = [
    {
      rule: 'film',
      code: 'coat.film',
      source: filmPercentIn(sheet, context).source,
      facts: { name: sheet.name, perCoatUm: sheet.film.perCoatUm, maxUm: sheet.film.maxUm },
    },
    {
      rule: 'mix',
      code: isSprayed(sheet) ? 'coat.volume' : 'coat.volume-by-hand',
      source: 'model',
      facts: {
        ratio: sheet.components.map((c) => c.parts).join(':'),
        volumeMl: volumeMl(zones, act, context),
        transferPercent: Math.round(transferIn(sheet, context).value * 100),
      },
    },
  ];
  reasons.push(...saidOfApplying(applicationOf(zones, act, context), coatsMl(zones, act, context), context));
  if (mostCoats(act) > 1)
    reasons.push({
      rule: 'B2',
      code: 'coat.flash',
      source: 'model',
      facts: {
        betweenMin: flashMin(sheet.flash.betweenCoatsMin, sheet, context, panel.clockMin),
        sheetMin: sheet.flash.betweenCoatsMin,
        roomCelsius: workAirAt(panel.clockMin, context).celsius,
      },
    });
  return reasons;
}

/** Whether a sheet lets its coat lie on what is on top of a zone, or on the promoter that rule P4 will ask for there. */
export const mayLieOn = (sheet: ProductSheet, zone: ZoneState): boolean => {
  const { kind } = topOf(zone);
  if (kind in sheet.over || kind === sheet.kind || goesOverPromoter(zone, sheet)) return true;
  return isBare(zone) && zone.patch?.finding.kind === 'rub-through' && sheet.coversBareSpots;
};

/** Low-energy plastic takes this coat over a promoter, which rule P4 asks for. */
const goesOverPromoter = (zone: ZoneState, sheet: ProductSheet): boolean =>
  isUnprimedPlastic(zone) && isLowEnergy(zone.zone) && 'promoter' in sheet.over;

type CoatRow = Pick<
  OperationRow,
  'label' | 'title' | 'inSystem' | 'turn' | 'product' | 'use' | 'readAs' | 'checks'
>;

/** Looked at on every coat that is sprayed. */
const SPRAYED = ['test-card', 'no-nibs'] as const;

const coating = (row: CoatRow): Operation<CoatAct> => ({
  ...row,
  isCalledByProduct: true,
  reach: COAT_REACH,
  setOutMin: SPRAY_FIXED_MIN,
  wait: 'stays',
  mayStop: false,
  cautions: cautionsOfSheet,
  check: (zone, act, context) => {
    const sheet = sheetIn(context, act.sheetId);
    const tooLarge = tooLargeFor(sheet, zone, context);
    if (tooLarge) return [tooLarge];
    if (mayLieOn(sheet, zone)) return [];
    return [
      {
        ...opReason('coat.not-over', { sheet: sheet.name, layer: labelOf(topOf(zone).kind) }),
        rule: 'sheet',
        source: 'sheet',
      },
    ];
  },
  apply,
  cost: (zones, act, panel, context) => {
    const sheet = sheetIn(context, act.sheetId);
    const most = mostCoats(act);
    const ml = coatsMl(zones, act, context);
    return {
      handsOnMin: applyingMin(applicationOf(zones, act, context), ml, context),
      waitMin: (most - 1) * flashMin(sheet.flash.betweenCoatsMin, sheet, context, panel.clockMin),
      materialCost: materialCost(zones, act, context),
    };
  },
  explain,
});

export const COATING: Rows<CoatAct> = {
  promote: coating({
    label: 'adhesion promoter',
    title: 'Adhesion promoter',
    inSystem: 'promoter',
    turn: 'promote',
    product: 'promoter',
    checks: SPRAYED,
  }),
  'prime-epoxy': coating({
    label: 'epoxy',
    title: 'Epoxy',
    inSystem: 'epoxy',
    turn: 'chosen',
    product: 'epoxy',
    checks: SPRAYED,
  }),
  'prime-etch': coating({
    label: 'etch primer',
    title: 'Etch primer',
    inSystem: 'etch',
    turn: 'chosen',
    product: 'etch',
    checks: SPRAYED,
  }),
  'prime-dtm': coating({
    label: 'direct-to-metal build',
    title: 'Direct-to-metal build',
    inSystem: 'direct-to-metal build',
    turn: 'chosen',
    product: 'dtm',
    readAs: 'build',
    checks: [...SPRAYED, 'film'],
  }),
  'prime-build': coating({
    label: 'high-build',
    title: 'Build',
    inSystem: 'build',
    turn: 'chosen',
    product: 'build',
    readAs: 'build',
    checks: [...SPRAYED, 'film'],
  }),
  'prime-plastic': coating({
    label: 'plastic primer',
    title: 'Plastic primer',
    inSystem: 'plastic primer',
    turn: 'chosen',
    product: 'plastic-primer',
    checks: SPRAYED,
  }),
  'prime-wet-on-wet': coating({
    label: 'wet-on-wet primer',
    title: 'Wet-on-wet primer',
    inSystem: 'wet-on-wet primer',
    turn: 'chosen',
    product: 'wet-on-wet',
    checks: SPRAYED,
  }),
  seal: coating({
    label: 'sealer',
    title: 'Sealer',
    inSystem: 'sealer',
    turn: 'chosen',
    product: 'sealer',
    use: 'sealer',
    checks: SPRAYED,
  }),
};
