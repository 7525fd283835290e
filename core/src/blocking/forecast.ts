import type { Grade } from '../materials/grades.ts';
import { DEFAULT_FIGURES } from '../surface/figures.ts';
import { cuttingMinutes, gradeChangeMinutes } from '../surface/ladder.ts';
import { blocksOf, type Block } from './block.ts';
import type { Field } from './field.ts';
import { forecastField, type FieldTask } from './forecast-field.ts';
import { misfitOf, type Misfit } from './misfit.ts';
import { lookOver } from './outcome.ts';
import { Sander } from './sander.ts';
import { borderOf, holdFor, xPass, type Hold } from './strokes.ts';

/**
 * How much build, which block: the surveyed waves under build, blocked by a standard X with each block in turn until
 * the surface is level. What comes off does not depend on how much lies there as long as it is not through, so one run
 * a block answers for every build.
 */

export interface ForecastTask extends FieldTask {
  readonly areaM2: number;
  readonly grade: Grade;
  /** Build that the plan lays, µm. */
  readonly filmUm: number;
  readonly mustStayUm: number;
  /** Height difference over 100 mm that passes, µm. */
  readonly limitUm: number;
  /** How much longer blocking takes on this form than on a flat part; 1 where absent. */
  readonly formFactor?: number;
  /** Minutes that the block step takes besides, whatever comes off; 0 where absent. */
  readonly besidesMin?: number;
  /** Blocks to try; those of a usual shop where absent. */
  readonly blocks?: readonly Block[];
}

/** The blocks that a task tries. */
export const blocksFor = ({ blocks, figures = DEFAULT_FIGURES }: ForecastTask): readonly Block[] =>
  blocks ?? blocksOf(figures);

/** How things stand after so many passes. */
export interface ForecastPoint {
  readonly passes: number;
  /** Minutes of the block step on the zone's own area. */
  readonly minutes: number;
  readonly unlevelUm: number;
  /** Film that is gone at the worst place, texture included, µm. */
  readonly takenMostUm: number;
  readonly guideLeftShare: number;
}

export interface BlockForecast {
  readonly blockId: string;
  readonly hold: Hold;
  readonly points: readonly ForecastPoint[];
  /** Why it never levels the panel; null where it does, or only comes to its end before that. */
  readonly misfit: Misfit | null;
}

const AMPLE_UM = 2000;
const MOST_PASSES = 60;
const PASSES_A_LOOK = 3;
/** A round of passes that levels by less than this share has come to its end. */
const STANDSTILL = 0.01;
const LOOKS_AT_STANDSTILL = 3;

/** Minutes of a block step that takes so much film off the crests, µm: by the plan's own reckoning. */
export function blockMinutes(
  { areaM2, grade, film, figures = DEFAULT_FIGURES, formFactor = 1, besidesMin = 0 }: ForecastTask,
  takenUm: number,
): number {
  const sanding = { areaM2, tool: 'block', material: film } as const;
  return (
    besidesMin +
    gradeChangeMinutes(areaM2, figures) +
    formFactor * cuttingMinutes(grade, takenUm, sanding, figures)
  );
}

/** Blocks one panel pass by pass; a point for each look at it. */
export function* blockPanel(
  task: ForecastTask,
  block: Block,
  field: Field,
): Generator<ForecastPoint, void, void> {
  const hold = holdFor(block, task.isCrowned);
  const border = borderOf(block, hold);
  const sander = new Sander(field, block, task.grade, task.figures ?? DEFAULT_FIGURES);
  const filmUm = field.filmUm.reduce((sum, um) => sum + um, 0) / field.filmUm.length;
  for (let pass = 0; pass < MOST_PASSES; pass++) {
    for (const { fromX, fromY, toX, toY, turnRad } of xPass(field, block, hold, pass)) {
      sander.putDown(fromX, fromY, turnRad);
      sander.slideTo(toX, toY);
    }
    if ((pass + 1) % PASSES_A_LOOK !== 0) continue;
    const { unlevelUm, filmLeastUm, guideLeftShare } = lookOver(field, border);
    const takenMostUm = filmUm - filmLeastUm;
    yield {
      passes: pass + 1,
      minutes: blockMinutes(task, takenMostUm),
      unlevelUm,
      takenMostUm,
      guideLeftShare,
    };
  }
}

