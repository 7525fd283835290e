import type { Step } from '../migration.ts';

/** Clocks of the bench: when something began, and the air that it ran in. A step or a pot of its mix has one that runs. */
export async function up({ run, moment, json }: Step): Promise<void> {
  await run(
    `CREATE TABLE clocks (id TEXT PRIMARY KEY, "shopId" TEXT REFERENCES shops(id) ON DELETE CASCADE,
       place TEXT, "startedMs" BIGINT NOT NULL, "endedMs" BIGINT, body ${json} NOT NULL, "airBefore" ${json} NOT NULL,
       actor TEXT NOT NULL, version INTEGER NOT NULL DEFAULT 1, "createdAt" ${moment} NOT NULL, "updatedAt" ${moment} NOT NULL)`,
  );
  await run(`CREATE UNIQUE INDEX "runningClocks" ON clocks (place) WHERE "endedMs" IS NULL`);
}

export async function down({ run }: Step): Promise<void> {
  await run('DROP TABLE clocks');
}
