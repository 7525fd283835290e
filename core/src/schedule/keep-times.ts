import { endStepOf, firstStepOf, orderBy, unbundled, withPinsFirst } from './bundles.ts';
import type { PanelToDo, PanelWork } from './panel-work.ts';
import { place, type PlaceTerms } from './place.ts';
import type { Pin, Pins, Placement } from './placed.ts';
import type { Resources } from './resources.ts';
import type { ScheduleTask, StepStart } from './schedule-task.ts';
import { costOfScore, scoreOf } from './score.ts';

/** Work that is held to its times: what runs, what a person moved, and the rest as it was before, as far as it can be. */

const keyOf = ({ jobId, panelId }: Pick<PanelToDo, 'jobId' | 'panelId'>): string => `${jobId} ${panelId}`;

const personAt = ({ people }: Resources, personId: string | undefined): { readonly person?: number } => {
  const person = people.findIndex(({ id }) => id === personId);
  return person < 0 ? {} : { person };
};

/** The plan's own step of a number: what was put in has the number of the step that it goes before. Another plan's is none. */
const stepNumbered = (work: PanelWork, { n, op }: Pick<StepStart, 'n' | 'op'>): number =>
  work.steps.findIndex(
    (step) => step.n === n && !step.insertedFor && (op === undefined || step.act.op === op),
  );

/**
 * Pins by panel and step of the chain. Where as little as may be moves, every other step is loosely held to when it was,
 * but for what follows a step that was moved.
 */
export function pinsOf(works: readonly PanelWork[], task: ScheduleTask, resources: Resources): Pins {
  const { pins = [], before = [], effort, nowMin = 0 } = task;
  const nthOf = new Map(works.map(({ todo }, nth) => [keyOf(todo), nth]));
  const byPanel = new Map<number, Map<number, Pin>>();
  const hold = (nth: number, step: number, pin: Pin): void => {
    const known = byPanel.get(nth) ?? new Map<number, Pin>();
    byPanel.set(nth, known.set(step, pin));
  };
  const movedFrom = new Map<number, number>();
  for (const pin of pins) {
    const { startMin, personId } = pin;
    const nth = nthOf.get(keyOf(pin));
    const step = nth === undefined ? -1 : stepNumbered(works[nth]!, pin);
    if (nth === undefined || step < 0) continue;
    hold(nth, step, { startMin, ...personAt(resources, personId) });
    if (startMin >= nowMin) movedFrom.set(nth, Math.min(step, movedFrom.get(nth) ?? Infinity));
  }
  if (effort !== 'keep') return byPanel;
  for (const was of before) {
    const { startMin, personId, heldBy } = was;
    const nth = nthOf.get(keyOf(was));
    const step = nth === undefined ? -1 : stepNumbered(works[nth]!, was);
    if (nth === undefined || step < 0 || step >= (movedFrom.get(nth) ?? Infinity)) continue;
    if (!byPanel.get(nth)?.has(step))
      hold(nth, step, { startMin, heldBy, ...personAt(resources, personId), isLoose: true });
  }
  return byPanel;
}

/** Keys of the blocks by the schedule before; what is new comes after what its panel has before it. */
function startsBefore(works: readonly PanelWork[], before: readonly StepStart[]): number[][] {
  const known = new Map(before.map((each) => [`${keyOf(each)} ${each.n}`, each.startMin]));
  return works.map((work) =>
    work.bundles.map((_, bundle) => {
      for (let i = firstStepOf(work, bundle); i < endStepOf(work, bundle); i++) {
        const startMin = known.get(`${keyOf(work.todo)} ${work.steps[i]!.n}`);
        if (startMin !== undefined) return startMin;
      }
      return -Infinity;
    }),
  );
}

