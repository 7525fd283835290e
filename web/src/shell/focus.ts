/** Moving the focus to where a person's act has led. */

const MOST_FRAMES = 40;

/** Focuses the first element that a selector finds, as soon as there is one; gives up after a second or so. */
export function focusSoon(selector: string, framesLeft = MOST_FRAMES): void {
  const found = document.querySelector<HTMLElement>(selector);
  if (found) {
    if (!found.hasAttribute('tabindex')) found.tabIndex = -1;
    found.focus({ preventScroll: true });
  } else if (framesLeft > 0) requestAnimationFrame(() => focusSoon(selector, framesLeft - 1));
}

/** The heading of the page, or of its stage. */
export const PAGE_HEADING = 'main [data-page-heading], main h1';
