import {
  blockOf,
  blocksFor,
  blockPanel,
  dustGuideCoat,
  feltProfile,
  sandingFiguresOf,
  forecast,
  forecastField,
  isStiffAlong,
  lookOver,
  PRACTICE_PANELS,
  PRACTICE_SIZE,
  practiceField,
  Sander,
  scoreOf,
  SCORED_INSET,
  StrokeLog,
  type Field,
  type ForecastTask,
  type PracticePanel,
} from '@blue-ledge/core';
import type { FromWorker, HandIn, PracticeAct, ToWorker } from './blocking-messages.ts';
import { paintField, type FieldView } from './paint-field.ts';

/** Blocks panels off the page: forecasts with progress, and the practice panel under the learner's hand. */

type Grade = ConstructorParameters<typeof Sander>[2];

const say = (message: FromWorker, transfer: Transferable[] = []): void =>
  self.postMessage(message, { transfer });

/** Pixels that the page has given back, and how many may be on their way. */
const free: ArrayBuffer[] = [];
const MOST_BUFFERS = 3;
let nBuffers = 0;
let isFrameOwed = false;
let shown: Field | null = null;
let view: FieldView = 'guide';

/** Sends the shown panel as pixels, or owes it until the page has given some back. */
function sendFrame(): void {
  if (!shown) return;
  const { nx, ny } = shown;
  const size = 4 * nx * ny;
  let pixels = free.pop();
  if (pixels && pixels.byteLength !== size) {
    nBuffers -= 1;
    pixels = undefined;
  }
  if (!pixels && nBuffers >= MOST_BUFFERS) {
    isFrameOwed = true;
    return;
  }
  if (!pixels) {
    pixels = new ArrayBuffer(size);
    nBuffers += 1;
  }
  isFrameOwed = false;
  paintField(shown, view, new Uint8ClampedArray(pixels));
  say({ kind: 'frame', pixels, nx, ny }, [pixels]);
}

let isFrameComing = false;
/** One frame for all acts that have come in meanwhile: the hand is never kept waiting for pictures. */
function sendFrameSoon(): void {
  if (isFrameComing) return;
  isFrameComing = true;
  setTimeout(() => {
    isFrameComing = false;
    sendFrame();
  }, 0);
}

/** Work in hand; a newer one or a cancel makes it stop at its next breath. */
let current = 0;
let nWork = 0;
const breath = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 0));

async function runForecast(id: number, task: ForecastTask): Promise<void> {
  const mine = (current = ++nWork);
  for (const found of forecast(task)) {
    await breath();
    if (current !== mine) return;
    say({ kind: 'block', id, forecast: found });
  }
  say({ kind: 'done', id });
}

/** Cells of the panel that is watched, mm. */
const WATCHED_CELL_MM = 4;
/** A panel that is through on this share of it is not blocked on. */
const SPOILT_SHARE = 0.02;

async function watchBlocking(id: number, task: ForecastTask, blockId: string): Promise<void> {
  const mine = (current = ++nWork);
  const field = forecastField(task, task.filmUm, WATCHED_CELL_MM);
  shown = field;
  sendFrame();
  const block = blocksFor(task).find((each) => each.id === blockId);
  if (!block) return say({ kind: 'done', id });
  for (const point of blockPanel(task, block, field)) {
    await breath();
    if (current !== mine) return;
    sendFrame();
    const { throughShare } = lookOver(field);
    say({ kind: 'point', id, point, throughShare });
    if (point.unlevelUm <= task.limitUm || throughShare > SPOILT_SHARE) break;
  }
  say({ kind: 'done', id });
}

/** The practice panel and the hand on it. */
interface Bench {
  readonly panel: PracticePanel;
  readonly field: Field;
  readonly sander: Sander;
  readonly unlevelBeforeUm: number;
  readonly strokes: StrokeLog;
  wasStiff: boolean;
  blockId: string;
  grade: Grade;
}
let bench: Bench | null = null;
const FIRST: HandIn = { blockId: 'mid', grade: 'P240', forceN: sandingFiguresOf({}).blockForceN };

