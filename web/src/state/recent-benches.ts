import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** Panels that were at this bench last, of whatever job: one tap away from each other. */

export interface RecentBench {
  readonly job: string;
  readonly panel: string;
  readonly name: string;
}

const MOST = 8;

interface RecentBenches {
  readonly benches: readonly RecentBench[];
  readonly see: (bench: RecentBench) => void;
}

const isSame = (a: RecentBench, b: RecentBench): boolean => a.job === b.job && a.panel === b.panel;

export const useRecentBenches = create<RecentBenches>()(
  persist<RecentBenches>(
    (set) => ({
      benches: [],
      see: (bench) =>
        set(({ benches }) => ({
          benches: [bench, ...benches.filter((other) => !isSame(other, bench))].slice(0, MOST),
        })),
    }),
    { name: 'ledge-recent-benches', version: 1 },
  ),
);
