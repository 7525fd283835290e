import { isJustBefore, rowOf } from '../operations/table.ts';
import type { ProductSheet } from '../materials/sheet.ts';
import { isBodywork, isCoat, isLaying, type Act } from '../operations/act.ts';
import { sheetIn, type Context } from '../operations/context.ts';
import { showsMetal } from '../operations/issues.ts';
import { carryOut } from '../operations/perform.ts';
import { isBare, topOf, zoneOf, type PanelState, type ZoneState } from '../operations/state.ts';
import { surveyState } from '../operations/survey-state.ts';
import type { CoatWindows, TimeWindow, WhenMissed, WindowKind } from '../operations/time-window.ts';
import { bodyWindows, coatWindows, exposureLimit, windowsOf } from '../operations/windows.ts';
import { gunFor } from '../materials/equipment.ts';
import { isBody } from '../materials/layer-kinds.ts';
import { formOf } from '../materials/sheet.ts';
import type { Reason } from '../wording/reason.ts';
import { actOf } from '../planner/act-input.ts';
import { actsDone } from '../planner/happening.ts';
import { benchOfTask } from '../planner/bench-of-task.ts';
import { asOfNow } from '../planner/into-hours.ts';
import { afterIdle } from '../planner/replay.ts';
import { replayDone, type PastWork } from '../planner/replay-done.ts';
import type { PlannedAct, StoredPlan } from '../planner/stored-plan.ts';
import type { DatedStart } from '../planner/work-start.ts';
import { axisMin } from './work-calendar.ts';

/** The work of one panel as a chain of steps with its waits and time limits, read off its plan once for all orders. */

/** The work on a panel so far, by its record. */
export interface PanelPast extends PastWork, DatedStart {
  /** Steps of the plan that are done. */
  readonly doneSteps: readonly number[];
}

/** A panel that is worked by, and what is asked of it. */
export interface PanelToDo {
  readonly jobId: string;
  readonly panelId: string;
  readonly name: string;
  readonly plan: StoredPlan;
  readonly systemId: string;
  /** Minute of the axis by which it is to be ready for base. */
  readonly dueMin?: number | undefined;
  /** It is not touched before that minute. */
  readonly notBeforeMin?: number | undefined;
  /** What its record says was done so far, in place of what the plan goes on from; and which of the plan's steps that was. */
  readonly past?: PanelPast | undefined;
}

/** What of a step somebody stands by. */
export type StepShape =
  /** Hands first, then a wait that nobody stands by. */
  | 'hands-then-wait'
  /** Coats with their flashes between: whoever sprays stays with the gun. */
  | 'coats'
  /** Hands, a wait that is watched, hands again. */
  | 'watched'
  /** No hands at all. */
  | 'wait';

/** A coat whose clocks a step has to keep: laid by a step of the chain, or before the schedule starts. */
export type CoatRef = number | CoatWindows;

/** A time limit that runs from the end of one step to the beginning of a later one. */
export interface Lag {
  readonly kind: WindowKind;
  readonly rule: string;
  /** Step that starts it; the moment itself where that lies before the schedule. */
  readonly since: CoatRef | { readonly sinceMin: number };
  readonly whenMissed: WhenMissed;
}

export interface WorkStep {
  /** Number of the plan's step; of one that was put in, of the step that it goes before. */
  readonly n: number;
  readonly act: Act;
  /** Reasons for which it was put in by the schedule; the plan does not have it. */
  readonly insertedFor?: readonly Reason[];
  readonly shape: StepShape;
  /** Whole minutes of hands, and of waiting where that does not hang on the hour. */
  readonly handsMin: number;
  readonly waitMin: number;
  readonly nCoats: number;
  /** The work may be laid down at a break and taken up again. */
  readonly maySplit: boolean;
  /** Product that it sprays or spreads. */
  readonly sheet?: ProductSheet;
  /** What it is mixed to: panels that share it are sprayed together. */
  readonly mixKey?: string;
  readonly gunKey?: string;
  readonly isSprayed: boolean;
  /** Coats that have to flash, or to cure, before it ends (a wait) or begins (a coat). */
  readonly waitsFor: readonly CoatRef[];
  /** A found soft film is given so long. */
  readonly softMin: number;
  readonly lags: readonly Lag[];
  readonly areas: readonly ZoneState[];
  /** It cleans or masks for the coat that follows. */
  isJustBefore: boolean;
  /** It goes on at once with the next step: by the same person, in one shift. */
  isGlued: boolean;
}

