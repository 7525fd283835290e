import { create } from 'zustand';
import { connection } from './connection.ts';

/** Whether the server has a newer program than this page: a page that is left open over an update. */

export const useNewVersion = create<{ readonly isHere: boolean }>(() => ({ isHere: false }));

/** What a build is made of (vite.config.ts). */
interface Parts {
  readonly entry: string;
  readonly files: readonly string[];
}

/** The parts of the program that the server has now; null where it does not say. */
export async function partsNow(): Promise<Parts | null> {
  const answer = await fetch('/parts.json', { cache: 'no-store' }).catch(() => null);
  if (!answer?.ok) return null;
  const parts = (await answer.json().catch(() => null)) as Parts | null;
  return Array.isArray(parts?.files) ? parts : null;
}

/** The program that this page runs, by the name of its first file. */
const own = (): string | null =>
  document.querySelector('script[type="module"][src]')?.getAttribute('src')?.replace(/^\//, '') ?? null;

/** Asks the server; true where it has another program. */
export async function lookForNewVersion(): Promise<boolean> {
  const parts = await partsNow();
  const isHere = parts !== null && own() !== null && parts.entry !== own();
  if (isHere) useNewVersion.setState({ isHere });
  return isHere;
}

/** A server that was away may have been updated meanwhile. */
export const followVersions = (): (() => void) => connection.onBack(() => void lookForNewVersion());
