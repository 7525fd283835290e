/** What has the focus when a dialog opens. */

const FIELDS = 'input, select, textarea';
const CONTROLS = `${FIELDS}, button, a[href]`;

/** A finger has no use for a focused field, and the keyboard on the screen would cover half of the dialog. */
const isTouched = (): boolean => globalThis.matchMedia?.('(pointer: coarse)').matches ?? false;

/**
 * The first control of a dialog takes the focus where it is a field. A button does not: whoever presses Enter twice
 * would press it unread. The dialog itself has the focus then, and Tab leads on.
 */
export function focusFirstField(body: Element | null | undefined): void {
  const first = body?.querySelector<HTMLElement>(CONTROLS);
  if (first?.matches(FIELDS) && !isTouched()) first.focus({ preventScroll: true });
}
