import type { Resources } from './resources.ts';
import { firstFit, take } from './stretches.ts';
import type { Stretches } from './work-calendar.ts';

/** What is taken of a shop's people, booths, ovens and guns while a schedule is put together. */

/** Panels sprayed with one mix by one person, one after the other, with their flashes. */
export interface BoothCycle {
  readonly id: number;
  fromMin: number;
  toMin: number;
  readonly mixKey: string;
  readonly person: number;
  loadM2: number;
  readonly panels: Set<number>;
}

/** Nothing is done in less time than this. */
const LEAST_MIN = 2;

interface GunUse {
  readonly atMin: number;
  readonly mixKey: string;
}

/** A place in a booth: in a cycle that is there, or in one of its own. */
export interface BoothPlace {
  readonly booth: number;
  readonly cycle: BoothCycle | null;
}

export interface Spray {
  readonly panel: number;
  readonly person: number;
  readonly mixKey: string;
  readonly m2: number;
  readonly fromMin: number;
  readonly toMin: number;
}

/** Index of the first cycle that begins after a minute. O(log n). */
function cycleAfter(cycles: readonly BoothCycle[], atMin: number): number {
  let [low, high] = [0, cycles.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (cycles[middle]!.fromMin > atMin) high = middle;
    else low = middle + 1;
  }
  return low;
}

function useAfter(uses: readonly GunUse[], atMin: number): number {
  let at = uses.length;
  while (at > 0 && uses[at - 1]!.atMin > atMin) at -= 1;
  return at;
}

export class Board {
  readonly free: Stretches[];
  readonly booths: BoothCycle[][];
  private readonly ovens: Stretches[];
  private readonly guns = new Map<string, GunUse[]>();
  private nCycles = 0;

  constructor(readonly resources: Resources) {
    this.free = resources.calendars.map((stretches) => stretches.slice());
    this.booths = Array.from({ length: resources.nBooths }, () => []);
    this.ovens = Array.from({ length: resources.nOvens }, () => [0, Infinity]);
  }

  /** A booth that takes a spray from one minute to another; null where none does. */
  boothFor({ panel, person, mixKey, m2, fromMin, toMin }: Spray): BoothPlace | null {
    for (let booth = 0; booth < this.booths.length; booth++) {
      const cycles = this.booths[booth]!;
      const next = cycleAfter(cycles, fromMin);
      if (next < cycles.length && cycles[next]!.fromMin < toMin) continue;
      const last = cycles[next - 1];
      if (!last || last.toMin <= fromMin) return { booth, cycle: null };
      const isSameMix = last.mixKey === mixKey && last.person === person;
      const holds = last.panels.has(panel) || last.loadM2 + m2 <= this.resources.boothLoadM2;
      if (isSameMix && holds) return { booth, cycle: last };
    }
    return null;
  }

  /** First minute after one at which a booth changes hands. */
  nextBoothMin(fromMin: number): number {
    let next = Infinity;
    for (const cycles of this.booths) {
      // Cycles of one booth do not overlap: the one before may still run, later ones end later.
      for (let i = Math.max(0, cycleAfter(cycles, fromMin) - 1); i < cycles.length; i++) {
        if (cycles[i]!.toMin <= fromMin) continue;
        next = Math.min(next, cycles[i]!.toMin);
        break;
      }
    }
    return next;
  }

  /** Takes a booth; returns the number of the cycle. */
  spray({ booth, cycle }: BoothPlace, { panel, person, mixKey, m2, fromMin, toMin }: Spray): number {
    if (cycle) {
      cycle.toMin = Math.max(cycle.toMin, toMin);
      if (!cycle.panels.has(panel)) cycle.loadM2 += m2;
      cycle.panels.add(panel);
      return cycle.id;
    }
    const own = { id: this.nCycles++, fromMin, toMin, mixKey, person, loadM2: m2, panels: new Set([panel]) };
    const cycles = this.booths[booth]!;
    cycles.splice(cycleAfter(cycles, fromMin), 0, own);
    return own.id;
  }

  /** Holds a booth for something else than spraying, a bake; null where none is free so long. */
  boothToBakeIn(fromMin: number, toMin: number): number | null {
    const booth = this.booths.findIndex((cycles) =>
      cycles.every((cycle) => cycle.toMin <= fromMin || cycle.fromMin >= toMin),
    );
    return booth < 0 ? null : booth;
  }

  bakeInBooth(booth: number, panel: number, fromMin: number, toMin: number): void {
    this.spray({ booth, cycle: null }, { panel, person: -1, mixKey: 'bake', m2: 0, fromMin, toMin });
  }

  /** First oven that is free so long from a minute on, and when. */
  ovenFor(fromMin: number, lengthMin: number): { readonly oven: number; readonly atMin: number } {
    let best = { oven: -1, atMin: Infinity };
    this.ovens.forEach((free, oven) => {
      const atMin = firstFit(free, fromMin, lengthMin);
      if (atMin < best.atMin) best = { oven, atMin };
    });
    return best;
  }

  bake(oven: number, fromMin: number, toMin: number): void {
    take(this.ovens[oven]!, fromMin, toMin);
  }

  /** Minutes of washing up that a product costs in a gun at a minute: before it, and before what comes after it. */
  washMin(gunKey: string | undefined, mixKey: string, atMin: number): number {
    if (gunKey === undefined) return 0;
    const uses = this.guns.get(gunKey);
    if (!uses) return 0;
    const at = useAfter(uses, atMin);
    const before = uses[at - 1];
    const after = uses[at];
    // What comes after it needed no washing up so far where it was the first, or had the same mix before it.
    const wasClean = after && (!before || before.mixKey === after.mixKey);
    const n = (before && before.mixKey !== mixKey ? 1 : 0) + (wasClean && after.mixKey !== mixKey ? 1 : 0);
    return n * this.resources.gunWashMin;
  }

  useGun(gunKey: string | undefined, mixKey: string, atMin: number): void {
    if (gunKey === undefined) return;
    const uses = this.guns.get(gunKey) ?? [];
    this.guns.set(gunKey, uses);
    uses.splice(useAfter(uses, atMin), 0, { atMin, mixKey });
  }

  work(person: number, fromMin: number, toMin: number): void {
    take(this.free[person]!, fromMin, toMin, LEAST_MIN);
  }

  /** Minutes in which booths are held. */
  boothMin(): number {
    let sum = 0;
    for (const cycles of this.booths) for (const { fromMin, toMin } of cycles) sum += toMin - fromMin;
    return sum;
  }
}
