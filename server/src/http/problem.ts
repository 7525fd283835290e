import type { Problem } from '@blue-ledge/core';

/** What the server answers when it does not do what was asked (RFC 9457), thrown by services. */
export class ProblemError extends Error {
  constructor(
    readonly status: 400 | 403 | 404 | 409 | 413 | 415 | 422 | 429 | 507,
    readonly title: string,
    readonly problems: readonly Problem[] = [],
    /** Both values of a conflict, for the client to choose. */
    readonly extra: Readonly<Record<string, unknown>> = {},
  ) {
    super(title);
  }
}

/** Work that was ended because who asked for it went away. */
export class GivenUp extends ProblemError {
  constructor() {
    super(422, 'The plan was given up: nobody waited for it.');
  }
}

export const notFound = (what: string): ProblemError =>
  new ProblemError(404, `${what} is not here; it may have been removed.`);

/** A stale version: nothing was written, and both values are in the answer. */
export const stale = (yours: unknown, theirs: unknown): ProblemError =>
  new ProblemError(
    409,
    'Somebody changed this in the meantime. Nothing was overwritten: choose which one stays.',
    [],
    { yours, theirs },
  );
