import { findingWords } from '../survey/finding.ts';
import type { FindingKind } from '../survey/findings.ts';
import { readArea } from '../survey/patches.ts';
import { capital } from '../units/capital.ts';
import type { Step } from './plan.ts';

/** Where a step is done, in words: "A, chips in B"; a zone whose patches are left out is "rest of A". */

/** All areas that a plan works on: what "rest" is measured by. */
export const areasOf = (steps: readonly Pick<Step, 'areas'>[]): string[] => [
  ...new Set(steps.flatMap(({ areas }) => areas)),
];

/** Words of a patch: "dent", and "dent 2" for the second of its kind in a zone. */
export function patchWords(patch: string): string {
  const [, kind, nth] = patch.match(/^(.*?)(?:-(\d+))?$/)!;
  const words = findingWords({ kind: kind as FindingKind });
  return nth === undefined ? words : `${words} ${nth}`;
}

/** "a", "a and b", "a, b and c". */
const listed = (words: readonly string[]): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;

/** One area by itself: "A", or "chips in A". */
export function areaWords(areaId: string): string {
  const { zone, patch } = readArea(areaId);
  return patch === undefined ? zone : `${patchWords(patch)} in ${zone}`;
}

/** One area as a heading: "Zone A", or "Chips in A". */
export function areaTitle(areaId: string): string {
  const words = areaWords(areaId);
  return areaId.includes('/') ? capital(words) : `Zone ${words}`;
}

/**
 * Areas in words, zone by zone.
 * @param all every area that there is; without it a zone stands for its ground and whatever patches are named
 */
export function placeWords(areas: readonly string[], all: readonly string[] = areas): string {
  const zones = [...new Set(areas.map((id) => readArea(id).zone))];
  const words = zones.map((zone) => {
    const patches = areas.flatMap((id) => {
      const area = readArea(id);
      return area.zone === zone && area.patch ? [area.patch] : [];
    });
    if (!areas.includes(zone)) return `${listed(patches.map(patchWords))} in ${zone}`;
    const isRest = all.some((id) => readArea(id).zone === zone && !areas.includes(id));
    return isRest ? `rest of ${zone}` : zone;
  });
  return words.join(', ');
}
