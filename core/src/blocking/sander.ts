import type { Grade } from '../materials/grades.ts';
import { DEFAULT_FIGURES, type SandingFigures } from '../surface/figures.ts';
import { scratchDepthUm } from '../surface/scratch.ts';
import { prestonMm3PerNm, type Block } from './block.ts';
import { Contact } from './contact.ts';
import type { Field } from './field.ts';
import type { Pose } from './footprint.ts';

const { max, min } = Math;

/**
 * A hand that pushes a block over a panel. The way is cut into steps of equal length, whatever the rate at which it is
 * told: at each step the block comes to rest, and what it touches loses K x p x distance (Preston): guide coat first,
 * then film, then what lies under it at that material's own rate.
 */

/** Length of one step on the way, mm: small against any block. */
export const STEP_MM = 10;
/** Imbalance that a block may have while it slides, over all its unknowns, as a share of the force. */
export const NEAR_SHARE = 0.1;

/** One hand with a block and a grade: putDown, slideTo, lift; the field it was given is changed in place. */
export class Sander {
  private contact: Contact;
  private filmRate = 0;
  private underRatio = 0;
  private scratchUm = 0;
  private readonly pose: Pose = { xMm: 0, yMm: 0, turnRad: 0 };
  /** Where the block last came to rest. */
  private lastX = 0;
  private lastY = 0;
  private carriedMm = 0;
  private isDown = false;
  forceN: number;
  /** Distance slid since the start, m. */
  slidM = 0;
  /** Volume taken off since the start, mm³, and what Preston's integral asks for while all is film. */
  takenMm3 = 0;
  wantedMm3 = 0;
  /** How often the block was brought to rest. */
  nSettled = 0;

  constructor(
    readonly field: Field,
    private block: Block,
    private grade: Grade,
    private readonly figures: SandingFigures = DEFAULT_FIGURES,
  ) {
    this.forceN = figures.blockForceN;
    this.contact = new Contact(field, block);
    this.take(block, grade);
  }

  /** Takes another block or grade in hand; the block is lifted for it. */
  take(block: Block, grade: Grade): void {
    this.lift();
    if (block !== this.block) this.contact = new Contact(this.field, block);
    this.block = block;
    this.grade = grade;
    this.filmRate = prestonMm3PerNm(grade, this.field.film, this.figures);
    this.underRatio = prestonMm3PerNm(grade, this.field.under, this.figures) / this.filmRate;
    this.scratchUm = scratchDepthUm(grade, 'block', this.field.film, this.figures);
  }

  /** Puts the block down; its middle stays on the panel. */
  putDown(xMm: number, yMm: number, turnRad: number): void {
    this.pose.xMm = this.withinX(xMm);
    this.pose.yMm = this.withinY(yMm);
    this.pose.turnRad = turnRad;
    this.contact.putDown(this.pose);
    this.lastX = this.pose.xMm;
    this.lastY = this.pose.yMm;
    this.carriedMm = 0;
    this.isDown = true;
  }

  lift(): void {
    this.isDown = false;
  }

  turnTo(turnRad: number): void {
    this.pose.turnRad = turnRad;
  }

  /** Slides the block to a place, sanding all the way; does nothing while it is lifted. */
  slideTo(xMm: number, yMm: number): void {
    if (!this.isDown) return;
    const { pose } = this;
    const fromX = pose.xMm;
    const fromY = pose.yMm;
    const toX = this.withinX(xMm);
    const toY = this.withinY(yMm);
    const wayMm = Math.hypot(toX - fromX, toY - fromY);
    if (wayMm === 0) return;
    let doneMm = STEP_MM - this.carriedMm;
    for (; doneMm <= wayMm + 1e-9; doneMm += STEP_MM) {
      // The block stands for its step in the middle of it.
      const share = (doneMm - STEP_MM / 2) / wayMm;
      this.sandAt(fromX + share * (toX - fromX), fromY + share * (toY - fromY));
    }
    this.carriedMm = wayMm - (doneMm - STEP_MM);
    pose.xMm = toX;
    pose.yMm = toY;
  }

  private withinX = (xMm: number): number => min(this.field.nx * this.field.cellMm, max(0, xMm));
  private withinY = (yMm: number): number => min(this.field.ny * this.field.cellMm, max(0, yMm));

  /** One step: rest, then removal under the block. */
  private sandAt(xMm: number, yMm: number): void {
    const { pose, contact } = this;
    const slidM = STEP_MM / 1000;
    this.slidM += slidM;
    contact.follow(xMm - this.lastX, yMm - this.lastY);
    pose.xMm = this.lastX = xMm;
    pose.yMm = this.lastY = yMm;
    if (contact.settle(pose, this.forceN, NEAR_SHARE) === 0) return;
    contact.learn();
    this.nSettled += 1;
    this.wantedMm3 += this.filmRate * this.forceN * slidM;
    this.takenMm3 += this.remove(slidM);
  }

  /** Takes off what the pressure under the block asks for; returns the volume, mm³. */
  private remove(slidM: number): number {
    const { topUm, filmUm, guideUm, scratchUm, cellMm } = this.field;
    const { contact, underRatio, scratchUm: leavesUm } = this;
    const { footprint, underside, rest } = contact;
    const { poly } = underside;
    const { tPerCell, vPerCell } = footprint;
    const tilt = rest[rest.length - 1]!;
    const perUm = this.filmRate * this.block.padNPerMm3 * slidM;
    let sumUm = 0;
    underside.unfold(rest);
    for (let run = 0; run < footprint.nRuns; run++) {
      const span = 3 * footprint.span[run]!;
      const p0 = poly[span]!;
      const p1 = poly[span + 1]!;
      const p2 = poly[span + 2]!;
      const end = footprint.end[run]!;
      let t = footprint.t0[run]!;
      let v = footprint.v0[run]!;
      for (let i = footprint.start[run]!; i < end; i++) {
        const top = topUm[i]!;
        const d = top - (p0 + t * (p1 + t * p2) + tilt * v);
        t += tPerCell;
        v += vPerCell;
        if (d <= 0) continue;
        let left = perUm * d;
        let taken = 0;
        const guide = guideUm[i]!;
        if (guide > 0) {
          taken = left < guide ? left : guide;
          guideUm[i] = guide - taken;
          left -= taken;
        }
        if (left > 0) {
          const film = filmUm[i]!;
          const off = left < film ? left : film;
          filmUm[i] = film - off;
          const under = (left - off) * underRatio;
          taken += off + under;
          const old = scratchUm[i]! - off - under;
          scratchUm[i] = old > leavesUm ? old : leavesUm;
        }
        topUm[i] = top - taken;
        sumUm += taken;
      }
    }
    return sumUm * 1e-3 * cellMm * cellMm;
  }
}
