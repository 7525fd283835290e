import { actInputsSchema, schoolsSchema } from '@blue-ledge/core';
import { z } from 'zod';
import { versionSchema } from '../http/params.ts';

/** Bodies of requests about plans. */
export const choiceSchema = z.object({ systemId: z.string().min(1).max(200), version: versionSchema });

/** Schools for this plan only, and what was already done; an empty body asks for a plan as the shop has it. */
export const planAskSchema = z
  .object({ schools: schoolsSchema.optional(), done: actInputsSchema.optional() })
  .prefault({});
export type PlanAsk = z.infer<typeof planAskSchema>;

export const judgeAskSchema = z.object({
  own: actInputsSchema,
  /** Adds the work that the rules ask for in between. */
  fillsIn: z.boolean().default(true),
  schools: schoolsSchema.optional(),
});
export type JudgeAsk = z.infer<typeof judgeAskSchema>;
