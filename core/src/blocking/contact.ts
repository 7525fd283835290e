import type { Block } from './block.ts';
import { solveEnvelope } from './envelope.ts';
import type { Field } from './field.ts';
import { Footprint, type Pose } from './footprint.ts';
import { Underside, spansOf } from './underside.ts';

const { abs, floor, max, min } = Math;

/**
 * Where a block rests under a force: its underside along its length and its tilt across, found so that all forces are
 * in balance over the cells it touches. Pad as an elastic foundation, p = k x max(0, penetration); the force is spread
 * over the length; a block that bends is a beam. The energy is convex, so Newton with step halving finds the one rest
 * there is; the place before is the first guess for the next. Nothing is allocated after construction.
 */

const MOST_STEPS = 40;
const MOST_HALVINGS = 12;
/** Imbalance at rest, as a share of the force. */
const TOLERANCE = 1e-3;

/**
 * Sums over the touching cells of a span: t^0..4; penetration with t^0..2; v with t^0..2.
 */
const SUMS = 11;
const PRESS = 5;
const ACROSS = 8;

/** One block on one panel: settle() finds its rest, the footprint says on which cells it lies. */
export class Contact {
  readonly footprint: Footprint;
  readonly underside: Underside;
  /** Coefficients of the underside and, last, the rise to the side across: µm. */
  readonly rest: Float64Array;
  private readonly size: number;
  private readonly sums: Float64Array;
  /** Of one run: counts and powers 0-4 of the cell's number, penetration with powers 0-2, and its square. */
  private readonly powers = new Float64Array(9);
  /** Bend of the underside along the run in hand, µm for each square of the cell's number. */
  private bend = 0;
  private nTouching = 0;
  private squaredUm2 = 0;
  private acrossSquared = 0;
  private acrossPress = 0;
  private readonly guess: Float64Array;
  private readonly drift: Float64Array;
  private readonly trial: Float64Array;
  private readonly step: Float64Array;
  private readonly matrix: Float64Array;
  /** First column of each row of the matrix that is not zero. */
  private readonly envelope: Int32Array;
  /** Force in N for each µm that one cell is pressed in. */
  private readonly cellNPerUm: number;

  constructor(
    readonly field: Field,
    readonly block: Block,
  ) {
    const nSpans = spansOf(block);
    this.footprint = new Footprint(field, block, nSpans);
    this.underside = new Underside(block, nSpans);
    const size = this.underside.size + 1;
    const unknowns = (): Float64Array => new Float64Array(size);
    this.size = size;
    this.rest = unknowns();
    this.guess = unknowns();
    this.drift = unknowns();
    this.trial = unknowns();
    this.step = unknowns();
    this.sums = new Float64Array(SUMS * nSpans);
    this.matrix = new Float64Array(size * size);
    const { degree } = this.underside;
    this.envelope = Int32Array.from({ length: size }, (_, i) => (i === size - 1 ? 0 : max(0, i - degree)));
    this.cellNPerUm = block.padNPerMm3 * field.cellMm ** 2 * 1e-3;
  }

  /** Puts the block flat over the highest cell under it: the first guess where there is no place before. */
  putDown(pose: Pose): void {
    const { footprint, rest, drift } = this;
    const { topUm } = this.field;
    footprint.cover(pose);
    let highest = -Infinity;
    for (let n = 0; n < footprint.nRuns; n++)
      for (let i = footprint.start[n]!; i < footprint.end[n]!; i++) highest = max(highest, topUm[i]!);
    rest.fill(Number.isFinite(highest) ? highest : 0);
    rest[this.size - 1] = 0;
    drift.fill(0);
  }

