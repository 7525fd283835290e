import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';

/** Photos of the record: an entry names one by the hash of its bytes, so that the chain stands for the picture too. */

/** A photo as it is sent, already scaled down; no camera of a bench needs more. */
export const MOST_PHOTO_BYTES = 8 * 1024 * 1024;

/** Id of a photo: SHA-256 of its bytes, in hex. */
export const photoIdOf = (bytes: Uint8Array): string => bytesToHex(sha256(bytes));

export const PHOTO_ID = /^[0-9a-f]{64}$/;
