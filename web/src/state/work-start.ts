import { create } from 'zustand';
import { persist } from 'zustand/middleware';

interface WorkStart {
  /** Minutes after midnight; null as the shop's day begins. */
  readonly startMin: number | null;
  readonly start: (startMin: number) => void;
}

/** When the work on the next plan starts: cures count the hours from then on. */
export const useWorkStart = create<WorkStart>()(
  persist((set) => ({ startMin: null as number | null, start: (startMin: number) => set({ startMin }) }), {
    name: 'ledge-work-start',
    version: 1,
    migrate: () => ({ startMin: null }) as WorkStart,
  }),
);
