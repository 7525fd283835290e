import {
  brokenWords,
  heldOf,
  verifyChain,
  type Entry,
  type RecordHead,
  type StoreFault,
} from '@blue-ledge/core';
import { sha256 } from '../database/sha256.ts';
import { changedFault } from '../database/fault.ts';
import { paged } from '../database/paged.ts';
import { jsonOf, type Sql } from '../database/sql.ts';
import { columnsOf } from '../record/entry-columns.ts';
import { photosIn, recordSubject } from '../record/record.repository.ts';

/** Every record against its own chain, and against what the chain of events says of it. */
export interface RecordsVerified {
  readonly nRecords: number;
  readonly nEntries: number;
  readonly faults: readonly StoreFault[];
  /** Photos that entries name, each with the record that names it first. */
  readonly photos: ReadonlyMap<string, RecordPlace>;
}

export interface RecordPlace {
  readonly jobId: string;
  readonly panelId: string;
}

/** What is read off an entry and stands beside it: a search goes by it. */
const READ_OFF = ['id', 'at', 'by', 'kind', 'hash', 'op', 'sheetId', 'defect', 'planId', 'n'] as const;

interface EntryRow extends RecordPlace {
  readonly seq: number;
  readonly entry: unknown;
  readonly isWithdrawn: number;
  readonly [column: string]: unknown;
}

const PAGE = `SELECT "jobId", "panelId", seq, entry, "isWithdrawn", ${READ_OFF.map((name) => `"${name}"`).join(', ')}
  FROM entries WHERE ("jobId", "panelId", seq) > ($1, $2, $3) ORDER BY "jobId", "panelId", seq LIMIT $4`;

const placeText = ({ jobId, panelId }: RecordPlace): string => `jobs/${jobId}/panels/${panelId}`;

/** The first thing about a record that is not as it was written; null where all of it is. */
function whyOther(
  rows: readonly EntryRow[],
  entries: readonly Entry[],
  said: RecordHead | undefined,
): string | null {
  const { firstBroken } = verifyChain(entries, said ?? { entries: 0, head: '' }, sha256);
  if (firstBroken) return said ? brokenWords(firstBroken) : 'it was put in: the shop never wrote it';
  const other = rows.findIndex((row, i) => {
    const entry = entries[i]!;
    const read: Readonly<Record<string, unknown>> = { ...entry, ...columnsOf(entry) };
    return READ_OFF.some((name) => (row[name] ?? null) !== (read[name] ?? null));
  });
  if (other >= 0) return `what is searched for of entry ${other + 1} is not what it says`;
  const withdrawn = new Set(heldOf(entries).withdrawn.map(({ id }) => id));
  const flag = rows.findIndex(({ id, isWithdrawn }) => withdrawn.has(String(id)) !== (isWithdrawn !== 0));
  if (flag < 0) return null;
  return withdrawn.has(entries[flag]!.id)
    ? `entry ${flag + 1} was taken back, and is shown as if it held`
    : `entry ${flag + 1} holds, and is shown as taken back`;
}

/** Walks all records, one in memory at a time. */
export async function verifyRecords(
  sql: Sql,
  heads: ReadonlyMap<string, RecordHead>,
): Promise<RecordsVerified> {
  const others: { readonly place: RecordPlace; readonly why: string }[] = [];
  const photos = new Map<string, RecordPlace>();
  const seen = new Set<string>();
  let nEntries = 0;
  const look = (rows: readonly EntryRow[]): void => {
    const [first] = rows;
    if (!first) return;
    const { jobId, panelId } = first;
    const subject = recordSubject({ job: jobId, panel: panelId });
    const entries = rows.map(({ entry }) => jsonOf<Entry>(entry));
    seen.add(subject);
    nEntries += rows.length;
    for (const id of entries.flatMap(photosIn)) if (!photos.has(id)) photos.set(id, { jobId, panelId });
    const why = whyOther(rows, entries, heads.get(subject));
    if (why !== null) others.push({ place: { jobId, panelId }, why });
  };
  let record: EntryRow[] = [];
  let [jobId, panelId, seq] = ['', '', 0];
  for await (const page of paged((limit) => sql.rows<EntryRow>(PAGE, jobId, panelId, seq, limit)))
    for (const row of page) {
      if (row.jobId !== jobId || row.panelId !== panelId) {
        look(record);
        record = [];
      }
      record.push(row);
      ({ jobId, panelId, seq } = row);
    }
  look(record);
  for (const [subject, said] of heads) {
    const place = placeOf(subject);
    if (!place || seen.has(subject)) continue;
    others.push({ place, why: brokenWords(verifyChain([], said).firstBroken!) });
  }
  const faults: StoreFault[] = [];
  for (const { place, why } of others)
    faults.push(await faultOfRecord(sql, place, `is not as it was written: ${why}`));
  return { nRecords: seen.size, nEntries, faults, photos };
}

/** What is wrong with a record, by the names that people know it by; by its ids where its panel is gone too. */
export async function faultOfRecord(
  sql: Sql,
  { jobId, panelId }: RecordPlace,
  why: string,
  photoId?: string,
): Promise<StoreFault> {
  const [row] = await sql.rows<{ readonly title: string; readonly name: string | null }>(
    `SELECT jobs.title, panels.body ->> 'name' AS name FROM panels JOIN jobs ON jobs.id = panels."jobId"
       WHERE panels."jobId" = $1 AND panels.id = $2`,
    jobId,
    panelId,
  );
  const name = `${row?.name ?? `panel ${panelId}`}, ${row?.title ?? `job ${jobId}`},`;
  const [of, where] =
    photoId === undefined
      ? ['The record', placeText({ jobId, panelId })]
      : ['A photo in the record', `photos/${photoId}`];
  return changedFault(`${of} of ${name} ${why}.`, where, { jobId, panelId });
}

function placeOf(subject: string): RecordPlace | null {
  const [, jobId, panelId] = /^jobs\/([^/]+)\/panels\/([^/]+)\/record$/.exec(subject) ?? [];
  return jobId !== undefined && panelId !== undefined ? { jobId, panelId } : null;
}
