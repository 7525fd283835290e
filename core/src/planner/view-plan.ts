import { contextFor, ledgeLimit, type Context } from '../operations/context.ts';
import { keepsGrain, takesCoats, unlevelUm, zoneOf, type PanelState } from '../operations/state.ts';
import { surveyState } from '../operations/survey-state.ts';
import { workWords, worksMissing } from '../materials/product-work.ts';
import type { ProductSheet } from '../materials/sheet.ts';
import { isLaying } from '../operations/act.ts';
import { contradictionsOf, qualityProblems } from '../survey/contradictions.ts';
import type { Panel } from '../survey/panel.ts';
import type { Schools } from '../survey/schools.ts';
import { roleOf } from '../survey/zone-facts.ts';
import { tell, verbatim } from '../wording/say.ts';
import { actOf, type ActInput } from './act-input.ts';
import { benchOfTask, inZone, waitingStops, type BenchOfTask } from './bench-of-task.ts';
import { foundStacks } from './found.ts';
import { actsDone } from './happening.ts';
import { missedCostMin } from './missed-cost.ts';
import type { Notice, PanelPlan, Said, Step, System } from './plan.ts';
import { poursOf, type Pour } from './pours.ts';
import type { Performed } from './prepare.ts';
import { newReplayMemo, replay, type Replayed } from './replay.ts';
import { replayDone } from './replay-done.ts';
import { totalsOf } from './score.ts';
import { sprayTasksOf, type SprayTask } from './spray-tasks.ts';
import { sandingOf, type SandingOfPlan } from './sanding-of-plan.ts';
import { placesOf, refusalOf, saidOf, stepOf } from './steps.ts';
import { OWN, usedSheetIds, type StoredPlan, type StoredSystem } from './stored-plan.ts';
import { refusedTitle, titleOf } from './titles.ts';

/** From a kept plan to what is shown of it: its acts replayed over its own inputs, whatever the survey says today. */

export interface OpenedPlan {
  readonly view: PanelPlan;
  /** What was done and what a system does next, as acts that can be sent and replayed. */
  readonly actsOf: (systemId: string) => ActInput[];
  /** The sheet that a step is done with, as the plan was made; none for a step without, or one that is gone. */
  readonly sheetOf: (id: string | undefined) => ProductSheet | undefined;
  /** The sanding of one system, by numbers; empty for a system that is not there. */
  readonly sandingOf: (systemId: string) => SandingOfPlan;
  /** What is mixed for what a system still does; empty for a system that is not there. */
  readonly poursOf: (systemId: string) => readonly Pour[];
  /** Hands-on minutes that it costs to miss the limit that a step of a system starts; null where there is none to miss. */
  readonly missedCostOf: (systemId: string, n: number) => number | null;
  /** What a gun is set for in what a system still does; empty for a system that is not there. */
  readonly sprayTasksOf: (systemId: string) => readonly SprayTask[];
}

type Writer = (performed: readonly Performed[]) => Step[];

/** Writes steps out, each once: systems that begin alike share their first steps. What was done comes first. */
function stepWriter(context: Context, done: readonly Performed[]): Writer {
  const written = new Map<Performed, Step>();
  const write = (step: Performed, n: number): Step => {
    const known = written.get(step) ?? stepOf(step, n, context);
    written.set(step, known);
    return known;
  };
  const before = done.map((step, i): Step => ({ ...write(step, i + 1), isDone: true }));
  return (performed) => [...before, ...performed.map((step, i) => write(step, before.length + i + 1))];
}

function remarksOf(steps: readonly Performed[]): System['remarks'] {
  const seen = new Map<string, System['remarks'][number]>();
  for (const { level, reason } of steps.flatMap(({ remarks }) => remarks)) {
    const said: Said = saidOf(reason);
    if (level === 'should' || level === 'school') seen.set(said.text, { ...said, level });
    // What a system that is ready breaks is a time limit that no shift of the shop keeps: it is never left unsaid.
    if (level === 'must') seen.set(said.text, { ...said, level: 'should' });
  }
  return [...seen.values()];
}

/** The figures of what is still to be done, as a person compares them. */
function roundedTotals(steps: readonly Performed[]): System['totals'] {
  const { handsOnMin, elapsedMin, materialCost, risk } = totalsOf(steps);
  return {
    handsOnMin: Math.round(handsOnMin),
    elapsedMin: Math.round(elapsedMin),
    materialCost: Math.round(materialCost),
    risk: Math.round(risk * 100) / 100,
  };
}

