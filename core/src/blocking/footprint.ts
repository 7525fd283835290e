import type { Block } from './block.ts';
import type { Field } from './field.ts';

const { abs, ceil, floor, max, min } = Math;

/** Where a block is held: its middle, and the turn of its length against the panel's length. */
export interface Pose {
  xMm: number;
  yMm: number;
  turnRad: number;
}

/**
 * The cells of a field that lie under a block, in runs: neighbours of one row under one span of the block. A run's
 * cells are start..end of the field's maps; cell k of a run lies at t0 + k tPerCell of its span (0..1) and at
 * v0 + k vPerCell across the block (-1..1). Nothing is allocated after construction.
 */
export class Footprint {
  nRuns = 0;
  readonly start: Int32Array;
  readonly end: Int32Array;
  readonly span: Int32Array;
  readonly t0: Float64Array;
  readonly v0: Float64Array;
  tPerCell = 0;
  vPerCell = 0;
  /** Of one row of cells down the field. */
  tPerRow = 0;
  vPerRow = 0;
  /** Cells of the row in hand that lie under the block. */
  private low = 0;
  private high = 0;

  constructor(
    readonly field: Field,
    readonly block: Block,
    readonly nSpans: number,
  ) {
    const most = field.ny * (nSpans + 1);
    this.start = new Int32Array(most);
    this.end = new Int32Array(most);
    this.span = new Int32Array(most);
    this.t0 = new Float64Array(most);
    this.v0 = new Float64Array(most);
  }

  /** Finds the cells under the block; none where it is held off the field. */
  cover({ xMm, yMm, turnRad }: Pose): void {
    const { field, block, nSpans } = this;
    const { nx, ny, cellMm } = field;
    const cos = Math.cos(turnRad);
    const sin = Math.sin(turnRad);
    const spanMm = block.lengthMm / nSpans;
    const halfW = block.widthMm / 2;
    const reach = abs((block.lengthMm / 2) * sin) + abs(halfW * cos);
    const firstRow = max(0, ceil((yMm - reach) / cellMm - 0.5));
    const endRow = min(ny, floor((yMm + reach) / cellMm - 0.5) + 1);
    this.tPerCell = (cos * cellMm) / spanMm;
    this.vPerCell = (-sin * cellMm) / halfW;
    this.tPerRow = (sin * cellMm) / spanMm;
    this.vPerRow = (cos * cellMm) / halfW;
    const dx0 = 0.5 * cellMm - xMm;
    const dy0 = 0.5 * cellMm - yMm;
    const sAt0 = (dx0 * cos + dy0 * sin) / spanMm + nSpans / 2;
    const vAt0 = (-dx0 * sin + dy0 * cos) / halfW;
    this.nRuns = 0;
    for (let row = firstRow; row < endRow; row++) {
      const s = sAt0 + row * this.tPerRow;
      const v = vAt0 + row * this.vPerRow;
      this.low = 0;
      this.high = nx - 1;
      this.narrow(s, this.tPerCell, 0, nSpans);
      this.narrow(v, this.vPerCell, -1, 1);
      if (this.high >= this.low) this.cut(row * nx, s, v);
    }
  }

  /** Narrows a row to the cells x with least <= at + slope x <= most. */
  private narrow(at: number, slope: number, least: number, most: number): void {
    if (abs(slope) < 1e-9) {
      if (at < least || at > most) this.high = -1;
      return;
    }
    const a = (least - at) / slope;
    const b = (most - at) / slope;
    this.low = max(this.low, ceil(min(a, b) - 1e-9));
    this.high = min(this.high, floor(max(a, b) + 1e-9));
  }

  /** Cuts the cells low..high of a row into runs of one span each. */
  private cut(rowStart: number, sAt0: number, vAt0: number): void {
    const { nSpans, tPerCell, vPerCell } = this;
    const end = this.high + 1;
    for (let x = this.low; x < end;) {
      const s = sAt0 + x * tPerCell;
      const span = min(nSpans - 1, max(0, floor(s + 1e-9)));
      let next = end;
      if (tPerCell > 1e-9 && span < nSpans - 1) next = ceil((span + 1 - sAt0) / tPerCell - 1e-9);
      else if (tPerCell < -1e-9 && span > 0) next = floor((span - sAt0) / tPerCell + 1e-9) + 1;
      next = min(end, max(x + 1, next));
      const n = this.nRuns++;
      this.start[n] = rowStart + x;
      this.end[n] = rowStart + next;
      this.span[n] = span;
      this.t0[n] = s - span;
      this.v0[n] = vAt0 + x * vPerCell;
      x = next;
    }
  }
}
