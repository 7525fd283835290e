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

async function fetchAll(files: readonly string[]): Promise<void> {
  for (const file of files) await fetch(`/${file}`, { priority: 'low' }).catch(() => null);
}

/** Begins once the page has been at rest for a moment. */
export function loadAhead(): void {
  setTimeout(
    () =>
      whenIdle(() => {
        void partsNow().then(
          (parts) => parts && fetchAll(parts.files.filter((file) => !IS_LARGE.test(file))),
        );
      }),
    REST_MS,
  );
}
