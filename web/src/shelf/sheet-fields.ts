import type { ProductSheet, Quantity } from '@blue-ledge/core';

/** Every number of a product sheet: its words, its range, and where a data sheet usually says it. */

export interface SheetField {
  readonly path: string;
  readonly label: string;
  /** Where it is usually found, or how it is read. */
  readonly help: string;
  readonly from: number;
  readonly to: number;
  readonly quantity?: Quantity;
  /** Where it is in no quantity with two systems of units. */
  readonly unit?: string;
  /** Shown as so many times what is stored: shares as percent. */
  readonly times?: number;
  readonly isWhole?: boolean;
  /** May be left empty; what then counts. */
  readonly whenEmpty?: string;
}

export interface FieldGroup {
  readonly id: string;
  readonly title: string;
  readonly fields: readonly SheetField[];
}

const YEAR_MIN = 60 * 24 * 365;
const minutes = (path: string, label: string, help: string, more: Partial<SheetField> = {}): SheetField => ({
  path,
  label,
  help,
  from: 0,
  to: YEAR_MIN,
  unit: 'min',
  ...more,
});
const um = (path: string, label: string, help: string, more: Partial<SheetField> = {}): SheetField => ({
  path,
  label,
  help,
  from: 0,
  to: 10_000,
  quantity: 'Um',
  ...more,
});

export const FIELD_GROUPS: readonly FieldGroup[] = [
  {
    id: 'order',
    title: 'Price and order',
    fields: [
      {
        path: 'pricePerLitre',
        label: 'Price of a litre, ready to spray',
        help: 'From your own invoices: base, hardener and thinner in their parts.',
        from: 0,
        to: 10_000,
      },
      {
        path: 'rank',
        label: 'Place in your order of preference',
        help: '1 is taken first among products for the same work.',
        from: 1,
        to: 999,
        isWhole: true,
        whenEmpty: 'what serves best is taken',
      },
    ],
  },
  {
    id: 'mixing',
    title: 'After mixing',
    fields: [
      minutes('potLifeMin', 'Pot life', 'Under “pot life” or “mixed life”, at the temperature below.', {
        whenEmpty: 'no limit',
        to: 60 * 24 * 30,
      }),
      minutes('inductionMin', 'Wait before spraying', 'Under “induction” or “sweat-in time”.', {
        whenEmpty: 'none',
        to: 60 * 24,
      }),
      {
        path: 'flexPercent',
        label: 'Flexible additive on flexible parts',
        help: 'Under “plastic parts” or “flexible substrates”; of the activated volume.',
        from: 0,
        to: 50,
        unit: '%',
        whenEmpty: 'not allowed on them',
      },
      {
        path: 'refCelsius',
        label: 'Times are for',
        help: 'The temperature that the sheet’s times are given at.',
        from: 0,
        to: 60,
        quantity: 'Celsius',
      },
    ],
  },
  {
    id: 'film',
    title: 'Film',
    fields: [
      um(
        'film.perCoatUm',
        'Dry film of one coat',
        'Under “film build”, dry; halve what is said of two coats.',
      ),
      {
        path: 'film.coats',
        label: 'Usual coats',
        help: 'Under “application”.',
        from: 1,
        to: 8,
        isWhole: true,
      },
      um('film.maxUm', 'Most in one application', 'Under “maximum film build”, dry, all coats together.'),
      um('film.maxWetUm', 'Most wet film of one coat', 'Seldom said; what hangs without sagging.', {
        whenEmpty: 'worked out',
      }),
      um('mustStayUm', 'Must stay after sanding', 'Under “sanding” or “minimum film”.', {
        whenEmpty: 'the shop’s figure',
      }),
      um('maxLiftUm', 'Most in one lift', 'Of filler and paste, under “application thickness”.', {
        whenEmpty: 'no limit',
      }),
      {
        path: 'lowShearPaS',
        label: 'Thickness at rest',
        help: 'Viscosity at low shear; ask the maker. It decides what sags.',
        from: 0.1,
        to: 100,
        unit: 'Pa s',
        whenEmpty: 'what its kind usually has',
      },
      {
        path: 'tipMm.from',
        label: 'Smallest tip',
        help: 'Under “spray gun set-up”.',
        from: 0.3,
        to: 10,
        unit: 'mm',
        whenEmpty: 'not said',
      },
      {
        path: 'tipMm.to',
        label: 'Largest tip',
        help: 'Under “spray gun set-up”.',
        from: 0.3,
        to: 10,
        unit: 'mm',
        whenEmpty: 'not said',
      },
      {
        path: 'flowCupSeconds.from',
        label: 'Flow cup, shortest',
        help: 'Under “spray viscosity”, for the cup that you have.',
        from: 5,
        to: 200,
        unit: 's',
        whenEmpty: '16 s',
      },
      {
        path: 'flowCupSeconds.to',
        label: 'Flow cup, longest',
        help: 'Under “spray viscosity”.',
        from: 5,
        to: 200,
        unit: 's',
        whenEmpty: '20 s',
      },
      {
        path: 'canMl',
        label: 'What an aerosol can holds',
        help: 'On the can; for aerosols only.',
        from: 20,
        to: 2000,
        quantity: 'Ml',
        whenEmpty: '400 ml',
      },
    ],
  },
  {
    id: 'times',
    title: 'Times',
    fields: [
      minutes('flash.betweenCoatsMin', 'Flash between coats', 'Under “flash-off”, between coats.'),
      minutes(
        'flash.beforeNextMin',
        'Flash before the next product',
        'Under “flash-off”, final or before topcoat.',
      ),
      minutes('sandAfterMin', 'Sands after', 'Under “drying”, “dry to sand”, in air.', {
        whenEmpty: 'it is not sanded',
      }),
      minutes('recoat.opensMin', 'Next coat from', 'Under “recoat” or “overcoating”.'),
      minutes('recoat.closesMin', 'Next coat until', 'The latest without sanding.'),
      minutes(
        'recoat.forbidden.fromMin',
        'Would lift from',
        'Some products lift while they are half cured.',
        {
          whenEmpty: 'never',
        },
      ),
      minutes('recoat.forbidden.toMin', 'Would lift until', 'The end of that time.', { whenEmpty: 'never' }),
    ],
  },
  {
    id: 'air',
    title: 'Air',
    fields: [
      {
        path: 'climate.minCelsius',
        label: 'Not colder than',
        help: 'Under “application conditions”; below it nothing cures.',
        from: -30,
        to: 60,
        quantity: 'Celsius',
      },
      {
        path: 'climate.maxCelsius',
        label: 'Not warmer than',
        help: 'Under “application conditions”.',
        from: -30,
        to: 80,
        quantity: 'Celsius',
      },
      {
        path: 'climate.maxRelativeHumidity',
        label: 'Not damper than',
        help: 'Relative humidity of the air.',
        from: 0,
        to: 100,
        unit: '%',
      },
    ],
  },
];

