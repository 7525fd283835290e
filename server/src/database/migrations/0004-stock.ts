import type { Step } from '../migration.ts';

/** Cans of a shop with what is left in each, and every move of them: poured, or corrected with a reason. */
export async function up({ run, moment, json }: Step): Promise<void> {
  await run(
    `CREATE TABLE cans ("shopId" TEXT NOT NULL REFERENCES shops(id) ON DELETE CASCADE, id TEXT NOT NULL,
       body ${json} NOT NULL, "leftMl" REAL NOT NULL, version INTEGER NOT NULL DEFAULT 1,
       "createdAt" ${moment} NOT NULL, "updatedAt" ${moment} NOT NULL, PRIMARY KEY ("shopId", id))`,
  );
  await run(
    `CREATE TABLE "canMoves" ("shopId" TEXT NOT NULL, id TEXT NOT NULL, "canId" TEXT NOT NULL, at TEXT NOT NULL,
       actor TEXT NOT NULL, body ${json} NOT NULL, "leftMl" REAL NOT NULL, PRIMARY KEY ("shopId", id),
       FOREIGN KEY ("shopId", "canId") REFERENCES cans("shopId", id) ON DELETE CASCADE)`,
  );
  await run(`CREATE INDEX "canMovesByCan" ON "canMoves" ("shopId", "canId", at)`);
}

export async function down({ run }: Step): Promise<void> {
  await run('DROP TABLE "canMoves"');
  await run('DROP TABLE cans');
}
