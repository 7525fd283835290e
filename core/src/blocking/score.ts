import { isCoarser, type Grade } from '../materials/grades.ts';
import { scratchDepthUm } from '../surface/scratch.ts';
import { BLOCKS, type Block } from './block.ts';
import type { Field } from './field.ts';
import type { Outcome } from './outcome.ts';
import type { PracticePanel } from './practice-panels.ts';

/** How a practice panel came out: points for what a painter would look at, and what to do otherwise next time. */

export interface ScorePart {
  readonly name: 'level' | 'film' | 'scratch' | 'time';
  readonly points: number;
  readonly of: number;
}

export interface Score {
  readonly points: number;
  readonly parts: readonly ScorePart[];
  readonly advice: readonly string[];
}

const WORTH = { level: 40, film: 30, scratch: 15, time: 15 } as const;
/** Film through on this share of the panel costs all points for film. */
const THROUGH_SHARE = 0.02;
/** What lies this near to the border, or to a body line, counts as its edge, mm. */
const EDGE_MM = 40;
const LINE_MM = 30;
/** Strip along the border that is not judged for level: every block wears it differently. */
export const SCORED_INSET = { alongMm: 60, acrossMm: 60 } as const;
/** Guide coat on this share of the panel is what is always left in corners; on half of it, nothing is finished. */
const GUIDE_LEFT = { done: 0.02, none: 0.5 } as const;
/** Film left under this share of what was sprayed is thin. */
const THIN_SHARE = 0.35;

const within = (share: number): number => Math.min(1, Math.max(0, share));

/** Share of the cells where the film is through that lie in a place. */
function throughIn(field: Field, place: (xMm: number, yMm: number) => boolean): number {
  const { nx, ny, cellMm, filmUm } = field;
  let [here, all] = [0, 0];
  for (let y = 0; y < ny; y++)
    for (let x = 0; x < nx; x++) {
      if (filmUm[y * nx + x]! > 0) continue;
      all += 1;
      if (place((x + 0.5) * cellMm, (y + 0.5) * cellMm)) here += 1;
    }
  return all === 0 ? 0 : here / all;
}

const isAtEdge =
  ({ nx, ny, cellMm }: Field) =>
  (xMm: number, yMm: number): boolean =>
    Math.min(xMm, yMm, nx * cellMm - xMm, ny * cellMm - yMm) < EDGE_MM;

const isAtLine =
  ({ lineMm }: Field) =>
  (_: number, yMm: number): boolean =>
    lineMm !== null && Math.abs(yMm - lineMm) < LINE_MM;

/** From this length on, a block that does not give counts as stiff when its length lies along a bend. */
const STIFF_FROM_MM = 200;
/** Turn up to which a block counts as lying along the panel: 45 degrees. */
const ALONG_COS = Math.SQRT1_2;

/** Whether a block held at a turn is too stiff to follow a bend along the panel. */
export const isStiffAlong = ({ lengthMm, bendingNMm2 }: Block, turnRad: number): boolean =>
  !Number.isFinite(bendingNMm2) && lengthMm >= STIFF_FROM_MM && Math.abs(Math.cos(turnRad)) > ALONG_COS;

/** Longer blocks than this do not fit on a practice panel, mm. */
export const LONGEST_HERE_MM = 400;

/** What was done, beside what came of it. */
export interface Practised {
  readonly outcome: Outcome;
  readonly minutes: number;
  /** How unlevel the panel was before, µm. */
  readonly unlevelBeforeUm: number;
  /** Whether a stiff block of some length was used where the panel bends. */
  readonly wasStiff: boolean;
  /** What is in hand at the end. */
  readonly block: Block;
  readonly grade: Grade;
}

function adviceOn(
  panel: PracticePanel,
  field: Field,
  { outcome, minutes, wasStiff, block, grade }: Practised,
): string[] {
  const isLongest = BLOCKS.every(({ lengthMm }) => lengthMm <= block.lengthMm || lengthMm > LONGEST_HERE_MM);
  const gives = Number.isFinite(block.bendingNMm2);
  const advice: string[] = [];
  const isThrough = outcome.throughShare > 0;
  if (isThrough && throughIn(field, isAtLine(field)) > 0.3)
    advice.push('The film is through on the body line: block up to it from each side, never across it.');
  if (isThrough && throughIn(field, isAtEdge(field)) > 0.3)
    advice.push('The film is through at the edge: a block that hangs over bears on the edge alone.');
  if (isThrough && advice.length === 0)
    advice.push(
      'The film is through: you stayed too long in one place, or went on after the guide coat was gone.',
    );
  if (outcome.unlevelUm > panel.limitUm && panel.isCrowned && wasStiff)
    advice.push(
      gives
        ? 'A stiff block along the bend cut flats before: stay with the one that gives, over the whole panel.'
        : 'Too stiff on the crown: a rigid block along the bend cuts flats; take the flexible board, or hold it across.',
    );
  if (outcome.guideLeftShare > 0.02 && outcome.unlevelUm > panel.limitUm)
    advice.push(
      'Guide coat is left in the lows: go on over the whole panel with crossed strokes, not on the lows themselves.',
    );
  if (outcome.guideLeftShare <= 0.02 && outcome.unlevelUm > panel.limitUm)
    advice.push(
      isLongest
        ? 'The guide coat is gone but the panel is not level: dust again, and cross your strokes over the waves.'
        : 'The guide coat is gone but the panel is not level: the block followed the waves. Dust again and take a longer one.',
    );
  if (outcome.scratchUm > allowedScratchUm(panel) * 1.05)
    advice.push(
      isCoarser(grade, panel.finish)
        ? `The scratch is coarser than ${panel.finish}: change to a finer grade before the film runs out.`
        : `The scratch is coarser than ${panel.finish} in places: go over the whole panel once more with ${grade}.`,
    );
  if (minutes > 2 * panel.parMinutes)
    advice.push('Long strokes over the whole panel are quicker than many short ones.');
  return advice.length > 0 ? advice : ['Level, covered and fine enough: ready for the next coat.'];
}

const allowedScratchUm = ({ finish, film }: PracticePanel): number => scratchDepthUm(finish, 'block', film);

/** Points out of 100, and advice. */
export function scoreOf(panel: PracticePanel, field: Field, practised: Practised): Score {
  const { outcome, minutes, unlevelBeforeUm } = practised;
  const { done, none } = GUIDE_LEFT;
  /** What is not blocked earns nothing: neither its film nor the time that it took. */
  const worked = minutes === 0 ? 0 : within((none - outcome.guideLeftShare) / (none - done));
  const shares = {
    level: within((unlevelBeforeUm - outcome.unlevelUm) / Math.max(1, unlevelBeforeUm - panel.limitUm)),
    film:
      within(1 - outcome.throughShare / THROUGH_SHARE) *
      within(outcome.filmMeanUm / panel.filmUm / THIN_SHARE),
    scratch: outcome.scratchUm === 0 ? 0 : within(2 - outcome.scratchUm / allowedScratchUm(panel)),
    time: within(2 - minutes / panel.parMinutes),
  };
  const parts = (Object.keys(WORTH) as (keyof typeof WORTH)[]).map((name) => ({
    name,
    points: Math.round(WORTH[name] * worked * shares[name]),
    of: WORTH[name],
  }));
  return {
    points: parts.reduce((sum, { points }) => sum + points, 0),
    parts,
    advice: minutes === 0 ? ['Nothing is blocked yet.'] : adviceOn(panel, field, practised),
  };
}
