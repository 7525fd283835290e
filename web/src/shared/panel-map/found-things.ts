import { entryWords, type NewEntry, type UnitSystem } from '@blue-ledge/core';
import type { FoundThing } from './FoundMarks.tsx';

/** What a record says was found or photographed on a panel, to be marked on its map. */
export const foundThings = (held: readonly NewEntry[], system: UnitSystem): FoundThing[] =>
  held.flatMap((entry): FoundThing[] => {
    if (entry.kind !== 'defect' && entry.kind !== 'photo') return [];
    const { zones = [], atMm } = entry.body;
    const { title, more } = entryWords(entry, { system, nameOf: (id) => id });
    return [{ id: entry.id, kind: entry.kind, words: more ? `${title}, ${more}` : title, zones, atMm }];
  });
