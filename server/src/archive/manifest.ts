import { z } from 'zod';
import { FILE } from '../database/data-folder.ts';

/** What lies in an archive: a zip of the database and its photos, with the hash of each. */

export const ARCHIVE_FORMAT = 'blue-ledge-archive';
export const ARCHIVE_VERSION = 1;
export const MANIFEST = 'manifest.json';

const fileSchema = z.object({
  file: z
    .string()
    .refine(
      (name) => name === FILE || /^photos\/[0-9a-f]{64}\.(jpg|png|webp)$/.test(name),
      'is no file of a shop',
    ),
  bytes: z.number().int().min(0),
  sha256: z.string().regex(/^[0-9a-f]{64}$/),
});
export type ArchivedFile = z.infer<typeof fileSchema>;

export const manifestSchema = z.object({
  format: z.literal(ARCHIVE_FORMAT),
  version: z.literal(ARCHIVE_VERSION),
  madeAt: z.iso.datetime(),
  /** Entries of all records. */
  entries: z.number().int().min(0),
  photos: z.number().int().min(0),
  /** Photos that entries name and that were not there, or not as they were taken. */
  missing: z.array(z.string()),
  files: z.array(fileSchema).min(1),
});
export type Manifest = z.infer<typeof manifestSchema>;
