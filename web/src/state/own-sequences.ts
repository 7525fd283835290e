import type { ActInput } from '@blue-ledge/core';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** Sequences that a person puts together to ask "why not?", by panel; they survive a reload. */
interface OwnSequences {
  readonly byPanel: Readonly<Record<string, readonly ActInput[]>>;
}

export const useOwnSequences = create<OwnSequences>()(
  persist<OwnSequences>(() => ({ byPanel: {} }), {
    name: 'ledge-own-sequences',
    version: 1,
    migrate: (kept) => kept as OwnSequences,
  }),
);

export function keepSequence(panel: string, own: readonly ActInput[]): void {
  useOwnSequences.setState(({ byPanel }) => ({ byPanel: { ...byPanel, [panel]: own } }));
}