/** Stretch of steps that is placed as a whole. */
export interface Block {
  readonly from: number;
  readonly to: number;
}

export interface PanelWork {
  readonly todo: PanelToDo;
  readonly context: Context;
  /** Minutes of the panel's clock when the schedule starts. */
  readonly offsetMin: number;
  /** Area of the panel, of all of its equal parts together. */
  readonly m2: number;
  readonly start: PanelState;
  readonly steps: readonly WorkStep[];
  readonly blocks: readonly Block[];
  /** Blocks that a window of about a day ties together: from one block to before another. They are placed one after the other. */
  readonly bundles: readonly Block[];
  /** Windows that a block opens and a later one has to keep, block by block: the later step and the limit. */
  readonly opensLater: readonly (readonly { readonly to: number; readonly lag: Lag }[])[];
  /** Minutes from the beginning of each step to the end of the last, without any pause. */
  readonly tailMin: readonly number[];
  /** Acts of the plan that could not be read. */
  readonly problems: readonly string[];
  /** Clocks of the coat that a step lays, by the minute of the axis at which it ends; in minutes of the panel's clock. */
  readonly windowsAt: (step: number, endMin: number) => CoatWindows;
  readonly exposureClosesMin: (endMin: number) => number;
}

/** A limit shorter than this holds its steps together in one go, minutes. */
const TIGHT_MIN = 240;

const shapeOf = (act: Act): StepShape => {
  if (act.op === 'flash') return 'wait';
  if (isCoat(act)) return 'coats';
  return rowOf(act.op).wait === 'watches' ? 'watched' : 'hands-then-wait';
};

type Bared = number | { readonly sinceMin: number } | null;

/**
 * What is known on the way: whose clocks are whose, and since which step an area is bare. A coat is known by the clocks that
 * began when it was laid: work on it (a block that levels it) keeps them, and what is sanded free shows its own again.
 */
interface Trace {
  readonly coats: Map<TimeWindow, CoatRef>;
  readonly bare: Map<string, Bared>;
}

const traceOfStart = ({ zones }: PanelState): Trace => ({
  coats: new Map(
    zones.flatMap(({ stack }) => stack.flatMap(({ laid }) => (laid ? [[laid.flash, laid] as const] : []))),
  ),
  bare: new Map(
    zones.map(({ zone, bareSinceMin }) => [
      zone.id,
      bareSinceMin === null ? null : { sinceMin: bareSinceMin },
    ]),
  ),
});

/** The step that laid the top coat of an area, or the clocks that it began with; null on what was found. */
const coatOn = (area: ZoneState, { coats }: Trace): CoatRef | null => {
  const { laid } = topOf(area);
  return laid ? coats.get(laid.flash)! : null;
};

function follow({ coats, bare }: Trace, nth: number, before: PanelState, after: PanelState): void {
  after.zones.forEach((area, i) => {
    const was = before.zones[i]!;
    if (area === was) return;
    const { laid } = topOf(area);
    if (laid && !coats.has(laid.flash)) coats.set(laid.flash, nth);
    if (area.bareSinceMin === null) bare.set(area.zone.id, null);
    else if (area.bareSinceMin !== was.bareSinceMin) bare.set(area.zone.id, nth);
  });
}

