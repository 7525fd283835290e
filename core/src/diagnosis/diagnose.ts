import type { Defect } from '../operations/mishaps.ts';
import type { PlanTask } from '../planner/bench-of-task.ts';
import type { NewEntry } from '../record/entry.ts';
import type { FoldOptions } from '../record/fold.ts';
import { caseOf, type Case } from './case.ts';
import { CAUSES_OF, EVIDENCE, PRIOR_STEP, type Cause, type Evidence } from './causes.ts';
import { FACTS, type FactName, type Known } from './facts.ts';

/** What probably caused a defect: causes ranked by the likelihood ratios of facts, never with certainty. */

export interface RankedCause {
  readonly cause: Cause;
  /** Share of all that may have caused it, 0..1; never quite 0 or 1. */
  readonly likelihood: number;
  /** Facts of the record that speak for it and against it, in words. */
  readonly for: readonly string[];
  readonly against: readonly string[];
  /** What would tell, where the record does not say. */
  readonly measure: readonly string[];
}

export interface Question {
  readonly fact: FactName;
  readonly text: string;
  /** The two answers, in words. */
  readonly is: string;
  readonly isNot: string;
}

export interface Diagnosis {
  readonly defect: Defect;
  readonly area: string;
  readonly causes: readonly RankedCause[];
  /** The questions that would part the causes best; at most three. */
  readonly questions: readonly Question[];
}

/** Answers of a person to what the record does not say. */
export type Answers = Readonly<Partial<Record<FactName, boolean>>>;

/** Nobody is ever sure: a likelihood stays this far from 0 and 1. */
const LEAST = 0.01;
const MOST_QUESTIONS = 3;

const ratioOf = ({ there, absent }: Evidence, known: Known): number =>
  known === undefined ? 1 : known ? there : absent;

/** Weights as shares of 1, kept away from certainty. */
function shares(weights: readonly number[]): number[] {
  const sum = weights.reduce((total, weight) => total + weight, 0);
  const floor = LEAST / weights.length;
  return weights.map((weight) => floor + (weight / sum) * (1 - LEAST));
}

const entropy = (parts: readonly number[]): number =>
  parts.reduce((sum, part) => (part > 0 ? sum - part * Math.log2(part) : sum), 0);

/** Bits that the answer to a question is expected to take off the doubt between causes. */
function gainOf(fact: FactName, causes: readonly Cause[], now: readonly number[]): number {
  const ratio = (cause: Cause, known: Known): number =>
    EVIDENCE[cause]
      .filter((each) => each.fact === fact)
      .reduce((product, each) => product * ratioOf(each, known), 1);
  const after = (known: boolean): { chance: number; left: number } => {
    const weights = causes.map((cause, i) => now[i]! * ratio(cause, known));
    const sum = weights.reduce((total, weight) => total + weight, 0);
    return { chance: sum, left: entropy(shares(weights)) };
  };
  const [yes, no] = [after(true), after(false)];
  const all = yes.chance + no.chance;
  return entropy(now) - (yes.chance * yes.left + no.chance * no.left) / all;
}

const factsOf = (causes: readonly Cause[]): FactName[] => [
  ...new Set(causes.flatMap((cause) => EVIDENCE[cause].map(({ fact }) => fact))),
];

function ranked(cause: Cause, likelihood: number, known: ReadonlyMap<FactName, Known>): RankedCause {
  const speaks = (isFor: boolean): string[] =>
    EVIDENCE[cause].flatMap((evidence) => {
      const fact = known.get(evidence.fact);
      const ratio = ratioOf(evidence, fact);
      if (ratio === 1 || ratio > 1 !== isFor) return [];
      return [fact ? FACTS[evidence.fact].is : FACTS[evidence.fact].isNot];
    });
  const unknown = EVIDENCE[cause].filter(({ fact }) => known.get(fact) === undefined);
  return {
    cause,
    likelihood,
    for: speaks(true),
    against: speaks(false),
    measure: unknown.map(({ fact }) => FACTS[fact].measure),
  };
}

/** Ranks the causes of a case. Deterministic: the same record and answers give the same order. */
export function diagnoseCase(seen: Case, answers: Answers = {}): Diagnosis {
  const { defect, area } = seen;
  const causes = defect === 'wrong-mix' ? [] : CAUSES_OF[defect];
  const facts = factsOf(causes);
  const known = new Map<FactName, Known>(facts.map((fact) => [fact, answers[fact] ?? FACTS[fact].of(seen)]));
  const weights = causes.map((cause, i) =>
    EVIDENCE[cause].reduce((weight, each) => weight * ratioOf(each, known.get(each.fact)), PRIOR_STEP ** i),
  );
  const likelihoods = causes.length > 0 ? shares(weights) : [];
  const open = facts.filter((fact) => known.get(fact) === undefined);
  const questions = open
    .map((fact) => ({ fact, text: FACTS[fact].measure, gain: gainOf(fact, causes, likelihoods) }))
    .toSorted((a, b) => b.gain - a.gain)
    .slice(0, MOST_QUESTIONS)
    .map(({ fact, text }) => ({ fact, text, is: FACTS[fact].is, isNot: FACTS[fact].isNot }));
  return {
    defect,
    area,
    causes: causes
      .map((cause, i) => ranked(cause, likelihoods[i]!, known))
      .toSorted((a, b) => b.likelihood - a.likelihood),
    questions,
  };
}

interface DiagnoseOptions extends FoldOptions {
  readonly answers?: Answers;
}

/**
 * What probably caused the last defect of a record, or one that is asked about.
 * @returns null where the record tells of no defect and none is asked about
 */
export function diagnose(
  task: PlanTask,
  record: readonly NewEntry[],
  defect?: Defect,
  { answers, ...options }: DiagnoseOptions = {},
): Diagnosis | null {
  const seen = caseOf(task, record, defect, options);
  return seen && diagnoseCase(seen, answers);
}
