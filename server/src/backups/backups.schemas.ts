import { isAbsolute } from 'node:path';
import { z } from 'zod';

/** Bodies of requests about backups. */
export const secondFolderSchema = z.object({
  /** Null where each backup stays beside the data alone. */
  folder: z
    .string()
    .trim()
    .max(1000, 'must be at most 1000 characters')
    .refine((path) => isAbsolute(path), 'must be a whole path, such as /media/backup')
    .nullable(),
  /** The version that was seen; 0 where nothing was set yet. */
  from: z.number().int().min(0),
});
export type SecondFolder = z.infer<typeof secondFolderSchema>;
