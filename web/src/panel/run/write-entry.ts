import type { ActInput, BodyOf, EntryKind, NewEntry, Step, StepRef } from '@blue-ledge/core';
import { serverNow } from '../../state/server-time.ts';

/** Entries as they are written at the bench. */

const MINUTE_MS = 60_000;

interface Written<K extends EntryKind> {
  readonly by: string;
  readonly kind: K;
  readonly body: BodyOf<K>;
  /** How long ago it was; now where it is left out. */
  readonly agoMin?: number | undefined;
  /** When it was, by the server's clock, in place of how long ago. */
  readonly atMs?: number;
}

export const writeEntry = <K extends EntryKind>({
  by,
  kind,
  body,
  agoMin = 0,
  atMs = Math.floor(serverNow()) - agoMin * MINUTE_MS,
}: Written<K>): NewEntry =>
  ({
    id: crypto.randomUUID(),
    at: new Date(atMs).toISOString(),
    by,
    kind,
    body,
  }) as NewEntry;

/** The body of a step that was done as it is planned. */
export function doneAsPlanned(step: Step, planned: ActInput, ref: Omit<StepRef, 'n'>): BodyOf<'act'> {
  const { idleMin: _idle, isSplit: _split, thenMin: _then, ...act } = planned;
  const name = step.sheetName === undefined ? {} : { sheetName: step.sheetName };
  return { ...act, ...name, step: { ...ref, n: step.n } };
}

/** Takes an entry back: it did not happen. */
export const takenBack = (by: string, { id }: Pick<NewEntry, 'id'>): NewEntry =>
  writeEntry({ by, kind: 'correction', body: { corrects: id, body: null } });
