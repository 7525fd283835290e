import { clockPlace, type Clock, type ClockAir, type ShopAir } from '@blue-ledge/core';
import type { Read, Write } from '../database/database.ts';
import { jsonOf } from '../database/sql.ts';
import type { PanelParams } from '../http/params.ts';

/** The only file that reads and writes clocks. */

export interface KeptClock {
  readonly clock: Clock;
  /** The shop that it runs in; null for a clock of a person's own. */
  readonly shopId: string | null;
  readonly endedMs: number | null;
  readonly airBefore: readonly ClockAir[];
  readonly by: string;
  readonly version: number;
}

interface ClockRow {
  readonly body: unknown;
  readonly shopId: string | null;
  readonly startedMs: number;
  readonly endedMs: number | null;
  readonly airBefore: unknown;
  readonly actor: string;
  readonly version: number;
}

const CLOCKS = 'SELECT body, "shopId", "startedMs", "endedMs", "airBefore", actor, version FROM clocks';

const keptOf = ({ body, shopId, startedMs, endedMs, airBefore, actor, version }: ClockRow): KeptClock => ({
  clock: { ...jsonOf<Clock>(body), startedMs: Number(startedMs) },
  shopId,
  endedMs: endedMs === null ? null : Number(endedMs),
  airBefore: jsonOf<ClockAir[]>(airBefore),
  by: actor,
  version,
});

const placeOf = ({ step, title }: Clock): string | null => (step ? clockPlace(step, title) : null);

export class ClocksReader {
  constructor(protected readonly tx: Read) {}

  /** Clocks that run, the oldest first. */
  async running(): Promise<KeptClock[]> {
    const rows = await this.tx.sql.rows<ClockRow>(
      `${CLOCKS} WHERE "endedMs" IS NULL ORDER BY "startedMs", id`,
    );
    return rows.map(keptOf);
  }

  async byId(id: string): Promise<KeptClock | null> {
    const [row] = await this.tx.sql.rows<ClockRow>(`${CLOCKS} WHERE id = $1`, id);
    return row ? keptOf(row) : null;
  }

  /** The clock that runs on the same step, or on the same pot of its mix. */
  async runningAt(clock: Clock): Promise<KeptClock | null> {
    const place = placeOf(clock);
    if (place === null) return null;
    const [row] = await this.tx.sql.rows<ClockRow>(`${CLOCKS} WHERE place = $1 AND "endedMs" IS NULL`, place);
    return row ? keptOf(row) : null;
  }
}

export class ClocksWriter extends ClocksReader {
  constructor(protected override readonly tx: Write) {
    super(tx);
  }

  async insert(clock: Clock, shopId: string | null): Promise<KeptClock> {
    const { sql, note, actor } = this.tx;
    await sql.write(
      `INSERT INTO clocks (id, "shopId", place, "startedMs", "endedMs", body, "airBefore", actor, version, "createdAt", "updatedAt")
         VALUES ($1, $2, $3, $4, NULL, $5, '[]', $6, 1, $7, $7)`,
      clock.id,
      shopId,
      placeOf(clock),
      clock.startedMs,
      JSON.stringify(clock),
      actor,
      new Date().toISOString(),
    );
    note({ subject: `clocks/${clock.id}`, kind: 'clock.started', body: { title: clock.title } });
    return { clock, shopId, endedMs: null, airBefore: [], by: actor, version: 1 };
  }

  async update(was: KeptClock, changed: Partial<KeptClock>, kind: string): Promise<KeptClock> {
    const { sql, note } = this.tx;
    const next = { ...was, ...changed, version: was.version + 1 };
    const { clock, shopId, endedMs, airBefore, version } = next;
    await sql.write(
      `UPDATE clocks SET "startedMs" = $2, "endedMs" = $3, "airBefore" = $4, version = $5, "updatedAt" = $6, "shopId" = $7
         WHERE id = $1`,
      clock.id,
      clock.startedMs,
      endedMs,
      JSON.stringify(airBefore),
      version,
      new Date().toISOString(),
      shopId,
    );
    note({ subject: `clocks/${clock.id}`, kind, body: { version } });
    return next;
  }

  /** The shop's air is another one from now on: clocks that run keep what they ran in so far. */
  async airChanged(shopId: string, was: ShopAir, nowMs: number): Promise<void> {
    for (const kept of await this.running()) {
      if (kept.shopId !== shopId) continue;
      const airBefore = [...kept.airBefore, { untilMs: nowMs, air: was }];
      await this.update(kept, { airBefore }, 'clock.corrected');
    }
  }

  /** A job is in another shop from now on: its clocks run in the air of that one, and keep what they ran in so far. */
  async followJob(jobId: string, shopId: string, was: ShopAir, nowMs: number): Promise<void> {
    for (const kept of await this.running()) {
      if (kept.clock.step?.jobId !== jobId || kept.shopId === shopId) continue;
      const airBefore = [...kept.airBefore, { untilMs: nowMs, air: was }];
      await this.update(kept, { airBefore, shopId }, 'clock.corrected');
    }
  }

  /** A shop goes: its clocks stay, in the shop that their job is in now, or in none. */
  async leaveShop(shopId: string): Promise<void> {
    const { sql } = this.tx;
    for (const kept of await this.running()) {
      if (kept.shopId !== shopId) continue;
      const [job] = await sql.rows<{ readonly shopId: string }>(
        'SELECT "shopId" FROM jobs WHERE id = $1',
        kept.clock.step?.jobId ?? '',
      );
      await this.update(kept, { shopId: job?.shopId ?? null }, 'clock.corrected');
    }
    await sql.write('UPDATE clocks SET "shopId" = NULL WHERE "shopId" = $1', shopId);
  }

  /** Stops what runs for the steps of a panel. */
  async endOfPanel({ job, panel }: PanelParams, endedMs: number): Promise<void> {
    for (const kept of await this.running()) {
      const { step } = kept.clock;
      if (step?.jobId === job && step.panelId === panel)
        await this.update(kept, { endedMs }, 'clock.stopped');
    }
  }

  /** Forgets clocks that ended before a moment. */
  async forgetEnded(beforeMs: number): Promise<void> {
    await this.tx.sql.write('DELETE FROM clocks WHERE "endedMs" < $1', beforeMs);
  }
}
