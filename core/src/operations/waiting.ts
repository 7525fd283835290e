import type { ProductSheet } from '../materials/sheet.ts';
import type { CureAct, PlainAct } from './act.ts';
import { ruleIn, sheetIn, type Context } from './context.ts';
import { heatLimitCelsius, isUnfit, nightOf } from './curing.ts';
import { labourMin } from './labour.ts';
import { nothing, opReason, type Operation } from './operation.ts';
import { hasIssue, withoutIssues, topOf, type PanelState, type ZoneState } from './state.ts';
import type { Reason } from '../wording/reason.ts';

/** Flash and cure: nothing changes but the clock, up to the moment that the slowest zone needs. */

const BAKE_SET_UP_MIN = 6;
const CURE_LOOK_MIN = 2;
const BAKE_COST = 6;
/** A found film that a thumbnail marks is given a day, and is pressed again (default). */
const SOFT_FILM_MIN = 24 * 60;

const until = (zones: readonly ZoneState[], panel: PanelState, at: (zone: ZoneState) => number): number =>
  Math.max(0, ...zones.map((zone) => at(zone) - panel.clockMin));

const flashWait = (zones: readonly ZoneState[], panel: PanelState): number =>
  until(zones, panel, (zone) => topOf(zone).laid?.flashedAtMin ?? 0);
const cureWait = (zones: readonly ZoneState[], panel: PanelState): number =>
  until(
    zones,
    panel,
    (zone) =>
      topOf(zone).laid?.sandableAtMin ?? (hasIssue(zone, 'soft') ? panel.clockMin + SOFT_FILM_MIN : 0),
  );

export const flashing: Operation<PlainAct> = {
  check: nothing,
  apply: (zone) => zone,
  cost: (zones, _, panel) => ({ handsOnMin: 0, waitMin: flashWait(zones, panel), materialCost: 0 }),
  explain: (zones, _, panel, { shop }) => [
    {
      rule: 'B2',
      code: 'flash.climate',
      source: 'model',
      facts: {
        waitMin: flashWait(zones, panel),
        roomCelsius: shop.celsius,
        air: shop.profile === 'booth' ? 'booth air' : 'still garage air',
      },
    },
  ],
};

/** How a night that is no place for an uncured coat is dealt with; nothing where there is none. */
function explainNight(sheet: ProductSheet, { method }: CureAct, context: Context): Reason[] {
  const night = nightOf(sheet, context);
  if (!isUnfit(night)) return [];
  const code =
    method === 'bake' ? 'cure.not-at-night' : night.isAvoidable ? 'cure.morning' : 'cure.cold-night';
  const facts = {
    nightCelsius: night.celsius,
    marginKelvin: night.marginKelvin,
    minCelsius: sheet.climate.minCelsius,
  };
  return [{ rule: 'M3', code, source: 'model', facts }];
}

function explainCure(
  zones: readonly ZoneState[],
  act: CureAct,
  panel: PanelState,
  context: Context,
): Reason[] {
  const slowest = zones.reduce((a, b) =>
    (topOf(b).laid?.sandableAtMin ?? 0) > (topOf(a).laid?.sandableAtMin ?? 0) ? b : a,
  );
  const { laid } = topOf(slowest);
  if (!laid)
    return [{ rule: 'B3', code: 'cure.found', source: 'default', facts: { waitMin: SOFT_FILM_MIN } }];
  const sheet = sheetIn(context, laid.sheetId);
  const { celsius, nightCelsius = celsius } = context.shop;
  const facts = { name: sheet.name, waitMin: cureWait(zones, panel), sheetMin: sheet.sandAfterMin ?? 0 };
  const night = explainNight(sheet, act, context);
  if (act.method === 'bake')
    return [
      {
        rule: 'B3',
        code: 'cure.bake',
        source: 'model',
        facts: { ...facts, bakeCelsius: ruleIn(context, 'bakeCelsius').value },
      },
      ...night,
    ];
  return [
    {
      rule: 'B3',
      code: 'cure.air',
      source: 'model',
      facts: { ...facts, roomCelsius: celsius, nightCelsius },
    },
    ...night,
  ];
}

export const curing: Operation<CureAct> = {
  check: nothing,
  apply: (zone) => withoutIssues(zone, 'soft'),
  cost: (zones, act, panel) => ({
    handsOnMin: act.method === 'bake' ? BAKE_SET_UP_MIN : CURE_LOOK_MIN,
    waitMin: cureWait(zones, panel),
    materialCost: act.method === 'bake' ? BAKE_COST : 0,
  }),
  explain: explainCure,
};

/** Warm minutes of a raw moulding, and its temperature (rule P2), °C. */
const TEMPER_MIN = 60;
export const TEMPER_CELSIUS = 62;

/** Release agent is sweated out of a raw moulding; it lies on the surface then, to be wiped off. */
export const tempering: Operation<PlainAct> = {
  check: (_, __, { shop }) => (shop.profile === 'booth' ? [] : [opReason('op.no-heat')]),
  apply: (zone) => ({
    ...withoutIssues(zone, 'wax'),
    surface: { ...zone.surface, soil: 'washed', isTacked: false },
  }),
  cost: (_, act) => ({ handsOnMin: labourMin(act.op, 0), waitMin: TEMPER_MIN, materialCost: BAKE_COST }),
  explain: (_, __, ___, { panel }) => {
    const facts = { bakeCelsius: TEMPER_CELSIUS, mostCelsius: heatLimitCelsius(panel) };
    return [{ rule: 'P6', code: 'P6.temper', source: 'default', facts }];
  },
};
