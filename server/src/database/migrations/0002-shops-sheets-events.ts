import { randomUUID } from 'node:crypto';
import type { Step } from '../migration.ts';

/**
 * Shops and their sheets stand for themselves, and jobs refer to them: each different shop that a job carried becomes
 * one. Plans are acts over inputs; earlier ones stay as they are and are said to be too old. What happens is written down.
 */

interface OldJob {
  readonly id: string;
  readonly title: string;
  readonly body: string | object;
  readonly createdAt: string;
}
interface OldBody {
  readonly shop?: object;
  readonly sheets?: readonly { readonly id: string; readonly version?: number }[];
}

const parsed = (body: string | object): OldBody =>
  (typeof body === 'string' ? JSON.parse(body) : body) as OldBody;

export async function up(step: Step): Promise<void> {
  const { run, moment, json } = step;
  const timed = `"createdAt" ${moment} NOT NULL, "updatedAt" ${moment} NOT NULL`;
  await run(
    `CREATE TABLE shops (id TEXT PRIMARY KEY, name TEXT NOT NULL, body ${json} NOT NULL,
       version INTEGER NOT NULL DEFAULT 1, ${timed})`,
  );
  await run(
    `CREATE TABLE sheets ("shopId" TEXT NOT NULL REFERENCES shops(id) ON DELETE CASCADE, id TEXT NOT NULL,
       "sheetVersion" INTEGER NOT NULL, body ${json} NOT NULL, ${timed},
       PRIMARY KEY ("shopId", id, "sheetVersion"))`,
  );
  await run(
    `CREATE TABLE events (seq INTEGER PRIMARY KEY, at TEXT NOT NULL, actor TEXT NOT NULL, subject TEXT NOT NULL,
       kind TEXT NOT NULL, body ${json} NOT NULL, "prevHash" TEXT NOT NULL, hash TEXT NOT NULL)`,
  );
  await run(`ALTER TABLE jobs ADD COLUMN "shopId" TEXT`);
  await run(`ALTER TABLE jobs ADD COLUMN "archivedAt" ${moment}`);
  await shopsOfJobs(step);
  await run(`CREATE INDEX "jobsByAge" ON jobs ("archivedAt", "createdAt")`);
  await run(`ALTER TABLE plans DROP COLUMN survey`);
  await run(`ALTER TABLE plans ADD COLUMN "formatVersion" INTEGER NOT NULL DEFAULT 1`);
  await run(`ALTER TABLE plans ADD COLUMN tests ${json}`);
  await run(`ALTER TABLE writes ADD COLUMN request TEXT NOT NULL DEFAULT ''`);
}

/** Moves shop and sheets out of every job; jobs with the same ones share them. */
async function shopsOfJobs({ run, rows }: Step): Promise<void> {
  const jobs = await rows<OldJob>('SELECT id, title, body, "createdAt" FROM jobs ORDER BY "createdAt", id');
  const known = new Map<string, string>();
  for (const job of jobs) {
    const { shop = {}, sheets = [], ...body } = parsed(job.body);
    const name = JSON.stringify([shop, sheets]);
    const shopId = known.get(name) ?? randomUUID();
    if (!known.has(name)) {
      known.set(name, shopId);
      const at = { at: job.createdAt };
      await run(
        `INSERT INTO shops (id, name, body, "createdAt", "updatedAt") VALUES (:shopId, :name, :body, :at, :at)`,
        {
          shopId,
          name: known.size === 1 ? 'Shop' : `Shop of ${job.title}`,
          body: JSON.stringify(shop),
          ...at,
        },
      );
      for (const sheet of sheets)
        await run(
          `INSERT INTO sheets ("shopId", id, "sheetVersion", body, "createdAt", "updatedAt")
             VALUES (:shopId, :id, :sheetVersion, :body, :at, :at)`,
          {
            shopId,
            id: sheet.id,
            sheetVersion: sheet.version ?? 1,
            body: JSON.stringify(sheet),
            ...at,
          },
        );
    }
    await run('UPDATE jobs SET "shopId" = :shopId, body = :body WHERE id = :id', {
      shopId,
      body: JSON.stringify(body),
      id: job.id,
    });
  }
}

/** Puts shop and sheets back into every job. Plans of this release are dropped: the release before cannot read them. */
export async function down({ run, rows }: Step): Promise<void> {
  const jobs = await rows<{ id: string; body: string | object; shop: string | object; shopId: string }>(
    `SELECT jobs.id, jobs.body, jobs."shopId", shops.body AS shop FROM jobs JOIN shops ON shops.id = jobs."shopId"`,
  );
  const sheets = await rows<{ shopId: string; body: string | object }>('SELECT "shopId", body FROM sheets');
  for (const job of jobs) {
    const own = sheets.filter(({ shopId }) => shopId === job.shopId).map(({ body }) => parsed(body));
    const body = JSON.stringify({ ...parsed(job.body), shop: parsed(job.shop), sheets: own });
    await run('UPDATE jobs SET body = :body WHERE id = :id', { body, id: job.id });
  }
  await run('DELETE FROM plans WHERE "formatVersion" > 1');
  await run(`ALTER TABLE writes DROP COLUMN request`);
  await run(`ALTER TABLE plans DROP COLUMN tests`);
  await run(`ALTER TABLE plans DROP COLUMN "formatVersion"`);
  await run(`ALTER TABLE plans ADD COLUMN survey TEXT NOT NULL DEFAULT ''`);
  await run(`DROP INDEX "jobsByAge"`);
  await run(`ALTER TABLE jobs DROP COLUMN "archivedAt"`);
  await run(`ALTER TABLE jobs DROP COLUMN "shopId"`);
  for (const table of ['events', 'sheets', 'shops']) await run(`DROP TABLE ${table}`);
}
