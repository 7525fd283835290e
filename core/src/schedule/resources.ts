import { shopRule } from '../survey/shop-rules.ts';
import type { Shop } from '../survey/shop.ts';
import type { DatedStart } from '../planner/work-start.ts';
import { peopleOf, workingStretches, type Stretches, type WorkingPerson } from './work-calendar.ts';

/** What a shop works with: people and their hours, booths, ovens and lamps. */

export interface Resources {
  readonly people: readonly WorkingPerson[];
  /** When each works; the same order. */
  readonly calendars: readonly Stretches[];
  /** When anybody works. */
  readonly anybody: Stretches;
  readonly nBooths: number;
  /** Ovens and lamps; a booth bakes where there are none. */
  readonly nOvens: number;
  readonly boothLoadM2: number;
  readonly gunWashMin: number;
  /** Nothing begins before it that is not pinned there. */
  readonly nowMin: number;
  /** Longest piece of work that a shift holds. */
  readonly longestMin: number;
}

/** Stretches that any of these have, joined. */
export function union(all: readonly Stretches[]): Stretches {
  const pairs = all.flatMap((stretches) =>
    Array.from(
      { length: stretches.length / 2 },
      (_, i) => [stretches[i * 2]!, stretches[i * 2 + 1]!] as const,
    ),
  );
  pairs.sort(([a], [b]) => a - b);
  const joined: Stretches = [];
  for (const [from, to] of pairs) {
    const last = joined.length - 1;
    if (last > 0 && from <= joined[last]!) joined[last] = Math.max(joined[last]!, to);
    else joined.push(from, to);
  }
  return joined;
}

const longestOf = (stretches: Stretches): number => {
  let longest = 0;
  for (let i = 0; i < stretches.length; i += 2)
    longest = Math.max(longest, stretches[i + 1]! - stretches[i]!);
  return longest;
};

/** Booths of a shop: as many as it says, else one where it has one. */
export const boothsOf = ({ booths, profile }: Pick<Shop, 'booths' | 'profile'>): number =>
  booths ?? (profile === 'booth' ? 1 : 0);

export interface Limits {
  /** Only the first so many people, to compare. */
  readonly nPeople?: number;
  readonly nowMin?: number;
}

/** The resources of a shop over the first days of a schedule. */
export function resourcesOf(
  shop: Shop,
  start: DatedStart,
  nDays: number,
  { nPeople = Infinity, nowMin = 0 }: Limits = {},
): Resources {
  const people = peopleOf(shop).slice(0, nPeople);
  const holidays = shop.holidays ?? [];
  const calendars = people.map((person) => workingStretches(person, holidays, start, nDays));
  return {
    people,
    calendars,
    anybody: union(calendars),
    nBooths: boothsOf(shop),
    nOvens: shop.heaters?.length ?? 0,
    boothLoadM2: shopRule(shop.rules, 'boothLoadM2').value,
    gunWashMin: shopRule(shop.rules, 'gunWashMin').value,
    nowMin,
    longestMin: Math.max(0, ...calendars.map(longestOf)),
  };
}
