import { z } from 'zod';
import { GRADES, isCoarser } from './grades.ts';
import { LAYER_KIND_NAMES } from './layer-kinds.ts';

/**
 * A product sheet: what the maker of a material says about it, entered by the shop.
 * Times are minutes at `refCelsius` unless a field says otherwise; films are dry µm unless named wet.
 */

const minutes = z
  .number()
  .min(0)
  .max(60 * 24 * 365);
const um = z.number().min(0).max(10_000);
const share = z.number().min(0).max(1);
export const gradeSchema = z.enum(GRADES);

export const HAZARDS = ['isocyanate', 'solvent', 'peroxide', 'acid', 'dust'] as const;

const scratchRange = z
  .object({ coarsest: gradeSchema, finest: gradeSchema })
  .refine(({ coarsest, finest }) => !isCoarser(finest, coarsest), {
    path: ['finest'],
    message: 'must not be coarser than the coarsest scratch',
  })
  .readonly();

const componentSchema = z.object({
  name: z.string().min(1).max(60),
  parts: z.number().positive().max(1000),
  gramsPerMl: z.number().positive().max(25),
  volumeSolids: share,
});

/** A film never cures more slowly where it is warmer; a sheet that says so is misread. */
const isFasterWhereWarmer = (points: readonly { celsius: number; minutes: number }[]): boolean =>
  [...points]
    .sort((a, b) => a.celsius - b.celsius)
    .every((point, i, all) => i === 0 || point.minutes <= all[i - 1]!.minutes);

export const sheetSchema = z.looseObject({
  id: z.string().min(1).max(60),
  name: z.string().min(1).max(120),
  kind: z.enum([...LAYER_KIND_NAMES, 'cleaner', 'guide-coat']),
  version: z.number().int().min(1).default(1),
  /** Place in the shop's order among products for the same work, 1 first; what has none comes after. */
  rank: z.number().int().min(1).max(999).optional(),
  /** Kept for what was made with it; nothing new is planned with it. */
  isArchived: z.boolean().optional(),
  /** What this entry is mixed for, where that is not the usual use of its kind: an epoxy reduced as sealer. */
  use: z.enum(['sealer']).optional(),
  components: z.array(componentSchema).min(1).max(6),
  refCelsius: z.number().min(0).max(60).default(20),
  /** Dry film of one coat, how many coats, and the most in one application. */
  film: z
    .object({
      perCoatUm: um,
      coats: z.number().int().min(1).max(8),
      maxUm: um,
      maxWetUm: um.optional(),
    })
    .refine(({ perCoatUm, maxUm }) => perCoatUm <= maxUm, {
      path: ['maxUm'],
      message: 'must be at least the film of one coat',
    }),
  /** What leaves while it flashes: water takes its time from the damp of the air, solvent from its warmth. */
  carrier: z.enum(['solvent', 'water']).default('solvent'),
  flash: z.object({ betweenCoatsMin: minutes, beforeNextMin: minutes }),
  /** Earliest sanding; null for a product that is not sanded. */
  sandAfterMin: minutes.nullable(),
  recoat: z
    .object({
      opensMin: minutes,
      closesMin: minutes,
      /** What is done once it has closed. */
      past: z.enum(['scuff', 'abrade', 'repeat']),
      /** Part of it in which the next coat would lift this one; minutes after its last pass. */
      forbidden: z.object({ fromMin: minutes, toMin: minutes }).optional(),
    })
    .refine(({ opensMin, closesMin }) => opensMin <= closesMin, 'must not close before it opens')
    .refine(
      ({ forbidden }) => !forbidden || forbidden.fromMin < forbidden.toMin,
      'the forbidden part must begin before it ends',
    ),
  cure: z
    .array(z.object({ celsius: z.number().min(-10).max(120), minutes: minutes.min(1) }))
    .min(1)
    .max(6)
    .refine(isFasterWhereWarmer, 'a warmer point must not take longer: correct its minutes'),
  potLifeMin: minutes.optional(),
  tipMm: z
    .object({ from: z.number().positive().max(10), to: z.number().positive().max(10) })
    .refine(({ from, to }) => from <= to, {
      path: ['to'],
      message: 'must not be smaller than the smallest tip',
    })
    .optional(),
  climate: z
    .object({
      minCelsius: z.number().min(-30).max(60),
      maxCelsius: z.number().min(-30).max(80),
      maxRelativeHumidity: z.number().min(0).max(100),
    })
    .refine(({ minCelsius, maxCelsius }) => minCelsius < maxCelsius, {
      path: ['maxCelsius'],
      message: 'must be warmer than the least temperature',
    }),
  /** What it may lie on, with the scratch it wants there. A missing kind is not allowed under it. */
  over: z.partialRecord(z.enum(LAYER_KIND_NAMES), scratchRange),
  /** May lie on this kind unsanded, if clean and sound. */
  overUnsanded: z.array(z.enum(LAYER_KIND_NAMES)).default([]),
  resistsCorrosion: z.boolean().default(false),
  /** May cover small rub-through spots of bare metal. */
  coversBareSpots: z.boolean().default(false),
  /** Film that must be left after sanding. */
  mustStayUm: um.optional(),
  /** Low-shear viscosity for the sag model, Pa s. */
  lowShearPaS: z.number().positive().max(100).optional(),
  maxLiftUm: um.optional(),
  /** Wait after mixing, before it is sprayed. */
  inductionMin: minutes.optional(),
  /** Flexible additive for flexible parts, share of the activated volume. */
  flexPercent: z.number().min(0).max(50).optional(),
  hardenerPercent: z.object({ from: z.number(), to: z.number(), usual: z.number() }).optional(),
  tonesL: z.array(z.number().min(0).max(100)).max(12).default([]),
  pricePerLitre: z.number().min(0).max(10_000).default(0),
  hazards: z.array(z.enum(HAZARDS)).default([]),
});

export type ProductSheet = z.infer<typeof sheetSchema>;
export type ProductSheetInput = z.input<typeof sheetSchema>;

/** Volume solids ready to spray: sum(part x VS) / sum(part). */
export function readyVolumeSolids(sheet: Pick<ProductSheet, 'components'>): number {
  const parts = sheet.components.reduce((sum, c) => sum + c.parts, 0);
  return sheet.components.reduce((sum, c) => sum + c.parts * c.volumeSolids, 0) / parts;
}

/** Two or more components that react: what gets the flexible additive on a flexible part. */
export const isTwoPack = (sheet: Pick<ProductSheet, 'hazards' | 'kind'>): boolean =>
  sheet.hazards.includes('isocyanate') || sheet.kind === 'epoxy';
