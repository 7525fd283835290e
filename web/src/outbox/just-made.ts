import type { Entry } from './entry.ts';

/**
 * Entries that this page made and the browser's database has not taken yet: kept in the meantime where writing takes no
 * time. A page that is left within that moment would lose what was tapped last.
 */

const PREFIX = 'ledge-just-made ';
/** Each page has a place of its own. */
const OWN = `${PREFIX}${crypto.randomUUID()}`;

/** A picture is no text: it waits for the database. */
const isText = (entry: Entry): boolean => !(entry.kind === 'record' && entry.photo);

/** Notes what this page has made and is not kept yet; none takes the note away. */
export function noteJustMade(entries: readonly Entry[]): void {
  const texts = entries.filter(isText);
  try {
    if (texts.length > 0) localStorage.setItem(OWN, JSON.stringify(texts));
    else if (localStorage.getItem(OWN) !== null) localStorage.removeItem(OWN);
  } catch {
    // A browser without room keeps what it has; the row says when it keeps nothing.
  }
}

export interface LeftBehind {
  readonly entries: readonly Entry[];
  /** Takes the notes away, once their entries are kept. */
  readonly forget: () => void;
}

/** What pages that were left had made. One that is open still, and keeps its entries a moment later, makes no difference. */
export function leftBehind(): LeftBehind {
  try {
    const names = Object.keys(localStorage).filter((name) => name.startsWith(PREFIX) && name !== OWN);
    const entries = names.flatMap((name) => JSON.parse(localStorage.getItem(name) ?? '[]') as Entry[]);
    return { entries, forget: () => names.forEach((name) => localStorage.removeItem(name)) };
  } catch {
    return { entries: [], forget: () => undefined };
  }
}

/** An entry as it waits again: whether it was being sent when its page went, nobody knows. */
export const waitingAgain = (entry: Entry): Entry =>
  entry.state === 'sending' ? { ...entry, state: 'waiting' } : entry;
