import type { QueryInterface } from 'sequelize';

/**
 * Jobs, panels and zones as versioned rows; plans as snapshots; writes by client key.
 * JSON and DATETIME are what the driver parses by; SQLite itself stores text.
 */

const UP = [
  `CREATE TABLE jobs (
     id TEXT PRIMARY KEY, title TEXT NOT NULL, body JSON NOT NULL, version INTEGER NOT NULL DEFAULT 1,
     createdAt DATETIME NOT NULL, updatedAt DATETIME NOT NULL)`,
  `CREATE TABLE panels (
     jobId TEXT NOT NULL REFERENCES jobs(id) ON DELETE CASCADE, id TEXT NOT NULL, place INTEGER NOT NULL,
     body JSON NOT NULL, version INTEGER NOT NULL DEFAULT 1, createdAt DATETIME NOT NULL, updatedAt DATETIME NOT NULL,
     PRIMARY KEY (jobId, id))`,
  `CREATE TABLE zones (
     jobId TEXT NOT NULL, panelId TEXT NOT NULL, id TEXT NOT NULL, place INTEGER NOT NULL,
     body JSON NOT NULL, version INTEGER NOT NULL DEFAULT 1, createdAt DATETIME NOT NULL, updatedAt DATETIME NOT NULL,
     PRIMARY KEY (jobId, panelId, id),
     FOREIGN KEY (jobId, panelId) REFERENCES panels(jobId, id) ON DELETE CASCADE)`,
  `CREATE TABLE plans (
     id TEXT PRIMARY KEY, jobId TEXT NOT NULL, panelId TEXT NOT NULL, chosen TEXT, survey TEXT NOT NULL,
     body JSON NOT NULL, version INTEGER NOT NULL DEFAULT 1, createdAt DATETIME NOT NULL, updatedAt DATETIME NOT NULL,
     FOREIGN KEY (jobId, panelId) REFERENCES panels(jobId, id) ON DELETE CASCADE)`,
  `CREATE INDEX plansOfPanel ON plans (jobId, panelId, createdAt)`,
  `CREATE TABLE writes (
     clientKey TEXT PRIMARY KEY, answer JSON NOT NULL, createdAt DATETIME NOT NULL, updatedAt DATETIME NOT NULL)`,
];

export async function up({ context }: { context: QueryInterface }): Promise<void> {
  for (const statement of UP) await context.sequelize.query(statement);
}

export async function down({ context }: { context: QueryInterface }): Promise<void> {
  for (const table of ['writes', 'plans', 'zones', 'panels', 'jobs'])
    await context.sequelize.query(`DROP TABLE ${table}`);
}
