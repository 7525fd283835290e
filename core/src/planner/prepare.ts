import { isCoarser, type Grade } from '../materials/grades.ts';
import { isCoat, isSanding, lastGrade, type Act, type CoatAct, type SandAct } from '../operations/act.ts';
import type { Context } from '../operations/context.ts';
import { carryOut, type Outcome } from '../operations/perform.ts';
import type { Cost } from '../operations/operation.ts';
import { isBare, sortedIds, zoneOf, type PanelState } from '../operations/state.ts';
import { rowOf } from '../operations/table.ts';
import { decideAct } from '../rules/check-act.ts';
import { knownAct, newSearchMemory, type SearchMemory } from '../rules/search-memory.ts';
import { remedyRank } from '../rules/remedies.ts';
import { isRefusal, type Verdict } from '../rules/rule.ts';
import type { Reason } from '../wording/reason.ts';

/**
 * Means-ends preparation: to do an act, do first what its rules ask for.
 * Each broken rule that names a remedy adds that work, prepared in the same way; a rule without one refuses the act.
 * So every step of a plan is there because a rule asked for it, and says which.
 */

/** One act as it was done: before, after, what it took and what remained to be said about it. */
export interface Performed {
  readonly act: Act;
  readonly before: PanelState;
  readonly after: PanelState;
  readonly cost: Cost;
  /** It was begun so many minutes before `before` shows: the shop closed in the middle of it. */
  readonly splitMin?: number | undefined;
  /** should and school verdicts that stay with the step. */
  readonly remarks: readonly Verdict[];
  /** Of these, what was asked for before it and could not be had: no state tells of it afterwards. */
  readonly unmet?: readonly Verdict[];
}

/** A step of one sort of act. */
export type StepOf<A extends Act> = Performed & { readonly act: A };

export const isStepOf = <A extends Act>(step: Performed, isSort: (act: Act) => act is A): step is StepOf<A> =>
  isSort(step.act);

export type Prepared =
  | { readonly ok: true; readonly steps: readonly Performed[]; readonly panel: PanelState }
  | ({
      readonly ok: false;
      readonly steps: readonly Performed[];
      readonly panel: PanelState;
    } & RefusedAct);

/** An act that nothing makes right on the panel as it is then: the one asked for, or one that it needs. */
export interface RefusedAct {
  readonly refused: Act;
  readonly refusals: readonly Verdict[];
}

/** More steps than any real preparation has; a loop of rules ends here and says so. */
const MOST_STEPS = 90;

/** What is known of an act in one state; acts that want the same preparation find it done. */
interface Tried {
  readonly verdicts: readonly Verdict[];
  outcome?: Outcome;
  /** What is done first of all that is asked for. */
  remedy?: Act;
  /** The act as it was done, once for all that asked for it alike: ways that share their beginning share its steps. */
  readonly done: Performed[];
}
/** Keeps what was tried, by state and act; one for a whole search, whose context does not change. */
export interface Memo extends SearchMemory {
  readonly tried: Map<PanelState, Map<string, Tried>>;
}
export const newMemo = (endsAtRefusal = false): Memo => ({
  tried: new Map(),
  ...newSearchMemory(endsAtRefusal),
});

/** What an act does in a state in which the search has carried it out; undefined where it has not. */
export const knownOutcome = (memo: Memo, act: Act, before: PanelState): Outcome | undefined =>
  memo.tried.get(before)?.get(knownAct(act, memo).name)?.outcome;

function performed(act: Act, before: PanelState, known: Tried, context: Context): Performed {
  const done = known.done.find(({ act: was }) => isAskedAlike(was, act));
  if (done) return done;
  known.outcome ??= carryOut(before, act, context);
  const { panel: after, cost } = known.outcome;
  const step: Performed = { act, before, after, cost, remarks: known.verdicts };
  known.done.push(step);
  return step;
}

const isAskedAlike = (a: Act, b: Act): boolean =>
  a.why === b.why ||
  (a.why.length === b.why.length && a.why.every((reason, i) => sameReason(reason, b.why[i]!)));

