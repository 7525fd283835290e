import {
  momentsOf,
  sheetSchema,
  shopSchema,
  type Clock,
  type ClocksView,
  type ClockView,
  type Shop,
} from '@blue-ledge/core';
import { Injectable, type OnApplicationBootstrap, type OnApplicationShutdown } from '@nestjs/common';
import { Database, type Read, type Write } from '../database/database.ts';
import { IdempotentWrites, type WriteRequest } from '../database/idempotent-writes.ts';
import { ProblemError, notFound } from '../http/problem.ts';
import { mustBeKnown } from '../http/zod.pipe.ts';
import { JobsReader } from '../jobs/jobs.repository.ts';
import { ShopsReader } from '../shops/shops.repository.ts';
import { ClocksReader, ClocksWriter, type KeptClock } from './clocks.repository.ts';
import type { ClockPatch } from './clocks.schemas.ts';
import { SteadyTime } from './steady-time.ts';
import { timeText, wallTimeOf } from './wall-time.ts';

const MINUTE_MS = 60_000;
const DAY_MS = 24 * 60 * MINUTE_MS;
/** A screen's clock is never quite the server's. */
const MOST_AHEAD_MS = 2 * MINUTE_MS;
const MOST_OLD_MS = 14 * DAY_MS;
const MOST_RUNNING = 200;
const KEPT_MS = 30 * DAY_MS;
/** A wall clock that moved by more than this was set by somebody. */
const LEAST_JUMP_MS = 5000;
const LOOK_EVERY_MS = 15_000;

const wrong = (path: string, message: string): ProblemError =>
  new ProblemError(400, 'Some of what was sent cannot be used.', [{ path, message }]);

/** A clock with what comes when; one of a person's own runs in no shop's air. */
const viewOf = ({ clock, airBefore, endedMs, by, version }: KeptClock, shop: Shop | undefined): ClockView => {
  const start = wallTimeOf(clock.startedMs);
  const moments = momentsOf(clock, shop ?? shopSchema.parse({}), { start, airBefore });
  return { clock, by, version, endedMs, moments };
};

/** A coat, filler or fresh bare metal ends what ran on the same areas since an earlier step: it was what that waited for. */
function endsAt({ step: before }: Clock, { step, work }: Clock): boolean {
  if (!step || !before || step.pot !== undefined || before.pot !== undefined || work.kind === 'minutes')
    return false;
  const isSamePanel = before.jobId === step.jobId && before.panelId === step.panelId;
  return isSamePanel && before.n < step.n && before.areas.some((area) => step.areas.includes(area));
}

/** Clocks of the bench, the same on every screen. */
@Injectable()
export class ClocksService implements OnApplicationBootstrap, OnApplicationShutdown {
  private timer: ReturnType<typeof setInterval> | undefined;

  constructor(
    private readonly database: Database,
    private readonly writes: IdempotentWrites,
    private readonly time: SteadyTime,
  ) {}

  onApplicationBootstrap(): void {
    this.timer = setInterval(() => void this.followWallClock().catch(() => undefined), LOOK_EVERY_MS);
    this.timer.unref();
  }

  onApplicationShutdown(): void {
    clearInterval(this.timer);
  }

  /** All clocks that run. */
  async running(): Promise<ClocksView> {
    await this.followWallClock();
    const clocks = await this.database.read(async (tx) => {
      const shops = new Map((await new ShopsReader(tx).all()).map(({ id, shop }) => [id, shop]));
      return (await new ClocksReader(tx).running()).map((kept) => viewOf(kept, shops.get(kept.shopId ?? '')));
    });
    return { nowMs: this.time.nowMs(), clocks };
  }

  /** Starts a clock; the same one that comes again is the one that runs. */
  start(asked: WriteRequest, clock: Clock): Promise<ClockView> {
    this.checkStart(clock.startedMs);
    return this.writes.run(asked, async (tx) => {
      const clocks = new ClocksWriter(tx);
      const known = await clocks.byId(clock.id);
      if (known) return this.seen(tx, known);
      const shopId = await this.shopOf(tx, clock);
      await this.checkSheet(tx, clock, shopId);
      await this.checkFree(tx, clock);
      await clocks.forgetEnded(this.time.nowMs() - KEPT_MS);
      for (const over of (await clocks.running()).filter((other) => endsAt(other.clock, clock)))
        await clocks.update(over, { endedMs: clock.startedMs }, 'clock.stopped');
      return this.seen(tx, await clocks.insert(clock, shopId));
    });
  }

