import type { ActInput } from '@blue-ledge/core';
import { persisted } from './persisted.ts';

/** Sequences that a person puts together to ask "why not?", by panel; they survive a reload. */
interface OwnSequences {
  readonly byPanel: Readonly<Record<string, readonly ActInput[]>>;
}

export const useOwnSequences = persisted<OwnSequences>('ledge-own-sequences', { byPanel: {} });

export function keepSequence(panel: string, own: readonly ActInput[]): void {
  useOwnSequences.setState(({ byPanel }) => ({ byPanel: { ...byPanel, [panel]: own } }));
}
