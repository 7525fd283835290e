import type { Entry, FoundEntry, RecordFacets, RecordPage } from '@blue-ledge/core';
import type { Read } from '../database/database.ts';
import { jsonOf } from '../database/sql.ts';
import { OPEN_PANELS, type EntryRow } from './record.repository.ts';
import type { RecordQuery } from './record.schemas.ts';

/** Finding entries in all records. */

interface FacetPanelRow {
  readonly jobId: string;
  readonly panelId: string;
  readonly title: string;
  readonly panel: unknown;
}

interface FoundRow extends EntryRow {
  readonly jobId: string;
  readonly panelId: string;
  readonly at: string;
  readonly seq: number;
  readonly isWithdrawn: number;
}

/** The last entry of a page, behind which the next one begins. */
export type PageEnd = Pick<FoundRow, 'at' | 'jobId' | 'panelId' | 'seq'>;

interface FoundPage {
  readonly entries: FoundEntry[];
  /** Null where there was none. */
  readonly end: PageEnd | null;
}

const FOUND = `SELECT entries."jobId", entries."panelId", entries.at, entries.seq, entries.entry, entries."isWithdrawn"
  ${OPEN_PANELS}`;
const NEWEST_FIRST =
  'ORDER BY entries.at DESC, entries."jobId" DESC, entries."panelId" DESC, entries.seq DESC';

const REMOVED_PANELS = `FROM panels JOIN jobs ON jobs.id = panels."jobId"
    AND (jobs."removedAt" IS NOT NULL OR panels."removedAt" IS NOT NULL)
  JOIN entries ON entries."jobId" = panels."jobId" AND entries."panelId" = panels.id`;

/** Percent and underscore stand for themselves. */
const likeText = (text: string): string => `%${text.toLowerCase().replaceAll(/[\\%_]/g, String.raw`\$&`)}%`;

interface Where {
  readonly text: string;
  readonly values: string[];
}

/** The conditions of a query, each word of its text by itself. */
function whereOf(query: RecordQuery): Where {
  const values: string[] = [];
  const is = (value: string, condition: (place: string) => string): string => {
    values.push(value);
    return condition(`$${values.length}`);
  };
  const { text, job, panel, kind, product, defect, person, from, to } = query;
  const words = text.split(/\s+/).filter(Boolean);
  const conditions = [
    ...words.map((word) => is(likeText(word), (place) => `entries.words LIKE ${place} ESCAPE '\\'`)),
    ...(job ? [is(job, (place) => `entries."jobId" = ${place}`)] : []),
    ...(panel ? [is(panel, (place) => `entries."panelId" = ${place}`)] : []),
    ...(kind ? [is(kind, (place) => `entries.kind = ${place}`)] : []),
    ...(product ? [is(product, (place) => `entries."sheetId" = ${place}`)] : []),
    ...(defect ? [is(defect, (place) => `entries.defect = ${place}`)] : []),
    ...(person ? [is(person, (place) => `entries.by = ${place}`)] : []),
    ...(from ? [is(from, (place) => `entries.at >= ${place}`)] : []),
    ...(to ? [is(`${to}T23:59:59.999Z`, (place) => `entries.at <= ${place}`)] : []),
  ];
  return { text: conditions.length > 0 ? `WHERE ${conditions.join(' AND ')}` : '', values };
}

export class RecordSearch {
  constructor(private readonly tx: Read) {}

