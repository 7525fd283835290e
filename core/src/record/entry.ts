import { z } from 'zod';
import { DEFECTS } from '../operations/mishaps.ts';
import { actInputSchema, areaIdSchema } from '../planner/act-input.ts';
import { MOST_FILM_UM } from '../planner/happening.ts';
import { LAYER_KIND_NAMES } from '../materials/layer-kinds.ts';

/**
 * The record of a panel: entries that are only ever appended, each with the hash of the one before it. Bodies keep
 * fields that this program does not know: they are part of what was signed for.
 */

const text = z.string().trim().min(1, 'needs some words').max(2000, 'must be at most 2000 characters');
const areas = z.array(areaIdSchema).min(1, 'needs at least one zone').max(2000);
const minutes = z
  .number()
  .min(0, 'must be 0 min or more')
  .max(60 * 24 * 60, 'must be at most 60 days');
const filmUm = z
  .number()
  .min(0, 'must be 0 µm or more')
  .max(MOST_FILM_UM, `must be at most ${MOST_FILM_UM} µm: no gauge of this trade reads more; check the unit`);
const readings = z.union([filmUm, z.array(filmUm).min(1, 'needs at least one reading').max(200)]);
const celsius = z.number().min(-40, 'must be at least -40 °C').max(250, 'must be at most 250 °C');
const humidity = z.number().min(0, 'must be 0 % or more').max(100, 'must be at most 100 %');

/** The step of a plan that an entry belongs to. */
export const stepRefSchema = z.object({
  planId: z.string().min(1).max(60),
  systemId: z.string().min(1).max(400).optional(),
  n: z.number().int().min(1).max(2000),
});
export type StepRef = z.infer<typeof stepRefSchema>;

/** How a coat was really sprayed and in what air; all of it may be left out. */
export const coatValuesSchema = z.looseObject({
  /** Wet film by the comb: one figure for all coats, or coat by coat. */
  wetUm: readings.optional(),
  /** Flash that was given between coats. */
  flashMin: minutes.optional(),
  tipMm: z.number().min(0.3, 'must be at least 0.3 mm').max(6, 'must be at most 6 mm').optional(),
  bar: z.number().min(0, 'must be 0 bar or more').max(20, 'must be at most 20 bar').optional(),
  distanceMm: z.number().min(0, 'must be 0 mm or more').max(1000, 'must be at most 1000 mm').optional(),
  speedMPerS: z.number().min(0, 'must be 0 m/s or more').max(5, 'must be at most 5 m/s').optional(),
  reductionPercent: z.number().min(0, 'must be 0 % or more').max(50, 'must be at most 50 %').optional(),
  hardenerPercent: z.number().min(0, 'must be 0 % or more').max(100, 'must be at most 100 %').optional(),
  celsius: celsius.optional(),
  relativeHumidity: humidity.optional(),
  surfaceCelsius: celsius.optional(),
  batch: z.string().trim().max(60, 'must be at most 60 characters').optional(),
});
export type CoatValues = z.infer<typeof coatValuesSchema>;

/** A number, or several of them. */
const isFigure = (value: unknown): boolean =>
  typeof value === 'number' || (Array.isArray(value) && value.some((each) => typeof each === 'number'));

const head = {
  step: stepRefSchema.optional(),
  text: text.optional(),
  /** It is entered although it was entered before: done a second time. */
  again: z.literal(true).optional(),
  /** It was entered later than it was done, at a time that somebody gave. */
  afterwards: z.literal(true).optional(),
};

