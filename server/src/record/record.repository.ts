import {
  NO_HASH,
  chained,
  heldOf,
  type Entry,
  type NewEntry,
  type PanelState,
  type RecordHead,
} from '@blue-ledge/core';
import type { Read, Write } from '../database/database.ts';
import { jsonOf, momentText, type Sql } from '../database/sql.ts';
import type { PanelParams } from '../http/params.ts';
import { columnsOf } from './entry-columns.ts';

/** Reads and writes the record, as nothing else does but its search. Entries are appended; nothing here changes one. */

export interface EntryRow {
  readonly entry: unknown;
}
/** The last entry of a chain: 0 and no hash where there is none. */
type LastRow = { readonly seq: number; readonly hash: string };

interface StandingRow {
  readonly seq: number | null;
  readonly hash: string | null;
  readonly known: unknown;
  readonly madeAt: string | null;
}

/** Where a new entry would go in a panel's chain. */
export interface Standing extends LastRow {
  /** The entry that has its id already. */
  readonly known: Entry | null;
  /** When the job was made; null where it or the panel is gone. */
  readonly madeAt: Date | null;
}

/** A panel with a record, and how far it goes. */
export interface WorkedPanel extends PanelParams {
  readonly lastAt: string;
  readonly nEntries: number;
}

/** How far the work on a panel is by its record. */
export type Progress = Extract<PanelState, 'begun' | 'handed-over' | 'defect' | 'base-on'>;

interface ProgressRow {
  readonly jobId: string;
  readonly panelId: string;
  readonly handedAt: string | null;
  readonly workedAt: string | null;
  readonly defectAt: string | null;
  readonly baseAt: string | null;
}

function progressOf({ handedAt, workedAt, defectAt, baseAt }: ProgressRow): Progress {
  if (baseAt !== null) return 'base-on';
  if (handedAt === null) return 'begun';
  const isSince = (at: string | null): boolean => at !== null && at > handedAt;
  if (isSince(defectAt)) return 'defect';
  return isSince(workedAt) ? 'begun' : 'handed-over';
}

/** Entries of panels that are there, their jobs too. */
export const OPEN_PANELS = `FROM entries JOIN jobs ON jobs.id = entries."jobId" AND jobs."removedAt" IS NULL
  JOIN panels ON panels."jobId" = entries."jobId" AND panels.id = entries."panelId" AND panels."removedAt" IS NULL`;

/** What events about the record of a panel are about. */
export const recordSubject = ({ job, panel }: PanelParams): string => `jobs/${job}/panels/${panel}/record`;

/** Ids of the photos that an entry names, or puts in the place of others. */
export function photosIn({ body }: Entry): string[] {
  const { photoId, body: instead } = body as { photoId?: string; body?: { photoId?: string } | null };
  return [photoId ?? [], instead?.photoId ?? []].flat();
}

/** Ids of all photos that entries of a database name. */
export async function photosNamed(sql: Sql): Promise<ReadonlySet<string>> {
  const rows = await sql.rows<EntryRow>(`SELECT entry FROM entries WHERE kind IN ('photo', 'correction')`);
  return new Set(rows.flatMap(({ entry }) => photosIn(jsonOf<Entry>(entry))));
}

export class RecordReader {
  constructor(protected readonly tx: Read) {}

  /** The whole record of a panel, in the order in which it was entered. */
  async entries({ job, panel }: PanelParams): Promise<Entry[]> {
    const rows = await this.tx.sql.rows<EntryRow>(
      'SELECT entry FROM entries WHERE "jobId" = $1 AND "panelId" = $2 ORDER BY seq',
      job,
      panel,
    );
    return rows.map(({ entry }) => jsonOf<Entry>(entry));
  }

  /** The records of several panels by `job/panel`; panels without an entry are left out. */
  async entriesOf(jobIds: readonly string[]): Promise<Map<string, Entry[]>> {
    const rows = await this.tx.sql.rows<EntryRow & { readonly jobId: string; readonly panelId: string }>(
      `SELECT "jobId", "panelId", entry FROM entries
        WHERE "jobId" IN (${jobIds.map((_, i) => `$${i + 1}`).join(', ') || 'NULL'})
        ORDER BY "jobId", "panelId", seq`,
      ...jobIds,
    );
    const byPanel = new Map<string, Entry[]>();
    for (const { jobId, panelId, entry } of rows) {
      const name = `${jobId}/${panelId}`;
      byPanel.set(name, [...(byPanel.get(name) ?? []), jsonOf<Entry>(entry)]);
    }
    return byPanel;
  }

