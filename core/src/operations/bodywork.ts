import { FILLER_WASTE } from '../film/filler-mix.ts';
import { isBody, isMetal, labelOf } from '../materials/layer-kinds.ts';
import { readyGramsPerMl, type ProductSheet } from '../materials/sheet.ts';
import type { Reason } from '../wording/reason.ts';
import type { BodyAct, PlainAct } from './act.ts';
import { ruleIn, sheetIn, type Context } from './context.ts';
import type { Caution } from './caution-words.ts';
import { changed } from './changed-area.ts';
import { reachedM2 } from './extent.ts';
import { hasIssue, settledBy, withIssue } from './issues.ts';
import { areaMin, labourOn } from './labour.ts';
import {
  nothing,
  opReason,
  type Cautioned,
  type Moment,
  type Operation,
  type OperationRow,
} from './operation.ts';
import { topOf, type LaidCoat, type PanelState, type ZoneState } from './state.ts';
import { bodyWindows, restsMin } from './windows.ts';

/** Filler takes out a hollow, glaze closes pinholes; both are left proud for shaping. */

/** How far freshly spread filler stands proud and uneven, and glaze, µm (calibrated: two thin pulls). */
const FILLER_PROUD_UM = 250;
const GLAZE_PROUD_UM = 60;

interface BodyRow extends OperationRow {
  readonly lays: 'filler' | 'glaze' | 'seam' | 'texture';
  /** How far it stands proud and uneven when it is spread, µm. */
  readonly proudUm: number;
  /** It takes out the hollow, at its depth rather than at the film of its sheet. */
  readonly isAsDeepAsHollow?: true;
  /** No hollow is left; or none that is as shallow as it may be thick. */
  readonly fillsHollow?: true | 'shallow';
  readonly closesPinholes?: true;
  /** Solvent would open it while it is fresh: what follows goes on it as it is, tacked. */
  readonly isWiped?: false;
  /** It is spread over its places as a bowl; else evenly. */
  readonly isBowl?: true;
  /** Rule that says how deep it may be; absent where nobody asks. */
  readonly depthRule?: string;
}

/** A hollow that is as shallow as a product may be thick, under work that takes out no deeper one. */
const isShallowFor = ({ op }: BodyAct, { surface }: ZoneState, { film }: ProductSheet): boolean =>
  BODYWORK[op].fillsHollow === 'shallow' && surface.lowUm > 0 && surface.lowUm <= film.maxUm;

/** Thickness that an act lays on a zone, µm. */
export function bodyFilmUm(zone: ZoneState, act: BodyAct, context: Context): number {
  const { lowUm } = zone.surface;
  if (BODYWORK[act.op].isAsDeepAsHollow) return lowUm;
  const sheet = sheetIn(context, act.sheetId);
  const { perCoatUm } = sheet.film;
  return isShallowFor(act, zone, sheet) ? Math.max(perCoatUm, lowUm) : perCoatUm;
}

/** Lifts in which a thickness is spread. */
export function liftsOf(zone: ZoneState, act: BodyAct, context: Context): number {
  const lift = sheetIn(context, act.sheetId).maxLiftUm ?? Infinity;
  return Math.max(1, Math.ceil(bodyFilmUm(zone, act, context) / lift - 1e-9));
}

/** A dent is a bowl: what fills it is six tenths of its depth over its width. */
const BOWL_SHARE = 0.6;

/** Litres that lie on an area of all parts once it is spread: a patch is a bowl, a whole zone is even. */
export const bodyLitres = (zone: ZoneState, act: BodyAct, context: Context): number =>
  context.panel.count *
  reachedM2(BODYWORK[act.op].reach, zone) *
  (bodyFilmUm(zone, act, context) / 1000) *
  (zone.patch && BODYWORK[act.op].isBowl ? BOWL_SHARE : 1);

/** Least that is mixed of filler or glaze in one go, g, by the shop's figures; 0 for what needs no mixing. */
export function leastBodyGrams({ kind }: Pick<ProductSheet, 'kind'>, context: Pick<Context, 'shop'>): number {
  if (kind === 'filler') return ruleIn(context, 'leastFillerGrams').value;
  return kind === 'glaze' ? ruleIn(context, 'leastGlazeGrams').value : 0;
}

function bodyGrams(zone: ZoneState, act: BodyAct, context: Context): number {
  const gramsPerMl = readyGramsPerMl(sheetIn(context, act.sheetId)).value;
  return bodyLitres(zone, act, context) * 1000 * gramsPerMl * FILLER_WASTE;
}

