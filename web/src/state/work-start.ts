import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** When the work on a plan starts, minutes after midnight; windows are shown on that clock too. */
export const useWorkStart = create<{ startMin: number; start: (startMin: number) => void }>()(
  persist((set) => ({ startMin: 8 * 60, start: (startMin: number) => set({ startMin }) }), {
    name: 'ledge-work-start',
  }),
);
