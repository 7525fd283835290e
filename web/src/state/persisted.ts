import { create, type StoreApi, type UseBoundStore } from 'zustand';
import { persist, type PersistStorage, type StorageValue } from 'zustand/middleware';

/**
 * The one maker of stores that are kept in this browser: they survive a reload, and are the same in all of its tabs.
 * Each tab writes its whole store, so it reads what others wrote before it changes anything, and when it hears of it.
 */

export type PersistedStore<T> = UseBoundStore<StoreApi<T>>;

interface Keeping<T> {
  /** Of the form in which the content is kept; a page of an older one reads and writes nothing of a newer one. */
  readonly version?: number;
  /** Content of an older version, in today's form. */
  readonly migrate?: (kept: unknown) => T;
}

/** Where one store is kept. */
class Shelf<T> implements PersistStorage<T> {
  private lastText: string | null = null;
  /** What this tab holds could not be kept: storage is full, locked, or of a newer page. */
  private isKept = true;

  constructor(private readonly version: number) {}

  getItem(name: string): StorageValue<T> | null {
    this.lastText = textAt(name);
    const value = valueOf<T>(this.lastText);
    return value && (value.version ?? 0) <= this.version ? value : null;
  }

  setItem(name: string, value: StorageValue<T>): void {
    this.isKept = false;
    if ((valueOf(textAt(name))?.version ?? 0) > this.version) return;
    const text = JSON.stringify(value);
    try {
      globalThis.localStorage.setItem(name, text);
    } catch {
      return;
    }
    this.lastText = text;
    this.isKept = true;
  }

  removeItem(name: string): void {
    globalThis.localStorage.removeItem(name);
  }

  /** Whether another tab wrote since this one read or wrote, and nothing would be lost by taking that. */
  hasNews(name: string): boolean {
    const text = textAt(name);
    return this.isKept && text !== null && text !== this.lastText;
  }
}

function textAt(name: string): string | null {
  try {
    return globalThis.localStorage.getItem(name);
  } catch {
    return null;
  }
}

/** What a text holds; null where nothing was kept, or something that this program did not write. */
function valueOf<T>(text: string | null): StorageValue<T> | null {
  try {
    const value = JSON.parse(text ?? 'null') as StorageValue<T> | null;
    return typeof value?.state === 'object' ? value : null;
  } catch {
    return null;
  }
}

/** @param name under which the browser keeps it @param initial what it holds before anything was kept; data only */
export function persisted<T extends object>(
  name: string,
  initial: T,
  { version = 1, migrate = (kept) => kept as T }: Keeping<T> = {},
): PersistedStore<T> {
  const storage = new Shelf<T>(version);
  const store = create<T>()(persist(() => initial, { name, version, migrate, storage }));
  const follow = (): void => {
    if (storage.hasNews(name)) void store.persist.rehydrate();
  };
  const write = store.setState as (...change: unknown[]) => void;
  store.setState = (...change: unknown[]): void => {
    follow();
    write(...change);
  };
  globalThis.window?.addEventListener('storage', (event) => {
    if (event.key === name) follow();
  });
  return store;
}