/** What the work settles; a joint that is sealed again in a rough coat wants that coat over it again. */
const settled = (zone: ZoneState, { op }: BodyAct): ZoneState =>
  op === 'seam-seal' && topOf(zone).kind === 'texture'
    ? withIssue(settledBy(zone, op), 'rough-coat')
    : settledBy(zone, op);

function apply(act: BodyAct, { endMin, context }: Moment): (zone: ZoneState) => ZoneState {
  const sheet = sheetIn(context, act.sheetId);
  const laid = { sheetId: sheet.id, ...bodyWindows(sheet, endMin) };
  const { lays: kind, proudUm, fillsHollow, closesPinholes } = BODYWORK[act.op];
  return (zone) => {
    const isShallow = isShallowFor(act, zone, sheet);
    const isFilled = isShallow || fillsHollow === true;
    // Of glaze in a hollow as much stays once it is shaped; over pinholes a skin does.
    const own: LaidCoat = isShallow ? { ...laid, hollowUm: zone.surface.lowUm } : laid;
    const isOnMetal = kind === 'filler' && isMetal(topOf(zone).kind);
    const done = settled(isOnMetal ? withIssue(zone, 'unprotected') : zone, act);
    return changed(done, {
      stack: [...zone.stack, { kind, um: bodyFilmUm(zone, act, context), laid: own }],
      // The metal around filler stays as bare as it was.
      bareSinceMin: hasIssue(done, 'unprotected') ? zone.bareSinceMin : null,
      surface: {
        soil: BODYWORK[act.op].isWiped === false ? 'clean' : 'dusty',
        isTacked: false,
        scratch: null,
        lowUm: isFilled ? 0 : zone.surface.lowUm,
        hasPinholes: !closesPinholes && zone.surface.hasPinholes,
        wavesUm: isFilled ? proudUm : Math.max(zone.surface.wavesUm, proudUm),
      },
    });
  };
}

function check(zone: ZoneState, act: BodyAct, context: Context): Reason[] {
  const sheet = sheetIn(context, act.sheetId);
  const kind = topOf(zone).kind;
  const reasons: Reason[] = [];
  if (BODYWORK[act.op].isAsDeepAsHollow && zone.surface.lowUm <= 0)
    reasons.push(opReason('op.nothing-to-fill'));
  if (!(kind in sheet.over))
    reasons.push({
      ...opReason('coat.not-over', { sheet: sheet.name, layer: labelOf(kind) }),
      rule: isBody(sheet.kind as 'filler') ? 'F2' : 'sheet',
      source: 'sheet',
    });
  return reasons;
}

const mostLifts = (zones: readonly ZoneState[], act: BodyAct, context: Context): number =>
  Math.max(...zones.map((zone) => liftsOf(zone, act, context)));

function explain(zones: readonly ZoneState[], act: BodyAct, panel: PanelState, context: Context): Reason[] {
  const { depthRule } = BODYWORK[act.op];
  const sheet = sheetIn(context, act.sheetId);
  const { value: restMin, source } = restsMin(sheet, panel.clockMin, context);
  const rests: Reason =
    sheet.sandAfterMin === null
      ? { rule: 'body', code: 'body.skins-after', source, facts: { skinsAfterMin: restMin } }
      : { rule: 'body', code: 'body.sand-after', source, facts: { sandAfterMin: restMin } };
  if (depthRule === undefined) return [rests];
  const deepestUm = Math.max(...zones.map((zone) => bodyFilmUm(zone, act, context)));
  const lifts = mostLifts(zones, act, context);
  const leastGrams = leastBodyGrams(sheet, context);
  const grams = zones.reduce((sum, zone) => sum + bodyGrams(zone, act, context), 0);
  return [
    {
      rule: 'mix',
      code: 'body.grams',
      source: 'model',
      facts: { fillerGrams: Math.max(1, leastGrams, grams) },
    },
    {
      rule: depthRule,
      code: 'body.depth',
      source: 'sheet',
      facts: { deepestUm, maxUm: sheet.film.maxUm, lifts },
    },
    rests,
  ];
}

/** What its sheet warns of, and what becomes of cloths and of what is left over. */
export const cautionsOfSheet = ({ sheet }: Cautioned): readonly Caution[] =>
  sheet ? [...sheet.hazards, 'rags', 'leftovers'] : [];

