import type { ProblemDetails } from '@blue-ledge/core';
import { connection } from '../state/connection.ts';

/** The one door to the server. */

/** The server answered, and said no. */
export class RequestRefused extends Error {
  constructor(readonly details: ProblemDetails) {
    super(details.title);
  }

  /** One line for each thing that is wrong, else the title. */
  get lines(): string[] {
    const problems = this.details.problems ?? [];
    return problems.length > 0
      ? problems.map(({ path, message }) => (path ? `${path}: ${message}` : message))
      : [this.message];
  }
}

/** The person stopped it. */
export class Stopped extends Error {}

/** No whole answer came; what was asked can be asked again. */
export class Unreachable extends Error {}

interface Request {
  readonly method?: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';
  readonly body?: unknown;
  /** The same key for the same write, however often it is sent. */
  readonly key?: string;
  /** Gives the request up. */
  readonly stop?: AbortSignal;
}

/** An answer that came whole; `value` is undefined where its text is no JSON. */
interface Answer {
  readonly status: number;
  readonly isOk: boolean;
  readonly value: unknown;
}

const isSentAsIs = (body: unknown): body is string | Blob => typeof body === 'string' || body instanceof Blob;

function valueOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

/** Null where no answer came, or was cut off on its way. */
async function answerTo(path: string, { method = 'GET', body, key, stop }: Request): Promise<Answer | null> {
  try {
    const response = await fetch(`/api${path}`, {
      method,
      headers: {
        ...(body === undefined
          ? {}
          : { 'content-type': body instanceof Blob ? body.type : 'application/json' }),
        ...(key ? { 'idempotency-key': key } : {}),
      },
      ...(stop ? { signal: stop } : {}),
      ...(body === undefined ? {} : { body: isSentAsIs(body) ? body : JSON.stringify(body) }),
    });
    return { status: response.status, isOk: response.ok, value: valueOf(await response.text()) };
  } catch {
    return null;
  }
}

/** A proxy in between answers 502 to 504 for a server that is down; every good answer of ours is JSON. */
const isCutOff = ({ status, isOk, value }: Answer): boolean =>
  (status >= 502 && status <= 504) || (isOk && value === undefined);

/**
 * @throws {RequestRefused} for a problem answer, {@link Unreachable} where no answer came or only a part of one,
 * {@link Stopped} where the person gave it up
 */
export async function ask<T>(path: string, request: Request = {}): Promise<T> {
  const answer = await answerTo(path, request);
  if (request.stop?.aborted) throw new Stopped();
  if (!answer || isCutOff(answer)) {
    connection.lost();
    throw new Unreachable('The server does not answer.');
  }
  connection.found();
  const { status, isOk, value } = answer;
  if (isOk) return value as T;
  throw new RequestRefused(isProblem(value) ? value : { status, title: `The server answered ${status}.` });
}

const isProblem = (value: unknown): value is ProblemDetails =>
  typeof (value as Partial<ProblemDetails> | null | undefined)?.title === 'string';

export const newKey = (): string => crypto.randomUUID();