  /** Zones of a panel, by id. */
  async zones({ job, panel }: PanelParams): Promise<ReadonlySet<string>> {
    const rows = await this.tx.sql.rows<{ readonly id: string }>(
      'SELECT id FROM zones WHERE "jobId" = $1 AND "panelId" = $2',
      job,
      panel,
    );
    return new Set(rows.map(({ id }) => id));
  }

  /** What an entry is checked against first; asked at once, for every tap asks. */
  async standing({ job, panel }: PanelParams, id: string): Promise<Standing> {
    const [row] = await this.tx.sql.rows<StandingRow>(
      `SELECT last.seq, last.hash,
           (SELECT entry FROM entries WHERE "jobId" = $1 AND "panelId" = $2 AND id = $3) AS known,
           (SELECT jobs."createdAt" FROM jobs
              JOIN panels ON panels."jobId" = jobs.id AND panels.id = $2 AND panels."removedAt" IS NULL
              WHERE jobs.id = $1 AND jobs."removedAt" IS NULL) AS "madeAt"
         FROM (SELECT 1) AS one LEFT JOIN
           (SELECT seq, hash FROM entries WHERE "jobId" = $1 AND "panelId" = $2 ORDER BY seq DESC LIMIT 1) AS last
           ON 1 = 1`,
      job,
      panel,
      id,
    );
    const { seq, hash, known, madeAt } = row!;
    return {
      seq: seq ?? 0,
      hash: hash ?? NO_HASH,
      known: known === null ? null : jsonOf<Entry>(known),
      madeAt: madeAt === null ? null : new Date(madeAt),
    };
  }

  /** The entry that says that a step of a plan was done, where one holds. */
  async doneStep({ job, panel }: PanelParams, planId: string, n: number): Promise<Entry | null> {
    const [row] = await this.tx.sql.rows<EntryRow>(
      `SELECT entry FROM entries WHERE "jobId" = $1 AND "panelId" = $2 AND "planId" = $3 AND n = $4
         AND kind = 'act' AND "isWithdrawn" = 0 ORDER BY seq LIMIT 1`,
      job,
      panel,
      planId,
      n,
    );
    return row ? jsonOf<Entry>(row.entry) : null;
  }

  /** Plans that entries of a panel name. */
  async plansWorkedBy({ job, panel }: PanelParams): Promise<ReadonlySet<string>> {
    const rows = await this.tx.sql.rows<{ readonly planId: string }>(
      'SELECT DISTINCT "planId" FROM entries WHERE "jobId" = $1 AND "panelId" = $2 AND "planId" IS NOT NULL',
      job,
      panel,
    );
    return new Set(rows.map(({ planId }) => planId));
  }

  /** Ids of all photos that entries name, those of corrections too. */
  photos(): Promise<ReadonlySet<string>> {
    return photosNamed(this.tx.sql);
  }

  /** Whether anything was ever written of a panel. */
  async has({ job, panel }: PanelParams): Promise<boolean> {
    const rows = await this.tx.sql.rows(
      'SELECT 1 FROM entries WHERE "jobId" = $1 AND "panelId" = $2 LIMIT 1',
      job,
      panel,
    );
    return rows.length > 0;
  }

  /** Which of some jobs have panels of which something was written. */
  async jobsWithRecord(jobIds: readonly string[]): Promise<ReadonlySet<string>> {
    const rows = await this.tx.sql.rows<{ readonly jobId: string }>(
      `SELECT DISTINCT "jobId" FROM entries
        WHERE "jobId" IN (${jobIds.map((_, i) => `$${i + 1}`).join(', ') || 'NULL'})`,
      ...jobIds,
    );
    return new Set(rows.map(({ jobId }) => jobId));
  }

  /** How a record stands by the chain of events; nothing where the shop wrote none of it. */
  async headSaid(key: PanelParams): Promise<RecordHead | undefined> {
    const [row] = await this.tx.sql.rows<{ readonly body: unknown }>(
      `SELECT body FROM events WHERE subject = $1 AND kind LIKE 'record.%' ORDER BY seq DESC LIMIT 1`,
      recordSubject(key),
    );
    if (!row) return undefined;
    const { n, hash } = jsonOf<{ n: number; hash: string }>(row.body);
    return { entries: n, head: hash };
  }

