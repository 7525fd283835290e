import type { Block } from './block.ts';
import type { Field } from './field.ts';

/**
 * Where a block rests under a force: its height, two tilts and (for a flexible plate) one bend, found so that force and
 * moments are in balance over the cells it touches. Pad as an elastic foundation, p = k x max(0, penetration), plate
 * energy of the first bending mode. The energy is convex, so Newton with step halving finds the one rest there is;
 * the place before is the first guess for the next. Nothing is allocated after construction.
 */

/** Where the block is held: its middle, and the turn of its length against the panel's length. */
export interface Pose {
  xMm: number;
  yMm: number;
  turnRad: number;
}

const MOST_STEPS = 40;
const MOST_HALVINGS = 12;
/** Imbalance at rest, as a share of the force. */
const TOLERANCE = 1e-3;
const UNKNOWNS = 4;

/** Places of the sums over touching cells: penetration with each shape, and shapes with each other. */
const FORCES = 0;
const SQUARES = UNKNOWNS;
const ENERGY = SQUARES + UNKNOWNS * UNKNOWNS;
const TOUCHING = ENERGY + 1;

/** One block on one panel: settle() finds its rest, the fields say where it lies and on which cells. */
export class Contact {
  /** Rows of cells under the block, and the first and one past the last cell of each. */
  firstRow = 0;
  endRow = 0;
  readonly from: Int32Array;
  readonly to: Int32Array;
  /** Height at the middle, tilts as the rise to the ends, bend: µm. */
  readonly rest = new Float64Array(UNKNOWNS);
  /** Slope of the block's own coordinates (-1..1 along and across it) over one cell, and their value at cell 0, row 0. */
  alongPerCell = 0;
  acrossPerCell = 0;
  alongPerRow = 0;
  acrossPerRow = 0;
  alongAt0 = 0;
  acrossAt0 = 0;
  /** Cells of the row in hand that lie under the block. */
  private low = 0;
  private high = 0;
  private readonly sums = new Float64Array(TOUCHING + 1);
  /** Of one row: counts and powers 0-4 of the cell's number, penetration with powers 0-2, and its square. */
  private readonly powers = new Float64Array(9);
  /** Bend of the underside along the row in hand, µm for each square of the cell's number. */
  private bend = 0;
  private readonly guess = new Float64Array(UNKNOWNS);
  private readonly drift = new Float64Array(UNKNOWNS);
  private readonly trial = new Float64Array(UNKNOWNS);
  private readonly step = new Float64Array(UNKNOWNS);
  private readonly matrix = new Float64Array(UNKNOWNS * UNKNOWNS);

  constructor(
    readonly field: Field,
    readonly block: Block,
  ) {
    this.from = new Int32Array(field.ny);
    this.to = new Int32Array(field.ny);
  }

  /** Force in N for each µm that one cell is pressed in. */
  get cellNPerUm(): number {
    return this.block.padNPerMm3 * this.field.cellMm ** 2 * 1e-3;
  }

  private get isRigid(): boolean {
    return !Number.isFinite(this.block.bendingNMm2);
  }

  /** Stiffness against the bend, N/µm: plate energy of w = q (U² - 1/3) is 32 EI q² / L³. */
  private get bendNPerUm(): number {
    return this.isRigid ? 0 : (64e-3 * this.block.bendingNMm2) / this.block.lengthMm ** 3;
  }

  /** Puts the block flat over the highest cell under it: the first guess where there is no place before. */
  putDown(pose: Pose): void {
    this.cover(pose);
    let highest = -Infinity;
    for (let row = this.firstRow; row < this.endRow; row++)
      for (let i = this.from[row]!; i < this.to[row]!; i++) highest = Math.max(highest, this.field.topUm[i]!);
    this.rest.fill(0);
    this.drift.fill(0);
    this.rest[0] = Number.isFinite(highest) ? highest : 0;
  }