const bodywork = (
  row: Omit<BodyRow, 'wait' | 'mayStop' | 'cautions'>,
): Operation<BodyAct> & Omit<BodyRow, 'product'> => ({
  ...row,
  wait: 'sets',
  mayStop: false,
  cautions: cautionsOfSheet,
  check,
  apply,
  cost: (zones, act, panel, context) => {
    const sheet = sheetIn(context, act.sheetId);
    const litres = zones.reduce((sum, zone) => sum + bodyLitres(zone, act, context), 0);
    const spreadM2 = zones.reduce(
      (sum, zone) => sum + reachedM2(row.reach, zone) * liftsOf(zone, act, context) * context.panel.count,
      0,
    );
    return {
      handsOnMin: row.setOutMin + areaMin(row, spreadM2, context),
      waitMin: mostLifts(zones, act, context) * restsMin(sheet, panel.clockMin, context).value,
      materialCost: litres * FILLER_WASTE * sheet.pricePerLitre,
    };
  },
  explain,
});

export const BODYWORK: { readonly [Op in BodyAct['op']]: ReturnType<typeof bodywork> } = {
  fill: bodywork({
    label: 'fill',
    title: 'Fill the dent',
    inSystem: 'filler',
    reach: 'coreM2',
    setOutMin: 6,
    rate: 'fillMinPerM2',
    turn: 'chosen',
    checks: ['pinholes'],
    product: 'filler',
    lays: 'filler',
    proudUm: FILLER_PROUD_UM,
    isAsDeepAsHollow: true,
    fillsHollow: true,
    isBowl: true,
    depthRule: 'F3',
  }),
  glaze: bodywork({
    label: 'glaze',
    title: 'Glaze',
    reach: 'coreM2',
    setOutMin: 3,
    rate: 'glazeMinPerM2',
    turn: 'glaze',
    checks: ['pinholes'],
    product: 'glaze',
    lays: 'glaze',
    proudUm: GLAZE_PROUD_UM,
    fillsHollow: 'shallow',
    closesPinholes: true,
    depthRule: 'F3',
  }),
  'plastic-repair': bodywork({
    label: 'repair plastic',
    title: 'Repair the break',
    inSystem: 'repair',
    reach: 'coreM2',
    setOutMin: 15,
    rate: 'plasticRepairMinPerM2',
    turn: 'mend',
    checks: ['pinholes'],
    product: 'filler',
    lays: 'filler',
    proudUm: FILLER_PROUD_UM,
    fillsHollow: true,
    isBowl: true,
    depthRule: 'P9',
  }),
  'seam-seal': bodywork({
    label: 'seal a joint',
    title: 'Seal the joint',
    reach: 'coreM2',
    setOutMin: 8,
    rate: 'seamSealMinPerM2',
    turn: 'joint',
    checks: ['edges-flat'],
    product: 'seam',
    lays: 'seam',
    proudUm: 0,
    closesPinholes: true,
    isBowl: true,
  }),
  'texture-coat': bodywork({
    label: 'texture coat',
    title: 'Texture coat',
    isCalledByProduct: true,
    reach: 'reachM2',
    setOutMin: 12,
    rate: 'textureCoatMinPerM2',
    turn: 'rough coat',
    checks: ['edges-flat'],
    product: 'texture',
    lays: 'texture',
    isWiped: false,
    proudUm: 0,
    isBowl: true,
  }),
};

/** Resin and cloth over the ground place, left for P80 to shape (rule GP2). */
const LAMINATE_PER_REPAIR = 18;
const LAMINATE_WAVES_UM = 60;

const LAMINATE = {
  label: 'mend the laminate',
  title: 'Mend the laminate',
  reach: 'coreM2',
  setOutMin: 30,
  rate: 'laminateRepairMinPerM2',
  turn: 'mend',
  wait: 'sets long',
  mayStop: false,
  cautions: ['resin', 'glassDust'],
  checks: ['pinholes'],
} as const satisfies OperationRow;

export const LAMINATE_REPAIR: Operation<PlainAct> = {
  ...LAMINATE,
  check: (zone) => (hasIssue(zone, 'break') ? [] : [opReason('op.nothing-to-mend')]),
  apply:
    ({ op }) =>
    (zone) =>
      changed(settledBy(zone, op), {
        surface: {
          soil: 'dusty',
          isTacked: false,
          hasPinholes: true,
          wavesUm: Math.max(zone.surface.wavesUm, LAMINATE_WAVES_UM),
        },
      }),
  cost: (zones, _, __, context) => ({
    handsOnMin: labourOn(LAMINATE, zones, context),
    waitMin: ruleIn(context, 'laminateSetsMin').value,
    materialCost: LAMINATE_PER_REPAIR * zones.length * context.panel.count,
  }),
  explain: nothing,
};
