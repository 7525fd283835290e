import { z } from 'zod';
import { areaOfPolygonM2 } from './polygon.ts';
import { areaM2Schema, idSchema, polygonSchema, zoneSchema } from './zone.ts';

/** A panel and its zones; what is said here of sizes holds for the whole file. */

/** Zones may overrun their panel by rounding of a tape measure, not more. */
const AREA_TOLERANCE = 1.02;

const withArea = (value: unknown): unknown => {
  if (typeof value !== 'object' || value === null || 'areaM2' in value) return value;
  const outline = polygonSchema.safeParse(
    'outline' in value ? value.outline : 'shape' in value ? value.shape : null,
  );
  return outline.success ? { ...value, areaM2: areaOfPolygonM2(outline.data) } : value;
};

/** What sits on the panel and what is done with it before anything is sprayed. */
export const partSchema = z.looseObject({
  name: z.string().trim().min(1, 'needs a name').max(60),
  plan: z.enum(['remove', 'mask', 'leave']),
  /** A seal or trim that is glued on: its bed is scraped off. */
  glued: z.boolean().optional(),
  /** Label of the bag in which its fasteners are kept. */
  bag: z.string().trim().max(30).optional(),
});
export type PanelPart = z.infer<typeof partSchema>;

/** What lies beside the panel on the vehicle, and what becomes of it. */
export const BORDER_PLANS = ['blend', 'refinish', 'keep'] as const;
export const MOST_BORDERS = 20;
export const borderSchema = z.looseObject({
  name: z.string().trim().min(1, 'needs a name').max(60),
  plan: z.enum(BORDER_PLANS, { error: 'must be blend, refinish or keep' }),
});
export type PanelBorder = z.infer<typeof borderSchema>;

/** A line of any program’s making is kept; what is larger is no line. */
const MOST_LINE_CHARACTERS = 20_000;
const bodyLineSchema = z
  .unknown()
  .refine(
    (line) => JSON.stringify(line ?? null).length <= MOST_LINE_CHARACTERS,
    'holds more than a body line does',
  );

export const panelFactsSchema = z.looseObject({
  id: idSchema,
  name: z.string().trim().min(1, 'needs a name').max(120),
  areaM2: areaM2Schema,
  orientation: z.enum(['vertical', 'horizontal']).default('vertical'),
  shape: z.enum(['flat', 'crowned', 'sharp']).default('crowned'),
  role: z.enum(['refinish', 'blend']).default('refinish'),
  offVehicle: z.boolean().default(false),
  new: z.boolean().default(false),
  finish: z.enum(['smooth', 'keep-texture']).default('smooth'),
  /** Radius of a crowned or sharp panel; measured with a straightedge, else the usual one of its shape. */
  crownRadiusMm: z
    .number()
    .min(50, 'must be at least 50 mm: measure chord² / (8 x gap) with a straightedge')
    .max(1_000_000, 'must be at most 1 000 000 mm; a flatter panel is "flat"')
    .optional(),
  /** Equal parts that are worked on as one batch. */
  count: z
    .number()
    .int('must be a whole number of parts')
    .min(1, 'must be at least 1 part')
    .max(500, 'must be at most 500 parts')
    .default(1),
  bodyLines: z.union([z.number().int().min(0).max(50), z.array(bodyLineSchema).max(50)]).optional(),
  /** Shape that the outline came from; `free` for one that was measured. */
  kind: z.string().max(40).optional(),
  parts: z.array(partSchema).max(40).default([]),
  borders: z.array(borderSchema).max(MOST_BORDERS, `must be at most ${MOST_BORDERS} neighbours`).optional(),
  outline: polygonSchema.optional(),
  isAreaMeasured: z.boolean().optional(),
});

export const panelSchema = z.preprocess(
  withArea,
  panelFactsSchema
    .extend({ zones: z.array(z.preprocess(withArea, zoneSchema)).min(1, 'needs at least one zone').max(60) })
    .superRefine((panel, context) => {
      const seen = new Set<string>();
      panel.zones.forEach((zone, i) => {
        if (seen.has(zone.id))
          context.addIssue({
            code: 'custom',
            path: ['zones', i, 'id'],
            message: `"${zone.id}" is used twice; give each zone its own id`,
          });
        seen.add(zone.id);
      });
      const problem = areaProblem(panel.areaM2, panel.zones);
      if (problem) context.addIssue({ code: 'custom', path: ['zones'], message: problem });
    }),
);

export type Panel = z.infer<typeof panelSchema>;
export type PanelFacts = z.infer<typeof panelFactsSchema>;

/** Names of what borders a panel on the vehicle and is planned so; nothing borders one that is off it. */
export const bordersOf = (
  { borders, offVehicle }: Pick<Panel, 'borders' | 'offVehicle'>,
  plan: PanelBorder['plan'],
): string =>
  offVehicle ? '' : (borders ?? []).flatMap((border) => (border.plan === plan ? border.name : [])).join(', ');

/** The sentence for zones that are larger than their panel, or null when they fit. */
export function areaProblem(panelAreaM2: number, zones: readonly { areaM2: number }[]): string | null {
  const sum = zones.reduce((total, zone) => total + zone.areaM2, 0);
  if (sum <= panelAreaM2 * AREA_TOLERANCE) return null;
  return `together cover ${sum.toFixed(2)} m², more than the panel's ${panelAreaM2.toFixed(2)} m²; make a zone smaller or the panel larger`;
}