/** Figures that each way of mixing may have for itself, by the first part of their path. */
export const MODE_FIELDS: ReadonlySet<string> = new Set([
  'pricePerLitre',
  'potLifeMin',
  'inductionMin',
  'flexPercent',
  'film',
  'lowShearPaS',
  'tipMm',
  'flowCupSeconds',
  'flash',
  'sandAfterMin',
  'recoat',
]);

export const FIELDS: readonly SheetField[] = FIELD_GROUPS.flatMap(({ fields }) => fields);

/** Kinds that a shop keeps sheets of. */
export const SHELF_KINDS = [
  'epoxy',
  'etch',
  'dtm',
  'build',
  'wet-on-wet',
  'sealer',
  'promoter',
  'plastic-primer',
  'filler',
  'glaze',
  'seam',
  'texture',
  'cleaner',
  'guide-coat',
] as const satisfies readonly ProductSheet['kind'][];

const WORDS: Partial<Record<ProductSheet['kind'], string>> = {
  epoxy: 'Epoxy primer',
  etch: 'Etch primer',
  dtm: 'Direct-to-metal build',
  build: 'High-build primer',
  'wet-on-wet': 'Wet-on-wet primer',
  sealer: 'Sealer',
  promoter: 'Adhesion promoter',
  'plastic-primer': 'Plastic primer',
  filler: 'Filler',
  glaze: 'Glaze',
  seam: 'Seam sealer',
  texture: 'Texture coat',
  cleaner: 'Cleaner',
  'guide-coat': 'Guide coat',
};

/** "Epoxy primer, as sealer" */
export const kindWords = ({ kind, use }: Pick<ProductSheet, 'kind' | 'use'>): string =>
  (WORDS[kind] ?? kind) + (use === 'sealer' ? ', as sealer' : '');
