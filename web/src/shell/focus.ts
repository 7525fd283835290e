/** Moving the focus to where a person's act has led. */

const MOST_FRAMES = 40;

/** Focuses what the first selector finds, else the next one, as soon as there is something; gives up after a second or so. */
export function focusSoon(selectors: readonly string[], framesLeft = MOST_FRAMES): void {
  const found = selectors
    .map((selector) => document.querySelector<HTMLElement>(selector))
    .find((element) => element !== null);
  if (found) {
    if (!found.hasAttribute('tabindex')) found.tabIndex = -1;
    found.focus({ preventScroll: true });
  } else if (framesLeft > 0) requestAnimationFrame(() => focusSoon(selectors, framesLeft - 1));
}

/** The heading of the stage of a page, or of the page. */
export const PAGE_HEADING = ['main [data-page-heading]', 'main h1'] as const;
