import {
  eveningOf,
  isBaseOn,
  readEntries,
  stepsDone,
  storedPlanOf,
  type DatedStart,
  type Entry,
  type NotEntered,
  type PanelOfShop,
  type Schedule,
  type ScheduleMove,
  type Shop,
  type ShopView,
  type StoredPlan,
} from '@blue-ledge/core';
import type { Read, Write } from '../database/database.ts';
import { jsonOf } from '../database/sql.ts';
import { pastOfPanel } from '../record/past.ts';
import { RecordReader } from '../record/record.repository.ts';

/** The only file that reads and writes schedules and pins, and reads what they are made of. */

export interface KeptNotEntered extends NotEntered {
  readonly planId: string;
}

export interface KeptSchedule {
  readonly version: number;
  readonly madeAt: string;
  /** Mark of what it was made of: it is made again once that differs. */
  readonly madeOf: string;
  readonly start: DatedStart;
  readonly schedule: Schedule | null;
  readonly problem?: string;
  /** Steps that should be done by now, and the plan that each is of. */
  readonly notEntered?: readonly KeptNotEntered[];
  /** What a move replaced, to go back to. */
  readonly previous?: { readonly schedule: Schedule | null; readonly moves: readonly ScheduleMove[] };
}

/** A panel of an open job with the plan that it is worked by. */
export interface PanelToSchedule extends PanelOfShop {
  readonly jobTitle: string;
  readonly planId: string | null;
  /** Hash of the last entry of its record; empty where there is none. */
  readonly head: string;
}

interface PanelRow {
  readonly jobId: string;
  readonly title: string;
  readonly job: unknown;
  readonly panelId: string;
  readonly panel: unknown;
  readonly planId: string | null;
  readonly chosen: string | null;
  readonly plan: unknown;
}

const PANELS = `SELECT jobs.id AS "jobId", jobs.title, jobs.body AS job, panels.id AS "panelId", panels.body AS panel,
    plans.id AS "planId", plans.chosen, plans.body AS plan
  FROM panels JOIN jobs ON jobs.id = panels."jobId"
  LEFT JOIN plans ON plans."jobId" = panels."jobId" AND plans."panelId" = panels.id
    AND plans.id = (SELECT newest.id FROM plans AS newest
      WHERE newest."jobId" = panels."jobId" AND newest."panelId" = panels.id
      ORDER BY newest.seq DESC LIMIT 1)
  WHERE jobs."shopId" = $1 AND jobs."archivedAt" IS NULL AND jobs."removedAt" IS NULL AND panels."removedAt" IS NULL
  ORDER BY jobs."createdAt", jobs.id, panels.place, panels.id`;

function dueOf(job: unknown, shop: Shop): { readonly due?: DatedStart } {
  const dueOn = jsonOf<{ job?: { dueOn?: string } }>(job).job?.dueOn;
  return dueOn ? { due: eveningOf(dueOn, shop) } : {};
}

/** A start that somebody chose: the panel is not touched before it. */
function notBeforeOf(plan: StoredPlan | null): { readonly notBefore?: DatedStart } {
  const { isStartFixed, startOn, startMin } = plan?.inputs ?? {};
  return isStartFixed && startOn !== undefined && startMin !== undefined
    ? { notBefore: { startOn, startMin } }
    : {};
}

export class ScheduleReader {
  constructor(protected readonly tx: Read) {}

  /** Every panel of the shop's open jobs. */
  async panels({ id: shopId, shop }: ShopView): Promise<PanelToSchedule[]> {
    const rows = await this.tx.sql.rows<PanelRow>(PANELS, shopId);
    const records = await new RecordReader(this.tx).entriesOf([...new Set(rows.map(({ jobId }) => jobId))]);
    const entriesOf = ({ jobId, panelId }: PanelRow): readonly Entry[] =>
      records.get(`${jobId}/${panelId}`) ?? [];
    // Where base is on, the panel is the painter's.
    return rows
      .map((row) => ({ row, entries: entriesOf(row) }))
      .filter(({ entries }) => !isBaseOn(entries))
      .map(({ row, entries }) => this.panelOf(row, entries, shop));
  }

