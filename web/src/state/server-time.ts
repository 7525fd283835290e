import { create } from 'zustand';

/**
 * What time it is by the server's clock, which all screens share. Between two answers it is counted by a clock that nobody
 * can set; one that stands still while the machine sleeps is overtaken by the wall clock.
 */

/** The wall clock was set, or the machine slept, where the two differ by more than this. */
const OFF_MS = 2000;

/** How far this screen's wall clock is ahead of the server's, ms; null before the first answer. */
export const useSkew = create<{ readonly skewMs: number | null }>(() => ({ skewMs: null }));

let anchor: { readonly serverMs: number; readonly steadyMs: number } | null = null;

/** What the server said, and when it was asked and had answered by `performance.now()`. */
export function noteServerTime(serverMs: number, askedMs: number, answeredMs: number): void {
  const halfWayMs = (answeredMs - askedMs) / 2;
  anchor = { serverMs: serverMs + halfWayMs, steadyMs: answeredMs };
  useSkew.setState({ skewMs: Math.round(Date.now() - byCount()) });
}

const byCount = (): number => (anchor ? anchor.serverMs + performance.now() - anchor.steadyMs : Date.now());
const byWallClock = (): number => Date.now() - (useSkew.getState().skewMs ?? 0);

/** ms of the server's clock now. */
export const serverNow = (): number => Math.max(byCount(), byWallClock());

/** The two ways to count do not agree any more: the server is to be asked. */
export const isTimeDoubtful = (): boolean => Math.abs(byCount() - byWallClock()) > OFF_MS;