const hasComeToEnd = (points: readonly ForecastPoint[]): boolean => {
  const last = points.at(-1);
  const before = points.at(-1 - LOOKS_AT_STANDSTILL);
  return last !== undefined && before !== undefined && last.unlevelUm > before.unlevelUm * (1 - STANDSTILL);
};

/** Every block in turn; yields each as it is done, so that a caller can show it and stop. */
export function* forecast(task: ForecastTask): Generator<BlockForecast, BlockForecast[], void> {
  const all: BlockForecast[] = [];
  for (const block of blocksFor(task)) {
    const points: ForecastPoint[] = [];
    for (const point of blockPanel(task, block, forecastField(task, AMPLE_UM))) {
      points.push(point);
      if (point.unlevelUm <= task.limitUm || hasComeToEnd(points)) break;
    }
    const isLevel = points.some(({ unlevelUm }) => unlevelUm <= task.limitUm);
    const misfit = isLevel ? null : misfitOf(task, block);
    const done = { blockId: block.id, hold: holdFor(block, task.isCrowned), points, misfit };
    all.push(done);
    yield done;
  }
  return all;
}

/** The first look at which a block has the panel level; null where it never does. */
export const levelPoint = ({ points }: BlockForecast, limitUm: number): ForecastPoint | null =>
  points.find(({ unlevelUm }) => unlevelUm <= limitUm) ?? null;

/** Build that a block needs to level the panel and leave what must stay, µm; null where it never levels it. */
export function buildNeededUm(
  forecast: BlockForecast,
  { limitUm, mustStayUm }: Pick<ForecastTask, 'limitUm' | 'mustStayUm'>,
): number | null {
  const level = levelPoint(forecast, limitUm);
  return level ? mustStayUm + level.takenMostUm : null;
}

export type BuildVerdict =
  | { readonly kind: 'level'; readonly minutes: number; readonly leftUm: number }
  | { readonly kind: 'thin'; readonly shortUm: number }
  | { readonly kind: 'never'; readonly unlevelUm: number };

/** What becomes of a build of some thickness under a block. */
export function verdictAt(
  forecast: BlockForecast,
  filmUm: number,
  task: Pick<ForecastTask, 'limitUm' | 'mustStayUm'>,
): BuildVerdict {
  const level = levelPoint(forecast, task.limitUm);
  if (!level) return { kind: 'never', unlevelUm: forecast.points.at(-1)?.unlevelUm ?? Infinity };
  const leftUm = filmUm - level.takenMostUm;
  return leftUm >= task.mustStayUm
    ? { kind: 'level', minutes: level.minutes, leftUm }
    : { kind: 'thin', shortUm: task.mustStayUm - leftUm };
}

/** The block that levels with the least build, and of those within a coat's tenth the quickest; null if none does. */
export function bestBlock(
  forecasts: readonly BlockForecast[],
  task: Pick<ForecastTask, 'limitUm' | 'mustStayUm'>,
): BlockForecast | null {
  const able = forecasts.flatMap((each) => {
    const needUm = buildNeededUm(each, task);
    return needUm === null ? [] : [{ each, needUm, minutes: levelPoint(each, task.limitUm)!.minutes }];
  });
  if (able.length === 0) return null;
  const leastUm = Math.min(...able.map(({ needUm }) => needUm));
  const near = able.filter(({ needUm }) => needUm <= leastUm + SAME_BUILD_UM);
  return near.reduce((a, b) => (b.minutes < a.minutes ? b : a)).each;
}

/** Builds that differ by less than this are one to a spray gun, µm. */
const SAME_BUILD_UM = 10;
