import { useEffect, useState } from 'react';

/**
 * Where the focus goes when a dialog closes: back to what opened it, however the dialog goes off the screen. One that
 * was opened from inside another one, which is gone by then, gives it to what had opened that one.
 */

interface OpenedDialog {
  /** What had the focus before; null where nothing had it. */
  readonly opener: HTMLElement | null;
  isOpen: boolean;
}

/** Dialogs that are open, and closed ones below them; the outermost first. */
const dialogs: OpenedDialog[] = [];

const focused = (): HTMLElement | null => {
  const { activeElement } = document;
  return activeElement instanceof HTMLElement && activeElement !== document.body ? activeElement : null;
};

const canTakeFocus = (element: HTMLElement): boolean =>
  element.isConnected && !element.matches(':disabled') && (element.checkVisibility?.() ?? true);

/** Nothing has the focus, or something that no longer is on the page. */
const isFocusLost = (): boolean => !focused()?.isConnected;

/**
 * Gives the focus back once everything above has closed. Where the opener is gone the page takes it, which no key acts
 * on: an Enter that was meant for the dialog does nothing.
 */
function giveBack(): void {
  const openers: (HTMLElement | null)[] = [];
  while (dialogs.length > 0 && !dialogs.at(-1)!.isOpen) openers.push(dialogs.pop()!.opener);
  if (openers.length === 0 || !isFocusLost()) return;
  const opener = openers.find((each) => each !== null && canTakeFocus(each));
  if (opener) opener.focus({ preventScroll: true });
  else if (openers.some((each) => each !== null)) focusPage();
}

function focusPage(): void {
  const page = document.querySelector('main');
  if (!page) return;
  if (!page.hasAttribute('tabindex')) page.tabIndex = -1;
  page.focus({ preventScroll: true });
}

/** Leaves the field that is typed in, which passes on what stands in it: a field that is taken away never says so. */
export function leaveField(): void {
  focused()?.blur();
}

/** Called by what covers the page while it is mounted: remembers what had the focus, and gives it back. */
export function useFocusReturn(): void {
  const [opener] = useState(focused);
  useEffect(() => {
    const dialog: OpenedDialog = { opener, isOpen: true };
    dialogs.push(dialog);
    return () => {
      dialog.isOpen = false;
      // By then the dialog no longer holds the focus inside itself.
      queueMicrotask(giveBack);
    };
  }, [opener]);
}
