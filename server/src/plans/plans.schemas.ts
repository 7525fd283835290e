import { actInputsSchema, ownSequenceSchema, schoolsSchema, takenProductsSchema } from '@blue-ledge/core';
import { z } from 'zod';
import { versionSchema } from '../http/params.ts';

/** Bodies of requests about plans. */
export const choiceSchema = z.object({
  systemId: z.string().min(1).max(400),
  version: versionSchema,
  /** The person knows that what the plan was made from has changed since. */
  evenIfChanged: z.boolean().default(false),
});
export type Choice = z.infer<typeof choiceSchema>;

const start = {
  startMin: z
    .number()
    .min(0)
    .max(24 * 60 - 1, 'must be a time of day, in minutes after midnight')
    .optional(),
  startOn: z.iso.date('must be a day such as 2026-12-07').optional(),
};

/** Schools and products for this plan only, when work starts and what was already done; empty for a plan as the shop has it. */
export const planAskSchema = z
  .object({
    schools: schoolsSchema.optional(),
    products: takenProductsSchema.optional(),
    ...start,
    /** Somebody chose that start: the bay does not begin before it. */
    isStartFixed: z.literal(true).optional(),
    done: actInputsSchema.optional(),
    own: ownSequenceSchema.optional(),
  })
  .prefault({});
export type PlanAsk = z.infer<typeof planAskSchema>;

/** When it is, for plans that start now, and whether panels that have been started are planned as well. */
export const planAllSchema = z
  .object({ now: z.object(start).required().optional(), alsoStarted: z.boolean().default(false) })
  .prefault({});
export type PlanAll = z.infer<typeof planAllSchema>;

/** The step of a system whose product is asked about. */
export const stepQuerySchema = z.object({
  system: z.string().min(1).max(400),
  step: z.coerce.number().int('must be the number of a step').min(1).max(1000),
});
export type StepQuery = z.infer<typeof stepQuerySchema>;

export const judgeAskSchema = z.object({
  own: actInputsSchema,
  /** Adds the work that the rules ask for in between. */
  fillsIn: z.boolean().default(true),
  schools: schoolsSchema.optional(),
});
export type JudgeAsk = z.infer<typeof judgeAskSchema>;
