import { useEffect, useRef } from 'react';

/** In a drawer: the focus goes to its first field, and back to what opened it when it closes. */
export function DrawerFocus() {
  const here = useRef<HTMLSpanElement>(null);
  useEffect(() => {
    const opener = document.activeElement;
    // The drawer itself takes the focus as it opens.
    const timer = setTimeout(() => {
      const body = here.current?.closest('.ant-drawer-body');
      body?.querySelector<HTMLElement>('input, select, textarea, button')?.focus({ preventScroll: true });
    });
    return () => {
      clearTimeout(timer);
      if (opener instanceof HTMLElement && opener.isConnected) setTimeout(() => opener.focus());
    };
  }, []);
  return <span ref={here} hidden />;
}
