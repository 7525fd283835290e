import { resolve } from 'node:path';
import { z } from 'zod';
import type { PlanThreads } from './planning/plan-threads.ts';
import { dataFolderOf } from './data-folder-of.ts';
import { StartError } from './database/start-error.ts';

/** Settings from the environment, checked at start; a wrong one ends the start with a sentence. */
const settingsSchema = z.object({
  PORT: z
    .string()
    .trim()
    .min(1, 'is empty: give a number, or leave it out for 4600')
    .transform(Number)
    .pipe(z.number({ error: 'must be a number' }).int().min(0).max(65_535, 'must be at most 65535'))
    .default(4600),
  /** Names, apart by commas, that the server is reached by besides those of this machine. */
  LEDGE_HOSTS: z
    .string()
    .default('')
    .transform((text) => text.split(',').flatMap((name) => name.trim().toLowerCase() || [])),
  /** Folder of the database. */
  LEDGE_DATA: z.string().min(1).optional(),
  /** Folder of the built web app; empty for a server without one. */
  LEDGE_WEB: z.string().default(''),
});

export interface Config {
  readonly port: number;
  readonly hostNames: readonly string[];
  readonly dataFolder: string;
  readonly webFolder: string;
  /** Where plans are computed; the server closes them when it stops. */
  readonly planThreads: PlanThreads;
}

/** @throws {StartError} naming the setting that is wrong */
export function readConfig(environment: NodeJS.ProcessEnv, planThreads: PlanThreads): Config {
  const parsed = settingsSchema.safeParse(environment);
  if (!parsed.success)
    throw new StartError(
      parsed.error.issues.map((issue) => `${issue.path.join('.')}: ${issue.message}`).join('; '),
    );
  const { PORT, LEDGE_HOSTS, LEDGE_WEB } = parsed.data;
  const dataFolder = dataFolderOf(environment);
  const webFolder = LEDGE_WEB && resolve(LEDGE_WEB);
  return { port: PORT, hostNames: LEDGE_HOSTS, dataFolder, webFolder, planThreads };
}