  /** What there is to look for, each in its alphabet. */
  async facets(): Promise<RecordFacets> {
    const { sql } = this.tx;
    const people = await sql.rows<{ readonly by: string }>('SELECT DISTINCT by FROM entries ORDER BY by');
    const laid = await sql.rows<EntryRow & { readonly sheetId: string }>(
      'SELECT "sheetId", MAX(entry) AS entry FROM entries WHERE "sheetId" IS NOT NULL GROUP BY "sheetId"',
    );
    const panels = await sql.rows<FacetPanelRow>(
      `SELECT panels."jobId", panels.id AS "panelId", jobs.title, panels.body AS panel
         FROM panels JOIN jobs ON jobs.id = panels."jobId" AND jobs."removedAt" IS NULL
         WHERE panels."removedAt" IS NULL AND EXISTS
           (SELECT 1 FROM entries WHERE entries."jobId" = panels."jobId" AND entries."panelId" = panels.id)
         ORDER BY jobs.title, panels.id`,
    );
    return {
      people: people.map(({ by }) => by),
      products: laid
        .map(({ sheetId, entry }) => ({
          sheetId,
          name: jsonOf<{ body: { sheetName?: string } }>(entry).body.sheetName ?? sheetId,
        }))
        .toSorted((a, b) => (a.name < b.name ? -1 : 1)),
      panels: panels.map(({ jobId, panelId, title, panel }) => ({
        jobId,
        panelId,
        name: jsonOf<{ name?: string }>(panel).name ?? panelId,
        jobTitle: title,
      })),
    };
  }

  /** One page of all records, the newest first, and how many there are in all. */
  async page(query: RecordQuery): Promise<RecordPage> {
    const { text, values } = whereOf(query);
    // Few panels are removed: counted all and taken off, not looked up for each of a hundred thousand entries.
    const count = async (from: string): Promise<number> =>
      Number(
        (
          await this.tx.sql.rows<{ readonly n: number }>(`SELECT COUNT(*) AS n ${from} ${text}`, ...values)
        )[0]!.n,
      );
    const rows = await this.tx.sql.rows<FoundRow>(
      `${FOUND} ${text} ${NEWEST_FIRST} LIMIT ${query.limit} OFFSET ${query.offset}`,
      ...values,
    );
    const entries = await this.named(rows);
    return { entries, nEntries: (await count('FROM entries')) - (await count(REMOVED_PANELS)) };
  }

  /** So many entries of all that a query finds, the newest first, behind those that were read so far. */
  async pageBehind(query: RecordQuery, end: PageEnd | null, limit: number): Promise<FoundPage> {
    const { text, values } = whereOf(query);
    const places = [1, 2, 3, 4].map((n) => `$${values.length + n}`).join(', ');
    const behind = end && `(entries.at, entries."jobId", entries."panelId", entries.seq) < (${places})`;
    const where = behind ? (text ? `${text} AND ${behind}` : `WHERE ${behind}`) : text;
    const rows = await this.tx.sql.rows<FoundRow>(
      `${FOUND} ${where} ${NEWEST_FIRST} LIMIT ${limit}`,
      ...values,
      ...(end ? [end.at, end.jobId, end.panelId, end.seq] : []),
    );
    return { entries: await this.named(rows), end: rows.at(-1) ?? null };
  }

  /** Entries with the names of their jobs and panels, each asked for once: a panel's body is large. */
  private async named(rows: readonly FoundRow[]): Promise<FoundEntry[]> {
    const names = new Map<string, { readonly jobTitle: string; readonly panelName: string }>();
    for (const { jobId, panelId } of rows) {
      const key = `${jobId}/${panelId}`;
      if (!names.has(key)) names.set(key, await this.namesOf(jobId, panelId));
    }
    return rows.map(({ jobId, panelId, entry, isWithdrawn }) => ({
      jobId,
      panelId,
      ...names.get(`${jobId}/${panelId}`)!,
      isWithdrawn: isWithdrawn !== 0,
      entry: jsonOf<Entry>(entry),
    }));
  }

  private async namesOf(jobId: string, panelId: string) {
    const [row] = await this.tx.sql.rows<{ readonly title: string; readonly name: string | null }>(
      `SELECT jobs.title, panels.body ->> 'name' AS name FROM panels JOIN jobs ON jobs.id = panels."jobId"
         WHERE panels."jobId" = $1 AND panels.id = $2`,
      jobId,
      panelId,
    );
    return { jobTitle: row!.title, panelName: row!.name ?? panelId };
  }
}
