import type { ProductSheet } from '../materials/sheet.ts';
import type { Reason } from '../wording/reason.ts';
import type { CureAct, PlainAct } from './act.ts';
import { ruleIn, sheetIn, type Context } from './context.ts';
import { coldestOfNight, workAirAt } from './day.ts';
import { heatLimitCelsius, isUnfit } from './curing.ts';
import { changed } from './changed-area.ts';
import type { CureMethod, Night } from './time-window.ts';
import { bakeCelsiusIn, hasHeat } from './heat.ts';
import { hasIssue, settledBy } from './issues.ts';
import { nothing, opReason, type Operation } from './operation.ts';
import { topOf, type PanelState, type ZoneState } from './state.ts';
import { earliestIn } from './windows.ts';

/** Flash and cure: nothing changes but the clock, up to the moment that the slowest zone needs. */

const BAKE_SET_UP_MIN = 6;
const CURE_LOOK_MIN = 2;
const BAKE_COST = 6;

/** Hands-on minutes of a cure: set up under heat, or set aside. */
export const cureHandsMin = (method: CureMethod): number =>
  method === 'bake' ? BAKE_SET_UP_MIN : CURE_LOOK_MIN;

const until = (zones: readonly ZoneState[], panel: PanelState, at: (zone: ZoneState) => number): number =>
  Math.max(0, ...zones.map((zone) => at(zone) - panel.clockMin));

/** Until other work may go on, and the next coat too. */
const flashWait = (zones: readonly ZoneState[], panel: PanelState): number =>
  until(zones, panel, (zone) => {
    const { laid } = topOf(zone);
    return laid ? Math.max(laid.flash.opensAtMin, earliestIn(laid.recoat, panel.clockMin)) : 0;
  });

const curedAtMin = (zone: ZoneState): number | undefined => topOf(zone).laid?.cure?.opensAtMin;

const cureWait = (zones: readonly ZoneState[], panel: PanelState, context: Context): number => {
  const softAtMin = panel.clockMin + ruleIn(context, 'softFilmMin').value;
  return until(zones, panel, (zone) => curedAtMin(zone) ?? (hasIssue(zone, 'soft') ? softAtMin : 0));
};

/** How the coats that lie freshly on these areas cure: under heat where one of them does. */
export const cureMethodOf = (zones: readonly ZoneState[]): CureMethod =>
  zones.some((zone) => topOf(zone).laid?.cure?.method === 'bake') ? 'bake' : 'air';

export const FLASHING: Operation<PlainAct> = {
  label: 'let it flash',
  title: 'Let it flash',
  reach: 'as it lies',
  setOutMin: 0,
  turn: 'flash',
  wait: 'away',
  mayStop: false,
  changesNothing: true,
  cautions: 'none',
  checks: ['fingertip'],
  check: nothing,
  apply: () => (zone) => zone,
  cost: (zones, _, panel) => ({ handsOnMin: 0, waitMin: flashWait(zones, panel), materialCost: 0 }),
  explain: (zones, _, panel, context) => [
    {
      rule: 'B2',
      code: 'flash.climate',
      source: 'model',
      facts: {
        waitMin: flashWait(zones, panel),
        roomCelsius: workAirAt(panel.clockMin, context).celsius,
        air: context.shop.profile === 'booth' ? 'booth air' : 'still garage air',
      },
    },
  ],
};

/** How a night that is no place for an uncured coat is dealt with; nothing where there is none. */
function explainNight(sheet: ProductSheet, night: Night | null, { method }: CureAct): Reason[] {
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
  const slowest = zones.reduce((a, b) => ((curedAtMin(b) ?? 0) > (curedAtMin(a) ?? 0) ? b : a));
  const { laid } = topOf(slowest);
  if (!laid) {
    const { value: waitMin, source } = ruleIn(context, 'softFilmMin');
    return [{ rule: 'B3', code: 'cure.found', source, facts: { waitMin } }];
  }
  const sheet = sheetIn(context, laid.sheetId);
  const waitMin = cureWait(zones, panel, context);
  const facts = { name: sheet.name, waitMin, sheetMin: sheet.sandAfterMin ?? 0 };
  const night = explainNight(sheet, laid.cure?.night ?? null, act);
  if (act.method === 'bake')
    return [
      {
        rule: 'B3',
        code: 'cure.bake',
        source: 'model',
        facts: { ...facts, bakeCelsius: bakeCelsiusIn(context).value },
      },
      ...night,
    ];
  return [
    {
      rule: 'B3',
      code: 'cure.air',
      source: 'model',
      facts: {
        ...facts,
        roomCelsius: workAirAt(panel.clockMin, context).celsius,
        nightCelsius: coldestOfNight(context).celsius,
      },
    },
    ...night,
  ];
}

export const CURING: Operation<CureAct> = {
  label: 'let it cure',
  title: 'Let it cure',
  reach: 'as it lies',
  setOutMin: CURE_LOOK_MIN,
  turn: 'cure',
  wait: 'away',
  mayStop: false,
  changesNothing: true,
  cautions: ({ act }) => (act.op === 'cure' && act.method === 'bake' ? ['heat'] : []),
  checks: ['thumbnail'],
  check: nothing,
  apply:
    ({ op }) =>
    (zone) =>
      settledBy(zone, op),
  cost: (zones, act, panel, context) => ({
    handsOnMin: cureHandsMin(act.method),
    waitMin: cureWait(zones, panel, context),
    materialCost: act.method === 'bake' ? BAKE_COST : 0,
  }),
  explain: explainCure,
};

const TEMPER_SET_OUT_MIN = 4;

/** Release agent is sweated out of a raw moulding (rule P6); it lies on the surface then, to be wiped off. */
export const TEMPERING: Operation<PlainAct> = {
  label: 'temper plastic',
  title: 'Temper the part',
  reach: 'as it lies',
  setOutMin: TEMPER_SET_OUT_MIN,
  turn: 'temper',
  wait: 'away',
  mayStop: false,
  changesNothing: true,
  cautions: ['partHeat'],
  checks: { none: 'what it sweated out is wiped off, and the water break after that is looked at' },
  check: (_, __, context) => (hasHeat(context) ? [] : [opReason('op.no-heat')]),
  apply:
    ({ op }) =>
    (zone) =>
      changed(settledBy(zone, op), { surface: { soil: 'washed', isTacked: false } }),
  cost: (_, __, ___, context) => ({
    handsOnMin: TEMPER_SET_OUT_MIN,
    waitMin: ruleIn(context, 'temperMin').value,
    materialCost: BAKE_COST,
  }),
  explain: (_, __, ___, context) => {
    const { value: bakeCelsius, source } = ruleIn(context, 'temperCelsius');
    const facts = { bakeCelsius, mostCelsius: heatLimitCelsius(context.panel) };
    return [{ rule: 'P6', code: 'P6.temper', source, facts }];
  },
};