  /** Panels of a shop with a record, those that were worked on last first. */
  async workedIn(shopId: string): Promise<WorkedPanel[]> {
    return this.tx.sql.rows<WorkedPanel>(
      `SELECT entries."jobId" AS job, entries."panelId" AS panel, MAX(entries.at) AS "lastAt", COUNT(*) AS "nEntries"
         ${OPEN_PANELS} WHERE jobs."shopId" = $1
         GROUP BY entries."jobId", entries."panelId" ORDER BY "lastAt" DESC, job, panel`,
      shopId,
    );
  }

  /** How far panels are whose work has begun, by `job/panel`. */
  async progress(jobIds: readonly string[]): Promise<Map<string, Progress>> {
    const rows = await this.tx.sql.rows<ProgressRow>(
      `SELECT "jobId", "panelId", MAX(CASE WHEN op = 'hand-over' THEN at END) AS "handedAt",
          MAX(CASE WHEN op NOT IN ('hand-over', 'flash', 'cure') THEN at END) AS "workedAt",
          MAX(CASE WHEN kind = 'defect' THEN at END) AS "defectAt", MAX(CASE WHEN kind = 'base' THEN at END) AS "baseAt"
        FROM entries
        WHERE "jobId" IN (${jobIds.map((_, i) => `$${i + 1}`).join(', ') || 'NULL'})
          AND kind IN ('act', 'defect', 'base') AND "isWithdrawn" = 0
        GROUP BY "jobId", "panelId" HAVING SUM(CASE WHEN kind <> 'defect' THEN 1 ELSE 0 END) > 0`,
      ...jobIds,
    );
    return new Map(rows.map((row) => [`${row.jobId}/${row.panelId}`, progressOf(row)]));
  }
}

const INSERT = `INSERT INTO entries ("jobId", "panelId", seq, id, at, by, kind, entry, hash, op, "sheetId", defect,
    "planId", n, words, "createdAt")
  VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16)`;

export class RecordWriter extends RecordReader {
  constructor(protected override readonly tx: Write) {
    super(tx);
  }

  /** Appends an entry to its panel's chain, after the last one. */
  async append(key: PanelParams, entry: NewEntry, { seq, hash }: LastRow): Promise<Entry> {
    const next = chained(entry, hash) as Entry;
    await this.insert(key, seq + 1, next);
    this.tx.note({
      subject: recordSubject(key),
      kind: 'record.entered',
      body: { id: entry.id, n: seq + 1, hash: next.hash },
    });
    return next;
  }

  /** Takes a whole chain in, as it was written elsewhere. */
  async take(key: PanelParams, chain: readonly Entry[]): Promise<void> {
    for (const [i, entry] of chain.entries()) await this.insert(key, i + 1, entry);
    const last = chain.at(-1);
    if (!last) return;
    const { withdrawn } = heldOf(chain);
    for (const { id } of withdrawn) await this.withdraw(key, id, true);
    const body = { n: chain.length, hash: last.hash };
    this.tx.note({ subject: recordSubject(key), kind: 'record.taken', body });
  }

  /** What a correction makes of the entry that it speaks of: it did not happen, or it did after all. */
  async withdraw({ job, panel }: PanelParams, id: string, isWithdrawn: boolean): Promise<void> {
    await this.tx.sql.write(
      'UPDATE entries SET "isWithdrawn" = $4 WHERE "jobId" = $1 AND "panelId" = $2 AND id = $3',
      job,
      panel,
      id,
      isWithdrawn ? 1 : 0,
    );
  }

  private async insert({ job, panel }: PanelParams, seq: number, entry: Entry): Promise<void> {
    const { id, at, by, kind, hash } = entry;
    const { op, sheetId, defect, planId, n, words } = columnsOf(entry);
    await this.tx.sql.write(
      INSERT,
      job,
      panel,
      seq,
      id,
      at,
      by,
      kind,
      JSON.stringify(entry),
      hash,
      op,
      sheetId,
      defect,
      planId,
      n,
      words,
      momentText(new Date()),
    );
  }
}
