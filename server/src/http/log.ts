import { randomUUID } from 'node:crypto';
import { existsSync, renameSync, statSync } from 'node:fs';
import { join } from 'node:path';
import type { LoggerService } from '@nestjs/common';
import { pino, type Logger } from 'pino';
import { pinoHttp, type HttpLogger } from 'pino-http';

/** What was asked and what went wrong, one line each in a file of the data folder; a fault is found by its reference. */

const FILE = 'server.log';
/** Over this size the file is put aside when the server starts, in the place of the one before. */
const MOST_BYTES = 10 * 1024 * 1024;

/** The log of a data folder, which must be there. */
export function openLog(folder: string): Logger {
  const file = join(folder, FILE);
  if (existsSync(file) && statSync(file).size > MOST_BYTES) renameSync(file, `${file}.1`);
  return pino({ level: 'info' }, pino.destination({ dest: file, sync: true, mode: 0o600 }));
}

/** Notes every request with a reference of its own, status and time; bodies and headers stay out of it. */
export const logRequests = (log: Logger): HttpLogger =>
  pinoHttp({
    logger: log,
    genReqId: () => randomUUID().slice(0, 8),
    customLogLevel: (_, { statusCode }) => (statusCode >= 500 ? 'error' : 'info'),
    autoLogging: { ignore: ({ url }) => !url?.startsWith('/api') },
    serializers: {
      req: ({ id, method, url }: { id: string; method: string; url: string }) => ({ id, method, url }),
      res: ({ statusCode }: { statusCode: number }) => ({ statusCode }),
    },
  });

/** What the framework has to say goes into the same file. */
export const nestLogger = (log: Logger): LoggerService => ({
  log: () => undefined,
  warn: (message: unknown, ...more: unknown[]) => log.warn({ more }, String(message)),
  error: (message: unknown, ...more: unknown[]) => log.error({ more }, String(message)),
});
