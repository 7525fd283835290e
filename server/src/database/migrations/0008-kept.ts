import { grouped, heldOf, type Entry } from '@blue-ledge/core';
import { chainedEvents, type EventRow } from '../chain-of-events.ts';
import type { Step } from '../migration.ts';
import { jsonOf } from '../sql.ts';

/**
 * Plans have their place in the order in which they were made, whatever the clock said then. The chain of events says how
 * many entries each record has and where it ends, and its own end stands beside it. Settings of the whole program.
 */
export async function up(step: Step): Promise<void> {
  const { run, moment, json } = step;
  await run('ALTER TABLE plans ADD COLUMN seq INTEGER NOT NULL DEFAULT 0');
  await run(
    `UPDATE plans SET seq = (SELECT COUNT(*) FROM plans AS before WHERE before."createdAt" < plans."createdAt"
       OR (before."createdAt" = plans."createdAt" AND before.id >= plans.id))`,
  );
  await run('CREATE UNIQUE INDEX "plansBySeq" ON plans (seq)');
  await run('DROP INDEX "plansOfPanel"');
  await run('CREATE INDEX "plansOfPanel" ON plans ("jobId", "panelId", seq)');
  await run('CREATE TABLE "chainEnds" (name TEXT PRIMARY KEY, n INTEGER NOT NULL, hash TEXT NOT NULL)');
  await run(
    `CREATE TABLE settings (name TEXT PRIMARY KEY, body ${json} NOT NULL, version INTEGER NOT NULL DEFAULT 1,
       "createdAt" ${moment} NOT NULL, "updatedAt" ${moment} NOT NULL)`,
  );
  await run('CREATE INDEX "eventsBySubject" ON events (subject, seq)');
  await markWithdrawn(step);
  await noteRecords(step);
}

/** Entries that a record which was taken in from a file had taken back were shown as if they held. */
async function markWithdrawn({ run, rows }: Step): Promise<void> {
  const corrected = await rows<{ readonly jobId: string; readonly panelId: string; readonly entry: unknown }>(
    `SELECT "jobId", "panelId", entry FROM entries AS of WHERE EXISTS (SELECT 1 FROM entries WHERE kind = 'correction'
       AND "jobId" = of."jobId" AND "panelId" = of."panelId") ORDER BY "jobId", "panelId", seq`,
  );
  const records = grouped(corrected, ({ jobId, panelId }) => JSON.stringify([jobId, panelId]));
  for (const [name, record] of records) {
    const [jobId, panelId] = JSON.parse(name) as [string, string];
    for (const { id } of heldOf(record.map(({ entry }) => jsonOf<Entry>(entry))).withdrawn)
      await run(
        'UPDATE entries SET "isWithdrawn" = 1 WHERE "jobId" = :jobId AND "panelId" = :panelId AND id = :id',
        { jobId, panelId, id },
      );
  }
}

interface RecordRow {
  readonly jobId: string;
  readonly panelId: string;
  readonly n: number;
  readonly hash: string;
}

/** From here on the chain of events says what each record is; those that are here begin as they were found. */
async function noteRecords({ run, rows }: Step): Promise<void> {
  const records = await rows<RecordRow>(
    `SELECT entries."jobId", entries."panelId", entries.seq AS n, entries.hash FROM entries
       WHERE entries.seq = (SELECT MAX(later.seq) FROM entries AS later
         WHERE later."jobId" = entries."jobId" AND later."panelId" = entries."panelId")
       ORDER BY entries."jobId", entries."panelId"`,
  );
  const [last] = await rows<Pick<EventRow, 'seq' | 'hash'>>(
    'SELECT seq, hash FROM events ORDER BY seq DESC LIMIT 1',
  );
  const found = records.map(({ jobId, panelId, n, hash }) => ({
    subject: `jobs/${jobId}/panels/${panelId}/record`,
    kind: 'record.found',
    body: { n, hash },
  }));
  const events = chainedEvents([{ subject: 'record', kind: 'record.counted' }, ...found], last, {
    actor: 'server',
    at: new Date().toISOString(),
  });
  for (const { body, ...event } of events)
    await run(
      `INSERT INTO events (seq, at, actor, subject, kind, body, "prevHash", hash)
         VALUES (:seq, :at, :actor, :subject, :kind, :body, :prevHash, :hash)`,
      { ...event, body: JSON.stringify(body) },
    );
  const { seq, hash } = events.at(-1)!;
  await run(`INSERT INTO "chainEnds" (name, n, hash) VALUES ('events', :seq, :hash)`, { seq, hash });
}

export async function down({ run }: Step): Promise<void> {
  for (const table of ['settings', '"chainEnds"']) await run(`DROP TABLE ${table}`);
  await run('DROP INDEX "eventsBySubject"');
  await run('DROP INDEX "plansOfPanel"');
  await run('CREATE INDEX "plansOfPanel" ON plans ("jobId", "panelId", "createdAt")');
  await run('DROP INDEX "plansBySeq"');
  await run('ALTER TABLE plans DROP COLUMN seq');
}
