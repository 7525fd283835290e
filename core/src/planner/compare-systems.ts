import type { UnitSystem } from '../units/quantities.ts';
import { stepFigure, stepTitle } from './describe-step.ts';
import { areasOf, placeWords } from './places.ts';
import type { Step, System } from './plan.ts';

/** What tells systems apart, for a person who compares them. */

/** "Block the build on B, C: P320 › P400": a step as two systems share it or not. */
function stepText(step: Step, all: readonly string[], units: UnitSystem): string {
  const figure = stepFigure(step, units)?.text;
  return `${stepTitle(step)} on ${placeWords(step.areas, all)}${figure ? `: ${figure}` : ''}`;
}

const textsOf = ({ steps }: System, units: UnitSystem): string[] => {
  const all = areasOf(steps);
  return steps.filter(({ isDone }) => !isDone).map((step) => stepText(step, all, units));
};

/** Steps of a system that another one does not have, in words; one that is there twice counts twice. */
export function stepsOnlyIn(system: System, other: System, units: UnitSystem): string[] {
  const shared = textsOf(other, units);
  return textsOf(system, units).filter((text) => {
    const nth = shared.indexOf(text);
    if (nth >= 0) shared.splice(nth, 1);
    return nth < 0;
  });
}

/** What stands out about a ready system among the others that are ready. */
export type Standing = 'least work' | 'ready soonest' | 'least material' | 'your way' | 'no remark';

const isOfSchool = ({ remarks }: System): boolean => remarks.every(({ level }) => level !== 'school');
const hasNoRemark = ({ remarks }: System): boolean => remarks.length === 0;

/** The only ones, or those that share it, of which it is true; where it is true of all it tells nothing. */
function outstanding(all: readonly System[], isSo: (system: System) => boolean): ReadonlySet<System> {
  const those = all.filter(isSo);
  return new Set(those.length < all.length ? those : []);
}

function least(all: readonly System[], figure: (system: System) => number): ReadonlySet<System> {
  const best = Math.min(...all.map(figure));
  return outstanding(all, (system) => figure(system) === best);
}

/**
 * Why systems stand in the order they do, by id. "Your way" keeps to the sides of schools that the shop took.
 * @param systems those of one plan; refused ones are left out
 */
export function standingsOf(systems: readonly System[]): ReadonlyMap<string, readonly Standing[]> {
  const ready = systems.filter(({ verdict }) => verdict === 'ready');
  const sets: readonly (readonly [Standing, ReadonlySet<System>])[] = [
    ['least work', least(ready, ({ totals }) => totals.handsOnMin)],
    ['ready soonest', least(ready, ({ totals }) => totals.elapsedMin)],
    ['least material', least(ready, ({ totals }) => totals.materialCost)],
    ['your way', outstanding(ready, isOfSchool)],
    ['no remark', outstanding(ready, hasNoRemark)],
  ];
  return new Map(
    ready.map((system) => [
      system.id,
      sets.flatMap(([standing, those]) => (those.has(system) ? [standing] : [])),
    ]),
  );
}
