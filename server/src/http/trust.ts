import type { NextFunction, Request, Response } from 'express';
import { ProblemError } from './problem.ts';

/**
 * Who may ask: this server's own pages, and programs on this machine. A page of another site that runs in the same
 * browser may not, neither under a name that was turned to this address nor by a form or script of its own.
 */

const OWN_NAMES: readonly string[] = ['localhost', '127.0.0.1', '[::1]'];
const WITH_BODY: readonly string[] = ['POST', 'PUT', 'PATCH'];
/** What a browser says of requests that a page of another place makes. */
const FOREIGN_SITES: readonly string[] = ['cross-site', 'same-site'];

const nameOf = (host: string): string => host.replace(/:\d+$/, '').toLowerCase();

/** Host and port of an origin; empty for one that has none (a file, a sandboxed frame). */
const hostOf = (origin: string): string => (URL.canParse(origin) ? new URL(origin).host : '');

/** Where pictures are taken in; everything else is JSON. */
const PHOTOS = '/api/photos';

const typesAt = ({ path }: Request): string => (path === PHOTOS ? 'image/*' : 'application/json');

const hasBody = ({ headers }: Request): boolean =>
  headers['transfer-encoding'] !== undefined || Number(headers['content-length'] ?? 0) > 0;

/** The sentence that refuses a request; null where it may pass. */
function refusal(request: Request, names: readonly string[]): ProblemError | null {
  const { host = '', origin } = request.headers;
  if (!names.includes(nameOf(host)))
    return new ProblemError(
      403,
      `This server does not answer to the name "${nameOf(host).slice(0, 80)}". Open it at http://localhost, or set LEDGE_HOSTS.`,
    );
  if (!request.path.startsWith('/api')) return null;
  const isForeign =
    (origin !== undefined && hostOf(origin) !== host) ||
    FOREIGN_SITES.includes(String(request.headers['sec-fetch-site'] ?? ''));
  if (isForeign) return new ProblemError(403, 'A page of another site asked for this. Nothing was done.');
  if (WITH_BODY.includes(request.method) && hasBody(request) && !request.is(typesAt(request)))
    return new ProblemError(
      415,
      request.path === PHOTOS
        ? 'A photo is sent as it is: set its content type, such as image/jpeg.'
        : 'What is sent has to be JSON: set the content type application/json.',
    );
  return null;
}

/** @param names names that the server is reached by, besides those of this machine */
export const onlyTrusted =
  (names: readonly string[]) =>
  (request: Request, _: Response, next: NextFunction): void =>
    next(refusal(request, [...OWN_NAMES, ...names]) ?? undefined);
