import { countCrossings } from './polygon.ts';
import { z } from 'zod';
import { LAYER_KINDS, LAYER_KIND_NAMES } from '../materials/layer-kinds.ts';
import { findingSchema } from './finding.ts';
import { QUALITIES } from './qualities.ts';

/** One area of a panel: what it is made of, from the substrate up, and what is wrong with it. */

export const idSchema = z
  .string()
  .min(1, 'needs an id of at least one character')
  .max(60)
  .regex(/^[A-Za-z0-9._-]+$/, 'may hold letters, digits, dot, dash and underscore only')
  // Addresses and objects read these as something else than a name.
  .refine(
    (id) => !/^(\.+|__proto__)$/.test(id),
    'must be another name: this one means something to computers',
  );

export const areaM2Schema = z
  .number({ error: 'is missing: give the area in m², for example 0.35' })
  .positive('must be more than 0 m²')
  .max(200, 'must be at most 200 m²');

export const hexColor = z.string().regex(/^#[0-9a-fA-F]{6}$/, 'must be a hex colour such as #1b7f86');

export const layerSchema = z.looseObject({
  kind: z.enum(LAYER_KIND_NAMES),
  /** Thickness; absent for the solid substrate. */
  um: z.number().min(0, 'must be 0 µm or more').max(20_000, 'must be at most 20 000 µm').optional(),
  /** Lightness of a finish, L* from 0 (black) to 100 (white). */
  toneL: z.number().min(0, 'must be 0 or more').max(100, 'must be at most 100').optional(),
  color: hexColor.optional(),
});

/** What becomes of an area: undercoat and colour, colour fading out, clear only, or nothing (masked). */
export const ROLES = ['refinish', 'blend', 'clear-only', 'keep'] as const;
export type Role = (typeof ROLES)[number];
/** Which side of the part an area is on. */
export const FACES = ['outside', 'edge', 'inside'] as const;

const substrateNames = LAYER_KIND_NAMES.filter((kind) => LAYER_KINDS[kind].canBeFound);

const reading = z.number().min(0).max(20_000);
/** What every test may say. */
const seen = {
  /** What it meant when it was entered, in words. */
  because: z.string().max(400, 'must be at most 400 characters').optional(),
};
export const zoneTestSchema = z.discriminatedUnion('kind', [
  z.looseObject({ ...seen, kind: z.literal('solvent-rub'), outcome: z.enum(['softens', 'none']) }),
  z.looseObject({ ...seen, kind: z.literal('tape-hold'), outcome: z.enum(['holds', 'slides-off']) }),
  z.looseObject({ ...seen, kind: z.literal('moulding-mark'), outcome: z.string().min(1).max(40) }),
  z.looseObject({ ...seen, kind: z.literal('float'), outcome: z.enum(['floats', 'sinks']) }),
  z.looseObject({ ...seen, kind: z.literal('cross-cut'), outcome: z.number().int().min(0).max(5) }),
  z.looseObject({ ...seen, kind: z.literal('water-break'), outcome: z.enum(['sheets', 'beads']) }),
  z.looseObject({ ...seen, kind: z.literal('thumbnail'), outcome: z.enum(['marks', 'none']) }),
  z.looseObject({ ...seen, kind: z.literal('magnet'), outcome: z.enum(['holds', 'falls-off']) }),
  z.looseObject({
    ...seen,
    kind: z.literal('dew'),
    surfaceCelsius: z.number().min(-40, 'must be -40 °C or more').max(80, 'must be at most 80 °C'),
  }),
  z.looseObject({
    ...seen,
    kind: z.literal('straightedge'),
    chordMm: z.number().min(20, 'must be at least 20 mm').max(5000, 'must be at most 5000 mm'),
    gapMm: z.number().min(0, 'must be 0 mm or more').max(200, 'must be at most 200 mm'),
  }),
  z.looseObject({ ...seen, kind: z.literal('gauge'), readingsUm: z.array(reading).min(1).max(500) }),
]);

const pointMm = z.tuple([z.number().min(-100_000).max(100_000), z.number().min(-100_000).max(100_000)]);
/** A hand that slips crosses a line or two; a tangle is no outline, and takes minutes to cut. */
const MOST_CROSSINGS = 20;
export const polygonSchema = z
  .array(pointMm)
  .min(3)
  .max(400)
  .refine(
    (points) => countCrossings(points, MOST_CROSSINGS + 1) <= MOST_CROSSINGS,
    `crosses itself more than ${MOST_CROSSINGS} times: draw it again without crossings`,
  );
export const polylineSchema = z.array(pointMm).min(2).max(60);

export const zoneSchema = z.looseObject({
  id: idSchema,
  name: z.string().trim().min(1, 'needs a name').max(80),
  areaM2: areaM2Schema,
  substrate: z.enum(substrateNames as [(typeof substrateNames)[number]]),
  layers: z.array(layerSchema).min(1, 'needs at least its substrate').max(40),
  findings: z.array(findingSchema).max(40).default([]),
  tests: z.array(zoneTestSchema).max(40).optional(),
  /** Gauge readings of the whole film once the build is sprayed, or blocked. */
  readings: z
    .array(z.looseObject({ after: z.enum(['build', 'blocked']), um: reading }))
    .max(2000)
    .optional(),
  /** Outline on the panel, mm; a zone without one is the rest of the panel. */
  shape: polygonSchema.optional(),
  /** What becomes of it; the panel's role where absent. */
  role: z.enum(ROLES, { error: `must be one of: ${ROLES.join(', ')}` }).optional(),
  face: z.enum(FACES, { error: `must be one of: ${FACES.join(', ')}` }).optional(),
  /** Its own quality, lower than the job's, where nobody looks. */
  quality: z.enum(QUALITIES, { error: `must be one of: ${QUALITIES.join(', ')}` }).optional(),
  /** It waits for other work while the rest of the panel is planned without it. */
  apart: z.boolean().optional(),
  /** The area is a measured number and stays when the shape changes. */
  isAreaMeasured: z.boolean().optional(),
});

export type Zone = z.infer<typeof zoneSchema>;
export type SurveyLayer = z.infer<typeof layerSchema>;
export type Polygon = z.infer<typeof polygonSchema>;
export type Polyline = z.infer<typeof polylineSchema>;

/** The zone with another stack; what lies on top is its substrate. */
export function withLayers(zone: Zone, layers: Zone['layers']): Zone {
  const top = substrateNames.find((kind) => kind === layers[layers.length - 1]?.kind);
  return { ...zone, layers, substrate: top ?? zone.substrate };
}
