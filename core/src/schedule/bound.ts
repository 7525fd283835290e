import { earliestIn } from '../operations/windows.ts';
import { cureHandsMin } from '../operations/waiting.ts';
import type { CoatRef, PanelWork } from './panel-work.ts';
import type { Resources } from './resources.ts';
import { momentAfterFree, freeBetween } from './stretches.ts';
import type { Stretches } from './work-calendar.ts';

/**
 * What no schedule can beat: each chain alone in an empty shop, and the load of people and booths. Limits are left out, so
 * the bound may be lower than any schedule that keeps them. Minutes of the axis.
 */

interface Alone {
  readonly endMin: number;
  /** When hands begin, and when they are last needed. */
  readonly firstMin: number;
  readonly afterHandsMin: number;
  readonly handsMin: number;
  readonly sprayMin: number;
  /** When spraying begins; Infinity where nothing is sprayed. */
  readonly firstSprayMin: number;
  /** What comes after the last spraying. */
  readonly afterSprayMin: number;
}

/** One panel alone, hands in pieces over anybody's hours, waits as short as they can be. */
function alone({ steps, windowsAt, offsetMin, todo }: PanelWork, anybody: Stretches): Alone {
  const ends: number[] = [];
  let now = Math.max(0, todo.notBeforeMin ?? 0);
  let [firstMin, handsMin, sprayMin, lastHandsEnd] = [-1, 0, 0, now];
  let [firstSprayMin, lastSprayEnd] = [Infinity, now];
  const opens = (ref: CoatRef, isCure: boolean, at: number): number => {
    const { flash, recoat, cure } = typeof ref === 'number' ? windowsAt(ref, ends[ref]!) : ref;
    if (isCure) return (cure?.opensAtMin ?? -Infinity) - offsetMin;
    return Math.max(flash.opensAtMin, earliestIn(recoat, at + offsetMin)) - offsetMin;
  };
  for (const step of steps) {
    const isCure = step.act.op === 'cure';
    const opensAt = (at: number): number =>
      Math.ceil(Math.max(at, ...step.waitsFor.map((ref) => opens(ref, isCure, at))) - 1e-6);
    const inOneGo = step.shape === 'coats' || step.shape === 'watched';
    const hands = isCure && step.softMin === 0 ? cureHandsMin('air') : step.handsMin;
    const work = hands + (inOneGo ? step.waitMin : 0);
    const from = step.isSprayed || step.act.op === 'hand-over' ? opensAt(now) : now;
    const handsEnd = work > 0 ? momentAfterFree(anybody, from, work) : from;
    if (work > 0 && firstMin < 0) firstMin = handsEnd - work;
    if (step.shape === 'wait') now = opensAt(now);
    else if (isCure)
      now = Math.max(handsEnd, (step.softMin > 0 ? from + step.softMin : opensAt(from)) + hands);
    else now = handsEnd + (inOneGo ? 0 : step.waitMin);
    handsMin += work;
    if (step.isSprayed) {
      sprayMin += work;
      firstSprayMin = Math.min(firstSprayMin, handsEnd - work);
      lastSprayEnd = handsEnd;
    }
    if (work > 0) lastHandsEnd = handsEnd;
    ends.push(now);
  }
  return {
    endMin: now,
    firstMin: Math.max(0, firstMin),
    afterHandsMin: now - lastHandsEnd,
    handsMin,
    sprayMin,
    firstSprayMin,
    afterSprayMin: now - lastSprayEnd,
  };
}

/** Moment at which so many minutes of work can be done by all of these together, from one on. */
function loadEnd(calendars: readonly Stretches[], minutes: number, fromMin = 0): number {
  let [low, high] = [fromMin, Math.max(fromMin, ...calendars.map((all) => all[all.length - 1] ?? 0))];
  const done = (atMin: number): number =>
    calendars.reduce((sum, all) => sum + freeBetween(all, fromMin, atMin), 0);
  if (done(high) < minutes) return high;
  while (high - low > 0.5) {
    const middle = (low + high) / 2;
    if (done(middle) >= minutes) high = middle;
    else low = middle;
  }
  return Math.floor(low);
}

export interface Bound {
  readonly boundMin: number;
  /** What the bound is: the longest chain, or the load of people or of booths. */
  readonly by: 'chain' | 'people' | 'booths';
}

/** The earliest that all panels of a schedule can be through. */
export function lowerBound(works: readonly PanelWork[], { calendars, anybody, nBooths }: Resources): Bound {
  if (works.length === 0) return { boundMin: 0, by: 'chain' };
  const each = works.map((work) => alone(work, anybody));
  const chain = Math.max(...each.map(({ endMin }) => endMin));
  const after = Math.min(...each.map(({ afterHandsMin }) => afterHandsMin));
  const people =
    loadEnd(
      calendars,
      each.reduce((sum, { handsMin }) => sum + handsMin, 0),
    ) + after;
  // One booth is sprayed in by one person at a time, in anybody's hours, and not before a first panel is ready for it.
  const inBooth = each.filter(({ sprayMin }) => sprayMin > 0);
  const sprayed = inBooth.reduce((sum, { sprayMin }) => sum + sprayMin, 0);
  const booths =
    nBooths > 0 && inBooth.length > 0
      ? loadEnd(
          Array.from({ length: nBooths }, () => anybody),
          sprayed,
          Math.min(...inBooth.map(({ firstSprayMin }) => firstSprayMin)),
        ) + Math.min(...inBooth.map(({ afterSprayMin }) => afterSprayMin))
      : 0;
  const boundMin = Math.max(chain, people, booths);
  return { boundMin, by: boundMin === chain ? 'chain' : boundMin === people ? 'people' : 'booths' };
}
