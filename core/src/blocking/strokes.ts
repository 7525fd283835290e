import type { Block } from './block.ts';
import type { Field } from './field.ts';
import { isRigid } from './underside.ts';

/** One stroke: from one place to another, the block held at a turn against the panel's length. */
export interface Stroke {
  readonly fromX: number;
  readonly fromY: number;
  readonly toX: number;
  readonly toY: number;
  readonly turnRad: number;
}

/** A part of the panel that is blocked by itself: nobody goes across a body line. */
interface Part {
  readonly fromX: number;
  readonly toX: number;
  readonly fromY: number;
  readonly toY: number;
}

/** Slope of the strokes of an X against the panel's length. */
const SLOPE_RAD = (35 * Math.PI) / 180;
/** Overhang of the block at the panel's border, as a share of its size. */
const OVERHANG = 0.25;
/** Lanes lie this share of the block's swath apart. */
const LANE_SHARE = 0.5;

/**
 * How the block is held for an X: across its strokes on a flat panel; on a crown along the bend and along the straight
 * way by turns where it gives, else along the straight way only, for a stiff block rocks on a bend.
 */
export type Hold = 'diagonal' | 'by-turns' | 'across';

export const holdFor = (block: Block, isCrowned: boolean): Hold =>
  !isCrowned ? 'diagonal' : isRigid(block) ? 'across' : 'by-turns';

/** Turn of the block against the panel's length in a pass with strokes of a slope. */
function turnOf(hold: Hold, slope: number, pass: number): number {
  if (hold === 'diagonal') return -slope;
  return hold === 'by-turns' && pass % 2 === 0 ? 0 : Math.PI / 2;
}

/** Half of the room that a block takes along and across the panel at a turn. */
const halfRoom = ({ lengthMm, widthMm }: Block, turnRad: number) => {
  const [cos, sin] = [Math.abs(Math.cos(turnRad)), Math.abs(Math.sin(turnRad))];
  return {
    alongMm: (lengthMm * cos + widthMm * sin) / 2,
    acrossMm: (lengthMm * sin + widthMm * cos) / 2,
  };
};

/** Strip along the borders in which an X wears the panel less than inside. */
export function borderOf(block: Block, hold: Hold): { readonly alongMm: number; readonly acrossMm: number } {
  const rooms = [0, 1].map((pass) => halfRoom(block, turnOf(hold, SLOPE_RAD, pass)));
  const share = 2 - 2 * OVERHANG;
  return {
    alongMm: share * Math.max(...rooms.map(({ alongMm }) => alongMm)),
    acrossMm: share * Math.max(...rooms.map(({ acrossMm }) => acrossMm)),
  };
}

/** How far the block's middle goes: over the border by its overhang, to the body line by its edge. */
function partsOf(field: Field, block: Block, turnRad: number): Part[] {
  const [lengthMm, heightMm] = [field.nx * field.cellMm, field.ny * field.cellMm];
  const { alongMm, acrossMm } = halfRoom(block, turnRad);
  const inset = (half: number, sizeMm: number): number => Math.min(sizeMm / 2, (1 - 2 * OVERHANG) * half);
  const x = inset(alongMm, lengthMm);
  const part = (fromY: number, toY: number): Part => ({ fromX: x, toX: lengthMm - x, fromY, toY });
  const y = inset(acrossMm, heightMm);
  if (field.lineMm === null) return [part(y, heightMm - y)];
  return [part(y, field.lineMm - acrossMm), part(field.lineMm + acrossMm, heightMm - y)].filter(
    ({ fromY, toY }) => toY > fromY,
  );
}

/** Part of the line through a point of one slope that lies inside; null where it misses. */
function clippedTo(
  { fromX, toX, fromY, toY }: Part,
  x: number,
  y: number,
  slope: number,
): Omit<Stroke, 'turnRad'> | null {
  const [cos, sin] = [Math.cos(slope), Math.sin(slope)];
  let [low, high] = [-Infinity, Infinity];
  for (const [at, per, least, most] of [
    [x, cos, fromX, toX],
    [y, sin, fromY, toY],
  ] as const) {
    const [a, b] = [(least - at) / per, (most - at) / per];
    low = Math.max(low, Math.min(a, b));
    high = Math.min(high, Math.max(a, b));
  }
  if (high - low < 1) return null;
  return { fromX: x + low * cos, fromY: y + low * sin, toX: x + high * cos, toY: y + high * sin };
}

/** Parallel strokes over a part, to and fro, shifted by `shift` of a lane. */
function lanes(
  part: Part,
  block: Block,
  { slope, shift, turnRad }: { slope: number; shift: number; turnRad: number },
): Stroke[] {
  const [cos, sin] = [Math.cos(slope), Math.sin(slope)];
  const between = slope - turnRad;
  const swathMm = block.lengthMm * Math.abs(Math.sin(between)) + block.widthMm * Math.abs(Math.cos(between));
  const stepMm = swathMm * LANE_SHARE;
  const [midX, midY] = [(part.fromX + part.toX) / 2, (part.fromY + part.toY) / 2];
  const reachMm = (Math.abs(sin) * (part.toX - part.fromX) + cos * (part.toY - part.fromY)) / 2;
  const nLanes = Math.ceil(reachMm / stepMm);
  const strokes: Stroke[] = [];
  for (let lane = -nLanes; lane <= nLanes; lane++) {
    const off = (lane + shift) * stepMm;
    const stroke = clippedTo(part, midX - sin * off, midY + cos * off, slope);
    if (stroke) strokes.push({ ...stroke, turnRad });
  }
  return strokes.map((stroke, i) => (i % 2 === 0 ? stroke : reversed(stroke)));
}

const reversed = ({ fromX, fromY, toX, toY, turnRad }: Stroke): Stroke => ({
  fromX: toX,
  fromY: toY,
  toX: fromX,
  toY: fromY,
  turnRad,
});

/**
 * One pass of the standard X: all of the panel in strokes of one slope, then of the other. Passes are shifted against
 * each other so that no lane is worn twice; `pass` counts from 0.
 */
export function xPass(field: Field, block: Block, hold: Hold, pass: number): Stroke[] {
  const shift = (pass % 3) / 3;
  const way = (slope: number, shift: number) => ({ slope, shift, turnRad: turnOf(hold, slope, pass) });
  const ways = [way(SLOPE_RAD, shift), way(-SLOPE_RAD, -shift)];
  return partsOf(field, block, ways[0]!.turnRad).flatMap((part) =>
    ways.flatMap((each) => lanes(part, block, each)),
  );
}
