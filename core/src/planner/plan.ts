import { z } from 'zod';
import { GRADES } from '../materials/grades.ts';
import { LAYER_KIND_NAMES } from '../materials/layer-kinds.ts';
import { OPS } from '../operations/act.ts';
import { TOOLS } from '../materials/tools.ts';
import { WINDOW_KINDS } from '../operations/time-window.ts';
import { happeningsSchema } from './happening.ts';
import { SENTENCES, type SentenceCode } from '../wording/sentences.ts';
import { SOURCES } from '../wording/reason.ts';

/** The shape of a plan as it leaves core: what the CLI prints, the server keeps and the screens read. */

const codes = Object.keys(SENTENCES) as [SentenceCode, ...SentenceCode[]];
const facts = z.record(z.string(), z.union([z.string(), z.number()]));
const source = z.enum(SOURCES);

export const saidSchema = z.object({
  rule: z.string(),
  text: z.string(),
  source,
  code: z.enum(codes),
  facts,
});
/** What is said of the plan, or of one zone of it. */
const noticeSchema = z.object({
  zoneId: z.string().optional(),
  /** Empty for words that are the same in every unit. */
  code: z.string(),
  facts,
  text: z.string(),
});
const windowSchema = z.object({ opensMin: z.number(), closesMin: z.number(), thenWhat: z.string() });
/** A clock that starts with the step; minutes after the start of the work. */
const clockSchema = z.object({
  kind: z.enum(WINDOW_KINDS),
  rule: z.string(),
  opensAtMin: z.number(),
  /** Left out where it never closes. */
  closesAtMin: z.number().optional(),
  source,
  thenWhat: z.string(),
});

/** A zone's layers, bottom to top, as they lie after a step. */
export const stackSchema = z.array(
  z.object({
    kind: z.enum(LAYER_KIND_NAMES),
    um: z.number(),
    /** Of a film, what lies in a hollow under it, µm. */
    hollowUm: z.number().optional(),
  }),
);

const patchRef = z.object({ zone: z.string(), patch: z.string() });
const places = {
  zones: z.array(z.string()),
  /** Patches among what is worked on; their zones are in `zones`. */
  patches: z.array(patchRef).optional(),
  /** Exactly what is worked on: a zone's ground by the zone's id, a patch as `zone/patch`. */
  areas: z.array(z.string()),
};

export const stepSchema = z.object({
  n: z.number().int(),
  op: z.enum(OPS),
  ...places,
  sheetId: z.string().optional(),
  sheetName: z.string().optional(),
  coats: z.number().int().optional(),
  /** Where zones get different numbers of coats. */
  coatsByZone: z.record(z.string(), z.number().int()).optional(),
  grit: z.enum(GRADES).optional(),
  /** All grades of the step, coarse to fine. */
  grits: z.array(z.enum(GRADES)).optional(),
  tool: z.enum(TOOLS).optional(),
  filmUm: z.number().optional(),
  toneL: z.number().optional(),
  /** When it begins and ends, its wait included; minutes after the start of the work. */
  startMin: z.number(),
  endMin: z.number(),
  handsOnMin: z.number(),
  waitMin: z.number(),
  materialCost: z.number(),
  /** Minutes after the end of this step. */
  window: windowSchema.optional(),
  clocks: z.array(clockSchema),
  /** Where the figures of this step come from, by field name. */
  sources: z.record(z.string(), source),
  why: z.array(saidSchema),
  cautions: z.array(z.string()),
  /** Stacks of the zones whose layers this step changed. */
  stacks: z.record(z.string(), stackSchema),
  /** It was done before this plan was made. */
  isDone: z.boolean().optional(),
});

export const totalsSchema = z.object({
  handsOnMin: z.number(),
  elapsedMin: z.number(),
  materialCost: z.number(),
  risk: z.number(),
});

export const refusalSchema = saidSchema.extend({
  zoneId: z.string(),
  /** What would make it allowed, where something would: words that follow "Allowed ". */
  allowedIf: z.string().optional(),
});

export const systemSchema = z.object({
  id: z.string(),
  title: z.string(),
  verdict: z.enum(['ready', 'refused']),
  refusedBy: z.array(refusalSchema),
  /** What would have been the next step of a refused system. */
  refusedStep: z.object({ op: z.enum(OPS), ...places, sheetName: z.string().optional() }).optional(),
  /** Remarks and schools: what speaks for and against it. */
  remarks: z.array(saidSchema.extend({ level: z.enum(['should', 'school']) })),
  totals: totalsSchema,
  /** Largest ledge left at hand-over, and what the quality allows. */
  level: z.object({ ledgeUm: z.number(), limitUm: z.number() }).optional(),
  steps: z.array(stepSchema),
});

/** What one outcome of a test would lead to. */
const outcomeSchema = z.object({ outcome: z.string(), leadsTo: z.string() });
export const decidingTestSchema = z.object({
  zoneId: z.string(),
  test: z.string(),
  outcomes: z.array(outcomeSchema),
});

export const panelPlanSchema = z.object({
  panelId: z.string(),
  chosen: z.string().nullable(),
  systems: z.array(systemSchema),
  stopped: z.array(noticeSchema.extend({ zoneId: z.string(), rule: z.string() })),
  /** Minutes after midnight at which its work starts. */
  startMin: z.number(),
  /** The day on which it starts, ISO, where somebody said. */
  startOn: z.string().optional(),
  /** Stacks as found, by zone. */
  found: z.record(z.string(), stackSchema),
  /** Sides that were chosen for this plan only, by school. */
  schools: z.record(z.string(), z.string()).optional(),
  /** Products that were taken for this plan only, whatever the shelf prefers. */
  products: z.array(z.object({ sheetId: z.string(), name: z.string() })).optional(),
  /** What was done before, in order, where the plan goes on from there. */
  done: happeningsSchema.optional(),
  /** Tests that nobody has done and that would decide between systems. */
  tests: z.array(decidingTestSchema).optional(),
  /** Versions of the sheets that the plan was made with. */
  sheetVersions: z.record(z.string(), z.number()),
  warnings: z.array(noticeSchema),
});

export const jobPlanSchema = z.object({ panels: z.array(panelPlanSchema), warnings: z.array(z.string()) });

export type Notice = z.infer<typeof noticeSchema>;
export type Said = z.infer<typeof saidSchema>;
export type DecidingTest = z.infer<typeof decidingTestSchema>;
export type Stack = z.infer<typeof stackSchema>;
export type Step = z.infer<typeof stepSchema>;
export type System = z.infer<typeof systemSchema>;
export type PanelPlan = z.infer<typeof panelPlanSchema>;
export type JobPlan = z.infer<typeof jobPlanSchema>;
