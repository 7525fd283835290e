import { BODY_OPS, CLEAN_OPS, COAT_OPS, STRIP_OPS, type OpName } from './act.ts';
import type { Context } from './context.ts';
import { topOf, type ZoneState } from './state.ts';
import { isBody } from '../materials/layer-kinds.ts';
import type { Extent } from '../survey/patches.ts';

/** How much of an area an operation works on: the one owner of square metres for minutes, litres and discs. */

type Reach = Exclude<keyof Extent, 'edgeM' | 'taperMm'>;

const REACH: Partial<Record<OpName, Reach>> = {
  ...all(BODY_OPS, 'coreM2'),
  'laminate-repair': 'coreM2',
  ...all(STRIP_OPS, 'openM2'),
  'remove-rust': 'openM2',
  condition: 'openM2',
  'metal-repair': 'openM2',
  ...all(CLEAN_OPS, 'featherM2'),
  feather: 'featherM2',
  ...all(COAT_OPS, 'reachM2'),
  'texture-coat': 'reachM2',
  block: 'reachM2',
  'guide-coat': 'reachM2',
  denib: 'reachM2',
};

function all(ops: readonly OpName[], reach: Reach): Partial<Record<OpName, Reach>> {
  return Object.fromEntries(ops.map((op) => [op, reach]));
}

/** Bare metal and filler are sanded as far as they lie open, a film of ours as far as it reaches. */
const sandedReach = (state: ZoneState): Reach => {
  const top = topOf(state);
  return top.laid && !isBody(top.kind) ? 'reachM2' : 'openM2';
};

/** Square metres of one part that an operation works on in an area. */
export const workedM2 = (op: OpName, state: ZoneState): number =>
  state.extent[REACH[op] ?? sandedReach(state)];

/** Square metres of all areas of an act, on all parts of the batch. */
export const workedOn = (
  op: OpName,
  states: readonly ZoneState[],
  { panel }: Pick<Context, 'panel'>,
): number => panel.count * states.reduce((sum, state) => sum + workedM2(op, state), 0);
