import { OP_LABELS, checkTitle, type NewEntry } from '@blue-ledge/core';

/** What is read off an entry so that it can be found. */
export interface EntryColumns {
  readonly op: string | null;
  readonly sheetId: string | null;
  readonly defect: string | null;
  readonly planId: string | null;
  readonly n: number | null;
  /** All its words, in small letters. */
  readonly words: string;
}

const MOST_WORDS = 4000;

/** Every text in a value, however deep. */
function textsIn(value: unknown): string[] {
  if (typeof value === 'string') return [value];
  if (typeof value !== 'object' || value === null) return [];
  return Object.values(value).flatMap(textsIn);
}

/** Words by which people know what an entry is about. */
function titlesOf(entry: NewEntry): string[] {
  if (entry.kind === 'act') return [OP_LABELS[entry.body.op]];
  return entry.kind === 'check' ? [checkTitle(entry.body.check)] : [];
}

export function columnsOf(entry: NewEntry): EntryColumns {
  const { op, sheetId, defect, step } = entry.body as {
    readonly op?: string;
    readonly sheetId?: string;
    readonly defect?: string;
    readonly step?: { readonly planId: string; readonly n: number };
  };
  const { step: _step, ...said } = entry.body as object & { step?: unknown };
  const words = [entry.kind, entry.by, ...titlesOf(entry), ...textsIn(said)].join(' ').toLowerCase();
  return {
    op: op ?? null,
    sheetId: sheetId ?? null,
    defect: defect ?? null,
    planId: step?.planId ?? null,
    n: step?.n ?? null,
    words: words.slice(0, MOST_WORDS),
  };
}
