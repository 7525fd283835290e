import { isCoat, isLaying, isSanding, lastGrade, type Act, type CoatAct } from '../operations/act.ts';
import { coatFilmUm, flashMin, mostCoats } from '../operations/coating.ts';
import { ruleIn, sheetIn, type Context } from '../operations/context.ts';
import { numbersOf } from '../operations/perform.ts';
import {
  isBare,
  zoneIdOf,
  zoneOf,
  type Layer,
  type PanelState,
  type ZoneState,
} from '../operations/state.ts';
import type { z } from 'zod';
import { adviceOn } from '../rules/check-act.ts';
import type { Verdict } from '../rules/rule.ts';
import { allowedIf, say } from '../wording/say.ts';
import type { Reason, Source } from '../wording/reason.ts';
import { cautionsOf } from './cautions.ts';
import type { refusalSchema, Said, Stack, Step } from './plan.ts';
import type { Performed } from './prepare.ts';

/** From acts that were performed to the steps of a plan that a person reads. */

export const saidOf = (reason: Reason): Said => ({
  rule: reason.rule,
  text: say(reason),
  source: reason.source,
  code: reason.code,
  facts: reason.facts,
});

/** A must verdict as a refusal, with what would make the act allowed. */
export const refusalOf = ({ zoneId, reason }: Verdict): z.infer<typeof refusalSchema> => {
  const allowed = allowedIf(reason);
  return { ...saidOf(reason), zoneId, ...(allowed ? { allowedIf: allowed } : {}) };
};

const THEN_WHAT = {
  scuff: 'scuff and clean before the next coat',
  abrade: 'abrade and clean before the next coat',
  repeat: 'coat again before going on',
} as const;

export const stackOf = (stack: readonly Layer[]): Stack =>
  stack.map(({ kind, um }) => ({ kind, um: round(um) }));

/** Where an act is done: the zones, the patches among them, and the exact areas. */
export function placesOf(
  act: Pick<Act, 'zones'>,
  panel: PanelState,
): Pick<Step, 'zones' | 'patches' | 'areas'> {
  const areas = act.zones.map((id) => zoneOf(panel, id));
  const patches = areas.flatMap(({ patch }) => (patch ? [{ zone: patch.zoneId, patch: patch.id }] : []));
  return {
    zones: [...new Set(areas.map(zoneIdOf))],
    areas: [...act.zones],
    ...(patches.length > 0 ? { patches } : {}),
  };
}

const round = (value: number): number => Math.round(value * 10) / 10;

type Window = NonNullable<Step['window']>;

interface OpenWindow {
  readonly window: Window;
  readonly source: Source;
  readonly rule: 'S3' | 'M2';
}

/** For how long the next coat bonds after this act: the coat's recoat window, or the exposure limit of bare metal. */
function windowOf({ act, after }: Performed, context: Context): OpenWindow | null {
  if (isCoat(act)) {
    const sheet = sheetIn(context, act.sheetId);
    const { closesMin, past } = sheet.recoat;
    const opensMin = round(flashMin(sheet.flash.beforeNextMin, sheet, context));
    return {
      window: { opensMin, closesMin, thenWhat: THEN_WHAT[past] },
      source: 'sheet',
      rule: 'S3',
    };
  }
  const leavesBare = isSanding(act) && act.zones.some((id) => isBare(zoneOf(after, id)));
  if (!leavesBare) return null;
  const limit = ruleIn(context, 'bareMetalLimitMin');
  const window = { opensMin: 0, closesMin: limit.value, thenWhat: 'abrade and clean again' };
  return { window, source: limit.source, rule: 'M2' };
}

function changedStacks(before: PanelState, after: PanelState): Record<string, Stack> {
  const changed = after.zones.filter((zone) => zone.stack !== zoneOf(before, zone.zone.id).stack);
  return Object.fromEntries(changed.map((zone) => [zone.zone.id, stackOf(zone.stack)]));
}

interface Figures {
  readonly fields: Partial<Step>;
  readonly sources: Record<string, Source>;
}

