import type { Entry } from './entry.ts';

/** Changes of the row of writes, as functions of how it stands. */

export interface RowChange {
  /** Entries that come new, or in the place of the one of their key. */
  readonly put?: readonly Entry[];
  /** Keys of entries that leave the row. */
  readonly gone?: readonly string[];
}

/**
 * What is done to the row. It is asked twice: at once, for the screen; then in one transaction of the database, where
 * another tab may have changed the row meanwhile. What it says then holds.
 */
export type Decision = (row: readonly Entry[]) => RowChange;

export const isChange = ({ put = [], gone = [] }: RowChange): boolean => put.length + gone.length > 0;

/** The row after a change, in the order in which it is sent. */
export function withChange(row: readonly Entry[], { put = [], gone = [] }: RowChange): readonly Entry[] {
  const left = row.filter(({ key }) => !gone.includes(key) && !put.some((entry) => entry.key === key));
  return [...left, ...put].toSorted((a, b) => a.order - b.order);
}
