import type { Step } from '../migration.ts';

/**
 * A plan says which system a person wants, and which plan it came after; what is removed stays for a while, to be put
 * back as it was.
 */
export async function up({ run, moment, json }: Step): Promise<void> {
  await run('ALTER TABLE plans ADD COLUMN wanted TEXT');
  await run(`ALTER TABLE plans ADD COLUMN follows ${json}`);
  // A plan was written again only when somebody chose from it.
  await run('UPDATE plans SET wanted = chosen WHERE version > 1');
  await run(`ALTER TABLE jobs ADD COLUMN "removedAt" ${moment}`);
  await run(`ALTER TABLE panels ADD COLUMN "removedAt" ${moment}`);
}

export async function down({ run }: Step): Promise<void> {
  for (const table of ['panels', 'jobs']) {
    await run(`DELETE FROM ${table} WHERE "removedAt" IS NOT NULL`);
    await run(`ALTER TABLE ${table} DROP COLUMN "removedAt"`);
  }
  await run('ALTER TABLE plans DROP COLUMN follows');
  await run('ALTER TABLE plans DROP COLUMN wanted');
}
