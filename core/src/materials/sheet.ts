import { z } from 'zod';
import { GRADES, isCoarser } from './grades.ts';
import { LAYER_KIND_NAMES, type LayerKind } from './layer-kinds.ts';
import { sheetNumber, type SheetNumberPath } from './sheet-fields.ts';

/**
 * A product sheet: what the maker of a material says about it, entered by the shop.
 * Times are minutes at `refCelsius` unless a field says otherwise; films are dry µm unless named wet.
 */

const minutes = z
  .number()
  .min(0)
  .max(60 * 24 * 365);
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

/** A hardener or thinner for warm or cold days, poured in place of the component as it is named. */
const choiceSchema = z
  .object({
    name: z.string().min(1).max(60),
    fromCelsius: z.number().min(-30).max(60),
    toCelsius: z.number().min(-30).max(60),
    gramsPerMl: z.number().positive().max(25).optional(),
  })
  .refine(({ fromCelsius, toCelsius }) => fromCelsius < toCelsius, {
    path: ['toCelsius'],
    message: 'must be warmer than where it begins',
  });

const componentSchema = z.object({
  name: z.string().min(1).max(60),
  parts: z.number().positive().max(1000),
  /** Without it nothing of it is poured by mass. */
  gramsPerMl: z.number().positive().max(25).optional(),
  volumeSolids: share,
  /** Solvent that leaves a litre of it as it is supplied, g. */
  vocGPerL: z.number().min(0).max(2000).optional(),
  choices: z.array(choiceSchema).max(5).optional(),
});

/** How a product is put on. */
export const FORMS = ['sprayed', 'aerosol', 'brushed', 'spread', 'wiped'] as const;

/** A film never cures more slowly where it is warmer; a sheet that says so is misread. */
const isFasterWhereWarmer = (points: readonly { celsius: number; minutes: number }[]): boolean =>
  [...points]
    .sort((a, b) => a.celsius - b.celsius)
    .every((point, i, all) => i === 0 || point.minutes <= all[i - 1]!.minutes);