  /**
   * Guesses the rest after a move: the block slides on along its own underside, and errs as it did the step before
   * (on a crown it tilts on by the same amount each step).
   */
  follow(dxMm: number, dyMm: number): void {
    const { rest, guess, drift } = this;
    const { cellMm } = this.field;
    const along = (dxMm * this.alongPerCell + dyMm * this.alongPerRow) / cellMm;
    const across = (dxMm * this.acrossPerCell + dyMm * this.acrossPerRow) / cellMm;
    guess[0] = rest[0]! + rest[1]! * along + rest[2]! * across + rest[3]! * along * along;
    guess[1] = rest[1]! + 2 * rest[3]! * along;
    guess[2] = rest[2]!;
    guess[3] = rest[3]!;
    for (let k = 0; k < UNKNOWNS; k++) rest[k] = guess[k]! + drift[k]!;
  }

  /** Remembers by how much the last guess erred. */
  learn(): void {
    for (let k = 0; k < UNKNOWNS; k++) this.drift[k] = this.rest[k]! - this.guess[k]!;
  }

  /** Finds the cells under the block. */
  cover({ xMm, yMm, turnRad }: Pose): void {
    const { nx, ny, cellMm } = this.field;
    const cos = Math.cos(turnRad);
    const sin = Math.sin(turnRad);
    const halfL = this.block.lengthMm / 2;
    const halfW = this.block.widthMm / 2;
    const reach = Math.abs(halfL * sin) + Math.abs(halfW * cos);
    this.firstRow = Math.max(0, Math.ceil((yMm - reach) / cellMm - 0.5));
    this.endRow = Math.min(ny, Math.floor((yMm + reach) / cellMm - 0.5) + 1);
    this.alongPerCell = (cos * cellMm) / halfL;
    this.acrossPerCell = (-sin * cellMm) / halfW;
    this.alongPerRow = (sin * cellMm) / halfL;
    this.acrossPerRow = (cos * cellMm) / halfW;
    const dx0 = 0.5 * cellMm - xMm;
    const dy0 = 0.5 * cellMm - yMm;
    this.alongAt0 = (dx0 * cos + dy0 * sin) / halfL;
    this.acrossAt0 = (-dx0 * sin + dy0 * cos) / halfW;
    for (let row = this.firstRow; row < this.endRow; row++) {
      const along = this.alongAt0 + row * this.alongPerRow;
      const across = this.acrossAt0 + row * this.acrossPerRow;
      this.low = 0;
      this.high = nx - 1;
      this.narrow(along, this.alongPerCell);
      this.narrow(across, this.acrossPerCell);
      this.from[row] = row * nx + this.low;
      this.to[row] = row * nx + Math.max(this.low, this.high + 1);
    }
  }

  /** Narrows a row to the cells x with -1 <= at + slope x <= 1. */
  private narrow(at: number, slope: number): void {
    if (Math.abs(slope) < 1e-9) {
      if (Math.abs(at) > 1) this.high = -1;
      return;
    }
    const a = (-1 - at) / slope;
    const b = (1 - at) / slope;
    this.low = Math.max(this.low, Math.ceil(Math.min(a, b) - 1e-9));
    this.high = Math.min(this.high, Math.floor(Math.max(a, b) + 1e-9));
  }

  /**
   * Lets the block come to rest under a force, from where it was. Returns the steps taken; 0 where nothing lies under
   * it.
   * @param nearShare share of the force within which the next step is taken unweighed: what is touched hardly changes
   */
  settle(pose: Pose, forceN: number, nearShare = 0): number {
    this.cover(pose);
    if (this.firstRow >= this.endRow) return 0;
    const { sums, trial, rest, step } = this;
    let energy = this.weigh(rest, forceN);
    for (let n = 1; n <= MOST_STEPS; n++) {
      if (this.isWithin(TOLERANCE, forceN)) return n;
      const isNear = this.isWithin(nearShare, forceN);
      this.newton(forceN);
      if (isNear) {
        for (let k = 0; k < UNKNOWNS; k++) rest[k]! += step[k]!;
        return n;
      }
      let share = 1;
      for (let halving = 0; ; halving++) {
        for (let k = 0; k < UNKNOWNS; k++) trial[k] = rest[k]! + share * step[k]!;
        const next = this.weigh(trial, forceN);
        if (next <= energy + 1e-9 * Math.abs(energy) || halving >= MOST_HALVINGS) {
          energy = next;
          break;
        }
        share /= 2;
      }
      rest.set(trial);
    }
    return sums[TOUCHING]! > 0 ? MOST_STEPS : 0;
  }

