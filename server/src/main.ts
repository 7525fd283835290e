import { fileURLToPath } from 'node:url';
import { createApp } from './app.ts';
import { readConfig, type Config } from './config.ts';
import { PlanThreads } from './planning/plan-threads.ts';
import { StartError, errorCode } from './database/start-error.ts';

/** Starts the server on the loopback address, or says in one sentence why it does not. */
const LOOPBACK = '127.0.0.1';
/** What this server writes is nobody else's to read. */
const ONLY_THIS_USER = 0o077;

function whyNot(error: unknown, config: Config | null): string | null {
  if (error instanceof StartError) return error.message;
  const port = config?.port;
  // Only what listening said is about the port.
  if ((error as NodeJS.ErrnoException).syscall !== 'listen') return null;
  if (errorCode(error) === 'EADDRINUSE')
    return `Port ${port} is in use: stop the program that has it, or set PORT to a free one.`;
  if (errorCode(error) === 'EACCES') return `Port ${port} may not be used: set PORT to one above 1023.`;
  return null;
}

async function start(): Promise<void> {
  // The worker stays outside of the bundle: it loads core, and nothing of the server.
  const planWorker = fileURLToPath(new URL('../dist/planning/plan-worker.js', import.meta.url));
  let config: Config | null = null;
  try {
    config = readConfig(process.env, new PlanThreads(planWorker));
    const app = await createApp(config);
    await app.listen(config.port, LOOPBACK);
    process.stdout.write(`Blue Ledge is at ${await app.getUrl()}\n`);
  } catch (error) {
    const sentence = whyNot(error, config);
    if (sentence === null) throw error;
    process.stderr.write(`${sentence}\n`);
    process.exit(1);
  }
}

process.umask(ONLY_THIS_USER);
await start();
