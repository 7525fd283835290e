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

/** The server did not answer at all; what was asked can be asked again. */
export class Unreachable extends Error {}

interface Request {
  readonly method?: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';
  readonly body?: unknown;
  /** The same key for the same write, however often it is sent. */
  readonly key?: string;
  /** Gives the request up. */
  readonly stop?: AbortSignal;
}

const isSentAsIs = (body: unknown): body is string | Blob => typeof body === 'string' || body instanceof Blob;

/** @throws {RequestRefused} for a problem answer, {@link Unreachable} where nothing answered */
export async function ask<T>(path: string, { method = 'GET', body, key, stop }: Request = {}): Promise<T> {
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
  }).catch(() => null);
  if (stop?.aborted) throw new Stopped();
  // A proxy in between answers 502 to 504 for a server that is down.
  if (!response || (response.status >= 502 && response.status <= 504)) {
    connection.lost();
    throw new Unreachable('The server does not answer.');
  }
  connection.found();
  if (response.ok) return (await response.json()) as T;
  const details = (await response.json().catch(() => null)) as ProblemDetails | null;
  throw new RequestRefused(
    details ?? { status: response.status, title: `The server answered ${response.status}.` },
  );
}

export const newKey = (): string => crypto.randomUUID();
