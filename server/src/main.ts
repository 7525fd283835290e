import { fileURLToPath } from 'node:url';
import { createApp } from './app.ts';
import { readConfig } from './config.ts';

/** Starts the server on the loopback address. */
const LOOPBACK = '127.0.0.1';

// The worker stays outside of the bundle: it loads core, and nothing of the server.
const planWorker = fileURLToPath(new URL('../dist/planning/plan-worker.js', import.meta.url));
const config = readConfig(process.env, planWorker);
const app = await createApp(config);
await app.listen(config.port, LOOPBACK);
process.stdout.write(`Blue Ledge is at ${await app.getUrl()}\n`);
