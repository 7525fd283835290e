import { isBody } from '../materials/layer-kinds.ts';
import type { Extent } from '../survey/patches.ts';
import type { Context } from './context.ts';
import { topOf, type ZoneState } from './state.ts';

/** How much of an area an operation works on: the one owner of square metres for minutes, litres and discs. */

type Part = Exclude<keyof Extent, 'edgeM' | 'taperMm'>;

/** A part of the area, or as it lies: bare metal and filler as far as they lie open, a film of ours as far as it goes. */
export type Reach = Part | 'as it lies';

const partOf = (reach: Reach, state: ZoneState): Part => {
  if (reach !== 'as it lies') return reach;
  const top = topOf(state);
  return top.laid && !isBody(top.kind) ? 'reachM2' : 'openM2';
};

/** Square metres of one part that an operation works on in an area. */
export const reachedM2 = (reach: Reach, state: ZoneState): number => state.extent[partOf(reach, state)];

/** Square metres of all areas of an act, on all parts of the batch. */
export const reachedOn = (
  reach: Reach,
  states: readonly ZoneState[],
  { panel }: Pick<Context, 'panel'>,
): number => panel.count * states.reduce((sum, state) => sum + reachedM2(reach, state), 0);
