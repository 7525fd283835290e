import { createApp } from './app.ts';
import { readConfig } from './config.ts';

/** Starts the server on the loopback address. */
const LOOPBACK = '127.0.0.1';

const config = readConfig(process.env);
const app = await createApp(config);
await app.listen(config.port, LOOPBACK);
process.stdout.write(`Blue Ledge is at ${await app.getUrl()}\n`);
