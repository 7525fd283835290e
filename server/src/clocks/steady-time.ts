import { Injectable } from '@nestjs/common';
import { uptime } from 'node:os';

const SECOND_MS = 1000;

/** Time of this machine: its wall clock, and how far somebody has set that since it was last looked at. */
@Injectable()
export class SteadyTime {
  private anchorMs = this.offsetMs();

  nowMs(): number {
    return Date.now();
  }

  /** Time since the machine was started, sleep included; no setting of the wall clock moves it. */
  protected runningMs(): number {
    return uptime() * SECOND_MS;
  }

  private offsetMs(): number {
    return this.nowMs() - this.runningMs();
  }

  /** By how much the wall clock was set since this was last asked, ms; 0 for what is only inexact. */
  takeJumpMs(leastMs: number): number {
    const jumpMs = Math.round(this.offsetMs() - this.anchorMs);
    if (Math.abs(jumpMs) < leastMs) return 0;
    this.anchorMs += jumpMs;
    return jumpMs;
  }
}