/** The largest ledge that is left, beside what its area allows; undefined where no area is asked for its level. */
function levelOf({ panel }: Replayed, context: Context): System['level'] {
  const judged = panel.zones.filter((zone) => takesCoats(zone) && !keepsGrain(zone, context));
  const levels = judged.map((zone) => ({
    ledgeUm: Math.round(unlevelUm(zone, panel)),
    limitUm: ledgeLimit(contextFor(zone, context)).value,
  }));
  if (levels.length === 0) return undefined;
  return levels.reduce((a, b) => (b.ledgeUm / b.limitUm > a.ledgeUm / a.limitUm ? b : a));
}

/** An object with fields that are worked out once somebody looks: a plan has many systems, and one or two are shown. */
const withLazy = <Known extends object, Lazy extends object>(
  known: Known,
  lazy: { readonly [Name in keyof Lazy]: () => Lazy[Name] },
): Known & Lazy => {
  for (const name of Object.keys(lazy) as (keyof Lazy & string)[]) {
    let value: { readonly is: Lazy[typeof name] } | undefined;
    Object.defineProperty(known, name, {
      enumerable: true,
      get: () => (value ??= { is: lazy[name]() }).is,
    });
  }
  return known as Known & Lazy;
};

const uncapital = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

/** The step that is refused, in words of its places; undefined where it cannot be read any more. */
function refusedStepOf(
  { verdict }: StoredSystem,
  { panel }: Replayed,
  context: Context,
): System['refusedStep'] {
  const refused = verdict.kind === 'refused' ? actOf(verdict.act, context, panel) : undefined;
  if (!refused?.ok) return undefined;
  const { act } = refused;
  const sheetName = isLaying(act) ? context.shelf.get(act.sheetId)?.name : undefined;
  return { op: act.op, ...placesOf(act, panel), ...(sheetName ? { sheetName } : {}) };
}

function systemTitle(
  { id, acts, verdict }: StoredSystem,
  { steps, panel }: Replayed,
  context: Context,
): string {
  const titled = (title: string): string => (id === OWN ? `Yours: ${uncapital(title)}` : title);
  const choices = steps.filter((_, i) => acts[i]?.isChoice).map(({ act }) => act);
  if (verdict.kind === 'ready') return titled(titleOf(choices));
  const refused = actOf(verdict.act, context, panel);
  return refused.ok
    ? titled(refusedTitle(choices, refused.act, zoneOf(panel, verdict.refusals[0]!.zoneId)))
    : id;
}

/** A system as it is shown; it is replayed and written out once somebody looks at it. */
function viewSystem(stored: StoredSystem, again: () => Replayed, context: Context, write: Writer): System {
  const { id, verdict } = stored;
  const lazy = {
    title: () => systemTitle(stored, again(), context),
    remarks: () => remarksOf(again().steps),
    totals: () => roundedTotals(again().steps),
    steps: () => write(again().steps),
  };
  return verdict.kind === 'ready'
    ? withLazy(
        { id, verdict: 'ready' as const, refusedBy: [] },
        { ...lazy, level: () => levelOf(again(), context) },
      )
    : withLazy(
        { id, verdict: 'refused' as const, refusedBy: verdict.refusals.map(refusalOf) },
        { ...lazy, refusedStep: () => refusedStepOf(stored, again(), context) },
      );
}

const chosenSides = (schools: Schools): Record<string, string> =>
  Object.fromEntries(Object.entries(schools).flatMap(([name, side]) => (side ? [[name, side]] : [])));

/** What contradicts itself in zones that are planned all the same. */
const surveyWarnings = (panel: Panel, { target }: Context): Notice[] =>
  panel.zones.flatMap((zone) =>
    [...contradictionsOf(zone), ...qualityProblems(zone, target)].map((said) => inZone(zone.id, said)),
  );

/** What a person should know of the plan as a whole; stopped zones speak for themselves. */
function searchWarnings({ search, systems, inputs }: StoredPlan, refused: System | undefined): Notice[] {
  if (!search) return [];
  const { looked, gaveUp } = search;
  const isAnyReady = systems.some(({ verdict }) => verdict.kind === 'ready');
  if (isAnyReady) return gaveUp ? [tell('plan.gave-up', { looked })] : [];
  const broken = refused?.refusedBy[0];
  return [
    gaveUp ? tell('plan.gave-up-early', { looked }) : tell('plan.no-system'),
    broken
      ? { zoneId: broken.zoneId, code: broken.code, facts: broken.facts, text: broken.text }
      : tell('plan.no-coat'),
    ...missingKinds(inputs),
  ];
}

