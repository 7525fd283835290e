import { persisted } from './persisted.ts';

/** Panels that were at this bench last, of whatever job: one tap away from each other. */

export interface RecentBench {
  readonly job: string;
  readonly panel: string;
  readonly name: string;
}

const MOST = 8;

interface RecentBenches {
  readonly benches: readonly RecentBench[];
}

const isSame = (a: RecentBench, b: RecentBench): boolean => a.job === b.job && a.panel === b.panel;

export const useRecentBenches = persisted<RecentBenches>('ledge-recent-benches', { benches: [] });

/** Puts the panel that is at the bench now first. */
export const seeBench = (bench: RecentBench): void =>
  useRecentBenches.setState(({ benches }) => ({
    benches: [bench, ...benches.filter((other) => !isSame(other, bench))].slice(0, MOST),
  }));
