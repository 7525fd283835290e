import type { Rung } from '@blue-ledge/core';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** Ladders that a person set up to compare with the best one, by panel and episode; they survive a reload. */
interface OwnLadders {
  readonly byEpisode: Readonly<Record<string, readonly Rung[]>>;
}

export const useOwnLadders = create<OwnLadders>()(
  persist<OwnLadders>(() => ({ byEpisode: {} }), { name: 'ledge-own-ladders' }),
);

/** Keeps a ladder of one's own; null goes back to the plan's. */
export function keepLadder(episode: string, rungs: readonly Rung[] | null): void {
  useOwnLadders.setState(({ byEpisode }) => {
    const { [episode]: _, ...others } = byEpisode;
    return { byEpisode: rungs ? { ...others, [episode]: rungs } : others };
  });
}
