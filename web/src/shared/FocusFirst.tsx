import { useEffect, useRef } from 'react';

/** In a drawer or dialog: the focus goes to its first field, and back to what opened it when it closes. */
export function FocusFirst() {
  const here = useRef<HTMLSpanElement>(null);
  useEffect(() => {
    const opener = document.activeElement;
    // It takes the focus itself as it opens.
    const timer = setTimeout(() => {
      const body = here.current?.closest('.ant-drawer-body, .ant-modal-body');
      body?.querySelector<HTMLElement>('input, select, textarea, button')?.focus({ preventScroll: true });
    });
    return () => {
      clearTimeout(timer);
      if (opener instanceof HTMLElement && opener.isConnected) setTimeout(() => opener.focus());
    };
  }, []);
  return <span ref={here} hidden />;
}
