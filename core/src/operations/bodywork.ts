import { isBody, labelOf } from '../materials/layer-kinds.ts';
import type { Reason } from '../wording/reason.ts';
import type { BodyAct, PlainAct } from './act.ts';
import { sheetIn, type Context } from './context.ts';
import { labourMin } from './labour.ts';
import { nothing, opReason, type Moment, type Operation } from './operation.ts';
import { settle, topOf, type ZoneState } from './state.ts';

/** Filler takes out a hollow, glaze closes pinholes; both are left proud for shaping. */

/** How far freshly spread filler and glaze stand proud and uneven, µm (calibrated: two thin pulls). */
const PROUD_UM = { fill: 250, glaze: 60, 'plastic-repair': 250, 'seam-seal': 0 } as const;

const LAID = { fill: 'filler', glaze: 'glaze', 'plastic-repair': 'filler', 'seam-seal': 'seam' } as const;

/** Thickness that an act lays on a zone, µm. */
export const bodyFilmUm = (zone: ZoneState, act: BodyAct, context: Context): number =>
  act.op === 'fill' ? zone.surface.lowUm : sheetIn(context, act.sheetId).film.perCoatUm;

/** Lifts in which a thickness is spread. */
export function liftsOf(zone: ZoneState, act: BodyAct, context: Context): number {
  const lift = sheetIn(context, act.sheetId).maxLiftUm ?? Infinity;
  return Math.max(1, Math.ceil(bodyFilmUm(zone, act, context) / lift - 1e-9));
}

function apply(zone: ZoneState, act: BodyAct, { endMin, context }: Moment): ZoneState {
  const sheet = sheetIn(context, act.sheetId);
  const laid = {
    sheetId: sheet.id,
    flashedAtMin: endMin,
    sandableAtMin: sheet.sandAfterMin === null ? null : endMin,
    closesAtMin: endMin + sheet.recoat.closesMin,
  };
  const kind = LAID[act.op];
  const isPaste = kind === 'filler';
  return {
    ...settle(zone, ...(act.op === 'seam-seal' ? (['joint'] as const) : [])),
    damage: act.op === 'plastic-repair' ? null : zone.damage,
    stack: [...zone.stack, { kind, um: bodyFilmUm(zone, act, context), laid }],
    bareSinceMin: null,
    surface: {
      ...zone.surface,
      soil: 'dusty',
      isTacked: false,
      scratch: null,
      lowUm: act.op === 'fill' ? 0 : zone.surface.lowUm,
      hasPinholes: act.op === 'glaze' ? false : zone.surface.hasPinholes,
      wavesUm: isPaste ? PROUD_UM[act.op] : Math.max(zone.surface.wavesUm, PROUD_UM[act.op]),
    },
  };
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
  cost: (zones, act, _, context) => {
    const sheet = sheetIn(context, act.sheetId);
    const lifts = Math.max(...zones.map((zone) => liftsOf(zone, act, context)));
    const litres = zones.reduce(
      (sum, zone) => sum + (zone.zone.areaM2 * bodyFilmUm(zone, act, context)) / 1000,
      0,
    );
    return {
      handsOnMin: zones.reduce(
        (sum, zone) => sum + labourMin(act.op, zone.zone.areaM2) * liftsOf(zone, act, context),
        0,
      ),
      waitMin: lifts * (sheet.sandAfterMin ?? 0),
      materialCost: litres * 1.2 * sheet.pricePerLitre,
    };
  },
  explain: (zones, act, _, context) => {
    const sheet = sheetIn(context, act.sheetId);
    const deepest = Math.max(...zones.map((zone) => bodyFilmUm(zone, act, context)));
    const lifts = Math.max(...zones.map((zone) => liftsOf(zone, act, context)));
    if (act.op === 'seam-seal') return [];
    const reasons: Reason[] = [
      {
        rule: act.op === 'plastic-repair' ? 'P9' : 'F3',
        code: 'body.depth',
        source: 'sheet',
        facts: { deepestUm: deepest, maxUm: sheet.film.maxUm, lifts },
      },
      {
        rule: 'body',
        code: 'body.sand-after',
        source: 'sheet',
        facts: { sandAfterMin: sheet.sandAfterMin ?? 0 },
      },
    ];
    return reasons;
  },
};

/** Resin and cloth over the ground place, left for P80 to shape (rule GP2); set resin sands after this time. */
const LAMINATE_SETS_MIN = 180;
const LAMINATE_PER_REPAIR = 18;
const LAMINATE_WAVES_UM = 60;

export const laminateRepair: Operation<PlainAct> = {
  check: (zone) => (zone.damage ? [] : [opReason('op.nothing-to-mend')]),
  apply: (zone) => ({
    ...zone,
    damage: null,
    surface: {
      ...zone.surface,
      soil: 'dusty',
      isTacked: false,
      hasPinholes: true,
      wavesUm: Math.max(zone.surface.wavesUm, LAMINATE_WAVES_UM),
    },
  }),
  cost: (zones, act) => ({
    handsOnMin: labourMin(act.op, 0) * zones.length,
    waitMin: LAMINATE_SETS_MIN,
    materialCost: LAMINATE_PER_REPAIR * zones.length,
  }),
  explain: nothing,
};
