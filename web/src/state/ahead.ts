import { connection } from './connection.ts';
import { partsNow } from './new-version.ts';

/** The other screens are fetched into the browser's cache while nothing else is done: they open without the server. */

/** After the first screen stands, ms. */
const REST_MS = 3000;
/** Larger parts are fetched when they are wanted, characters of a name say nothing of that: by what they are for. */
const IS_LARGE = /card-pdf/;

const whenIdle = (work: () => void): void => {
  if ('requestIdleCallback' in window) window.requestIdleCallback(work, { timeout: 10 * REST_MS });
  else setTimeout(work, REST_MS);
};

/** False where the server went away meanwhile. */
async function fetchAll(): Promise<boolean> {
  const parts = await partsNow();
  if (!parts) return false;
  for (const file of parts.files.filter((name) => !IS_LARGE.test(name)))
    if (!(await fetch(`/${file}`, { priority: 'low' }).catch(() => null))) return false;
  return true;
}

let isDone = false;
const begin = (): void =>
  whenIdle(() => {
    if (!isDone) void fetchAll().then((isAll) => (isDone ||= isAll));
  });

/** Begins once the page has been at rest for a moment, and again where the server was away meanwhile. */
export function loadAhead(): void {
  setTimeout(begin, REST_MS);
  connection.onBack(begin);
}