/** Figures that a product has once for each way in which it is mixed; defaults are the sheet's, not the way's. */
const mixedAs = {
  /** What this entry is mixed for, where that is not the usual use of its kind: an epoxy reduced as sealer. */
  use: z.enum(['sealer']).optional(),
  components: z.array(componentSchema).min(1).max(6),
  /** Dry film of one coat, how many coats, and the most in one application. */
  film: z
    .object({
      perCoatUm: sheetNumber('film.perCoatUm'),
      coats: sheetNumber('film.coats'),
      maxUm: sheetNumber('film.maxUm'),
      maxWetUm: sheetNumber('film.maxWetUm').optional(),
    })
    .refine(({ perCoatUm, maxUm }) => perCoatUm <= maxUm, {
      path: ['maxUm'],
      message: 'must be at least the film of one coat',
    }),
  flash: z.object({
    betweenCoatsMin: sheetNumber('flash.betweenCoatsMin'),
    beforeNextMin: sheetNumber('flash.beforeNextMin'),
    /** Flash between coats at other temperatures, where the sheet has a table: it wins over the model. */
    at: z
      .array(z.object({ celsius: z.number().min(-10).max(80), minutes: minutes.min(0.1) }))
      .min(1)
      .max(6)
      .refine(isFasterWhereWarmer, 'a warmer point must not take longer: correct its minutes')
      .optional(),
  }),
  /** Earliest sanding; null for a product that is not sanded. */
  sandAfterMin: sheetNumber('sandAfterMin').nullable(),
  recoat: z
    .object({
      opensMin: sheetNumber('recoat.opensMin'),
      closesMin: sheetNumber('recoat.closesMin'),
      /** What is done once it has closed. */
      past: z.enum(['scuff', 'abrade', 'repeat']),
      /** Part of it in which the next coat would lift this one; minutes after its last pass. */
      forbidden: z
        .object({
          fromMin: sheetNumber('recoat.forbidden.fromMin'),
          toMin: sheetNumber('recoat.forbidden.toMin'),
        })
        .optional(),
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
  potLifeMin: sheetNumber('potLifeMin').optional(),
  tipMm: z
    .object({ from: sheetNumber('tipMm.from'), to: sheetNumber('tipMm.to') })
    .refine(({ from, to }) => from <= to, {
      path: ['to'],
      message: 'must not be smaller than the smallest tip',
    })
    .optional(),
  /** Seconds that the shop's flow cup takes to run out, ready to spray. */
  flowCupSeconds: z
    .object({ from: sheetNumber('flowCupSeconds.from'), to: sheetNumber('flowCupSeconds.to') })
    .refine(({ from, to }) => from <= to, {
      path: ['to'],
      message: 'must not be less than the shortest time',
    })
    .optional(),
  /** What it may lie on, with the scratch it wants there. A missing kind is not allowed under it. */
  over: z.partialRecord(z.enum(LAYER_KIND_NAMES), scratchRange),
  /** May lie on this kind unsanded, if clean and sound. */
  overUnsanded: z.array(z.enum(LAYER_KIND_NAMES)),
  /** May cover small rub-through spots of bare metal. */
  coversBareSpots: z.boolean(),
  /** Low-shear viscosity for the sag model, Pa s. */
  lowShearPaS: sheetNumber('lowShearPaS').optional(),
  /** Wait after mixing, before it is put on. */
  inductionMin: sheetNumber('inductionMin').optional(),
  /** Flexible additive for flexible parts, share of the activated volume. */
  flexPercent: sheetNumber('flexPercent').optional(),
  tonesL: z.array(z.number().min(0).max(100)).max(12),
  pricePerLitre: sheetNumber('pricePerLitre'),
};

/**
 * Another way in which the same product is mixed: as sealer, wet-on-wet, for plastic. What it does not name is as on the
 * sheet.
 */
const modeSchema = z.looseObject({
  id: z
    .string()
    .regex(/^[a-z0-9-]+$/, 'must be small letters, digits and hyphens')
    .max(20),
  name: z.string().trim().min(1).max(40),
  kind: z.enum(LAYER_KIND_NAMES).optional(),
  ...z.object(mixedAs).partial().shape,
});
export type SheetMode = z.infer<typeof modeSchema>;

export const sheetSchema = z.looseObject({
  /** A slash stands before the id of a way of mixing. */
  id: z
    .string()
    .min(1)
    .max(60)
    .regex(/^[^/]+$/, 'must not have a slash in it'),
  name: z.string().min(1).max(120),
  kind: z.enum([...LAYER_KIND_NAMES, 'cleaner', 'guide-coat']),
  version: z.number().int().min(1).default(1),
  /** Place in the shop's order among products for the same work, 1 first; what has none comes after. */
  rank: sheetNumber('rank').optional(),
  /** Kept for what was made with it; nothing new is planned with it. */
  isArchived: z.boolean().optional(),
  refCelsius: sheetNumber('refCelsius').default(20),
  /** What leaves while it flashes: water takes its time from the damp of the air, solvent from its warmth. */
  carrier: z.enum(['solvent', 'water']).default('solvent'),
  climate: z
    .object({
      minCelsius: sheetNumber('climate.minCelsius'),
      maxCelsius: sheetNumber('climate.maxCelsius'),
      maxRelativeHumidity: sheetNumber('climate.maxRelativeHumidity'),
    })
    .refine(({ minCelsius, maxCelsius }) => minCelsius < maxCelsius, {
      path: ['maxCelsius'],
      message: 'must be warmer than the least temperature',
    }),
  resistsCorrosion: z.boolean().default(false),
  /** Film that must be left after sanding. */
  mustStayUm: sheetNumber('mustStayUm').optional(),
  maxLiftUm: sheetNumber('maxLiftUm').optional(),
  hardenerPercent: z
    .object({
      from: sheetNumber('hardenerPercent.from'),
      to: sheetNumber('hardenerPercent.to'),
      usual: sheetNumber('hardenerPercent.usual'),
    })
    .optional(),
  hazards: z.array(z.enum(HAZARDS)).default([]),
  /** How it is put on; by its kind where the sheet does not say. */
  form: z.enum(FORMS).optional(),
  /** One pack or two; by its kind and hazards where the sheet does not say. */
  pack: z.enum(['one', 'two']).optional(),
  /** Id of the product that it is mixed from: what both have is bought once. */
  cansOf: z.string().min(1).max(60).optional(),
  /** What a can of an aerosol holds. */
  canMl: sheetNumber('canMl').optional(),
  ...mixedAs,
  overUnsanded: mixedAs.overUnsanded.default([]),
  coversBareSpots: mixedAs.coversBareSpots.default(false),
  tonesL: mixedAs.tonesL.default([]),
  pricePerLitre: mixedAs.pricePerLitre.default(0),
  modes: z
    .array(modeSchema)
    .max(6)
    .refine((modes) => new Set(modes.map(({ id }) => id)).size === modes.length, 'each way needs its own id')
    .optional(),
});

export type ProductSheet = z.infer<typeof sheetSchema>;
export type ProductSheetInput = z.input<typeof sheetSchema>;

type Named<T> = { [Name in keyof T as string extends Name ? never : Name]-?: NonNullable<T[Name]> };
/** Paths of the numbers in a value; those in lists are asked for with their list. */
type NumberPaths<T> = {
  [Name in keyof Named<T> & string]: Named<T>[Name] extends number
    ? Name
    : Named<T>[Name] extends readonly unknown[]
      ? never
      : Named<T>[Name] extends object
        ? `${Name}.${NumberPaths<Named<T>[Name]>}`
        : never;
}[keyof Named<T> & string];
type None<Missing extends never> = Missing;
/** Numbers of a sheet that have no row in sheet-fields.ts: this does not compile where there is one. */
export type SheetNumberWithoutRow = None<Exclude<NumberPaths<ProductSheet>, SheetNumberPath | 'version'>>;

/** Whether each way of mixing may have this figure for itself. */
export const isOfMode = (path: SheetNumberPath): boolean => path.split('.')[0]! in mixedAs;

/** Volume solids ready to spray: sum(part x VS) / sum(part). */
export function readyVolumeSolids(sheet: Pick<ProductSheet, 'components'>): number {
  const parts = sheet.components.reduce((sum, c) => sum + c.parts, 0);
  return sheet.components.reduce((sum, c) => sum + c.parts * c.volumeSolids, 0) / parts;
}

/** Density of what a sheet gives none for, g/ml (default): a usual primer, filler, hardener paste. */
const USUAL_GRAMS_PER_ML = 1.3;

/** Density ready to spray, g/ml, and whether any of it had to be taken as usual. */
export function readyGramsPerMl({ components }: Pick<ProductSheet, 'components'>): {
  readonly value: number;
  readonly isAssumed: boolean;
} {
  const parts = components.reduce((sum, c) => sum + c.parts, 0);
  const grams = components.reduce((sum, c) => sum + c.parts * (c.gramsPerMl ?? USUAL_GRAMS_PER_ML), 0);
  return { value: grams / parts, isAssumed: components.some(({ gramsPerMl }) => gramsPerMl === undefined) };
}

/** Two or more components that react: what gets the flexible additive on a flexible part. */
export const isTwoPack = ({
  pack,
  hazards,
  kind,
}: Pick<ProductSheet, 'pack' | 'hazards' | 'kind'>): boolean =>
  pack === undefined ? hazards.includes('isocyanate') || kind === 'epoxy' : pack === 'two';

/** Viscosity at rest where the sheet gives none, Pa s (default, models.md 2). */
const LOW_SHEAR_PA_S: Partial<Record<ProductSheet['kind'], number>> = { build: 8, dtm: 8, epoxy: 2 };
const THIN_PA_S = 1.5;

/** Viscosity at rest: the sheet's, else what its kind usually has. */
export const lowShearOf = ({
  lowShearPaS,
  kind,
}: Pick<ProductSheet, 'lowShearPaS' | 'kind'>): { readonly value: number; readonly isAssumed: boolean } =>
  lowShearPaS === undefined
    ? { value: LOW_SHEAR_PA_S[kind] ?? THIN_PA_S, isAssumed: true }
    : { value: lowShearPaS, isAssumed: false };

const FORM_OF: Partial<Record<ProductSheet['kind'], ProductForm>> = {
  filler: 'spread',
  glaze: 'spread',
  seam: 'spread',
  cleaner: 'wiped',
};
export type ProductForm = (typeof FORMS)[number];

/** How a product is put on: as its sheet says, else as its kind usually is. */
export const formOf = ({ form, kind }: Pick<ProductSheet, 'form' | 'kind'>): ProductForm =>
  form ?? FORM_OF[kind] ?? 'sprayed';

/** Ways in which only small places are coated: a product for all of a panel is preferred, and not displaced, by it. */
const FOR_SPOTS: ReadonlySet<ProductForm> = new Set<ProductForm>(['aerosol', 'brushed']);

/** Whether a product is put on small places only. */
export const isForSpots = (sheet: Pick<ProductSheet, 'form' | 'kind'>): boolean =>
  FOR_SPOTS.has(formOf(sheet));

/** Scratch that any coat takes in its own film, sanded to lay more of it (default). */
const OWN_FILM = { coarsest: 'P400', finest: 'P800' } as const;

/** Scratch that a product takes under it on a layer: as its sheet says, and in its own film; undefined where it does not go. */
export const scratchUnder = (
  { over, kind }: Pick<ProductSheet, 'over' | 'kind'>,
  layer: LayerKind,
): ProductSheet['over'][LayerKind] => over[layer] ?? (layer === kind ? OWN_FILM : undefined);
