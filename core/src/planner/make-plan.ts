import { surveyState } from '../operations/survey-state.ts';
import { roleOf } from '../survey/zone-facts.ts';
import type { Verdict } from '../rules/rule.ts';
import type { Context } from '../operations/context.ts';
import type { PanelState } from '../operations/state.ts';
import { inputOf, type OwnSequence } from './act-input.ts';
import { benchOfTask, waitingStops, type PlanTask } from './bench-of-task.ts';
import { intoHours, newHours, type HoursMemo, type TimedAct } from './into-hours.ts';
import { notHandedOver, walkSequence } from './judge-sequence.ts';
import { keptShelf } from './kept-shelf.ts';
import { replayDone } from './replay-done.ts';
import { newMemo } from './prepare.ts';
import type { RefusedPath, SearchPath, Way } from './search-path.ts';
import { familyOfPath, searchSystems } from './search-systems.ts';
import { bySuggestion } from './suggest.ts';
import {
  KEY_ONLY,
  OWN,
  PLANNER_VERSION,
  PLAN_FORMAT,
  sheetsOfActs,
  type PlannedAct,
  type StoredPlan,
  type StoredSystem,
} from './stored-plan.ts';

const bare = ({ level, zoneId, reason }: Verdict) => ({ level, zoneId, reason: { ...reason } });

/** Where all systems of a plan are put into the shop's hours. */
interface Hours {
  readonly context: Context;
  readonly memo: HoursMemo;
}

type Timed = Pick<SearchPath, 'steps' | 'choiceSteps'>;

const timed = ({ steps }: Timed, start: PanelState, { context, memo }: Hours): TimedAct[] =>
  intoHours(start, steps, context, memo);

const actsOf = (path: Timed, start: PanelState, hours: Hours): PlannedAct[] =>
  plannedActs(timed(path, start, hours), path);

function plannedActs(acts: readonly TimedAct[], { choiceSteps }: Pick<Timed, 'choiceSteps'>): PlannedAct[] {
  return acts.map(({ act, idleMin, isSplit, unmet, nth }) => ({
    ...inputOf(act),
    ...(idleMin > 0 ? { idleMin } : {}),
    ...(isSplit ? { isSplit } : {}),
    why: act.why.map((reason) => ({ ...reason })),
    ...(nth !== null && choiceSteps.includes(nth) ? { isChoice: true as const } : {}),
    ...(unmet ? { unmet: unmet.map(bare) } : {}),
  }));
}

/** What is searched and judged before it is put into the shop's hours. */
const untimed = (context: Context): Context => ({ ...context, isUntimed: true });

const isReady = ({ verdict }: StoredSystem): boolean => verdict.kind === 'ready';

/** The systems that get the panel ready, the one that is suggested first. */
function readySystems(ways: readonly Way[], start: PanelState, hours: Hours): StoredSystem[] {
  const placed = ways.map((way) => {
    const acts = timed(way, start, hours);
    return { way, acts, readyAtMin: acts.at(-1)?.endsAtMin ?? start.clockMin };
  });
  return bySuggestion(placed, hours.context).map(({ way, acts }) => ({
    id: familyOfPath(way.choices.filter((act) => act.op !== 'hand-over')) || KEY_ONLY,
    acts: plannedActs(acts, way),
    verdict: { kind: 'ready' },
  }));
}

function refusedSystem(path: RefusedPath, start: PanelState, hours: Hours): StoredSystem {
  const { refused, choices, verdicts } = path;
  const before = familyOfPath(choices);
  return {
    id: `refused-${verdicts[0]!.reason.rule}-${before ? `${before}.` : ''}${refused.op}`,
    acts: actsOf(path, start, hours),
    verdict: {
      kind: 'refused',
      act: { ...inputOf(refused), why: refused.why.map((reason) => ({ ...reason })) },
      refusals: verdicts.map(bare),
    },
  };
}

const inputsOf = (task: PlanTask) => ({
  panel: task.panel,
  shop: task.shop,
  target: task.target,
  ...(task.products?.length ? { products: [...task.products] } : {}),
  ...termsOf(task),
});

const termsOf = ({ schools, startMin, startOn, isStartFixed, done, airBefore, nowMin, own }: PlanTask) => ({
  ...(schools ? { schools } : {}),
  ...(startMin === undefined ? {} : { startMin }),
  ...(startOn === undefined ? {} : { startOn }),
  ...(isStartFixed ? { isStartFixed } : {}),
  ...(done ? { done: [...done] } : {}),
  ...(airBefore?.length ? { airBefore: [...airBefore] } : {}),
  ...(nowMin === undefined ? {} : { nowMin }),
  ...(own ? { own } : {}),
});

/** The system that a person put together, as far as it is allowed; none where it cannot be read. */
function ownSystem({ acts, fillsIn }: OwnSequence, start: PanelState, hours: Hours): StoredSystem[] {
  const { context } = hours;
  const plain = acts.map(({ idleMin: _idleMin, isSplit: _isSplit, ...act }) => act);
  const { walked, problems } = walkSequence(start, plain, untimed(context), { fillsIn });
  if (problems.length > 0) return [];
  const nth = walked.findIndex(({ verdict }) => verdict === 'refused');
  const refused = walked[nth];
  const done = refused ? walked.slice(0, nth) : walked;
  const choiceSteps = done.flatMap(({ verdict }, i) => (verdict === 'added' ? [] : [i]));
  const system = {
    id: OWN,
    acts: actsOf({ steps: done.map(({ performed }) => performed), choiceSteps }, start, hours),
  };
  if (!refused)
    return done.at(-1)?.performed.act.op === 'hand-over' && notHandedOver(start, done).length === 0
      ? [{ ...system, verdict: { kind: 'ready' } }]
      : [];
  const act = { ...inputOf(refused.performed.act), why: [] };
  return [{ ...system, verdict: { kind: 'refused', act, refusals: refused.refusals.map(bare) } }];
}

/**
 * Plans one panel: the best different systems that get every zone ready for base, and the systems that are refused with
 * the first rule they break, as acts. Deterministic; bounded (see search-systems).
 */
export function makePlan(task: PlanTask): StoredPlan {
  const { context, stopped } = benchOfTask(task);
  const { panel } = context;
  const plan = {
    formatVersion: PLAN_FORMAT,
    plannerVersion: PLANNER_VERSION,
    inputs: { ...inputsOf(task), ...keptShelf(task.sheets ?? [], new Set(), context) },
  } as const;
  if (!panel.zones.some((zone) => roleOf(zone, panel) !== 'keep'))
    return { ...plan, systems: [], chosen: null };
  const done = replayDone(surveyState(panel, context.shop.rules), task, context);
  const memo = newMemo(true);
  const { ready, refused, looked, gaveUp } = searchSystems(done.panel, untimed(context), memo);
  const hours = { context, memo: newHours(memo) };
  const best = readySystems(ready, done.panel, hours);
  const ownSystems = task.own ? ownSystem(task.own, done.panel, hours) : [];
  const systems = [...ownSystems, ...best, ...refused.map((path) => refusedSystem(path, done.panel, hours))];
  return {
    ...plan,
    inputs: { ...plan.inputs, ...keptShelf(task.sheets ?? [], sheetsOfActs(systems, task.done), context) },
    systems,
    // Nobody starts on the rest of a panel that goes back to the welder.
    chosen:
      waitingStops(stopped, task.panel).length > 0
        ? null
        : ([...best, ...ownSystems.filter(isReady)][0]?.id ?? null),
    search: { looked, gaveUp },
  };
}
