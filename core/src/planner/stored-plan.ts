import { z } from 'zod';
import { sheetSchema } from '../materials/sheet.ts';
import { panelSchema } from '../survey/panel.ts';
import { schoolsSchema } from '../survey/schools.ts';
import { shopAirSchema, shopSchema, targetSchema } from '../survey/shop.ts';
import { SOURCES } from '../wording/reason.ts';
import { SENTENCES, type SentenceCode } from '../wording/sentences.ts';
import { actInputSchema, ownSequenceSchema } from './act-input.ts';
import { actsDone, happeningsSchema, type Happening } from './happening.ts';

/**
 * What is kept of a plan: the inputs that it was made from, and its systems as acts with their verdicts. No prose and no
 * view: steps, reasons in words, stacks, clocks and totals come from replaying the acts over the inputs (view-plan.ts).
 */

/** Raised when the shape changes; plans of another one are said to be too old. */
export const PLAN_FORMAT = 2;
/** Raised when rules, models or defaults change what a plan says: an older plan is offered to be made again. */
export const PLANNER_VERSION = 9;

/** Id of the system that lays nothing. */
export const KEY_ONLY = 'key-only';
/** Id of the system that a person put together. */
export const OWN = 'own';

const codes = Object.keys(SENTENCES) as [SentenceCode, ...SentenceCode[]];

const reasonSchema = z.object({
  rule: z.string(),
  code: z.enum(codes),
  facts: z.record(z.string(), z.union([z.string(), z.number()])),
  source: z.enum(SOURCES),
});

const verdictSchema = z.object({
  level: z.enum(['must', 'should', 'school', 'note']),
  zoneId: z.string(),
  reason: reasonSchema,
});

export const plannedActSchema = actInputSchema.extend({
  /** The rules that asked for it, and where its numbers come from. */
  why: z.array(reasonSchema),
  /** A choice of the planner, which tells its system from others; the rest is what rules ask for before it. */
  isChoice: z.literal(true).optional(),
  /** What was asked for before it and could not be had. */
  unmet: z.array(verdictSchema).optional(),
});

const storedSystemSchema = z.object({
  id: z.string(),
  acts: z.array(plannedActSchema),
  verdict: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('ready') }),
    /** The act that was asked for next, and what speaks against it or against what it needs. */
    z.object({ kind: z.literal('refused'), act: plannedActSchema, refusals: z.array(verdictSchema).min(1) }),
  ]),
});

export const takenProductsSchema = z.array(z.string().min(1).max(60)).max(40);

export const planInputsSchema = z.object({
  panel: panelSchema,
  shop: shopSchema,
  target: targetSchema,
  sheets: z.array(sheetSchema),
  /** Sides of schools for this plan only, over the shop's. */
  schools: schoolsSchema.optional(),
  /** Products that were taken for this plan, whatever the shelf prefers. */
  products: takenProductsSchema.optional(),
  /** What the shelf was like, by what its products are there for; only sheets that mattered are kept in full. */
  shelf: z.record(z.string(), z.string()).optional(),
  startMin: z.number().optional(),
  startOn: z.iso.date().optional(),
  /** Somebody chose that start: work does not begin before it. */
  isStartFixed: z.literal(true).optional(),
  /** What already happened, in order. */
  done: happeningsSchema.optional(),
  /** Air as it was measured while that was done, each until a minute of the panel's clock. */
  airBefore: z
    .array(z.object({ untilMin: z.number(), air: shopAirSchema }))
    .max(2000)
    .optional(),
  /** Minute of the panel's clock from which the rest is planned. */
  nowMin: z.number().optional(),
  /** A system of the person's own, planned beside the others. */
  own: ownSequenceSchema.optional(),
});

export const storedPlanSchema = z.object({
  formatVersion: z.literal(PLAN_FORMAT),
  plannerVersion: z.number().int(),
  inputs: planInputsSchema,
  systems: z.array(storedSystemSchema),
  /** The system that the planner would take; null where a zone has to be set right first, or none is ready. */
  chosen: z.string().nullable(),
  /** States looked at; left out where there was nothing to plan. */
  search: z.object({ looked: z.number(), gaveUp: z.boolean() }).optional(),
});

export type PlannedAct = z.infer<typeof plannedActSchema>;
export type StoredSystem = z.infer<typeof storedSystemSchema>;
export type StoredPlan = z.infer<typeof storedPlanSchema>;

/** Ids of the sheets that systems lay, or would have laid next, and that were laid before. */
export function sheetsOfActs(
  systems: readonly StoredSystem[],
  done: readonly Happening[] = [],
): ReadonlySet<string> {
  const next = systems.flatMap(({ verdict }) => (verdict.kind === 'refused' ? [verdict.act] : []));
  const acts = [...systems.flatMap((system) => system.acts), ...next, ...actsDone(done)];
  return new Set(acts.flatMap(({ sheetId }) => sheetId ?? []));
}

/** Ids of the sheets that any of its systems, or what was done before, uses. */
export const usedSheetIds = ({ systems, inputs }: StoredPlan): ReadonlySet<string> =>
  sheetsOfActs(systems, inputs.done);

/** A plan as it was kept, or null where an earlier or later release kept it in a shape that this one does not read. */
export function storedPlanOf(body: unknown): StoredPlan | null {
  const version = (body as { readonly formatVersion?: unknown } | null)?.formatVersion;
  return version === PLAN_FORMAT ? (body as StoredPlan) : null;
}