  /**
   * Guesses the rest after a move: the block slides on along its own underside, and errs as it did the step before
   * (on a crown it tilts on by the same amount each step).
   */
  follow(dxMm: number, dyMm: number): void {
    const { rest, guess, drift, size, footprint, underside } = this;
    const { cellMm } = this.field;
    const spans = (dxMm * footprint.tPerCell + dyMm * footprint.tPerRow) / cellMm;
    const across = (dxMm * footprint.vPerCell + dyMm * footprint.vPerRow) / cellMm;
    const tilt = rest[size - 1]!;
    underside.slide(rest, spans, guess);
    for (let k = 0; k < size - 1; k++) guess[k]! += across * tilt;
    guess[size - 1] = tilt;
    for (let k = 0; k < size; k++) rest[k] = guess[k]! + drift[k]!;
  }

  /** Remembers by how much the last guess erred. */
  learn(): void {
    for (let k = 0; k < this.size; k++) this.drift[k] = this.rest[k]! - this.guess[k]!;
  }

  /**
   * Lets the block come to rest under a force, from where it was. Returns the steps taken; 0 where nothing lies under
   * it.
   * @param nearShare share of the force within which the next step is taken unweighed: what is touched hardly changes
   */
  settle(pose: Pose, forceN: number, nearShare = 0): number {
    this.footprint.cover(pose);
    if (this.footprint.nRuns === 0) return 0;
    const { trial, rest, step, size } = this;
    let energy = this.weigh(rest, forceN);
    for (let n = 1; n <= MOST_STEPS; n++) {
      const imbalanceN = this.imbalanceN(rest, forceN);
      if (imbalanceN <= TOLERANCE * forceN) return n;
      this.newton(forceN);
      if (imbalanceN <= nearShare * forceN) {
        for (let k = 0; k < size; k++) rest[k]! += step[k]!;
        return n;
      }
      let share = 1;
      for (let halving = 0; ; halving++) {
        for (let k = 0; k < size; k++) trial[k] = rest[k]! + share * step[k]!;
        const next = this.weigh(trial, forceN);
        if (next <= energy + 1e-9 * abs(energy) || halving >= MOST_HALVINGS) {
          energy = next;
          break;
        }
        share /= 2;
      }
      rest.set(trial);
    }
    return this.nTouching > 0 ? MOST_STEPS : 0;
  }

  /** Share of the cells under the block that touch it where it lies now. */
  touchShare(): number {
    const { footprint } = this;
    let nCells = 0;
    for (let n = 0; n < footprint.nRuns; n++) nCells += footprint.end[n]! - footprint.start[n]!;
    this.weigh(this.rest, 0);
    return nCells === 0 ? 0 : this.nTouching / nCells;
  }

  /** Imbalance where the block lies now: the sum over its unknowns, N. */
  imbalanceAtRestN(forceN: number): number {
    this.weigh(this.rest, forceN);
    return this.imbalanceN(this.rest, forceN);
  }

  /** Height of the underside at a place along (0..1 of the length) and across (-1..1) the block, µm. */
  heightUm(along: number, across: number): number {
    const { underside, rest, size } = this;
    const { nSpans, poly } = underside;
    const s = along * nSpans;
    const j = min(nSpans - 1, max(0, floor(s)));
    const t = s - j;
    underside.unfold(rest);
    return poly[3 * j]! + poly[3 * j + 1]! * t + poly[3 * j + 2]! * t * t + rest[size - 1]! * across;
  }

  /** Forces on the unknowns at the last weighing, into `step`; returns the sum of their amounts, N. */
  private imbalanceN(at: Float64Array, forceN: number): number {
    const { underside, step, size, cellNPerUm } = this;
    const { degree, load, nSpans } = underside;
    for (let k = 0; k < size - 1; k++) step[k] = -forceN * load[k]!;
    for (let j = 0; j < nSpans; j++)
      for (let i = 0; i <= degree; i++) step[j + i]! += cellNPerUm * this.summed(i, j * SUMS + PRESS);
    step[size - 1] = cellNPerUm * this.acrossPress;
    underside.takeOffForce(at, step);
    let sum = 0;
    for (let k = 0; k < size; k++) sum += abs(step[k]!);
    return sum;
  }

