import type { ActInput } from '@blue-ledge/core';
import { persisted } from '../../state/persisted.ts';

/** What a learner put together for each case, how often it was judged, and the best points so far. */
export interface CaseLog {
  readonly acts: readonly ActInput[];
  readonly tries: number;
  /** Null until it got the panel ready. */
  readonly best: number | null;
}

interface CaseLogs {
  readonly byCase: Readonly<Record<string, CaseLog>>;
}

export const NOT_TRIED: CaseLog = { acts: [], tries: 0, best: null };

export const useCaseLogs = persisted<CaseLogs>('ledge-practice-cases', { byCase: {} });

function change(id: string, next: (log: CaseLog) => CaseLog): void {
  useCaseLogs.setState(({ byCase }) => ({ byCase: { ...byCase, [id]: next(byCase[id] ?? NOT_TRIED) } }));
}

export const keepCaseActs = (id: string, acts: readonly ActInput[]): void =>
  change(id, (log) => ({ ...log, acts }));

export const keepCaseResult = (id: string, points: number | null): void =>
  change(id, (log) => ({
    ...log,
    tries: log.tries + 1,
    best: points === null ? log.best : Math.max(points, log.best ?? 0),
  }));
