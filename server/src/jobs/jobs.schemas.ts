import { idSchema, panelSchema, shopSchema, targetSchema, zoneSchema } from '@blue-ledge/core';
import { z } from 'zod';
import { versionSchema } from '../http/params.ts';

/** Bodies of requests about jobs. */
export const zoneWriteSchema = z.object({ version: versionSchema, zone: zoneSchema });
export type ZoneWrite = z.infer<typeof zoneWriteSchema>;

export const panelWriteSchema = z.object({
  version: versionSchema,
  /** Version of every zone as it was seen. */
  zoneVersions: z.record(idSchema, versionSchema),
  panel: panelSchema,
});
export type PanelWrite = z.infer<typeof panelWriteSchema>;

export const panelAddSchema = z.object({ panel: panelSchema });
export type PanelAdd = z.infer<typeof panelAddSchema>;

export const panelRemoveSchema = z.object({ version: versionSchema });

export const jobPatchSchema = z.object({
  version: versionSchema,
  title: z.string().trim().min(1, 'needs a title').max(160).optional(),
  target: targetSchema.optional(),
  shop: shopSchema.optional(),
});
export type JobPatch = z.infer<typeof jobPatchSchema>;
