import { LAYER_KINDS, isSolid, type LayerKind } from '../materials/layer-kinds.ts';
import type { Stack, Step } from './plan.ts';

/**
 * The layers of every zone after any step, each with the slot in which it lies across the whole panel.
 * Found layers share a slot by kind; what one step lays on several zones shares that step's slot. Slots have one
 * order for the panel, bottom to top, so that a section can be drawn through zones with different stacks.
 */
export interface StrataLayer {
  readonly slot: string;
  readonly kind: LayerKind;
  readonly um: number;
  /** Of a film, what lies in a hollow under it, µm. */
  readonly hollowUm?: number | undefined;
}

export interface Strata {
  /** Bottom to top; the solid substrate is not among them. */
  readonly zones: Readonly<Record<string, readonly StrataLayer[]>>;
  /** All slots in their order, bottom to top. */
  readonly slots: readonly string[];
}

const FOUND_ORDER = Object.keys(LAYER_KINDS) as LayerKind[];
const foundSlot = (kind: LayerKind): string => `found-${kind}`;
const films = (stack: Stack): Stack => stack.filter((layer) => !isSolid(layer.kind));

const foundStrata = (stack: Stack): StrataLayer[] =>
  films(stack).map(({ kind, um }) => ({ slot: foundSlot(kind), kind, um }));

/** Layers that were there keep their slot; what is new on top lies in the slot of the step. */
function afterStep(before: readonly StrataLayer[], stack: Stack, n: number): StrataLayer[] {
  return films(stack).map(({ kind, um, hollowUm }, i) => {
    const was = before[i];
    return {
      kind,
      um,
      ...(hollowUm === undefined ? {} : { hollowUm }),
      slot: was?.kind === kind ? was.slot : `step-${n}`,
    };
  });
}

/**
 * Strata as found (index 0) and after each step (index n), in one pass.
 * @param found stacks by zone, as a plan carries them
 */
export function strataOf(found: Readonly<Record<string, Stack>>, steps: readonly Step[]): Strata[] {
  const slots = [
    ...FOUND_ORDER.filter((kind) =>
      Object.values(found).some((stack) => stack.some((layer) => layer.kind === kind)),
    ).map(foundSlot),
    ...steps.map((step) => `step-${step.n}`),
  ];
  let zones: Record<string, readonly StrataLayer[]> = Object.fromEntries(
    Object.entries(found).map(([id, stack]) => [id, foundStrata(stack)]),
  );
  const all: Strata[] = [{ zones, slots }];
  for (const step of steps) {
    const changed = Object.entries(step.stacks).map(([id, stack]) => [
      id,
      afterStep(zones[id] ?? [], stack, step.n),
    ]);
    zones = { ...zones, ...(Object.fromEntries(changed) as typeof zones) };
    all.push({ zones, slots });
  }
  return all;
}
