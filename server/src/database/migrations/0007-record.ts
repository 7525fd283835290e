import type { Step } from '../migration.ts';

/**
 * The record: entries of each panel, appended and never changed, one chain a panel. What stands beside `entry` is read
 * off it for searches; `isWithdrawn` follows from later corrections.
 */
export async function up({ run, moment, json }: Step): Promise<void> {
  await run(
    `CREATE TABLE entries ("jobId" TEXT NOT NULL, "panelId" TEXT NOT NULL, seq INTEGER NOT NULL, id TEXT NOT NULL,
       at TEXT NOT NULL, by TEXT NOT NULL, kind TEXT NOT NULL, entry ${json} NOT NULL, hash TEXT NOT NULL,
       op TEXT, "sheetId" TEXT, defect TEXT, "planId" TEXT, n INTEGER, words TEXT NOT NULL,
       "isWithdrawn" INTEGER NOT NULL DEFAULT 0, "createdAt" ${moment} NOT NULL,
       PRIMARY KEY ("jobId", "panelId", seq), UNIQUE ("jobId", "panelId", id),
       FOREIGN KEY ("jobId", "panelId") REFERENCES panels("jobId", id) ON DELETE CASCADE)`,
  );
  await run('CREATE INDEX "entriesByTime" ON entries (at, "jobId", "panelId", seq)');
}

export async function down({ run }: Step): Promise<void> {
  await run('DROP TABLE entries');
}
