import { isSameJson } from '../units/canonical.ts';
import type { ActInput } from './act-input.ts';
import { actsDone, type Happening } from './happening.ts';
import { KEY_ONLY, OWN, type StoredPlan } from './stored-plan.ts';

/** What a person chose, carried over into a plan that is made later: by the choices that make up a system's id. */

/** An act of an operation is the choice of that name; a sealer's name also says what it is and where it goes. */
const isChoiceOf = (choice: string, { op }: ActInput): boolean =>
  choice === op || choice.startsWith(`${op}-`);

/** The choices without those that were made meanwhile, each of these once. */
function leftOf(wanted: string, made: readonly ActInput[]): string {
  const left = made.reduce((choices, act) => {
    const nth = choices.findIndex((choice) => isChoiceOf(choice, act));
    return nth < 0 ? choices : choices.toSpliced(nth, 1);
  }, wanted.split('.'));
  return left.join('.') || KEY_ONLY;
}

/** Ids of the systems of a plan that get the panel ready, best first. */
const readyIds = ({ systems }: StoredPlan): string[] =>
  systems.filter(({ verdict }) => verdict.kind === 'ready').map(({ id }) => id);

/**
 * The id that a system goes by in a plan made later: less what was done meanwhile; where less counts as done than
 * before, the whole of which it was the rest.
 * @param wanted id of the system in the plan before
 * @param wasDone what counted as done in that plan
 */
function carriedId(wanted: string, wasDone: readonly Happening[], after: StoredPlan): string {
  const { done = [] } = after.inputs;
  const [now, was] = [actsDone(done), actsDone(wasDone)];
  if (now.length >= was.length) return leftOf(wanted, now.slice(was.length));
  return readyIds(after).find((id) => id === wanted || id.endsWith(`.${wanted}`)) ?? wanted;
}

/** The choice that a plan was made after. */
export interface ChoiceBefore {
  /** The plan in which it was ready. */
  readonly plan: string;
  /** Its id in that plan. */
  readonly chosen: string;
  /** Its id in the plan made after it: less what was done meanwhile. */
  readonly expected: string;
}

export interface Choice {
  /** What is taken: what is wanted where it is ready, else what the planner would take; null while a zone waits. */
  readonly chosen: string | null;
  /** What a person wants, ready or not; null where nobody chose. */
  readonly wanted: string | null;
  readonly follows: ChoiceBefore | null;
}

/** A plan that was kept, as far as the next one asks. */
export interface PlanBefore extends Choice {
  readonly id: string;
  readonly plan: StoredPlan | null;
}

/** A person's choice is not ready any more, and something else is taken. */
export const isFallen = ({ chosen, wanted }: Pick<Choice, 'chosen' | 'wanted'>): boolean =>
  chosen !== null && wanted !== null && chosen !== wanted;

/** A sequence that a person adds to a plan is what the person wants. */
function isNewlyOwn(before: PlanBefore | null, { inputs: { own } }: StoredPlan): boolean {
  return own !== undefined && !isSameJson(own, before?.plan?.inputs.own);
}

/** What is chosen in a plan that is made after another one, or first. */
export function choiceAfter(before: PlanBefore | null, after: StoredPlan): Choice {
  if (isNewlyOwn(before, after)) {
    const isReady = after.chosen !== null && readyIds(after).includes(OWN);
    return { chosen: isReady ? OWN : after.chosen, wanted: OWN, follows: null };
  }
  // A sequence that was taken out again is wanted no more.
  if (before?.wanted === OWN && after.inputs.own === undefined)
    return { chosen: after.chosen, wanted: null, follows: null };
  const was = before?.wanted ?? before?.chosen ?? before?.follows?.expected;
  if (!before || was === undefined) return { chosen: after.chosen, wanted: null, follows: null };
  const expected = carriedId(was, before.plan?.inputs.done ?? [], after);
  const wanted = before.wanted && expected;
  const isReady = wanted !== null && after.chosen !== null && readyIds(after).includes(wanted);
  const follows = was === before.chosen ? { plan: before.id, chosen: was } : before.follows;
  return {
    chosen: isReady ? wanted : after.chosen,
    wanted,
    follows: follows && { ...follows, expected },
  };
}