  /**
   * Sums over touching cells at a place; returns the energy there, N µm. Along one run the underside is a polynomial
   * of the cell's number, so a run is summed by powers of that number and unfolded after.
   */
  private weigh(at: Float64Array, forceN: number): number {
    const { footprint, underside, sums, size } = this;
    const { start, end, span, t0, v0, tPerCell, vPerCell, nRuns } = footprint;
    const { poly, load, degree } = underside;
    const tilt = at[size - 1]!;
    underside.unfold(at);
    sums.fill(0);
    this.nTouching = this.squaredUm2 = this.acrossSquared = this.acrossPress = 0;
    for (let n = 0; n < nRuns; n++) {
      const j = span[n]!;
      const t = t0[n]!;
      const c1 = poly[3 * j + 1]!;
      const c2 = poly[3 * j + 2]!;
      const level = poly[3 * j]! + c1 * t + c2 * t * t + tilt * v0[n]!;
      const slope = (c1 + 2 * c2 * t) * tPerCell + tilt * vPerCell;
      if (degree === 1) this.sumRun(start[n]!, end[n]!, level, slope);
      else {
        this.bend = c2 * tPerCell * tPerCell;
        this.sumBentRun(start[n]!, end[n]!, level, slope);
      }
      if (this.powers[0]! > 0) this.addRun(j * SUMS, t, v0[n]!);
    }
    let loaded = 0;
    for (let k = 0; k < size - 1; k++) loaded += load[k]! * at[k]!;
    return 0.5 * this.cellNPerUm * this.squaredUm2 + forceN * loaded + underside.energy(at);
  }

  /** Powers of the cell's number k over the touching cells of a run under a straight underside. */
  private sumRun(start: number, end: number, level: number, slope: number): void {
    const { topUm } = this.field;
    let n = 0;
    let k1 = 0;
    let k2 = 0;
    let d0 = 0;
    let d1 = 0;
    let dd = 0;
    for (let i = start, k = 0; i < end; i++, k++) {
      const d = topUm[i]! - level - slope * k;
      if (d > 0) {
        n += 1;
        k1 += k;
        k2 += k * k;
        d0 += d;
        d1 += d * k;
        dd += d * d;
      }
    }
    const { powers } = this;
    powers[0] = n;
    powers[1] = k1;
    powers[2] = k2;
    powers[5] = d0;
    powers[6] = d1;
    powers[8] = dd;
  }

  /** The same under a bent underside: with the powers that its bend needs. */
  private sumBentRun(start: number, end: number, level: number, slope: number): void {
    const { topUm } = this.field;
    const { bend } = this;
    let n = 0;
    let k1 = 0;
    let k2 = 0;
    let k3 = 0;
    let k4 = 0;
    let d0 = 0;
    let d1 = 0;
    let d2 = 0;
    let dd = 0;
    for (let i = start, k = 0; i < end; i++, k++) {
      const d = topUm[i]! - level - slope * k - bend * k * k;
      if (d > 0) {
        const kk = k * k;
        n += 1;
        k1 += k;
        k2 += kk;
        k3 += kk * k;
        k4 += kk * kk;
        d0 += d;
        d1 += d * k;
        d2 += d * kk;
        dd += d * d;
      }
    }
    const { powers } = this;
    powers[0] = n;
    powers[1] = k1;
    powers[2] = k2;
    powers[3] = k3;
    powers[4] = k4;
    powers[5] = d0;
    powers[6] = d1;
    powers[7] = d2;
    powers[8] = dd;
  }