/** What follows a step that was moved comes as much later, or sooner, as that was moved. */
function withMoved(
  works: readonly PanelWork[],
  starts: readonly (readonly number[])[],
  { pins, before }: { readonly pins: Pins; readonly before: readonly StepStart[] },
): number[][] {
  return works.map((work, nth) => {
    const own = pins.get(nth);
    const moved = [...(own ?? [])].filter(([, { isLoose }]) => !isLoose);
    const last = moved.sort(([a], [b]) => a - b).at(-1);
    if (!last) return [...starts[nth]!];
    const [step, pin] = last;
    const { n } = work.steps[step]!;
    const was = before.find((each) => keyOf(each) === keyOf(work.todo) && each.n === n)?.startMin;
    const byMin = was === undefined ? 0 : pin.startMin - was;
    return starts[nth]!.map((start, bundle) => (firstStepOf(work, bundle) > step ? start + byMin : start));
  });
}

/** Bundles by when they began before. */
function orderAsBefore(
  works: readonly PanelWork[],
  before: readonly StepStart[],
  held: Pins,
  task: ScheduleTask,
): number[] {
  const starts = startsBefore(works, before);
  const keys = task.effort === 'keep' ? withMoved(works, starts, { pins: held, before }) : starts;
  return withPinsFirst(
    orderBy(works, (panel, bundle) => keys[panel]![bundle]!),
    held,
    works,
  );
}

interface Again {
  readonly before: readonly StepStart[];
  readonly held: Pins;
  readonly resources: Resources;
  readonly task: ScheduleTask;
}

/** Only what is held to a time whatever comes. */
const hardOf = (pins: Pins): Pins =>
  new Map(
    [...pins].map(
      ([panel, own]) => [panel, new Map([...own].filter(([, { isLoose }]) => !isLoose))] as const,
    ),
  );

/** How far work begins from when it did before, on average; minutes. */
function meanShiftMin(
  works: readonly PanelWork[],
  { panels }: Placement,
  before: readonly StepStart[],
): number {
  const starts = startsBefore(works, before);
  let [sum, n] = [0, 0];
  works.forEach((work, nth) =>
    starts[nth]!.forEach((was, bundle) => {
      const now = panels[nth]![firstStepOf(work, bundle)]?.startMin;
      if (now === undefined || was === -Infinity) return;
      sum += Math.abs(now - was);
      n += 1;
    }),
  );
  return n > 0 ? sum / n : 0;
}

/** A minute by which all work is moved against one by which the schedule gets longer. */
const SHIFT_WEIGHT = 0.5;

/**
 * Work placed as it was before, as far as it can. Several ways are tried and the one that moves least for its finish is
 * taken: in the old order or with all that can stay in place first; block by block or what belongs together as one.
 */
export function placeAsBefore(
  works: readonly PanelWork[],
  { before, held, resources, task }: Again,
): Placement {
  const isKept = task.effort === 'keep';
  const inOrder = (of: readonly PanelWork[], { pins, staysFirst }: PlaceTerms): Placement =>
    place(of, orderAsBefore(of, before, held, task), resources, {
      pins: pins ?? held,
      staysFirst: staysFirst ?? false,
    });
  const costOf = (placement: Placement): number =>
    placement.isCut
      ? Infinity
      : costOfScore(scoreOf(works, placement)) +
        (isKept ? SHIFT_WEIGHT * meanShiftMin(works, placement, before) : 0);
  const blocks = unbundled(works);
  const first = inOrder(blocks, { staysFirst: isKept });
  const isFine = scoreOf(works, first).nMissed === 0 && !first.isCut;
  const isStill = isKept ? meanShiftMin(works, first, before) < STILL_MIN : true;
  if (isFine && isStill) return first;
  const inFlow = isKept ? [inOrder(blocks, {}), inOrder(blocks, { pins: hardOf(held) })] : [];
  const others = [...inFlow, inOrder(works, { staysFirst: isKept })];
  return others.reduce((a, b) => (costOf(b) < costOf(a) ? b : a), first);
}

/** Work that is moved by less on average has stayed where it was, minutes. */
const STILL_MIN = 5;

/** Starts of steps, to place the same work again in the same order. */
export function stepStarts(works: readonly PanelWork[], { panels }: Placement): StepStart[] {
  return works.flatMap(({ todo, steps }, i) =>
    panels[i]!.map(({ startMin }, k) => ({
      jobId: todo.jobId,
      panelId: todo.panelId,
      n: steps[k]!.n,
      startMin,
    })),
  );
}
