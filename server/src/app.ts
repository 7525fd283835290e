import 'reflect-metadata';
import { MOST_JOB_BYTES, MOST_PHOTO_BYTES } from '@blue-ledge/core';
import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import compression from 'compression';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { AppModule } from './app.module.ts';
import type { Config } from './config.ts';
import { Database } from './database/database.ts';
import { parseJsonBody } from './http/json-body.ts';
import { logRequests, nestLogger, openLog } from './http/log.ts';
import { onlyTrusted } from './http/trust.ts';
import { ProblemFilter } from './http/problem.filter.ts';

/** Only our own scripts run; styles may be inline because the component library writes them so. */
const CONTENT_POLICY = {
  'script-src': ["'self'"],
  'style-src': ["'self'", "'unsafe-inline'"],
  'worker-src': ["'self'"],
  'connect-src': ["'self'"],
  'img-src': ["'self'", 'data:', 'blob:'],
  'upgrade-insecure-requests': null,
};

/** An answer of this size travels as fast as it would be packed. */
const SMALL_BYTES = 8 * 1024;

/** The log of a data folder; a server that cannot write it lets go of the folder. */
async function loggedOrClosed(database: Database, folder: string): Promise<Logger> {
  try {
    return openLog(folder);
  } catch (error) {
    await database.close();
    throw error;
  }
}

/**
 * The whole server, ready to listen; the tests start the same one.
 * @throws {StartError} in words where the data folder cannot be used
 */
export async function createApp(config: Config): Promise<NestExpressApplication> {
  const database = await Database.open(config.dataFolder);
  const log = await loggedOrClosed(database, config.dataFolder);
  const app = await NestFactory.create<NestExpressApplication>(AppModule.with(config, database), {
    bodyParser: false,
    abortOnError: false,
    forceCloseConnections: true,
    logger: nestLogger(log),
  });
  app.use(logRequests(log));
  app.use(helmet({ strictTransportSecurity: false, contentSecurityPolicy: { directives: CONTENT_POLICY } }));
  app.use(onlyTrusted(config.hostNames));
  app.use(compression({ threshold: SMALL_BYTES }));
  app.useBodyParser('text', { type: 'application/json', limit: MOST_JOB_BYTES });
  app.useBodyParser('raw', { type: 'image/*', limit: MOST_PHOTO_BYTES });
  app.use(parseJsonBody);
  app.useGlobalFilters(new ProblemFilter());
  app.enableShutdownHooks();
  return app;
}