  private panelOf(row: PanelRow, entries: readonly Entry[], shop: Shop): PanelToSchedule {
    const { jobId, title, job, panelId, panel, planId, chosen, plan } = row;
    const past = pastOfPanel(entries);
    const stored = plan === null ? null : storedPlanOf(jsonOf(plan));
    return {
      jobId,
      jobTitle: title,
      panelId,
      name: jsonOf<{ name?: string }>(panel).name ?? panelId,
      planId,
      plan: stored,
      systemId: chosen,
      head: entries.at(-1)?.hash ?? '',
      ...(past && planId !== null
        ? { past: { ...past, doneSteps: stepsDone(readEntries(entries), planId) } }
        : {}),
      ...notBeforeOf(stored),
      ...dueOf(job, shop),
    };
  }

  async kept(shopId: string): Promise<KeptSchedule | null> {
    const [row] = await this.tx.sql.rows<{
      readonly body: unknown;
      readonly madeOf: string;
      readonly version: number;
      readonly updatedAt: string;
    }>('SELECT body, "madeOf", version, "updatedAt" FROM schedules WHERE "shopId" = $1', shopId);
    if (!row) return null;
    const { body, madeOf, version, updatedAt } = row;
    return {
      ...jsonOf<Pick<KeptSchedule, 'start' | 'schedule' | 'previous'>>(body),
      madeOf,
      version,
      madeAt: updatedAt,
    };
  }

  async moves(shopId: string): Promise<ScheduleMove[]> {
    const rows = await this.tx.sql.rows<{ readonly body: unknown }>(
      'SELECT body FROM pins WHERE "shopId" = $1 ORDER BY "jobId", "panelId", n',
      shopId,
    );
    return rows.map(({ body }) => jsonOf<ScheduleMove>(body));
  }
}

export class ScheduleWriter extends ScheduleReader {
  constructor(protected override readonly tx: Write) {
    super(tx);
  }

  async keep(
    shopId: string,
    { madeOf, ...body }: Omit<KeptSchedule, 'version' | 'madeAt'>,
  ): Promise<KeptSchedule> {
    const { sql, note } = this.tx;
    const now = new Date().toISOString();
    const version = ((await this.kept(shopId))?.version ?? 0) + 1;
    await sql.write(
      `INSERT INTO schedules ("shopId", body, "madeOf", version, "createdAt", "updatedAt") VALUES ($1, $2, $3, $4, $5, $5)
         ON CONFLICT ("shopId") DO UPDATE SET body = $2, "madeOf" = $3, version = $4, "updatedAt" = $5`,
      shopId,
      JSON.stringify(body),
      madeOf,
      version,
      now,
    );
    note({ subject: `shops/${shopId}/schedule`, kind: 'schedule.made', body: { version } });
    return { ...body, madeOf, version, madeAt: now };
  }

  /** Pins a step, or lets it go. */
  async move(shopId: string, move: ScheduleMove): Promise<void> {
    const { sql, actor } = this.tx;
    const { jobId, panelId, n, at } = move;
    await sql.write(
      'DELETE FROM pins WHERE "shopId" = $1 AND "jobId" = $2 AND "panelId" = $3 AND n = $4',
      shopId,
      jobId,
      panelId,
      n,
    );
    if (at === null) return;
    await sql.write(
      `INSERT INTO pins ("shopId", "jobId", "panelId", n, body, actor, "createdAt") VALUES ($1, $2, $3, $4, $5, $6, $7)`,
      shopId,
      jobId,
      panelId,
      n,
      JSON.stringify(move),
      actor,
      new Date().toISOString(),
    );
  }

  async letGoOfAll(shopId: string): Promise<void> {
    await this.tx.sql.write('DELETE FROM pins WHERE "shopId" = $1', shopId);
  }
}
