import type { Step } from '../planner/plan.ts';

/** What was planned beside what was done, step by step. */

export type DoneAs = 'as-planned' | 'differently' | 'left-out' | 'to-do' | 'unplanned';

/** A figure that came out otherwise than it was planned. */
export interface Deviation {
  readonly field: 'coats' | 'grits' | 'filmUm' | 'handsOnMin' | 'sheetName' | 'toneL' | 'areas';
  readonly planned: string | number;
  readonly done: string | number;
}

export interface PlannedDone {
  readonly as: DoneAs;
  /** The planned step; undefined for work that was not planned. */
  readonly planned?: Step;
  readonly done?: Step;
  readonly deviations: readonly Deviation[];
}

/** Minutes that are no deviation worth a word: work is never to the minute. */
const MINUTES_SHARE = 0.25;
const LEAST_MINUTES = 5;
/** Film that a comb or a gauge cannot tell from what was planned, µm. */
const FILM_UM = 5;

const far = (a: number, b: number, least: number, share = 0): boolean =>
  Math.abs(a - b) > Math.max(least, share * Math.max(a, b));

const gritsOf = ({ grits = [] }: Step): string => grits.join(' › ');

function deviationsOf(planned: Step, done: Step): Deviation[] {
  const found: Deviation[] = [];
  const differ = (
    field: Deviation['field'],
    a: string | number | undefined,
    b: string | number | undefined,
  ): void => {
    if (a !== undefined && b !== undefined && a !== b) found.push({ field, planned: a, done: b });
  };
  differ('sheetName', planned.sheetName, done.sheetName);
  differ('coats', planned.coats, done.coats);
  differ('toneL', planned.toneL, done.toneL);
  if (planned.grits || done.grits) differ('grits', gritsOf(planned), gritsOf(done));
  differ('areas', planned.areas.toSorted().join(', '), done.areas.toSorted().join(', '));
  if (planned.filmUm !== undefined && done.filmUm !== undefined && far(planned.filmUm, done.filmUm, FILM_UM))
    differ('filmUm', planned.filmUm, done.filmUm);
  if (far(planned.handsOnMin, done.handsOnMin, LEAST_MINUTES, MINUTES_SHARE))
    differ('handsOnMin', planned.handsOnMin, done.handsOnMin);
  return found;
}

const isAlike = (planned: Step, done: Step): boolean =>
  planned.op === done.op && planned.areas.some((area) => done.areas.includes(area));

/**
 * Pairs what was done with what was planned: by the step that an entry names, else with the first step of its kind on
 * the same areas that nothing was paired with yet. Steps that were passed over count as left out once a later one is done.
 * @param nOf number of the planned step that the i-th act names; undefined where it names none of this plan
 */
export function plannedBesideDone(
  planned: readonly Step[],
  done: readonly Step[],
  nOf: (nth: number) => number | undefined = () => undefined,
): PlannedDone[] {
  const pairOf = new Map<Step, Step>();
  const taken = new Set<Step>();
  const pair = (plan: Step, real: Step): void => {
    pairOf.set(plan, real);
    taken.add(real);
  };
  done.forEach((real, i) => {
    const named = planned.find(({ n }) => n === nOf(i));
    if (named && !pairOf.has(named)) pair(named, real);
  });
  for (const real of done) {
    if (taken.has(real)) continue;
    const like = planned.find((plan) => !pairOf.has(plan) && isAlike(plan, real));
    if (like) pair(like, real);
  }
  const last = planned.findLastIndex((plan) => pairOf.has(plan));
  const rows = planned.map((plan, i): PlannedDone => {
    const real = pairOf.get(plan);
    if (!real) return { as: i < last ? 'left-out' : 'to-do', planned: plan, deviations: [] };
    const deviations = deviationsOf(plan, real);
    return {
      as: deviations.length > 0 ? 'differently' : 'as-planned',
      planned: plan,
      done: real,
      deviations,
    };
  });
  const extra = done.flatMap((real): PlannedDone[] =>
    taken.has(real) ? [] : [{ as: 'unplanned', done: real, deviations: [] }],
  );
  return [...rows, ...extra];
}

/** A plan that was worked by, with the id under which entries name it. */
export interface WorkedPlan {
  readonly planId: string;
  readonly steps: readonly Step[];
}

/** Something that was done, and the step that its entry names. */
export interface DoneStep {
  readonly done: Step;
  readonly planId?: string | undefined;
  readonly n?: number | undefined;
}

const besideOne = ({ steps }: WorkedPlan, acts: readonly DoneStep[]): PlannedDone[] =>
  plannedBesideDone(
    steps,
    acts.map(({ done }) => done),
    (nth) => acts[nth]?.n,
  );

/**
 * The same for a panel that was planned again on the way: each act beside the step of the plan that it was done by. What
 * an older plan still had to do is left to the newest one, which is the last.
 */
export function besideEachPlan(plans: readonly WorkedPlan[], acts: readonly DoneStep[]): PlannedDone[] {
  const older = plans.slice(0, -1);
  const newest = plans.at(-1);
  if (!newest) return acts.map(({ done }) => ({ as: 'unplanned', done, deviations: [] }));
  const isOf = ({ planId }: WorkedPlan, act: DoneStep): boolean => act.planId === planId;
  const rows = older.flatMap((plan) =>
    besideOne(
      plan,
      acts.filter((act) => isOf(plan, act)),
    ).filter(({ as }) => as !== 'to-do'),
  );
  const rest = acts.filter((act) => !older.some((plan) => isOf(plan, act)));
  // What was done before a plan was made stands in it as done: it has its row already.
  const ahead = older.length > 0 ? newest.steps.filter(({ isDone }) => !isDone) : newest.steps;
  return [...rows, ...besideOne({ ...newest, steps: ahead }, rest)];
}
