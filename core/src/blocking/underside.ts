import type { Block } from './block.ts';

const { ceil, max, min } = Math;

/**
 * Underside of a block along its length as a spline over equal spans: one straight span for a rigid block, quadratic
 * B-splines for one that bends as a beam. Its unknowns are the spline's coefficients, µm. In span j the underside at
 * t (0..1) is the sum of SHAPES x coefficients j, j + 1, ...
 */

/** Longest span of a beam, mm: half of it changes the unlevelness that is left by less than 5 % (tested). */
const LONGEST_SPAN_MM = 50;

/** Shapes of one span as polynomials of t, lowest power first, by degree. */
const SHAPES = [
  [],
  [
    [1, -1],
    [0, 1],
  ],
  [
    [0.5, -1, 0.5],
    [0.5, 1, -1],
    [0, 0, 0.5],
  ],
] as const;
/** Share of a load spread evenly over a span that each of its shapes carries. */
const LOADS = [[], [1 / 2, 1 / 2], [1 / 6, 4 / 6, 1 / 6]] as const;

export const isRigid = ({ bendingNMm2 }: Block): boolean => !Number.isFinite(bendingNMm2);

/** Spans into which a block is divided. */
export const spansOf = (block: Block): number =>
  isRigid(block) ? 1 : (block.nSpans ?? ceil(block.lengthMm / LONGEST_SPAN_MM));

export class Underside {
  readonly degree: 1 | 2;
  /** Coefficients of the spline. */
  readonly size: number;
  /** Share of the hand's force on each coefficient: the force is spread over the length. */
  readonly load: Float64Array;
  readonly shapes: readonly (readonly number[])[];
  /** Stiffness against a second difference of coefficients, N/µm: EI / span³. */
  private readonly bendNPerUm: number;
  /** Polynomial of each span: coefficients of 1, t, t². */
  readonly poly: Float64Array;

  constructor(
    block: Block,
    readonly nSpans: number,
  ) {
    this.degree = isRigid(block) ? 1 : 2;
    this.size = nSpans + this.degree;
    this.shapes = SHAPES[this.degree];
    this.load = new Float64Array(this.size);
    for (let j = 0; j < nSpans; j++)
      LOADS[this.degree].forEach((share, i) => (this.load[j + i]! += share / nSpans));
    this.bendNPerUm = this.degree === 1 ? 0 : (1e-3 * block.bendingNMm2) / (block.lengthMm / nSpans) ** 3;
    this.poly = new Float64Array(3 * nSpans);
  }

  /** Works the polynomials of all spans out of coefficients. */
  unfold(at: Float64Array): void {
    const { poly, nSpans } = this;
    for (let j = 0; j < nSpans; j++) {
      const a = at[j]!;
      const b = at[j + 1]!;
      if (this.degree === 1) {
        poly[3 * j] = a;
        poly[3 * j + 1] = b - a;
        continue;
      }
      const c = at[j + 2]!;
      poly[3 * j] = (a + b) / 2;
      poly[3 * j + 1] = b - a;
      poly[3 * j + 2] = (a + c) / 2 - b;
    }
  }

  /** Energy of bending, N µm. */
  energy(at: Float64Array): number {
    if (this.degree === 1) return 0;
    let sum = 0;
    for (let j = 0; j < this.nSpans; j++) sum += (at[j]! - 2 * at[j + 1]! + at[j + 2]!) ** 2;
    return 0.5 * this.bendNPerUm * sum;
  }

  /** Takes the force of bending off the forces on coefficients, N. */
  takeOffForce(at: Float64Array, forces: Float64Array): void {
    if (this.degree === 1) return;
    for (let j = 0; j < this.nSpans; j++) {
      const force = this.bendNPerUm * (at[j]! - 2 * at[j + 1]! + at[j + 2]!);
      forces[j]! -= force;
      forces[j + 1]! += 2 * force;
      forces[j + 2]! -= force;
    }
  }

  /** Adds the stiffness of bending to the lower half of a matrix with rows of `width`. */
  addStiffness(matrix: Float64Array, width: number): void {
    if (this.degree === 1) return;
    const k = this.bendNPerUm;
    for (let j = 0; j < this.nSpans; j++) {
      matrix[j * width + j]! += k;
      matrix[(j + 1) * width + j]! -= 2 * k;
      matrix[(j + 1) * width + j + 1]! += 4 * k;
      matrix[(j + 2) * width + j]! += k;
      matrix[(j + 2) * width + j + 1]! -= 2 * k;
      matrix[(j + 2) * width + j + 2]! += k;
    }
  }

  /** Coefficients of the same curve seen from further along it by so many spans, into another array. */
  slide(at: Float64Array, spans: number, into: Float64Array): void {
    const last = this.size - 1;
    if (this.degree === 1) {
      const slope = at[1]! - at[0]!;
      for (let i = 0; i <= last; i++) into[i] = at[i]! + spans * slope;
      return;
    }
    for (let i = 0; i <= last; i++) {
      const mid = min(last - 1, max(1, i));
      const bend = at[mid + 1]! - 2 * at[mid]! + at[mid - 1]!;
      const slope = (at[mid + 1]! - at[mid - 1]!) / 2 + (i - mid) * bend;
      into[i] = at[i]! + spans * slope + (spans * spans * bend) / 2;
    }
  }
}
