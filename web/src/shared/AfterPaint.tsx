import { useDeferredValue, type ReactNode } from 'react';

/** What takes long to build comes after the frame around it is painted, in slices: the page answers meanwhile. */
export function AfterPaint({ children }: { readonly children: ReactNode }) {
  return useDeferredValue(true, false) ? children : null;
}
