import { create } from 'zustand';

/** Faults of the program itself in this browser: shown with a reference, and told to the server's log. */

export interface Fault {
  /** Stands in the server's log as well. */
  readonly reference: string;
  readonly message: string;
}

export const useFaults = create<{ readonly last: Fault | null }>(() => ({ last: null }));

const MOST_TOLD = 20;
let nTold = 0;

/** Shows a fault, and tells the server of it. */
export function noteFault(error: unknown): void {
  const fault = faultOf(error);
  useFaults.setState({ last: fault });
  tellFault(fault, error);
}

/** A fault under a reference of its own. */
export const faultOf = (error: unknown): Fault => ({
  reference: crypto.randomUUID().slice(0, 8),
  message: error instanceof Error ? error.message : String(error),
});

/** Tells the server of a fault; what cannot be told is in the browser's console all the same. */
export function tellFault(fault: Fault, error: unknown): void {
  const stack = error instanceof Error ? (error.stack ?? '') : '';
  // A fault that comes again and again fills no log.
  if (nTold++ < MOST_TOLD)
    void fetch('/api/faults', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ ...fault, stack: stack.slice(0, 4000), page: window.location.pathname }),
    }).catch(() => undefined);
}

/** Nothing that goes wrong is swallowed. */
export function followFaults(): void {
  window.addEventListener('error', ({ error, message }: ErrorEvent) => {
    // What the browser says of its own layout is no fault.
    if (error !== null || !message.startsWith('ResizeObserver')) noteFault(error ?? message);
  });
  window.addEventListener('unhandledrejection', ({ reason }: PromiseRejectionEvent) => {
    noteFault(reason);
  });
}