function open(panelId: string, acts: readonly PracticeAct[]): void {
  const panel = PRACTICE_PANELS.find(({ id }) => id === panelId);
  if (!panel) return;
  current = ++nWork;
  const field = practiceField(panelId);
  bench = {
    panel,
    field,
    sander: new Sander(field, blockOf(FIRST.blockId), FIRST.grade as Grade),
    unlevelBeforeUm: lookOver(field, SCORED_INSET).unlevelUm,
    strokes: new StrokeLog(PRACTICE_SIZE, sandingFiguresOf({}).blockSpeedMPerS),
    wasStiff: false,
    blockId: FIRST.blockId,
    grade: FIRST.grade as Grade,
  };
  shown = field;
  for (const act of acts) perform(bench, act);
  sendFrame();
  tellSeen(bench);
}

function perform(on: Bench, act: PracticeAct): void {
  const { sander, field } = on;
  switch (act.kind) {
    case 'take':
      sander.take(blockOf(act.blockId), act.grade as Grade);
      sander.forceN = act.forceN;
      on.blockId = act.blockId;
      on.grade = act.grade as Grade;
      return;
    case 'down':
      on.wasStiff ||= isStiffAlong(blockOf(on.blockId), act.turnRad);
      sander.putDown(act.xMm, act.yMm, act.turnRad);
      on.strokes.down(act.xMm, act.yMm);
      return;
    case 'slide':
      if (act.forceN !== undefined) sander.forceN = act.forceN;
      for (let i = 0; i + 1 < act.wayMm.length; i += 2) {
        const [xMm, yMm] = [act.wayMm[i]!, act.wayMm[i + 1]!];
        sander.slideTo(xMm, yMm);
        on.strokes.slide(xMm, yMm, on);
      }
      return;
    case 'turn':
      sander.turnTo(act.turnRad);
      return;
    case 'up':
      sander.lift();
      return;
    case 'dust':
      dustGuideCoat(field, sandingFiguresOf({}).guideCoatUm);
  }
}

const SECONDS_PER_MIN = 60;

const minutesOf = ({ sander }: Bench): number =>
  sander.slidM / (sandingFiguresOf({}).blockSpeedMPerS * SECONDS_PER_MIN);

/** What anybody sees on the panel; whether it is good is said when the learner is done. */
function tellSeen(on: Bench): void {
  const { guideLeftShare } = lookOver(on.field, SCORED_INSET);
  say({ kind: 'seen', minutes: minutesOf(on), guideLeftShare });
}

function judge(on: Bench): void {
  const { panel, field, unlevelBeforeUm, wasStiff, blockId, grade, strokes } = on;
  const outcome = lookOver(field, SCORED_INSET);
  const whole = lookOver(field);
  const minutes = minutesOf(on);
  const practised = {
    outcome: { ...outcome, throughShare: whole.throughShare },
    minutes,
    unlevelBeforeUm,
    wasStiff,
    block: blockOf(blockId),
    grade,
  };
  const score = scoreOf(panel, field, practised);
  say({
    kind: 'judged',
    outcome: practised.outcome,
    score,
    minutes,
    used: strokes.used(),
    story: strokes.tell(),
  });
}

self.onmessage = ({ data }: MessageEvent<ToWorker>): void => {
  switch (data.kind) {
    case 'forecast':
      void runForecast(data.id, data.task);
      return;
    case 'run':
      void watchBlocking(data.id, data.task, data.blockId);
      return;
    case 'cancel':
      current = ++nWork;
      return;
    case 'open':
      open(data.panelId, data.acts);
      return;
    case 'act':
      if (!bench) return;
      perform(bench, data.act);
      sendFrameSoon();
      if (data.act.kind === 'up' || data.act.kind === 'dust') tellSeen(bench);
      return;
    case 'view':
      view = data.view;
      sendFrame();
      return;
    case 'feel': {
      if (!bench) return;
      const profileUm = feltProfile(bench.field, data.yMm);
      say({ kind: 'felt', yMm: data.yMm, profileUm }, [profileUm.buffer as ArrayBuffer]);
      return;
    }
    case 'judge':
      if (bench) judge(bench);
      return;
    case 'return':
      free.push(data.pixels);
      if (isFrameOwed) sendFrame();
  }
};
