/** What has the focus when a dialog opens. */

const FIELDS = 'input, select, textarea';
const CONTROLS = `${FIELDS}, button, a[href]`;

/** A finger has no use for a focused field, and the keyboard on the screen would cover half of the dialog. */
const isTouched = (): boolean => globalThis.matchMedia?.('(pointer: coarse)').matches ?? false;

/**
 * The first control of a dialog takes the focus where it is a field. A button does not: whoever presses Enter twice
 * would press it unread. The dialog itself has the focus then, and Tab leads on.
 * @param inside something in the body of the dialog
 */
export function focusInside(inside: Element | null): void {
  const first = inside?.parentElement?.querySelector<HTMLElement>(CONTROLS);
  const dialog = inside?.closest<HTMLElement>('[role="dialog"]');
  // Another field may have asked for it.
  if (dialog?.contains(document.activeElement) && document.activeElement?.matches(FIELDS)) return;
  if (first?.matches(FIELDS) && !isTouched()) first.focus({ preventScroll: true });
  else if (dialog) focusItself(dialog);
}

function focusItself(dialog: HTMLElement): void {
  if (!dialog.hasAttribute('tabindex')) dialog.tabIndex = -1;
  dialog.focus({ preventScroll: true });
}
