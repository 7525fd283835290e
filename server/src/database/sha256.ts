import { createHash } from 'node:crypto';

/** SHA-256 of a text, in hex; several times faster than a way that a browser has too. */
export const sha256 = (text: string): string => createHash('sha256').update(text).digest('hex');