const coatFigures = (act: CoatAct, zones: readonly ZoneState[], context: Context): Figures => {
  const sheet = sheetIn(context, act.sheetId);
  const differs = new Set(Object.values(act.coats)).size > 1;
  const counted = act.why.find((reason) => reason.facts['coats'] !== undefined);
  return {
    fields: {
      coats: mostCoats(act),
      filmUm: Math.max(...zones.map((zone) => coatFilmUm(act, zone, sheet))),
      ...(differs ? { coatsByZone: { ...act.coats } } : {}),
      ...(act.toneL === undefined ? {} : { toneL: act.toneL }),
    },
    sources: { coats: counted?.source ?? 'sheet', filmUm: 'sheet', waitMin: 'model' },
  };
};

function figuresOfStep({ act, before }: Performed, numbers: readonly Reason[], context: Context): Figures {
  const zones = act.zones.map((id) => zoneOf(before, id));
  if (isCoat(act)) return coatFigures(act, zones, context);
  if (isSanding(act)) {
    const asked = [...act.why, ...numbers].find((reason) => reason.facts['grit'] === lastGrade(act));
    const fields = { grit: lastGrade(act), grits: [...act.grades], tool: act.tool };
    return { fields, sources: { grit: asked?.source ?? 'default', handsOnMin: 'model' } };
  }
  if (isLaying(act)) {
    const filmUm = Math.max(
      ...zones.map((zone) =>
        act.op === 'fill' ? zone.surface.lowUm : sheetIn(context, act.sheetId).film.perCoatUm,
      ),
    );
    return {
      fields: { filmUm },
      sources: { filmUm: act.op === 'fill' ? 'model' : 'sheet', waitMin: 'sheet' },
    };
  }
  if (act.op === 'flash' || act.op === 'cure')
    return { fields: {}, sources: { waitMin: numbers[0]?.source ?? 'model' } };
  return { fields: {}, sources: {} };
}

/** The largest figure of a reason: of two that say the same about different zones, the worse is kept. */
const severity = (reason: Reason): number =>
  Math.max(0, ...Object.values(reason.facts).map((value) => (typeof value === 'number' ? value : 0)));

/** One reason for each rule and sentence, in the order of their first mention. */
function unique(reasons: readonly Reason[]): Reason[] {
  const kept = new Map<string, Reason>();
  for (const reason of reasons) {
    const words = Object.values(reason.facts).filter((value) => typeof value === 'string');
    const name = [reason.rule, reason.code, ...words].join('|');
    const known = kept.get(name);
    if (!known || severity(reason) > severity(known)) kept.set(name, reason);
  }
  return [...kept.values()];
}

const sheetOf = (act: Act, context: Context) => (isLaying(act) ? sheetIn(context, act.sheetId) : undefined);

/** Step `n` of a plan, with its figures, their sources, the rules that asked for it and its cautions. */
export function stepOf(performed: Performed, n: number, context: Context): Step {
  const { act, before, after, cost, remarks } = performed;
  const numbers = numbersOf(act, before, context);
  const zones = act.zones.map((id) => zoneOf(before, id));
  const sheet = sheetOf(act, context);
  const figures = figuresOfStep(performed, numbers, context);
  const window = windowOf(performed, context);
  const windowReason: Reason[] = window
    ? [
        {
          rule: window.rule,
          code: `${window.rule}.window`,
          facts: { ...window.window },
          source: window.source,
        },
      ]
    : [];
  const said = [...remarks, ...adviceOn(act, before, context)].map(({ reason }) => reason);
  const why = unique([...act.why, ...numbers, ...windowReason, ...said]);
  return {
    n,
    op: act.op,
    ...placesOf(act, before),
    ...(sheet ? { sheetId: sheet.id, sheetName: sheet.name } : {}),
    ...figures.fields,
    handsOnMin: round(cost.handsOnMin),
    waitMin: round(cost.waitMin),
    materialCost: round(cost.materialCost),
    ...(window ? { window: window.window } : {}),
    sources: {
      handsOnMin: 'default',
      waitMin: 'default',
      ...figures.sources,
      ...(window ? { window: window.source } : {}),
    },
    why: why.map(saidOf),
    cautions: cautionsOf(act, zones, sheet),
    stacks: changedStacks(before, after),
  };
}
