import { CHECKS, type CheckKind } from '../operations/check-words.ts';
import { rowOf } from '../operations/table.ts';
import type { Step } from '../planner/plan.ts';

/** The checks that end a step, as the row of its operation asks for them. */

export interface Check {
  readonly check: CheckKind;
  readonly title: string;
  readonly how: string;
}

function kindsFor({ op, tool }: Pick<Step, 'op' | 'tool'>): readonly CheckKind[] {
  const { checks } = rowOf(op);
  if (typeof checks === 'function') return checks({ tool });
  return 'none' in checks ? [] : checks;
}

/** What is looked at before a step counts as done; empty where the next step shows it. */
export const checksOf = (step: Pick<Step, 'op' | 'tool'>): Check[] =>
  kindsFor(step).map((check) => {
    const [title, how] = CHECKS[check];
    return { check, title, how };
  });

/** A check in words; one of somebody's own is called as they call it. */
export const checkTitle = (check: string): string =>
  (CHECKS as Readonly<Record<string, readonly [string, string] | undefined>>)[check]?.[0] ??
  check.replaceAll('-', ' ');
