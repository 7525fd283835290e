import type { CoatWindows } from '../operations/time-window.ts';
import { earliestIn } from '../operations/windows.ts';
import type { CoatRef, Lag, PanelWork, WorkStep } from './panel-work.ts';
import type { Cursor, Done } from './placed.ts';

/** The limits of steps that are placed, in whole minutes of the axis; the limits themselves are those of windows.ts. */

const windowsOfRef = (ref: CoatRef, work: PanelWork, done: Done): CoatWindows =>
  typeof ref === 'number' ? work.windowsAt(ref, done[ref]!.endMin) : ref;

/** Last minute at which a step may begin by one of its limits; whole, and never later than the exact one. */
export function closesMin({ kind, since }: Lag, work: PanelWork, done: Done): number {
  const { offsetMin } = work;
  if (kind === 'exposure') {
    const endMin =
      typeof since === 'number' ? done[since]!.endMin : (since as { sinceMin: number }).sinceMin - offsetMin;
    return Math.floor(work.exposureClosesMin(endMin)) - 1;
  }
  const { recoat } = windowsOfRef(since as CoatRef, work, done);
  return Math.floor(recoat.closesAtMin - offsetMin) - 1;
}

/** First minute, now or later, at which what a step waits for is over. */
export function opensMin(step: WorkStep, work: PanelWork, done: Done, nowMin: number): number {
  let atMin = nowMin;
  const { offsetMin } = work;
  for (const ref of step.waitsFor) {
    const { flash, recoat, cure } = windowsOfRef(ref, work, done);
    const opens =
      step.act.op === 'cure'
        ? (cure?.opensAtMin ?? -Infinity) - offsetMin
        : Math.max(flash.opensAtMin, earliestIn(recoat, nowMin + offsetMin)) - offsetMin;
    if (opens > atMin) atMin = opens;
  }
  return Math.ceil(atMin - 1e-6);
}

export const isBaked = (step: WorkStep, { work, done }: Cursor): boolean =>
  step.act.op === 'cure' &&
  step.waitsFor.some((ref) => windowsOfRef(ref, work, done).cure?.method === 'bake');

/** Until when a coat holds its booth: through the flash that follows it. */
export function holdsUntil(at: number, endMin: number, { work, done }: Cursor): number {
  const next = work.steps[at + 1];
  if (next?.act.op !== 'flash') return endMin;
  let opens = endMin + work.offsetMin;
  for (const ref of next.waitsFor) {
    const { flash, recoat } = ref === at ? work.windowsAt(at, endMin) : windowsOfRef(ref, work, done);
    opens = Math.max(opens, flash.opensAtMin, earliestIn(recoat, endMin + work.offsetMin));
  }
  return Math.ceil(opens - work.offsetMin - 1e-6);
}