  /** Imbalance where the block lies now: force, two moments over their lever, bend; N. */
  imbalanceAtRestN(forceN: number, into: Float64Array): void {
    this.weigh(this.rest, forceN);
    this.imbalanceN(forceN, into);
  }

  /** The same of the last weighing. */
  private imbalanceN(forceN: number, into: Float64Array): void {
    const { sums, rest, cellNPerUm } = this;
    into[0] = cellNPerUm * sums[FORCES]! - forceN;
    into[1] = cellNPerUm * sums[FORCES + 1]!;
    into[2] = cellNPerUm * sums[FORCES + 2]!;
    into[3] = this.isRigid ? 0 : cellNPerUm * sums[FORCES + 3]! - this.bendNPerUm * rest[3]!;
  }

  /** Whether the last weighing was in balance to within a share of the force. */
  private isWithin(share: number, forceN: number): boolean {
    this.imbalanceN(forceN, this.step);
    const most = share * forceN;
    for (let k = 0; k < UNKNOWNS; k++) if (Math.abs(this.step[k]!) > most) return false;
    return true;
  }

  /**
   * Sums over touching cells at a place; returns the energy there, N µm. Along one row the block's coordinates and its
   * underside are polynomials of the cell's number, so a row is summed by powers of that number and unfolded after.
   */
  private weigh(at: Float64Array, forceN: number): number {
    const { sums, powers, from, to, isRigid } = this;
    const nx = this.field.nx;
    const c = at[0]!;
    const a = at[1]!;
    const b = at[2]!;
    const q = at[3]!;
    sums.fill(0);
    for (let row = this.firstRow; row < this.endRow; row++) {
      const start = from[row]!;
      const x0 = start - row * nx;
      const U = this.alongAt0 + row * this.alongPerRow + x0 * this.alongPerCell;
      const V = this.acrossAt0 + row * this.acrossPerRow + x0 * this.acrossPerCell;
      powers.fill(0);
      const level = c + a * U + b * V + q * (U * U - 1 / 3);
      const slope = (a + 2 * q * U) * this.alongPerCell + b * this.acrossPerCell;
      this.bend = q * this.alongPerCell ** 2;
      if (isRigid) this.sumRow(start, to[row]!, level, slope);
      else this.sumBentRow(start, to[row]!, level, slope);
      this.unfold(U, V);
    }
    const energy = 0.5 * this.cellNPerUm * sums[ENERGY]! + forceN * c + 0.5 * this.bendNPerUm * q * q;
    sums[TOUCHING] = sums[SQUARES]!;
    return energy;
  }

