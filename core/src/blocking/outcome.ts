import type { Field } from './field.ts';

const { floor, max, min, round } = Math;

/** What is to be seen and felt on a panel after blocking. */
export interface Outcome {
  /** Share of the panel on which guide coat is left: lows that the block has not reached. */
  readonly guideLeftShare: number;
  /** Share of the panel on which the film is through. */
  readonly throughShare: number;
  readonly filmLeastUm: number;
  readonly filmMeanUm: number;
  /** Height difference left over any 100 mm in any direction; the hundredth worst place of a hundred. */
  readonly unlevelUm: number;
  /** Scratch on the worst twentieth of the panel, µm. */
  readonly scratchUm: number;
}

/** Over this distance levelness is judged. */
const WINDOW_MM = 100;
/** Ways in which the straightedge is laid at each place. */
const DIRECTIONS = 8;
/** Places that are looked at lie this far apart. */
const LINE_MM = 16;
/** Guide coat thinner than this is not seen, µm. */
const SEEN_UM = 0.3;
const WORST = 0.99;
const MOST_OF_PANEL = 0.95;

/** Height over the panel's own shape, guide coat not counted, µm. */
const deviationUm = ({ topUm, guideUm, shapeUm }: Field, i: number): number =>
  topUm[i]! - guideUm[i]! - shapeUm[i]!;

/** Value below which a share of the values lies; sorts its argument. */
function quantile(values: Float64Array, share: number): number {
  if (values.length === 0) return 0;
  values.sort();
  return values[min(values.length - 1, floor(share * values.length))]!;
}

/** Strip along the panel's borders that is not looked at: short of the ends of strokes, which wear it less. */
export interface Inset {
  readonly alongMm: number;
  readonly acrossMm: number;
}
const WHOLE: Inset = { alongMm: 0, acrossMm: 0 };

/** Cells that are looked at: first and one past the last, both ways; at least one. */
function looked({ nx, ny, cellMm }: Field, { alongMm, acrossMm }: Inset) {
  const x = min(floor((nx - 1) / 2), round(alongMm / cellMm));
  const y = min(floor((ny - 1) / 2), round(acrossMm / cellMm));
  return { fromX: x, toX: nx - x, fromY: y, toY: ny - y };
}

/** Cells that a straightedge of 100 mm lies over, from its middle, in one direction. */
interface Straightedge {
  readonly dx: Int32Array;
  readonly dy: Int32Array;
}

/** A straightedge laid along the panel, across it, and slantwise between: DIRECTIONS ways over half a turn. */
function straightedges(cellMm: number): Straightedge[] {
  const half = max(1, round(WINDOW_MM / 2 / cellMm));
  const steps = Array.from({ length: 2 * half + 1 }, (_, k) => k - half);
  return Array.from({ length: DIRECTIONS }, (_, n) => {
    const turnRad = (n * Math.PI) / DIRECTIONS;
    const cells = steps.map((k) => (k * WINDOW_MM) / (2 * half * cellMm));
    return {
      dx: Int32Array.from(cells, (r) => round(r * Math.cos(turnRad))),
      dy: Int32Array.from(cells, (r) => round(r * Math.sin(turnRad))),
    };
  });
}

/** Largest less least deviation under a straightedge whose middle lies on a cell, µm. */
function rangeUm(
  field: Field,
  { dx, dy }: Straightedge,
  { x, y }: { readonly x: number; readonly y: number },
  { fromX, toX, fromY, toY }: ReturnType<typeof looked>,
): number {
  let least = deviationUm(field, y * field.nx + x);
  let most = least;
  for (let k = 0; k < dx.length; k++) {
    const atX = x + dx[k]!;
    const atY = y + dy[k]!;
    if (atX < fromX || atX >= toX || atY < fromY || atY >= toY) continue;
    const um = deviationUm(field, atY * field.nx + atX);
    if (um < least) least = um;
    if (um > most) most = um;
  }
  return most - least;
}

/** Height difference over 100 mm in the worst direction at places all over what is looked at. */
function ranges(field: Field, inset: Inset): Float64Array {
  const { cellMm } = field;
  const region = looked(field, inset);
  const { fromX, toX, fromY, toY } = region;
  const step = max(1, round(LINE_MM / cellMm));
  const edges = straightedges(cellMm);
  const found: number[] = [];
  for (let y = fromY; y < toY; y += step)
    for (let x = fromX; x < toX; x += step) {
      let worst = 0;
      for (const edge of edges) worst = max(worst, rangeUm(field, edge, { x, y }, region));
      found.push(worst);
    }
  return Float64Array.from(found);
}

/** Height difference left over any 100 mm in any direction, µm: all but the worst hundredth of places is better. */
export const unlevelUm = (field: Field, inset: Inset = WHOLE): number =>
  quantile(ranges(field, inset), WORST);

/** Looks the panel over, all of it or without a strip along its borders. */
export function lookOver(field: Field, inset: Inset = WHOLE): Outcome {
  const { nx, filmUm, guideUm, scratchUm } = field;
  const { fromX, toX, fromY, toY } = looked(field, inset);
  const scratches = new Float64Array((toX - fromX) * (toY - fromY));
  let [guided, through, sumUm, leastUm, n] = [0, 0, 0, Infinity, 0];
  for (let y = fromY; y < toY; y++)
    for (let i = y * nx + fromX; i < y * nx + toX; i++) {
      const film = filmUm[i]!;
      if (guideUm[i]! > SEEN_UM) guided += 1;
      if (film <= 0) through += 1;
      if (film < leastUm) leastUm = film;
      sumUm += film;
      scratches[n++] = scratchUm[i]!;
    }
  return {
    guideLeftShare: guided / n,
    throughShare: through / n,
    filmLeastUm: leastUm,
    filmMeanUm: sumUm / n,
    unlevelUm: unlevelUm(field, inset),
    scratchUm: quantile(scratches, MOST_OF_PANEL),
  };
}

/**
 * What a palm feels along a line across the panel at one height: the surface averaged over the width of a hand, so that
 * short texture is lost and slopes remain. @returns one height for each cell along the panel, µm
 */
export function feltProfile(field: Field, yMm: number, palmMm = 60): Float32Array {
  const { nx, ny, cellMm } = field;
  const row = min(ny - 1, max(0, floor(yMm / cellMm)));
  const half = max(1, round(palmMm / cellMm / 2));
  const felt = new Float32Array(nx);
  for (let x = 0; x < nx; x++) {
    const [from, to] = [max(0, x - half), min(nx - 1, x + half)];
    let sum = 0;
    for (let k = from; k <= to; k++) sum += deviationUm(field, row * nx + k);
    felt[x] = sum / (to - from + 1);
  }
  return felt;
}