/** The limits that an act has to keep on one area: those that its rules ask about (M2, P4, S3). */
function lagsOn(act: Act, area: ZoneState, trace: Trace, context: Context): Lag[] {
  const coat = coatOn(area, trace);
  const bare = trace.bare.get(area.zone.id)!;
  const isNext = isCoat(act) || act.op === 'hand-over';
  const lags: Lag[] = [];
  const { laid, kind } = topOf(area);
  if (isNext && laid && coat !== null && !isBody(kind) && !area.surface.scratch) {
    const { recoat } = laid;
    lags.push({ kind: recoat.kind, rule: recoat.rule, since: coat, whenMissed: recoat.whenMissed });
  }
  if (isLaying(act) && (isBare(area) || (isCoat(act) && showsMetal(area))) && bare !== null) {
    const window = windowsOf(area, context).find((each) => each.kind === 'exposure')!;
    lags.push({ kind: 'exposure', rule: window.rule, since: bare, whenMissed: window.whenMissed });
  }
  return lags;
}

const isSame = (a: Lag, b: Lag): boolean =>
  a.kind === b.kind &&
  (a.since === b.since ||
    (typeof a.since === 'object' &&
      'sinceMin' in a.since &&
      JSON.stringify(a.since) === JSON.stringify(b.since)));

const unique = (lags: readonly Lag[]): Lag[] =>
  lags.filter((lag, i) => lags.findIndex((other) => isSame(lag, other)) === i);

/** Coats that an act waits for: all of its areas for a flash or a cure, those under it for a coat. */
const coatsUnder = (act: Act, areas: readonly ZoneState[], trace: Trace): CoatRef[] => {
  if (act.op !== 'flash' && act.op !== 'cure' && !isCoat(act) && act.op !== 'hand-over') return [];
  const coats = areas.flatMap((area) => coatOn(area, trace) ?? []);
  return [...new Set(coats)];
};

const mixOf = (act: Act, sheet: ProductSheet): string =>
  isCoat(act) && act.toneL !== undefined ? `${sheet.id} ${act.toneL}` : sheet.id;

function gunKeyOf(sheet: ProductSheet, context: Context): string {
  const gun = gunFor(context.shop.guns ?? [], sheet.tipMm);
  return gun?.id ?? 'gun';
}

/** An act of a chain, and what it is there for. */
export interface ChainAct {
  readonly n: number;
  readonly kept: Pick<PlannedAct, 'op' | 'zones'> & Partial<PlannedAct>;
  readonly insertedFor?: readonly Reason[];
  /** It took so much longer at its hour than without a pause. */
  readonly extraMin?: number;
}

const whole = (minutes: number): number => Math.ceil(minutes - 1e-6);

function stepOf(
  { n, insertedFor, extraMin = 0 }: ChainAct,
  act: Act,
  {
    before,
    trace,
    context,
  }: { readonly before: PanelState; readonly trace: Trace; readonly context: Context },
): WorkStep {
  const areas = act.zones.map((id) => zoneOf(before, id));
  const { cost } = carryOut(before, act, context);
  const sheet = isLaying(act) ? sheetIn(context, act.sheetId) : undefined;
  const isSprayed = isCoat(act);
  const soft = act.op === 'cure' && areas.every((area) => !topOf(area).laid);
  const hangsOnHour = act.op === 'flash' || (act.op === 'cure' && !soft);
  return {
    n,
    act,
    ...(insertedFor ? { insertedFor } : {}),
    shape: shapeOf(act),
    handsMin: whole(cost.handsOnMin),
    waitMin: hangsOnHour ? 0 : whole(cost.waitMin) + extraMin,
    nCoats: isCoat(act) ? Math.max(...Object.values(act.coats)) : 0,
    maySplit: rowOf(act.op).mayStop,
    ...(sheet ? { sheet, mixKey: mixOf(act, sheet) } : {}),
    ...(sheet && isSprayed && formOf(sheet) === 'sprayed' ? { gunKey: gunKeyOf(sheet, context) } : {}),
    isSprayed,
    waitsFor: coatsUnder(act, areas, trace),
    softMin: soft ? whole(cost.waitMin) : 0,
    lags: unique(areas.flatMap((area) => lagsOn(act, area, trace, context))),
    areas,
    isJustBefore: false,
    isGlued: false,
  };
}

