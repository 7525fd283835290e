import {
  isBodywork,
  isCoat,
  isLaying,
  isSanding,
  lastGrade,
  type Act,
  type CoatAct,
} from '../operations/act.ts';
import { isBody } from '../materials/layer-kinds.ts';
import { bodyFilmUm } from '../operations/bodywork.ts';
import { mostCoats } from '../operations/coating.ts';
import { sheetIn, type Context } from '../operations/context.ts';
import { numbersOf } from '../operations/perform.ts';
import { filmPercentIn } from '../operations/spraying.ts';
import {
  isBare,
  topOf,
  zoneIdOf,
  zoneOf,
  type Layer,
  type PanelState,
  type ZoneState,
} from '../operations/state.ts';
import { WHEN_MISSED, type TimeWindow } from '../operations/time-window.ts';
import { exposureWindow, windowsOfCoat, windowsOfMix } from '../operations/windows.ts';
import type { z } from 'zod';
import { adviceOn } from '../rules/check-act.ts';
import type { Verdict } from '../rules/rule.ts';
import { allowedIf, say } from '../wording/say.ts';
import { SENTENCES } from '../wording/sentences.ts';
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

export const stackOf = (stack: readonly Layer[]): Stack =>
  stack.map(({ kind, um, laid }) => ({
    kind,
    um: round(um),
    ...(laid?.hollowUm && !isBody(kind) ? { hollowUm: round(laid.hollowUm) } : {}),
  }));

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

/** The clocks that an act starts: of what was mixed and laid, or of metal that it left bare. */
function clocksOf({ act, before, after }: Performed, context: Context): TimeWindow[] {
  const areas = act.zones.map((id) => zoneOf(after, id));
  if (isLaying(act)) {
    const { laid } = topOf(areas[0]!);
    const mix = windowsOfMix(act.sheetId, before.clockMin, context);
    return laid ? [...mix, ...windowsOfCoat(laid)] : mix;
  }
  const since = isSanding(act) ? areas.find(isBare)?.bareSinceMin : null;
  return typeof since === 'number' ? [exposureWindow(since, context)] : [];
}

type Clock = Step['clocks'][number];

const clockOf = ({ kind, rule, opensAtMin, closesAtMin, source, whenMissed }: TimeWindow): Clock => ({
  kind,
  rule,
  opensAtMin: round(opensAtMin),
  ...(Number.isFinite(closesAtMin) ? { closesAtMin: round(closesAtMin) } : {}),
  source,
  thenWhat: WHEN_MISSED[whenMissed],
});

/** The clock that the next coat has to keep. */
const NEXT_COAT: ReadonlySet<TimeWindow['kind']> = new Set(['recoat', 'promoter', 'exposure']);

/** For how long the next coat bonds after this act, as a step says it: minutes after its end. */
function nextCoatWindow(clocks: readonly TimeWindow[], endMin: number): Step['window'] {
  const next = clocks.find(({ kind }) => NEXT_COAT.has(kind));
  if (!next) return undefined;
  const { kind, opensAtMin, closesAtMin, whenMissed } = next;
  return {
    opensMin: kind === 'exposure' ? 0 : round(opensAtMin - endMin),
    closesMin: round(closesAtMin - endMin),
    thenWhat: WHEN_MISSED[whenMissed],
  };
}

const SAID_AS = { recoat: 'S3.window', promoter: 'S3.window', exposure: 'M2.window' } as const;

function changedStacks(before: PanelState, after: PanelState): Record<string, Stack> {
  const changed = after.zones.filter((zone) => zone.stack !== zoneOf(before, zone.zone.id).stack);
  return Object.fromEntries(changed.map((zone) => [zone.zone.id, stackOf(zone.stack)]));
}

interface Figures {
  readonly fields: Partial<Step>;
  readonly sources: Record<string, Source>;
}

/** Film that a coat laid on an area, µm: more of the same product is one film with what was there. */
function laidUm(before: ZoneState, after: ZoneState): number {
  const [was, is] = [topOf(before), topOf(after)];
  const isMore = was.laid?.sheetId === is.laid?.sheetId && was.kind === is.kind;
  return is.um - (isMore ? was.um : 0);
}

