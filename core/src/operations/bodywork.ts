import { FILLER_WASTE } from '../film/filler-mix.ts';
import { isBody, labelOf } from '../materials/layer-kinds.ts';
import { readyGramsPerMl } from '../materials/sheet.ts';
import type { Reason } from '../wording/reason.ts';
import type { BodyAct, PlainAct } from './act.ts';
import { ruleIn, sheetIn, type Context } from './context.ts';
import { setsMin } from './curing.ts';
import { workedM2 } from './extent.ts';
import { areaMin, fixedMin, labourOn } from './labour.ts';
import { nothing, opReason, type Moment, type Operation } from './operation.ts';
import { hasIssue, withIssue, withoutIssues, topOf, type OpenIssue, type ZoneState } from './state.ts';
import { bodyWindows } from './windows.ts';
import { changed } from './changed-area.ts';

/** Filler takes out a hollow, glaze closes pinholes; both are left proud for shaping. */

/** How far freshly spread filler and glaze stand proud and uneven, µm (calibrated: two thin pulls). */
const PROUD_UM = { fill: 250, glaze: 60, 'plastic-repair': 250, 'seam-seal': 0, 'texture-coat': 0 } as const;

const LAID = {
  fill: 'filler',
  glaze: 'glaze',
  'plastic-repair': 'filler',
  'seam-seal': 'seam',
  'texture-coat': 'texture',
} as const;

const SETTLES: Partial<Record<BodyAct['op'], OpenIssue>> = {
  'seam-seal': 'joint',
  'plastic-repair': 'break',
  'texture-coat': 'rough-coat',
};

/** Thickness that an act lays on a zone, µm. */
export const bodyFilmUm = (zone: ZoneState, act: BodyAct, context: Context): number =>
  act.op === 'fill' ? zone.surface.lowUm : sheetIn(context, act.sheetId).film.perCoatUm;

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
  workedM2(act.op, zone) *
  (bodyFilmUm(zone, act, context) / 1000) *
  (zone.patch && act.op !== 'glaze' ? BOWL_SHARE : 1);

function bodyGrams(zone: ZoneState, act: BodyAct, context: Context): number {
  const gramsPerMl = readyGramsPerMl(sheetIn(context, act.sheetId)).value;
  return bodyLitres(zone, act, context) * 1000 * gramsPerMl * FILLER_WASTE;
}

/** What the work settles; a joint that is sealed again in a rough coat wants that coat over it again. */
function settled(zone: ZoneState, { op }: BodyAct): ZoneState {
  const done = withoutIssues(zone, ...(SETTLES[op] ? [SETTLES[op]!] : []));
  return op === 'seam-seal' && topOf(zone).kind === 'texture'
    ? withIssue(withoutIssues(done, 'shiny-grain'), 'rough-coat')
    : done;
}

function apply(act: BodyAct, { endMin, context }: Moment): (zone: ZoneState) => ZoneState {
  const sheet = sheetIn(context, act.sheetId);
  const laid = { sheetId: sheet.id, ...bodyWindows(sheet, endMin) };
  const kind = LAID[act.op];
  const isPaste = kind === 'filler';
  return (zone) =>
    changed(settled(zone, act), {
      stack: [...zone.stack, { kind, um: bodyFilmUm(zone, act, context), laid }],
      bareSinceMin: null,
      surface: {
        soil: 'dusty',
        isTacked: false,
        scratch: null,
        lowUm: act.op === 'fill' || act.op === 'plastic-repair' ? 0 : zone.surface.lowUm,
        hasPinholes: act.op === 'glaze' || act.op === 'seam-seal' ? false : zone.surface.hasPinholes,
        wavesUm: isPaste ? PROUD_UM[act.op as 'fill'] : Math.max(zone.surface.wavesUm, PROUD_UM[act.op]),
      },
    });
}

function check(zone: ZoneState, act: BodyAct, context: Context): Reason[] {
  const sheet = sheetIn(context, act.sheetId);
  const kind = topOf(zone).kind;
  const reasons: Reason[] = [];
  if (act.op === 'fill' && zone.surface.lowUm <= 0) reasons.push(opReason('op.nothing-to-fill'));
  if (!(kind in sheet.over))
    reasons.push({
      ...opReason('coat.not-over', { sheet: sheet.name, layer: labelOf(kind) }),
      rule: isBody(sheet.kind as 'filler') ? 'F2' : 'sheet',
      source: 'sheet',
    });
  return reasons;
}

export const bodywork: Operation<BodyAct> = {
  check,
  apply,
  cost: (zones, act, panel, context) => {
    const sheet = sheetIn(context, act.sheetId);
    const lifts = Math.max(...zones.map((zone) => liftsOf(zone, act, context)));
    const litres = zones.reduce((sum, zone) => sum + bodyLitres(zone, act, context), 0);
    const spreading = zones.reduce(
      (sum, zone) => sum + workedM2(act.op, zone) * liftsOf(zone, act, context) * context.panel.count,
      0,
    );
    return {
      handsOnMin: fixedMin(act.op) + areaMin(act.op, spreading, context),
      waitMin: lifts * setsMin(sheet, panel.clockMin, context),
      materialCost: litres * FILLER_WASTE * sheet.pricePerLitre,
    };
  },
  explain: (zones, act, panel, context) => {
    const sheet = sheetIn(context, act.sheetId);
    const deepest = Math.max(...zones.map((zone) => bodyFilmUm(zone, act, context)));
    const lifts = Math.max(...zones.map((zone) => liftsOf(zone, act, context)));
    if (act.op === 'seam-seal' || act.op === 'texture-coat') return [];
    const grams = zones.reduce((sum, zone) => sum + bodyGrams(zone, act, context), 0);
    const reasons: Reason[] = [
      { rule: 'mix', code: 'body.grams', source: 'model', facts: { fillerGrams: Math.max(1, grams) } },
      {
        rule: act.op === 'plastic-repair' ? 'P9' : 'F3',
        code: 'body.depth',
        source: 'sheet',
        facts: { deepestUm: deepest, maxUm: sheet.film.maxUm, lifts },
      },
      {
        rule: 'body',
        code: 'body.sand-after',
        source: setsMin(sheet, panel.clockMin, context) > (sheet.sandAfterMin ?? 0) ? 'model' : 'sheet',
        facts: { sandAfterMin: setsMin(sheet, panel.clockMin, context) },
      },
    ];
    return reasons;
  },
};

/** Resin and cloth over the ground place, left for P80 to shape (rule GP2). */
const LAMINATE_PER_REPAIR = 18;
const LAMINATE_WAVES_UM = 60;

export const laminateRepair: Operation<PlainAct> = {
  check: (zone) => (hasIssue(zone, 'break') ? [] : [opReason('op.nothing-to-mend')]),
  apply: () => (zone) =>
    changed(withoutIssues(zone, 'break'), {
      surface: {
        soil: 'dusty',
        isTacked: false,
        hasPinholes: true,
        wavesUm: Math.max(zone.surface.wavesUm, LAMINATE_WAVES_UM),
      },
    }),
  cost: (zones, act, _, context) => ({
    handsOnMin: labourOn(act.op, zones, context),
    waitMin: ruleIn(context, 'laminateSetsMin').value,
    materialCost: LAMINATE_PER_REPAIR * zones.length * context.panel.count,
  }),
  explain: nothing,
};
