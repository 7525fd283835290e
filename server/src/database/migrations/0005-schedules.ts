import type { Step } from '../migration.ts';

/** The schedule of each shop as it was made last, and the steps that people moved to a time of their choice. */
export async function up({ run, moment, json }: Step): Promise<void> {
  await run(
    `CREATE TABLE schedules ("shopId" TEXT PRIMARY KEY REFERENCES shops(id) ON DELETE CASCADE,
       body ${json} NOT NULL, "madeOf" TEXT NOT NULL, version INTEGER NOT NULL DEFAULT 1,
       "createdAt" ${moment} NOT NULL, "updatedAt" ${moment} NOT NULL)`,
  );
  await run(
    `CREATE TABLE pins ("shopId" TEXT NOT NULL REFERENCES shops(id) ON DELETE CASCADE, "jobId" TEXT NOT NULL,
       "panelId" TEXT NOT NULL, n INTEGER NOT NULL, body ${json} NOT NULL, actor TEXT NOT NULL,
       "createdAt" ${moment} NOT NULL, PRIMARY KEY ("shopId", "jobId", "panelId", n))`,
  );
}

export async function down({ run }: Step): Promise<void> {
  await run('DROP TABLE pins');
  await run('DROP TABLE schedules');
}
