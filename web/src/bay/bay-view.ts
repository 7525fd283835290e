import { create } from 'zustand';

/** How the bay is looked at: how wide an hour is, and which panel is open. */

export const LEAST_PX = 8;
export const MOST_PX = 240;
const STEP = 1.4;

interface BayView {
  readonly pxPerHour: number;
  readonly zoom: (steps: number) => void;
}

const within = (px: number): number => Math.min(MOST_PX, Math.max(LEAST_PX, px));

export const useBayView = create<BayView>()((set) => ({
  pxPerHour: 44,
  zoom: (steps) => set(({ pxPerHour }) => ({ pxPerHour: within(pxPerHour * STEP ** steps) })),
}));