/** Holds together what may not come apart. */
function glue(steps: readonly WorkStep[], lengthOf: (lag: Lag) => number): void {
  const hold = (from: number, to: number): void => {
    for (let i = from; i < to; i++) steps[i]!.isGlued = true;
  };
  steps.forEach((step, i) => {
    if (step.shape === 'wait' && i > 0) hold(i - 1, i);
    for (const lag of step.lags) {
      const since = typeof lag.since === 'number' ? lag.since : null;
      if (since !== null && lengthOf(lag) < TIGHT_MIN) hold(since, i);
    }
    // Whoever sprayed sets the panel aside to cure.
    if (step.act.op === 'cure' && steps[i - 1]?.shape === 'wait') hold(i - 1, i);
    if (!isLaying(step.act)) return;
    let first = i;
    while (first > 0 && isJustBefore(steps[first - 1]!.act.op)) first -= 1;
    hold(first, i);
    for (let k = first; k < i; k++) steps[k]!.isJustBefore = true;
  });
  holdSessions(steps);
}

/** Clocks of a coat that are remembered, by the minute at which it ends. */
const MOST_KEPT = 100;

/** A wait that is no reason to go to another panel, minutes. */
const SHORT_WAIT_MIN = 10;

const isHands = ({ shape, waitMin, act }: WorkStep): boolean =>
  shape === 'hands-then-wait' && act.op !== 'cure' && !isLaying(act) && waitMin <= SHORT_WAIT_MIN;

/** Hands-on work that follows on itself is one session of one person; what is held for a coat begins one of its own. */
function holdSessions(steps: readonly WorkStep[]): void {
  const isHeld = steps.map(({ isGlued }) => isGlued);
  steps.forEach((step, i) => {
    const next = steps[i + 1];
    if (next && isHands(step) && isHands(next) && !isHeld[i] && !isHeld[i + 1]) step.isGlued = true;
  });
}

function blocksOf(steps: readonly WorkStep[]): Block[] {
  const blocks: Block[] = [];
  let from = 0;
  steps.forEach((step, i) => {
    if (step.isGlued && i < steps.length - 1) return;
    blocks.push({ from, to: i + 1 });
    from = i + 1;
  });
  return blocks;
}

/** A limit shorter than this ties blocks to each other: the night would break it, minutes. */
const DAILY_MIN = 1500;

function bundlesOf(
  blocks: readonly Block[],
  steps: readonly WorkStep[],
  lengthOf: (lag: Lag) => number,
): Block[] {
  const blockOf = steps.map((_, i) => blocks.findIndex(({ from, to }) => from <= i && i < to));
  const isTied = blocks.map(() => false);
  steps.forEach((step, i) => {
    for (const lag of step.lags) {
      if (typeof lag.since !== 'number' || lengthOf(lag) >= DAILY_MIN) continue;
      for (let block = blockOf[lag.since]! + 1; block <= blockOf[i]!; block++) isTied[block] = true;
    }
  });
  const bundles: { from: number; to: number }[] = [];
  blocks.forEach((_, block) => {
    if (isTied[block]) bundles.at(-1)!.to = block + 1;
    else bundles.push({ from: block, to: block + 1 });
  });
  return bundles;
}

/** The acts that a plan still asks for, numbered as its steps are; pauses of its own are left out. */
export function actsOfPlan({
  plan,
  systemId,
  past,
}: Pick<PanelToDo, 'plan' | 'systemId' | 'past'>): ChainAct[] {
  const nDone = actsDone(plan.inputs.done).length;
  const acts = plan.systems.find(({ id }) => id === systemId)?.acts ?? [];
  return acts
    .map(({ idleMin: _idle, isSplit: _split, ...kept }, i) => ({ n: nDone + i + 1, kept }))
    .filter(({ n }) => !past?.doneSteps.includes(n));
}