  /** Stops a clock, lets it run again, or says when it really began. */
  patch(asked: WriteRequest, id: string, { startedMs, endedMs }: ClockPatch): Promise<ClockView> {
    if (startedMs !== undefined) this.checkStart(startedMs);
    return this.writes.run(asked, async (tx) => {
      const clocks = new ClocksWriter(tx);
      const was = await clocks.byId(id);
      if (!was) throw notFound(`Clock "${id}"`);
      if (endedMs === null && was.endedMs !== null) await this.checkFree(tx, was.clock);
      const kind =
        endedMs === undefined ? 'clock.corrected' : endedMs === null ? 'clock.resumed' : 'clock.stopped';
      const changed = {
        ...(startedMs === undefined ? {} : { clock: { ...was.clock, startedMs } }),
        ...(endedMs === undefined ? {} : { endedMs }),
      };
      return this.seen(tx, await clocks.update(was, changed, kind));
    });
  }

  private async seen(tx: Read, kept: KeptClock): Promise<ClockView> {
    const shop = kept.shopId === null ? null : await new ShopsReader(tx).byId(kept.shopId);
    return viewOf(kept, shop?.shop);
  }

  /** @throws {ProblemError} 400 for a beginning that nobody can mean */
  private checkStart(startedMs: number): void {
    const nowMs = this.time.nowMs();
    if (startedMs > nowMs + MOST_AHEAD_MS)
      throw wrong(
        'startedMs',
        'lies ahead: a clock begins now or has begun. Give the time at which it began.',
      );
    if (startedMs < nowMs - MOST_OLD_MS)
      throw wrong('startedMs', 'lies more than 14 days back. Give the time at which it began.');
  }

  /** @throws {ProblemError} 404 for a job or panel that is gone, 409 where too many clocks run */
  private async shopOf(tx: Write, { step }: Clock): Promise<string | null> {
    if ((await new ClocksReader(tx).running()).length >= MOST_RUNNING)
      throw new ProblemError(409, `${MOST_RUNNING} clocks run. Stop those that are over first.`);
    if (!step) return null;
    const found = await new JobsReader(tx).panelInJob({ job: step.jobId, panel: step.panelId });
    if (!found?.panel) throw notFound(`Panel "${step.panelName}"`);
    return found.job.shopId;
  }

  /** @throws {ProblemError} 400 for fields of a sheet that neither is known nor came with the shop's own sheet */
  private async checkSheet(tx: Read, { work }: Clock, shopId: string | null): Promise<void> {
    if (!('sheet' in work)) return;
    // A product that is mixed in one of its ways has the id of the way behind its own.
    const [id = ''] = work.sheet.id.split('/');
    const versions = shopId === null ? [] : await new ShopsReader(tx).versions(shopId, id);
    mustBeKnown(sheetSchema, work.sheet, Object.assign({}, ...versions), 'work.sheet');
  }

  /** @throws {ProblemError} 409 where a clock runs on the same step */
  private async checkFree(tx: Read, clock: Clock): Promise<void> {
    const other = await new ClocksReader(tx).runningAt(clock);
    if (!other) return;
    const since = timeText(other.clock.startedMs);
    throw new ProblemError(
      409,
      `A clock runs on "${clock.title}" of ${clock.step!.panelName} already, since ${since}. Stop it first, or say in it when it really began.`,
    );
  }

  /** Where somebody sets this machine's clock, what runs is set with it: as long stays as long. */
  private async followWallClock(): Promise<void> {
    const jumpMs = this.time.takeJumpMs(LEAST_JUMP_MS);
    if (jumpMs === 0) return;
    await this.database.write('clock', async (tx) => {
      const clocks = new ClocksWriter(tx);
      for (const kept of await clocks.running()) {
        const clock = { ...kept.clock, startedMs: kept.clock.startedMs + jumpMs };
        const airBefore = kept.airBefore.map(({ untilMs, air }) => ({ untilMs: untilMs + jumpMs, air }));
        await clocks.update(kept, { clock, airBefore }, 'clock.corrected');
      }
    });
  }
}