const coatFigures = (
  act: CoatAct,
  { before, after }: Pick<Performed, 'before' | 'after'>,
  context: Context,
): Figures => {
  const differs = new Set(Object.values(act.coats)).size > 1;
  const counted = act.why.find((reason) => reason.facts['coats'] !== undefined);
  return {
    fields: {
      coats: mostCoats(act),
      filmUm: round(Math.max(...act.zones.map((id) => laidUm(zoneOf(before, id), zoneOf(after, id))))),
      ...(differs ? { coatsByZone: { ...act.coats } } : {}),
      ...(act.toneL === undefined ? {} : { toneL: act.toneL }),
    },
    sources: {
      coats: counted?.source ?? 'sheet',
      filmUm: filmPercentIn(sheetIn(context, act.sheetId), context).source,
      waitMin: 'model',
    },
  };
};

function figuresOfStep(
  { act, before, after }: Performed,
  numbers: readonly Reason[],
  context: Context,
): Figures {
  const zones = act.zones.map((id) => zoneOf(before, id));
  if (isCoat(act)) return coatFigures(act, { before, after }, context);
  if (isSanding(act)) {
    const asked = [...act.why, ...numbers].find((reason) => reason.facts['grit'] === lastGrade(act));
    const fields = { grit: lastGrade(act), grits: [...act.grades], tool: act.tool };
    return { fields, sources: { grit: asked?.source ?? 'default', handsOnMin: 'model' } };
  }
  if (isLaying(act)) {
    const filmUm = Math.max(...zones.map((zone) => bodyFilmUm(zone, act, context)));
    const isOfSheet = act.op !== 'fill' && zones.every(({ surface }) => surface.lowUm === 0);
    return {
      fields: { filmUm },
      sources: { filmUm: isOfSheet ? 'sheet' : 'model', waitMin: 'sheet' },
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
    const isSaid = (name: string): boolean => SENTENCES[reason.code].includes(`{${name}}`);
    const words = Object.entries(reason.facts).filter(
      ([name, value]) => typeof value === 'string' && isSaid(name),
    );
    const name = [reason.rule, reason.code, ...words.map(([, word]) => word)].join('|');
    const known = kept.get(name);
    if (!known || severity(reason) > severity(known)) kept.set(name, reason);
  }
  return [...kept.values()];
}

const sheetOf = (act: Act, context: Context) => (isLaying(act) ? sheetIn(context, act.sheetId) : undefined);

/** Step `n` of a plan, with its figures, their sources, the rules that asked for it and its cautions. */
export function stepOf(performed: Performed, n: number, context: Context): Step {
  const { act, before, after, cost, remarks, splitMin = 0 } = performed;
  const numbers = numbersOf(act, before, context);
  const zones = act.zones.map((id) => zoneOf(before, id));
  const sheet = sheetOf(act, context);
  const figures = figuresOfStep(performed, numbers, context);
  const clocks = clocksOf(performed, context);
  const next = clocks.find(({ kind }) => NEXT_COAT.has(kind));
  const window = isBodywork(act) ? undefined : nextCoatWindow(clocks, after.clockMin);
  const windowReason: Reason[] =
    next && window
      ? [
          {
            rule: next.rule,
            code: SAID_AS[next.kind as keyof typeof SAID_AS],
            facts: window,
            source: next.source,
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
    startMin: round(before.clockMin - splitMin),
    endMin: round(after.clockMin),
    handsOnMin: round(cost.handsOnMin),
    waitMin: round(cost.waitMin),
    materialCost: round(cost.materialCost),
    ...(window ? { window } : {}),
    clocks: clocks.map(clockOf),
    sources: {
      handsOnMin: 'default',
      waitMin: 'default',
      ...figures.sources,
      ...(next && window ? { window: next.source } : {}),
    },
    why: why.map(saidOf),
    cautions: cautionsOf(act, zones, sheet),
    stacks: changedStacks(before, after),
  };
}
