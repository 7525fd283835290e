import { Catch, HttpException, Logger, type ArgumentsHost, type ExceptionFilter } from '@nestjs/common';
import type { Request, Response } from 'express';
import { errorCode } from '../database/start-error.ts';
import { ProblemError } from './problem.ts';

const SENTENCES: Record<number, string> = {
  404: 'There is nothing at this address.',
  413: 'This is larger than 8 MB, the most that a job file or a photo may be. Split the job, or scale the photo down.',
};

const DAMAGED =
  'The database of this server is damaged. Nothing was saved: stop the server, keep its folder, and restore a backup.';
const UNREADABLE =
  'The disk of the data folder cannot be read or written to. Nothing was saved: look at the disk and its cable.';

/** What a person can mend about disk and database while the server runs. */
const SAID_OF_DATABASE: Readonly<Record<string, string>> = {
  SQLITE_FULL: 'The disk is full. Nothing was saved: make room on it, and send it again.',
  ENOSPC: 'The disk is full. Nothing was saved: make room on it, and send it again.',
  LEDGE_GONE:
    'The data folder of this server was moved or removed while it ran. Nothing was saved: put the folder back where it was, or stop the server and restore a backup.',
  SQLITE_CORRUPT: DAMAGED,
  SQLITE_NOTADB: DAMAGED,
  SQLITE_IOERR: UNREADABLE,
  EIO: UNREADABLE,
  SQLITE_READONLY: 'The data folder cannot be written to. Nothing was saved: give this user the right to.',
};

interface Details {
  readonly status: number;
  readonly title: string;
  readonly [more: string]: unknown;
}

/** Every failure leaves as problem details; only a bug of ours is a 500, logged under the reference it shows. */
@Catch()
export class ProblemFilter implements ExceptionFilter {
  private readonly logger = new Logger('problem');

  catch(error: unknown, host: ArgumentsHost): void {
    const response = host.switchToHttp().getResponse<Response>();
    const { id } = host.switchToHttp().getRequest<Request>();
    if (response.headersSent) return void response.end();
    const details = this.detailsOf(error, String(id));
    response
      .status(details.status)
      .type('application/problem+json')
      .send(JSON.stringify({ type: 'about:blank', ...details }));
  }

  private detailsOf(error: unknown, reference: string): Details {
    if (error instanceof ProblemError)
      return { status: error.status, title: error.title, problems: error.problems, ...error.extra };
    const full = SAID_OF_DATABASE[errorCode(error)];
    if (full) return { status: 507, title: full, problems: [] };
    const status = statusOf(error);
    if (status < 500) return { status, title: SENTENCES[status] ?? (error as Error).message, problems: [] };
    this.logger.error(
      `${reference} ${error instanceof Error ? (error.stack ?? error.message) : String(error)}`,
    );
    return {
      status: 500,
      title: `Something went wrong on our side. Nothing was saved. Reference ${reference}.`,
      reference,
    };
  }
}

/** Body parsers throw plain errors with a status of their own. */
function statusOf(error: unknown): number {
  if (error instanceof HttpException) return error.getStatus();
  const { status } = (typeof error === 'object' && error !== null ? error : {}) as { status?: unknown };
  return typeof status === 'number' ? status : 500;
}
