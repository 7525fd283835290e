import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import type { LoggerService } from '@nestjs/common';
import { pino, type Logger } from 'pino';
import { pinoHttp, type HttpLogger } from 'pino-http';
import { LOG_FILE } from '../database/data-folder.ts';
import { StartError, errorCode } from '../database/start-error.ts';
import { LogFile } from './log-file.ts';

/** What was asked and what went wrong, one line each in a file of the data folder; a fault is found by its reference. */

/** Over this size the file is put aside, in the place of the one before. */
const MOST_BYTES = 10 * 1024 * 1024;

/**
 * The log of a data folder, which must be there.
 * @throws {StartError} where its file cannot be written to
 */
export function openLog(folder: string, mostBytes = MOST_BYTES): Logger {
  const file = join(folder, LOG_FILE);
  try {
    return pino({ level: 'info' }, new LogFile(file, mostBytes));
  } catch (error) {
    throw new StartError(
      `The log ${file} cannot be written to (${errorCode(error)}). Give this user the right to it, or move it away.`,
    );
  }
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
