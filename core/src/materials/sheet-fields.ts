import { z } from 'zod';
import type { Quantity } from '../units/quantities.ts';

/**
 * Every number of a product sheet, one row each: its limits, its words, and where a data sheet usually says it. The schema
 * takes its limits from here, the table of sheets its columns, the form its fields.
 */
export interface SheetFieldRow {
  readonly label: string;
  /** Where it is usually found, or how it is read. */
  readonly help: string;
  readonly from: number;
  readonly to: number;
  /** Part of the form in which it is asked for. */
  readonly group: 'order' | 'mixing' | 'film' | 'times' | 'air';
  readonly quantity?: Quantity;
  /** Where it is in no quantity with two systems of units. */
  readonly unit?: string;
  readonly isWhole?: true;
  /** May be left empty; what then counts. */
  readonly whenEmpty?: string;
}

type Words = Pick<SheetFieldRow, 'label' | 'help'>;
type More = Partial<SheetFieldRow>;

const YEAR_MIN = 60 * 24 * 365;
const minutes = (group: SheetFieldRow['group'], words: Words, more: More = {}): SheetFieldRow => ({
  ...words,
  group,
  from: 0,
  to: YEAR_MIN,
  unit: 'min',
  ...more,
});
const um = (words: Words, more: More = {}): SheetFieldRow => ({
  ...words,
  group: 'film',
  from: 0,
  to: 10_000,
  quantity: 'Um',
  ...more,
});
const tipMm = (label: string): SheetFieldRow => ({
  label,
  help: 'Under “spray gun set-up”.',
  group: 'film',
  from: 0.1,
  to: 10,
  unit: 'mm',
  whenEmpty: 'not said',
});
const percentOfHardener = (label: string): SheetFieldRow => ({
  label,
  help: 'Of filler and paste, under “mixing ratio”, by mass.',
  group: 'mixing',
  from: 0,
  to: 100,
  unit: '%',
  whenEmpty: 'mixed by its parts',
});

