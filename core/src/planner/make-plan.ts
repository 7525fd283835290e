import { surveyState } from '../operations/survey-state.ts';
import { roleOf } from '../survey/zone-facts.ts';
import type { Verdict } from '../rules/rule.ts';
import { inputOf } from './act-input.ts';
import { benchOfTask, waitingStops, type PlanTask } from './bench-of-task.ts';
import type { Performed } from './prepare.ts';
import { replay } from './replay.ts';
import { familyOfPath, searchSystems, type RefusedPath, type SearchPath } from './search-systems.ts';
import {
  KEY_ONLY,
  PLANNER_VERSION,
  PLAN_FORMAT,
  type PlannedAct,
  type StoredPlan,
  type StoredSystem,
} from './stored-plan.ts';

const bare = ({ level, zoneId, reason }: Verdict) => ({ level, zoneId, reason: { ...reason } });

function actsOf({ steps, choiceSteps }: SearchPath): PlannedAct[] {
  return steps.map(({ act, unmet }: Performed, i) => ({
    ...inputOf(act),
    why: act.why.map((reason) => ({ ...reason })),
    ...(choiceSteps.includes(i) ? { isChoice: true as const } : {}),
    ...(unmet ? { unmet: unmet.map(bare) } : {}),
  }));
}

const readySystem = (path: SearchPath): StoredSystem => ({
  id: familyOfPath(path.choices.filter((act) => act.op !== 'hand-over')) || KEY_ONLY,
  acts: actsOf(path),
  verdict: { kind: 'ready' },
});

function refusedSystem(path: RefusedPath): StoredSystem {
  const { refused, choices, verdicts } = path;
  const before = familyOfPath(choices);
  return {
    id: `refused-${verdicts[0]!.reason.rule}-${before ? `${before}.` : ''}${refused.op}`,
    acts: actsOf(path),
    verdict: {
      kind: 'refused',
      act: { ...inputOf(refused), why: refused.why.map((reason) => ({ ...reason })) },
      refusals: verdicts.map(bare),
    },
  };
}

const inputsOf = ({ panel, shop, target, sheets = [], schools, startMin, done }: PlanTask) => ({
  panel,
  shop,
  target,
  sheets: [...sheets],
  ...(schools ? { schools } : {}),
  ...(startMin === undefined ? {} : { startMin }),
  ...(done ? { done: [...done] } : {}),
});

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
    inputs: inputsOf(task),
  } as const;
  if (!panel.zones.some((zone) => roleOf(zone, panel) !== 'keep'))
    return { ...plan, systems: [], chosen: null };
  const done = replay(surveyState(panel, context.shop.rules), task.done ?? [], context);
  const { ready, refused, looked, gaveUp } = searchSystems(done.panel, context);
  const best = [...ready].sort((a, b) => a.cost - b.cost).map(readySystem);
  return {
    ...plan,
    systems: [...best, ...refused.map(refusedSystem)],
    // Nobody starts on the rest of a panel that goes back to the welder.
    chosen: waitingStops(stopped, task.panel).length > 0 ? null : (best[0]?.id ?? null),
    search: { looked, gaveUp },
  };
}