/** One body for each kind of entry; its words stand in entry-words.ts, what it tells of the panel in happened.ts. */
const BODIES = {
  /** Something was done: as in a plan, with what it really took. */
  act: z.looseObject({
    ...actInputSchema.omit({ idleMin: true, isSplit: true, isLightFirst: true }).shape,
    isLightFirst: z.boolean().optional(),
    /** Name of the product when it was used. */
    sheetName: z.string().max(120).optional(),
    /** What was planned, where something else was done: by field. */
    instead: z.record(z.string(), z.union([z.string(), z.number()])).optional(),
    /** Hands-on minutes that it really took. */
    minutes: minutes.optional(),
    values: coatValuesSchema.optional(),
    ...head,
  }),
  reading: z
    .looseObject({
      zone: areaIdSchema,
      /** `film` for all film over the substrate, a layer by its name, or what else was measured. */
      kind: z.string().trim().min(1).max(40),
      um: readings.optional(),
      celsius: celsius.optional(),
      seconds: z.number().min(0).max(3600, 'must be at most 3600 s').optional(),
      ...head,
    })
    .refine((body) => Object.entries(body).some(([field, value]) => field !== 'zone' && isFigure(value)), {
      path: ['um'],
      message: 'is missing: give what was read, in µm, °C or seconds',
    }),
  check: z.looseObject({
    /** One of `checks.ts`, or another in the words of whoever made it. */
    check: z.string().trim().min(1, 'needs what was checked').max(80),
    zones: areas.optional(),
    /** Waived: nobody looked, whoever enters it answers for that, and `text` says why. */
    outcome: z.enum(['passes', 'fails', 'waived']).default('passes'),
    ...head,
  }),
  pour: z.looseObject({
    sheetId: z.string().min(1).max(120).optional(),
    parts: z
      .array(
        z.looseObject({
          name: z.string().max(80),
          ml: z.number().min(0).max(1e6).optional(),
          grams: z.number().min(0).max(1e6).optional(),
        }),
      )
      .max(6)
      .optional(),
    zones: areas.optional(),
    batch: z.string().trim().max(60).optional(),
    ...head,
  }),
  climate: z.looseObject({
    celsius: celsius.optional(),
    relativeHumidity: humidity.optional(),
    surfaceCelsius: celsius.optional(),
    ...head,
  }),
  note: z.looseObject({ zones: areas.optional(), ...head }),
  photo: z.looseObject({
    /** Hash of the picture (`photo.ts`). */
    photoId: z.string().min(1).max(80).optional(),
    zones: areas.optional(),
    atMm: z.tuple([z.number(), z.number()]).optional(),
    ...head,
  }),
  defect: z.looseObject({
    defect: z.enum(DEFECTS, { error: 'is not a defect of the trade' }),
    zones: areas,
    atMm: z.tuple([z.number(), z.number()]).optional(),
    /** Of a rub-through: width of the largest spot, how many there are, and the layer that shows. */
    spotMm: z.number().positive('must be more than 0 mm').max(5000, 'must be at most 5000 mm').optional(),
    count: z.number().int().min(1, 'must be at least 1').max(1000, 'must be at most 1000').optional(),
    shows: z.enum(LAYER_KIND_NAMES).optional(),
    ...head,
  }),
  /** Another entry said wrongly; without a body it did not happen. */
  correction: z.looseObject({
    corrects: z.string().min(1).max(60),
    body: z.looseObject({}).nullable(),
    /** When it really happened, where that was wrong. */
    at: z.iso.datetime('must be a moment such as 2026-12-07T07:30:00Z').optional(),
    text: text.optional(),
  }),
  sign: z.looseObject({
    /** Who signs; whoever entered it where it is left out. */
    name: z.string().trim().min(1, 'needs the name of who signs').max(80).optional(),
    /** What was signed: the hash of the last entry before it. */
    head: z.string().max(64).optional(),
    /** How far the panel was by its card when it was signed. */
    state: z.enum(['ready', 'not-checked']).optional(),
    /** What was not checked or not kept then, in words. */
    notChecked: z.array(z.string().max(300)).max(20).optional(),
    ...head,
  }),
  /** Base is on: the panel is the painter's, its windows, clocks and place in the shop's schedule end. */
  base: z.looseObject({ zones: areas.optional(), ...head }),
} as const;

export type EntryKind = keyof typeof BODIES;
export const ENTRY_KINDS = Object.keys(BODIES) as [EntryKind, ...EntryKind[]];
export type BodyOf<K extends EntryKind> = z.infer<(typeof BODIES)[K]>;

const entryHead = {
  id: z.string().min(1, 'needs an id').max(60),
  at: z.iso.datetime('must be a moment in UTC such as 2026-12-07T07:30:00Z'),
  by: z.string().trim().min(1, 'needs who did it').max(80, 'must be at most 80 characters'),
};

const written = <K extends EntryKind>(kind: K) =>
  z.looseObject({ ...entryHead, kind: z.literal(kind), body: BODIES[kind] });
type Written = { [K in EntryKind]: ReturnType<typeof written<K>> }[EntryKind];

/** What somebody enters: the chain is added by whoever keeps the record. */
export const newEntrySchema = z.discriminatedUnion(
  'kind',
  ENTRY_KINDS.map((kind) => written(kind)) as unknown as readonly [Written, ...Written[]],
);

const hash = z.string().regex(/^[0-9a-f]{64}$/, 'must be 64 hexadecimal digits');
export const entrySchema = newEntrySchema.and(z.looseObject({ prevHash: hash, hash }));
/** More than any panel collects. */
export const MOST_ENTRIES = 5000;
export const recordSchema = z.array(entrySchema).max(MOST_ENTRIES, `must be at most ${MOST_ENTRIES} entries`);

type Head = { readonly id: string; readonly at: string; readonly by: string };
/** An entry as it is written, before it is part of a chain. */
export type NewEntry = { [K in EntryKind]: Head & { readonly kind: K; readonly body: BodyOf<K> } }[EntryKind];
export interface Chained {
  readonly prevHash: string;
  readonly hash: string;
}
export type Entry = NewEntry & Chained;

/** The body of a kind, checked as an entry's would be: what a correction puts in place of another. */
export const bodySchemaOf = (kind: EntryKind): z.ZodType => BODIES[kind];

/** Entries as they are read: grades in the words of the trade; what is not an entry is left out. */
export const readEntries = (entries: readonly object[]): NewEntry[] =>
  entries.flatMap((entry) => {
    const read = newEntrySchema.safeParse(entry);
    return read.success ? [read.data as NewEntry] : [];
  });