  /** Adds a run's powers to the sums of its span; the run begins at t along it and at v across the block. */
  private addRun(at: number, t: number, v: number): void {
    const { sums, powers, footprint } = this;
    const { tPerCell: u, vPerCell: w } = footprint;
    const n = powers[0]!;
    const k1 = powers[1]!;
    const k2 = powers[2]!;
    const d0 = powers[5]!;
    const d1 = powers[6]!;
    const tt = t * t;
    const uu = u * u;
    const T1 = t * n + u * k1;
    const T2 = tt * n + 2 * t * u * k1 + uu * k2;
    sums[at]! += n;
    sums[at + 1]! += T1;
    sums[at + 2]! += T2;
    sums[at + PRESS]! += d0;
    sums[at + PRESS + 1]! += t * d0 + u * d1;
    sums[at + ACROSS]! += v * n + w * k1;
    sums[at + ACROSS + 1]! += v * T1 + w * (t * k1 + u * k2);
    this.nTouching += n;
    this.squaredUm2 += powers[8]!;
    this.acrossSquared += v * v * n + 2 * v * w * k1 + w * w * k2;
    this.acrossPress += v * d0 + w * d1;
    if (this.underside.degree === 1) return;
    const k3 = powers[3]!;
    sums[at + 3]! += tt * t * n + 3 * tt * u * k1 + 3 * t * uu * k2 + uu * u * k3;
    sums[at + 4]! +=
      tt * tt * n + 4 * tt * t * u * k1 + 6 * tt * uu * k2 + 4 * t * uu * u * k3 + uu * uu * powers[4]!;
    sums[at + PRESS + 2]! += tt * d0 + 2 * t * u * d1 + uu * powers[7]!;
    sums[at + ACROSS + 2]! += v * T2 + w * (tt * k1 + 2 * t * u * k2 + uu * k3);
  }

  /** The Newton step from the last weighing: `step` holds the forces before and the step after. */
  private newton(forceN: number): void {
    const { step, size, matrix, cellNPerUm } = this;
    if (this.nTouching === 0) {
      // In the air: come down until something is touched.
      step.fill(-this.airUm() - forceN / (cellNPerUm * 50));
      step[size - 1] = 0;
      return;
    }
    this.fillMatrix();
    // A hair of stiffness keeps a block on one or two cells from spinning.
    for (let k = 0; k < size; k++) matrix[k * size + k]! += 1e-3 * cellNPerUm;
    solveEnvelope(matrix, this.envelope, step);
  }

  /** Stiffness of pad and beam at the last weighing, the lower half. */
  private fillMatrix(): void {
    const { matrix, size, underside, cellNPerUm } = this;
    const { degree, nSpans } = underside;
    const lastRow = (size - 1) * size;
    matrix.fill(0);
    for (let j = 0; j < nSpans; j++)
      for (let i = 0; i <= degree; i++) {
        matrix[lastRow + j + i]! += cellNPerUm * this.summed(i, j * SUMS + ACROSS);
        for (let m = 0; m <= i; m++)
          matrix[(j + i) * size + j + m]! += cellNPerUm * this.summedProduct(i, m, j * SUMS);
      }
    matrix[lastRow + size - 1] = cellNPerUm * this.acrossSquared;
    underside.addStiffness(matrix, size);
  }

  /** A shape over sums by powers of t that begin at a place. */
  private summed(i: number, at: number): number {
    const { sums, underside } = this;
    const shape = underside.shapes[i]!;
    let sum = 0;
    for (let p = 0; p < shape.length; p++) sum += shape[p]! * sums[at + p]!;
    return sum;
  }

  /** The product of two shapes over the same. */
  private summedProduct(i: number, m: number, at: number): number {
    const shape = this.underside.shapes[m]!;
    let sum = 0;
    for (let q = 0; q < shape.length; q++) sum += shape[q]! * this.summed(i, at + q);
    return sum;
  }

  /** Distance of the block to the nearest cell under it, µm. */
  private airUm(): number {
    const { footprint, field } = this;
    const { nSpans } = this.underside;
    let nearest = Infinity;
    for (let n = 0; n < footprint.nRuns; n++)
      for (let i = footprint.start[n]!, k = 0; i < footprint.end[n]!; i++, k++) {
        const along = (footprint.span[n]! + footprint.t0[n]! + k * footprint.tPerCell) / nSpans;
        const across = footprint.v0[n]! + k * footprint.vPerCell;
        nearest = min(nearest, this.heightUm(along, across) - field.topUm[i]!);
      }
    return Number.isFinite(nearest) ? nearest : 0;
  }
}