/** Where a panel's own clock stands when the schedule starts, and the bench that it is worked on. */
function benchAt({ plan, past }: PanelToDo, start: DatedStart) {
  const inputs = past ? { ...plan.inputs, ...past } : plan.inputs;
  const done = inputs.done ?? [];
  const began =
    done.length > 0 && inputs.startOn !== undefined && inputs.startMin !== undefined
      ? { startOn: inputs.startOn, startMin: inputs.startMin }
      : start;
  const { context } = benchOfTask({ ...inputs, ...began });
  // Work that really began may have done so after the schedule did.
  const sinceMin = past ? -axisMin(start, began) : Math.max(0, -axisMin(start, began));
  const replayed = replayDone(surveyState(context.panel, context.shop.rules), inputs, context);
  const panel = afterIdle(replayed.panel, sinceMin - replayed.panel.clockMin);
  return { context, panel, offsetMin: past ? sinceMin : panel.clockMin, problems: replayed.problems };
}

/**
 * The chain of a panel: its acts carried out once without a pause, to see what each takes, waits for and has to keep.
 * O(acts x areas).
 * @param acts the plan's own, or these with what a schedule put in
 */
export function panelWork(todo: PanelToDo, start: DatedStart, acts: readonly ChainAct[]): PanelWork {
  const { context, panel: begun, offsetMin, problems } = benchAt(todo, start);
  const trace = traceOfStart(begun);
  const steps: WorkStep[] = [];
  const endsMin: number[] = [];
  const unread = [...problems];
  let panel = begun;
  for (const chain of acts) {
    const read = actOf(chain.kept, context, panel);
    if (!read.ok) {
      unread.push(`step ${chain.n}, ${read.message}`);
      continue;
    }
    const act = asOfNow(read.act, panel);
    const step = stepOf(chain, act, { before: panel, trace, context });
    const after = carryOut(panel, act, context).panel;
    follow(trace, steps.length, panel, after);
    steps.push(step);
    endsMin.push(after.clockMin);
    panel = after;
  }
  const memo: Map<number, CoatWindows>[] = steps.map(() => new Map());
  const windowsAt = (nth: number, endMin: number): CoatWindows => {
    const known = memo[nth]!.get(endMin);
    if (known) return known;
    const { sheet, act } = steps[nth]!;
    const made = isBodywork(act)
      ? bodyWindows(sheet!, endMin + offsetMin)
      : coatWindows(sheet!, endMin + offsetMin, context);
    // A search tries thousands of minutes: the last few come again, all of them would fill the memory.
    if (memo[nth]!.size >= MOST_KEPT) memo[nth]!.clear();
    memo[nth]!.set(endMin, made);
    return made;
  };
  const exposureClosesMin = (endMin: number): number =>
    endMin + exposureLimit(context, endMin + offsetMin).value;
  const closesMin = (lag: Lag): number => {
    const since = lag.since as number;
    if (lag.kind === 'exposure') return exposureClosesMin(endsMin[since]! - offsetMin) + offsetMin;
    return windowsAt(since, endsMin[since]! - offsetMin).recoat.closesAtMin;
  };
  const lengthOf = (lag: Lag): number => closesMin(lag) - endsMin[lag.since as number]!;
  glue(steps, lengthOf);
  const blocks = blocksOf(steps);
  const lastMin = endsMin.at(-1) ?? begun.clockMin;
  return {
    todo,
    context,
    offsetMin,
    m2: context.panel.areaM2 * context.panel.count,
    start: begun,
    steps,
    blocks,
    opensLater: blocks.map(({ from, to }) =>
      steps.flatMap(({ lags }, later) =>
        later < to
          ? []
          : lags.flatMap((lag) =>
              typeof lag.since === 'number' && from <= lag.since && lag.since < to
                ? [{ to: later, lag }]
                : [],
            ),
      ),
    ),
    bundles: bundlesOf(blocks, steps, lengthOf),
    tailMin: steps.map((_, i) => lastMin - (i === 0 ? begun.clockMin : endsMin[i - 1]!)),
    problems: unread,
    windowsAt,
    exposureClosesMin,
  };
}