export const SHEET_FIELDS = {
  rank: {
    label: 'Place in your order of preference',
    help: '1 is taken first among products for the same work.',
    group: 'order',
    from: 1,
    to: 999,
    isWhole: true,
    whenEmpty: 'what serves best is taken',
  },
  pricePerLitre: {
    label: 'Price of a litre, ready to spray',
    help: 'From your own invoices: base, hardener and thinner in their parts.',
    group: 'order',
    from: 0,
    to: 10_000,
  },
  refCelsius: {
    label: 'Times are for',
    help: 'The temperature that the sheet’s times are given at.',
    group: 'mixing',
    from: 0,
    to: 60,
    quantity: 'Celsius',
  },
  'film.perCoatUm': um({
    label: 'Dry film of one coat',
    help: 'Under “film build”, dry; halve what is said of two coats.',
  }),
  'film.coats': {
    label: 'Usual coats',
    help: 'Under “application”.',
    group: 'film',
    from: 1,
    to: 8,
    isWhole: true,
  },
  'film.maxUm': um({
    label: 'Most in one application',
    help: 'Under “maximum film build”, dry, all coats together.',
  }),
  'film.maxWetUm': um(
    { label: 'Most wet film of one coat', help: 'Seldom said; what hangs without sagging.' },
    { whenEmpty: 'worked out' },
  ),
  'flash.betweenCoatsMin': minutes('times', {
    label: 'Flash between coats',
    help: 'Under “flash-off”, between coats.',
  }),
  'flash.beforeNextMin': minutes('times', {
    label: 'Flash before the next product',
    help: 'Under “flash-off”, final or before topcoat.',
  }),
  sandAfterMin: minutes(
    'times',
    { label: 'Sands after', help: 'Under “drying”, “dry to sand”, in air.' },
    { whenEmpty: 'it is not sanded' },
  ),
  'recoat.opensMin': minutes('times', {
    label: 'Next coat from',
    help: 'Under “recoat” or “overcoating”.',
  }),
  'recoat.closesMin': minutes('times', {
    label: 'Next coat until',
    help: 'The latest without sanding.',
  }),
  'recoat.forbidden.fromMin': minutes(
    'times',
    { label: 'Would lift from', help: 'Some products lift while they are half cured.' },
    { whenEmpty: 'never' },
  ),
  'recoat.forbidden.toMin': minutes(
    'times',
    { label: 'Would lift until', help: 'The end of that time.' },
    { whenEmpty: 'never' },
  ),
  potLifeMin: minutes(
    'mixing',
    { label: 'Pot life', help: 'Under “pot life” or “mixed life”, at the temperature that times are for.' },
    { whenEmpty: 'no limit' },
  ),
  inductionMin: minutes(
    'mixing',
    { label: 'Wait before spraying', help: 'Under “induction” or “sweat-in time”.' },
    { whenEmpty: 'none' },
  ),
  flexPercent: {
    label: 'Flexible additive on flexible parts',
    help: 'Under “plastic parts” or “flexible substrates”; of the activated volume.',
    group: 'mixing',
    from: 0,
    to: 50,
    unit: '%',
    whenEmpty: 'not allowed on them',
  },
  'tipMm.from': tipMm('Smallest tip'),
  'tipMm.to': tipMm('Largest tip'),
  'climate.minCelsius': {
    label: 'Not colder than',
    help: 'Under “application conditions”; below it nothing cures.',
    group: 'air',
    from: -30,
    to: 60,
    quantity: 'Celsius',
  },
  'climate.maxCelsius': {
    label: 'Not warmer than',
    help: 'Under “application conditions”.',
    group: 'air',
    from: -30,
    to: 80,
    quantity: 'Celsius',
  },
  'climate.maxRelativeHumidity': {
    label: 'Not damper than',
    help: 'Relative humidity of the air.',
    group: 'air',
    from: 0,
    to: 100,
    unit: '%',
  },
  mustStayUm: um(
    { label: 'Must stay after sanding', help: 'Under “sanding” or “minimum film”.' },
    { whenEmpty: 'the shop’s figure' },
  ),
  maxLiftUm: um(
    { label: 'Most in one lift', help: 'Of filler and paste, under “application thickness”.' },
    { whenEmpty: 'no limit' },
  ),
  lowShearPaS: {
    label: 'Thickness at rest',
    help: 'Viscosity at low shear; ask the maker. It decides what sags.',
    group: 'film',
    from: 0.1,
    to: 100,
    unit: 'Pa s',
    whenEmpty: 'what its kind usually has',
  },
  'hardenerPercent.from': percentOfHardener('Hardener, least'),
  'hardenerPercent.to': percentOfHardener('Hardener, most'),
  'hardenerPercent.usual': percentOfHardener('Hardener, usual'),
  canMl: {
    label: 'What an aerosol can holds',
    help: 'On the can; for aerosols only.',
    group: 'film',
    from: 1,
    to: 2000,
    quantity: 'Ml',
    whenEmpty: '400 ml',
  },
  'flowCupSeconds.from': {
    label: 'Flow cup, shortest',
    help: 'Under “spray viscosity”, for the cup that you have.',
    group: 'film',
    from: 5,
    to: 200,
    unit: 's',
    whenEmpty: '16 s',
  },
  'flowCupSeconds.to': {
    label: 'Flow cup, longest',
    help: 'Under “spray viscosity”.',
    group: 'film',
    from: 5,
    to: 200,
    unit: 's',
    whenEmpty: '20 s',
  },
} as const satisfies Readonly<Record<string, SheetFieldRow>>;

/** A number of a sheet by its path: `film.perCoatUm`. */
export type SheetNumberPath = keyof typeof SHEET_FIELDS;
export const SHEET_NUMBERS = Object.keys(SHEET_FIELDS) as SheetNumberPath[];

export const sheetField = (path: SheetNumberPath): SheetFieldRow => SHEET_FIELDS[path];

/** The schema of a number of a sheet, by the limits of its row. */
export function sheetNumber(path: SheetNumberPath): z.ZodNumber {
  const { from, to, isWhole } = sheetField(path);
  const number = isWhole ? z.number().int() : z.number();
  return number.min(from).max(to);
}
