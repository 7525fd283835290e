import { persisted } from '../state/persisted.ts';
import type { PracticeAct } from '../workers/blocking-messages.ts';

/** What was done on each practice panel, so that a reload does it again, and the best score so far. */
interface PracticeLog {
  readonly acts: Readonly<Record<string, readonly PracticeAct[]>>;
  readonly best: Readonly<Record<string, number>>;
}

export const usePracticeLog = persisted<PracticeLog>('ledge-practice', { acts: {}, best: {} });

export function keepActs(panel: string, acts: readonly PracticeAct[]): void {
  usePracticeLog.setState(({ acts: all }) => ({ acts: { ...all, [panel]: acts } }));
}

export function keepBest(panel: string, points: number): void {
  usePracticeLog.setState(({ best }) =>
    points > (best[panel] ?? 0) ? { best: { ...best, [panel]: points } } : {},
  );
}