  /** Powers of the cell's number k over the touching cells of a row under a straight underside. */
  private sumRow(start: number, end: number, level: number, slope: number): void {
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
  private sumBentRow(start: number, end: number, level: number, slope: number): void {
    const { topUm } = this.field;
    const bend = this.bend;
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

  /** Adds a row's powers to the sums over the block's own shapes: 1, U, V and Q = U² - 1/3. */
  private unfold(U: number, V: number): void {
    const { sums, powers, alongPerCell: u, acrossPerCell: v } = this;
    const n = powers[0]!;
    if (n === 0) return;
    const k1 = powers[1]!;
    const k2 = powers[2]!;
    const k3 = powers[3]!;
    const k4 = powers[4]!;
    const d0 = powers[5]!;
    const d1 = powers[6]!;
    const d2 = powers[7]!;
    const s = SQUARES;
    sums[FORCES]! += d0;
    sums[FORCES + 1]! += U * d0 + u * d1;
    sums[FORCES + 2]! += V * d0 + v * d1;
    sums[ENERGY]! += powers[8]!;
    sums[s]! += n;
    const U1 = U * n + u * k1;
    const V1 = V * n + v * k1;
    const U2 = U * U * n + 2 * U * u * k1 + u * u * k2;
    sums[s + 1]! += U1;
    sums[s + 2]! += V1;
    sums[s + 5]! += U2;
    sums[s + 6]! += U * V * n + (U * v + V * u) * k1 + u * v * k2;
    sums[s + 10]! += V * V * n + 2 * V * v * k1 + v * v * k2;
    if (this.isRigid) return;
    const u2 = u * u;
    const UU = U * U;
    const U3 = UU * U * n + 3 * UU * u * k1 + 3 * U * u2 * k2 + u2 * u * k3;
    const U4 = UU * UU * n + 4 * UU * U * u * k1 + 6 * UU * u2 * k2 + 4 * U * u2 * u * k3 + u2 * u2 * k4;
    const VU2 = UU * V * n + (2 * U * u * V + UU * v) * k1 + (u2 * V + 2 * U * u * v) * k2 + u2 * v * k3;
    sums[FORCES + 3]! += UU * d0 + 2 * U * u * d1 + u2 * d2 - d0 / 3;
    sums[s + 3]! += U2 - n / 3;
    sums[s + 7]! += U3 - U1 / 3;
    sums[s + 11]! += VU2 - V1 / 3;
    sums[s + 15]! += U4 - (2 / 3) * U2 + n / 9;
  }

  /** The Newton step from the last weighing, into `step`: Cholesky on at most four unknowns. */
  private newton(forceN: number): void {
    const { sums, matrix, step, cellNPerUm } = this;
    const size = this.isRigid ? 3 : UNKNOWNS;
    if (sums[TOUCHING] === 0) {
      // In the air: come down until something is touched.
      step.fill(0);
      step[0] = -this.airUm() - forceN / (cellNPerUm * 50);
      return;
    }
    this.imbalanceN(forceN, step);
    for (let row = 0; row < size; row++)
      for (let col = 0; col < size; col++)
        matrix[row * UNKNOWNS + col] =
          cellNPerUm * sums[SQUARES + Math.min(row, col) * UNKNOWNS + Math.max(row, col)]!;
    if (size === UNKNOWNS) matrix[15]! += this.bendNPerUm;
    // A hair of stiffness keeps a block on one or two cells from spinning.
    for (let k = 0; k < size; k++) matrix[k * UNKNOWNS + k]! += 1e-3 * cellNPerUm;
    solveInPlace(matrix, step, size);
    for (let k = size; k < UNKNOWNS; k++) step[k] = 0;
  }

  /** Distance of the block to the nearest cell under it, µm. */
  private airUm(): number {
    const { rest, field } = this;
    let nearest = Infinity;
    for (let row = this.firstRow; row < this.endRow; row++)
      for (let i = this.from[row]!; i < this.to[row]!; i++) {
        const x = i - row * field.nx;
        const U = this.alongAt0 + row * this.alongPerRow + x * this.alongPerCell;
        const V = this.acrossAt0 + row * this.acrossPerRow + x * this.acrossPerCell;
        const at = rest[0]! + rest[1]! * U + rest[2]! * V + rest[3]! * (U * U - 1 / 3);
        nearest = Math.min(nearest, at - field.topUm[i]!);
      }
    return Number.isFinite(nearest) ? nearest : 0;
  }
}

/** Cholesky solution of a symmetric positive matrix (rows of UNKNOWNS), both arguments overwritten. */
function solveInPlace(matrix: Float64Array, right: Float64Array, size: number): void {
  for (let j = 0; j < size; j++) {
    let diagonal = matrix[j * UNKNOWNS + j]!;
    for (let k = 0; k < j; k++) diagonal -= matrix[j * UNKNOWNS + k]! ** 2;
    const root = Math.sqrt(Math.max(diagonal, 1e-12));
    matrix[j * UNKNOWNS + j] = root;
    for (let i = j + 1; i < size; i++) {
      let value = matrix[i * UNKNOWNS + j]!;
      for (let k = 0; k < j; k++) value -= matrix[i * UNKNOWNS + k]! * matrix[j * UNKNOWNS + k]!;
      matrix[i * UNKNOWNS + j] = value / root;
    }
  }
  for (let i = 0; i < size; i++) {
    let value = right[i]!;
    for (let k = 0; k < i; k++) value -= matrix[i * UNKNOWNS + k]! * right[k]!;
    right[i] = value / matrix[i * UNKNOWNS + i]!;
  }
  for (let i = size - 1; i >= 0; i--) {
    let value = right[i]!;
    for (let k = i + 1; k < size; k++) value -= matrix[k * UNKNOWNS + i]! * right[k]!;
    right[i] = value / matrix[i * UNKNOWNS + i]!;
  }
}
