import { checksOf, checkTitle } from './checks.ts';
import type { Holding } from './corrections.ts';
import type { BodyOf, StepRef } from './entry.ts';
import type { Fold } from './fold.ts';

/** The checks that the steps that were done ask for, and what became of each: from the record, never from the plan. */

export type CheckOutcome = BodyOf<'check'>['outcome'];

export interface AskedCheck {
  /** One of `checks.ts`, or another in the words of whoever made it. */
  readonly check: string;
  readonly title: string;
  readonly step?: StepRef | undefined;
  readonly zones: readonly string[];
  /** The last word on it; null where nobody looked. */
  readonly outcome: CheckOutcome | null;
  readonly by?: string;
  /** Why it was waived. */
  readonly why?: string | undefined;
  /** How often it failed, also where it passed later. */
  readonly nFailed: number;
}

type CheckEntry = Extract<Holding, { kind: 'check' }>;

/** What a check is of: a step of a plan; areas where no step is named. */
const placeOf = ({
  step,
  zones = [],
}: {
  readonly step?: StepRef | undefined;
  readonly zones?: readonly string[] | undefined;
}): string => (step ? `${step.planId} ${step.n}` : zones.toSorted().join(' '));

const nameOf = (check: string, of: Parameters<typeof placeOf>[0]): string => `${check} ${placeOf(of)}`;

/**
 * Every check that is asked for, in the order of the work, and after them those that nobody asked for and somebody made.
 * @param entries what holds of the record
 * @param fold the same record folded: what each act is
 */
export function askedChecks(
  entries: readonly Holding[],
  { steps, acts }: Pick<Fold, 'steps' | 'acts'>,
): AskedCheck[] {
  const made = new Map<string, CheckEntry[]>();
  for (const entry of entries) {
    if (entry.kind !== 'check') continue;
    const name = nameOf(entry.body.check, entry.body);
    made.set(name, [...(made.get(name) ?? []), entry]);
  }
  const found = new Map<string, AskedCheck>();
  const add = (check: string, { step, zones = [] }: Pick<BodyOf<'check'>, 'step' | 'zones'>): void => {
    const name = nameOf(check, { step, zones });
    const all = made.get(name) ?? [];
    const last = all.at(-1);
    found.set(name, {
      check,
      title: checkTitle(check),
      ...(step ? { step } : {}),
      zones,
      outcome: last?.body.outcome ?? null,
      ...(last ? { by: last.by, why: last.body.text } : {}),
      nFailed: all.filter(({ body }) => body.outcome === 'fails').length,
    });
  };
  steps.forEach(({ act }, i) => {
    for (const { check } of checksOf({ op: act.op, tool: 'tool' in act ? act.tool : undefined }))
      add(check, acts[i]!.body);
  });
  for (const [name, [first]] of made) if (!found.has(name)) add(first!.body.check, first!.body);
  return [...found.values()];
}

/** Nobody looked, and nobody answers for not looking. */
export const isUnchecked = ({ outcome }: AskedCheck): boolean => outcome === null;
