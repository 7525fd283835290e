import { idSchema, jobFactsSchema, panelEditSchema, panelSchema } from '@blue-ledge/core';
import { z } from 'zod';
import { SAYS_NOTHING, saysSomething, searchText, versionSchema } from '../http/params.ts';

/** Queries and bodies of requests about jobs. */

const MOST_A_PAGE = 100;
const wholeText = z
  .string()
  .regex(/^\d{1,6}$/, 'must be a whole number')
  .transform(Number);

const isTrue = z
  .enum(['true', 'false'])
  .default('false')
  .transform((word) => word === 'true');

export const jobsQuerySchema = z.object({
  text: searchText(80),
  archived: isTrue,
  removed: isTrue,
  offset: wholeText.default(0),
  limit: wholeText.pipe(z.number().min(1).max(MOST_A_PAGE)).default(50),
});
export type JobsQuery = z.infer<typeof jobsQuerySchema>;

/** Where a job file is planned: in a shop that is here, or in the one that it carries. */
export const takeQuerySchema = z.object({ shop: idSchema.optional() });

export const jobAddSchema = z.object({
  job: jobFactsSchema.omit({ id: true }),
  shopId: idSchema,
  panels: z.array(panelSchema).max(200, 'may hold at most 200 panels').default([]),
});
export type JobAdd = z.infer<typeof jobAddSchema>;

export const panelEditBodySchema = z.object({ edit: panelEditSchema });
export type PanelEditBody = z.infer<typeof panelEditBodySchema>;

export const panelAddSchema = z.object({ panel: panelSchema });
export type PanelAdd = z.infer<typeof panelAddSchema>;

export const versionOnlySchema = z.object({ version: versionSchema });
export type VersionOnly = z.infer<typeof versionOnlySchema>;

const facts = jobFactsSchema.shape;
export const jobPatchSchema = z
  .object({
    /** Left out where the later writer of a field shall win. */
    version: versionSchema.optional(),
    customer: facts.customer,
    title: facts.title.optional(),
    customerWords: facts.customerWords,
    dueOn: facts.dueOn.nullable(),
    target: facts.target.unwrap().optional(),
    shopId: idSchema.optional(),
    isArchived: z.boolean().optional(),
  })
  .refine(saysSomething, SAYS_NOTHING);
export type JobPatch = z.infer<typeof jobPatchSchema>;
