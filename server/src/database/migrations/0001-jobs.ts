import type { Step } from '../migration.ts';

/** Jobs, panels and zones as versioned rows; plans as snapshots; writes by client key. */

export async function up({ run, moment, json }: Step): Promise<void> {
  const timed = `"createdAt" ${moment} NOT NULL, "updatedAt" ${moment} NOT NULL`;
  const body = `body ${json} NOT NULL, version INTEGER NOT NULL DEFAULT 1`;
  await run(`CREATE TABLE jobs (id TEXT PRIMARY KEY, title TEXT NOT NULL, ${body}, ${timed})`);
  await run(
    `CREATE TABLE panels (
       "jobId" TEXT NOT NULL REFERENCES jobs(id) ON DELETE CASCADE, id TEXT NOT NULL, place INTEGER NOT NULL,
       ${body}, ${timed}, PRIMARY KEY ("jobId", id))`,
  );
  await run(
    `CREATE TABLE zones (
       "jobId" TEXT NOT NULL, "panelId" TEXT NOT NULL, id TEXT NOT NULL, place INTEGER NOT NULL,
       ${body}, ${timed}, PRIMARY KEY ("jobId", "panelId", id),
       FOREIGN KEY ("jobId", "panelId") REFERENCES panels("jobId", id) ON DELETE CASCADE)`,
  );
  await run(
    `CREATE TABLE plans (
       id TEXT PRIMARY KEY, "jobId" TEXT NOT NULL, "panelId" TEXT NOT NULL, chosen TEXT, survey TEXT NOT NULL,
       ${body}, ${timed},
       FOREIGN KEY ("jobId", "panelId") REFERENCES panels("jobId", id) ON DELETE CASCADE)`,
  );
  await run(`CREATE INDEX "plansOfPanel" ON plans ("jobId", "panelId", "createdAt")`);
  await run(`CREATE TABLE writes ("clientKey" TEXT PRIMARY KEY, answer ${json} NOT NULL, ${timed})`);
}

export async function down({ run }: Step): Promise<void> {
  for (const table of ['writes', 'plans', 'zones', 'panels', 'jobs']) await run(`DROP TABLE ${table}`);
}
