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

/** As long as a page is open it holds the lock of its name: what it noted is its own to keep. */
export function stayOpen(): void {
  void globalThis.navigator?.locks?.request(OWN, () => new Promise(() => undefined));
}

export interface LeftBehind {
  readonly entries: readonly Entry[];
  /** Takes the notes away, once their entries are kept. */
  readonly forget: () => void;
}

/** What a note says; nothing where it was cut off. */
function notedAs(name: string): Entry[] {
  try {
    return JSON.parse(localStorage.getItem(name) ?? '[]') as Entry[];
  } catch {
    return [];
  }
}

const NOTHING: LeftBehind = { entries: [], forget: () => undefined };

/**
 * What pages had made that were left. A page that is open still keeps its own in a moment: an edit that another one had put
 * into the row before would be made once more on top of itself.
 */
export async function leftBehind(): Promise<LeftBehind> {
  try {
    const noted = Object.keys(localStorage).filter((name) => name.startsWith(PREFIX) && name !== OWN);
    // Without locks nobody knows which pages are open.
    if (noted.length === 0 || !navigator.locks) return NOTHING;
    const { held = [] } = await navigator.locks.query();
    const open = new Set(held.map(({ name }) => name));
    const names = noted.filter((name) => !open.has(name));
    return {
      entries: names.flatMap(notedAs),
      forget: () => names.forEach((name) => localStorage.removeItem(name)),
    };
  } catch {
    return NOTHING;
  }
}

/** An entry as it waits again: whether it was being sent when its page went, nobody knows. */
export const waitingAgain = (entry: Entry): Entry =>
  entry.state === 'sending' ? { ...entry, state: 'waiting' } : entry;