function tried(act: Act, panel: PanelState, context: Context, memo: Memo): Tried {
  const known = memo.tried.get(panel) ?? new Map<string, Tried>();
  memo.tried.set(panel, known);
  const { name } = knownAct(act, memo);
  const before = known.get(name);
  if (before) return before;
  const made: Tried = {
    verdicts: decideAct(act, panel, context, memo),
    done: [],
  };
  known.set(name, made);
  return made;
}

/**
 * Does an act after all the work that its rules ask for, in the order in which a bench would do it.
 *
 * Each round asks the rules about the act in the state reached so far. Where nobody asks for anything, the act is done.
 * Where a must rule has no remedy, the act is refused. Otherwise the first remedy by `remedyRank` (shared with the zones
 * that ask for the same) is prepared in the same way, and the rules are asked again. What a should rule asks for and
 * cannot be had is taken back and stays with the act as a remark (`unmet`).
 *
 * Deterministic; ends after MOST_STEPS steps or where a remedy asks for itself, and says so. O(steps x rules x zones).
 * @param memo what was tried before in this search; ways that begin alike share it
 * @returns the steps in order, the act itself last, or the act that nothing makes right with what speaks against it
 */
export function prepare(start: PanelState, act: Act, context: Context, memo: Memo = newMemo()): Prepared {
  const steps: Performed[] = [];
  let panel = start;

  /** What a should asked for and this shop cannot do; it stays as a remark. */
  const declined = new Set<string>();
  const whereOf = (wanted: Act): string => knownAct(wanted, memo).where;
  const isAsked = ({ level, remedy }: Verdict): boolean =>
    level === 'must' || (remedy !== undefined && !declined.has(whereOf(remedy)));

  /** Does the act after what it needs; returns what refuses it, or null when it is done. */
  const reach = (wanted: Act, pending: readonly string[]): RefusedAct | null => {
    /** What was asked for this act and could not be had: said of it, also where nobody would ask at the end. */
    const unmet: Verdict[] = [];
    for (;;) {
      const known = tried(wanted, panel, context, memo);
      const asked = known.verdicts.length === 0 ? known.verdicts : known.verdicts.filter(isAsked);
      if (asked.length === 0) {
        const step = withRemarks(performed(wanted, panel, known, context), unmet);
        steps.push(step);
        panel = step.after;
        return null;
      }
      const hopeless = asked.filter(isRefusal);
      if (hopeless.length > 0) return { refused: wanted, refusals: hopeless };
      // Where all that could be asked for is, it is the same for whoever comes to this state again.
      const remedy =
        declined.size > 0 ? nextRemedy(asked, panel) : (known.remedy ??= nextRemedy(asked, panel));
      const name = whereOf(remedy);
      if (steps.length >= MOST_STEPS || pending.includes(name))
        return { refused: wanted, refusals: [endless(wanted, steps.length)] };
      const [nDone, was] = [steps.length, panel];
      const refused = reach(remedy, [...pending, name]);
      if (!refused) continue;
      const askers = asked.filter(({ remedy: own }) => own?.op === remedy.op);
      if (askers.some(({ level }) => level === 'must')) return refused;
      steps.length = nDone;
      panel = was;
      for (const asker of askers) declined.add(whereOf(asker.remedy!));
      unmet.push(...askers);
    }
  };

  const refused = reach(act, [whereOf(act)]);
  return refused ? { ok: false, steps, panel, ...refused } : { ok: true, steps, panel };
}

/** The step with what else is to be said of it. */
const withRemarks = (step: Performed, more: readonly Verdict[]): Performed => {
  const isNew = ({ zoneId, reason }: Verdict): boolean =>
    !step.remarks.some((said) => said.zoneId === zoneId && sameReason(said.reason, reason));
  const fresh = more.filter(isNew);
  return fresh.length === 0 ? step : { ...step, remarks: [...step.remarks, ...fresh], unmet: fresh };
};

const endless = (act: Act, nSteps: number): Verdict => ({
  level: 'must',
  zoneId: act.zones[0] ?? '',
  reason: { rule: 'op', code: 'op.no-end', facts: { steps: nSteps }, source: 'model' },
});

