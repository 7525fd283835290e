import type { Problem } from '@blue-ledge/core';

/** What the server answers when it does not do what was asked (RFC 9457), thrown by services. */
export class Refused extends Error {
  constructor(
    readonly status: 400 | 403 | 404 | 409 | 413 | 415 | 422,
    readonly title: string,
    readonly problems: readonly Problem[] = [],
    /** Both values of a conflict, for the client to choose. */
    readonly extra: Readonly<Record<string, unknown>> = {},
  ) {
    super(title);
  }
}

export const notFound = (what: string): Refused =>
  new Refused(404, `${what} is not here; it may have been removed.`);

/** A stale version: nothing was written, and both values are in the answer. */
export const stale = (yours: unknown, theirs: unknown): Refused =>
  new Refused(
    409,
    'Somebody changed this in the meantime. Nothing was overwritten: choose which one stays.',
    [],
    { yours, theirs },
  );
