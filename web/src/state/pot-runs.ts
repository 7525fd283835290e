import { persisted } from './persisted.ts';

/** Pots that are being poured or stand mixed at the bench: they survive a reload. */

export interface PotRun {
  /** Poured of each part so far, ml. */
  readonly pouredMl: readonly number[];
  /** When the first part went in, and when the last one did; ms. */
  readonly beganAt: number;
  readonly mixedAt: number | null;
  /** What went in was booked off the stock. */
  readonly isBooked?: boolean;
}

interface PotRuns {
  readonly byPot: Readonly<Record<string, PotRun>>;
}

export const usePotRuns = persisted<PotRuns>('ledge-pot-runs', { byPot: {} });

/** A pot by what is mixed and for what: the same step of another plan is another pot. */
export const potName = (planId: string, systemId: string, n: number, pot: number): string =>
  `${planId}/${systemId}/${n}/${pot}`;

/** Pots that are kept: the latest ones. */
const MOST_KEPT = 200;

/** Keeps a pot; null empties it. */
export function keepPot(name: string, run: PotRun | null): void {
  usePotRuns.setState(({ byPot }) => {
    const { [name]: _, ...others } = byPot;
    if (!run) return { byPot: others };
    const latest = Object.entries(others)
      .sort(([, a], [, b]) => b.beganAt - a.beganAt)
      .slice(0, MOST_KEPT - 1);
    return { byPot: { ...Object.fromEntries(latest), [name]: run } };
  });
}
