import type { Rung } from '@blue-ledge/core';
import { persisted } from './persisted.ts';

/** Ladders that a person set up to compare with the best one, by panel and run; they survive a reload. */
interface OwnLadders {
  readonly byRun: Readonly<Record<string, readonly Rung[]>>;
}

export const useOwnLadders = persisted<OwnLadders>(
  'ledge-own-ladders',
  { byRun: {} },
  // Ladders were kept by the numbers of their steps, which stand for something else in another plan.
  { migrate: () => ({ byRun: {} }) },
);

/** Keeps a ladder of one's own; null goes back to the plan's. */
export function keepLadder(run: string, rungs: readonly Rung[] | null): void {
  useOwnLadders.setState(({ byRun }) => {
    const { [run]: _, ...others } = byRun;
    return { byRun: rungs ? { ...others, [run]: rungs } : others };
  });
}