/** Remedies of the same kind are shared by their zones; the first in REMEDY_ORDER is taken up. */
function nextRemedy(broken: readonly Verdict[], panel: PanelState): Act {
  const remedies = broken.map((verdict) => verdict.remedy!);
  let [first] = remedies;
  let least = remedyRank(first!, panel);
  for (const remedy of remedies) {
    const rank = remedyRank(remedy, panel);
    if (rank < least) [first, least] = [remedy, rank];
  }
  return share(
    first!,
    remedies.filter((remedy) => remedy === first || isShareable(first!, remedy, panel)),
  );
}

/**
 * Work that zones do together. Sanding is shared where it is the same way to the last grade, on metal or off it:
 * nobody takes a zone back to a coarser grade than it has, only because another one needs it.
 */
const isShareable = (a: Act, b: Act, panel: PanelState): boolean =>
  a.op === b.op &&
  (!isSanding(a) || (isSanding(b) && sandsAlike(a, b, panel))) &&
  (!isCoat(a) || (isCoat(b) && a.sheetId === b.sheetId));

const sandsMetal = (act: Act, panel: PanelState): boolean =>
  act.zones.some((id) => isBare(zoneOf(panel, id)));
const onTheWay = ({ grades }: SandAct): string => grades.slice(0, -1).join();

/** Edges and backs are done alike whatever lies beside them. */
const sandsAlike = (a: SandAct, b: SandAct, panel: PanelState): boolean =>
  rowOf(a.op).sands === 'edges' ? a.grades.join() === b.grades.join() : sandsFaceAlike(a, b, panel);

/** It takes a surface back to a grade that the next coat holds on: nobody else is taken along. */
const isTakenBack = ({ why }: SandAct): boolean => why[0]?.code === 'K4.too-fine';

const sandsFaceAlike = (a: SandAct, b: SandAct, panel: PanelState): boolean =>
  a.tool === b.tool &&
  isTakenBack(a) === isTakenBack(b) &&
  sandsMetal(a, panel) === sandsMetal(b, panel) &&
  onTheWay(a) === onTheWay(b);

/** The areas of some acts, each once, by their ids. */
function areasOf(acts: readonly Act[]): readonly string[] {
  const ids = new Set<string>();
  let last: readonly string[] | null = null;
  for (const { zones } of acts) {
    // What a whole panel asks for names one list of areas.
    if (zones === last) continue;
    last = zones;
    for (const id of zones) ids.add(id);
  }
  return sortedIds([...ids]);
}

/** One act in place of all of these, which are shareable with the first; their reasons are kept once each. */
function share(first: Act, acts: readonly Act[]): Act {
  if (acts.length === 1 && first.zones.length === 1) return first;
  const zones = areasOf(acts);
  const why: Reason[] = [];
  for (const act of acts)
    for (const reason of act.why) if (!why.some((other) => sameReason(other, reason))) why.push(reason);
  if (isSanding(first)) return { ...first, zones, why, grades: sharedGrades(first, acts) };
  if (!isCoat(first)) return { ...first, zones, why };
  const coats = Object.assign({}, ...acts.filter(isCoat).map((act) => act.coats)) as CoatAct['coats'];
  return { ...first, zones, why, coats };
}

/** The same way for all, ended by the finest last grade. */
function sharedGrades(first: SandAct, acts: readonly Act[]): SandAct['grades'] {
  const finest = acts
    .filter(isSanding)
    .map(lastGrade)
    .reduce<Grade>((best, grade) => (isCoarser(best, grade) ? grade : best), lastGrade(first));
  return [...first.grades.slice(0, -1), finest] as unknown as SandAct['grades'];
}

const sameReason = (a: Reason, b: Reason): boolean =>
  a === b || (a.code === b.code && sameFacts(a.facts, b.facts));

/** Without lists of names: reasons are compared more often than anything else is. */
const sameFacts = (a: Reason['facts'], b: Reason['facts']): boolean => {
  if (a === b) return true;
  let nMore = 0;
  for (const name in a) {
    if (a[name] !== b[name]) return false;
    nMore++;
  }
  for (const _ in b) nMore--;
  return nMore === 0;
};