/** Work for which the shop has no product, where that may be why no system is found. */
function missingKinds({ shop, sheets }: StoredPlan['inputs']): Notice[] {
  const missing = worksMissing(sheets, shop.noneOf);
  return missing.length === 0 ? [] : [tell('plan.none-of', { kinds: missing.map(workWords).join(', ') })];
}

const namesOf = (ids: readonly string[], { shelf }: Context): { sheetId: string; name: string }[] =>
  ids.map((sheetId) => ({ sheetId, name: shelf.get(sheetId)?.name ?? sheetId }));

const sheetVersions = (stored: StoredPlan, { shelf }: Context): Record<string, number> =>
  Object.fromEntries(
    [...usedSheetIds(stored)].sort().flatMap((id) => {
      const sheet = shelf.get(id);
      return sheet ? [[id, sheet.version]] : [];
    }),
  );

/** Zones that were to be blended until something was found on them at work. */
const blendsUndone = (panel: Panel, { zones }: PanelState): Notice[] =>
  panel.zones.flatMap((zone) =>
    roleOf(zone, panel) !== 'refinish' &&
    zones.some((state) => state.zone.id === zone.id && state.role === 'refinish')
      ? [inZone(zone.id, tell('plan.blend-undone'))]
      : [],
  );

function warningsOf(
  stored: StoredPlan,
  view: readonly System[],
  bench: BenchOfTask,
  done: Replayed,
): Notice[] {
  if (!stored.search) return bench.context.panel.zones.length > 0 ? [tell('survey.kept-all')] : [];
  const waits = waitingStops(bench.stopped, stored.inputs.panel);
  return [
    ...done.problems.map(verbatim),
    ...(stored.inputs.own && !stored.systems.some(({ id }) => id === OWN) ? [tell('plan.own-lost')] : []),
    ...(waits.length > 0
      ? [tell('plan.stopped', { zones: waits.map(({ zoneId }) => zoneId).join(', ') })]
      : []),
    ...searchWarnings(
      stored,
      view.find(({ verdict }) => verdict === 'refused'),
    ),
    ...bench.notes,
    ...blendsUndone(bench.context.panel, done.panel),
    ...surveyWarnings(bench.context.panel, bench.context),
  ];
}

/** Opens a kept plan. Systems are replayed once each; what they share, once in all. */
export function openPlan(stored: StoredPlan): OpenedPlan {
  const { inputs } = stored;
  const bench = benchOfTask(inputs);
  const { context, stopped } = bench;
  const memo = newReplayMemo();
  const start = surveyState(context.panel, context.shop.rules);
  const done = replayDone(start, inputs, context, memo);
  const write = stepWriter(context, done.steps);
  const replayed = new Map<string, Replayed>();
  const again = ({ id, acts }: StoredSystem): Replayed => {
    const known = replayed.get(id) ?? replay(done.panel, acts, context, memo);
    replayed.set(id, known);
    return known;
  };
  const systems = stored.systems.map((system) => viewSystem(system, () => again(system), context, write));
  const nextOf = (id: string): readonly Performed[] => {
    const system = stored.systems.find((each) => each.id === id);
    return system ? again(system).steps : [];
  };
  const stepsOf = (id: string): readonly Performed[] => [...done.steps, ...nextOf(id)];
  return {
    view: {
      panelId: inputs.panel.id,
      chosen: stored.chosen,
      systems,
      stopped: [...stopped],
      found: foundStacks(inputs.panel, inputs.shop.rules),
      startMin: context.startMin,
      ...(context.startOn === undefined ? {} : { startOn: context.startOn }),
      ...(inputs.schools ? { schools: chosenSides(inputs.schools) } : {}),
      ...(inputs.products ? { products: namesOf(inputs.products, context) } : {}),
      ...(inputs.done ? { done: [...inputs.done] } : {}),
      sheetVersions: sheetVersions(stored, context),
      warnings: warningsOf(stored, systems, bench, done),
    },
    actsOf: (id) => {
      const system = stored.systems.find((candidate) => candidate.id === id);
      const acts = (system?.acts ?? []).map(
        ({ why: _why, isChoice: _isChoice, unmet: _unmet, ...act }) => act,
      );
      return [...actsDone(inputs.done), ...acts];
    },
    sheetOf: (id) => (id === undefined ? undefined : context.shelf.get(id)),
    poursOf: (id) => poursOf(nextOf(id), done.steps.length, context),
    sprayTasksOf: (id) => sprayTasksOf(nextOf(id), done.steps.length, context),
    missedCostOf: (id, n) => missedCostMin(stepsOf(id), n - 1, context),
    sandingOf: (id) => sandingOf(stepsOf(id), start, context),
  };
}
