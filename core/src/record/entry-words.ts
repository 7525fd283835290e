import { LAYER_KIND_NAMES, labelOf, type LayerKind } from '../materials/layer-kinds.ts';
import { OP_LABELS } from '../operations/table.ts';
import { areaWords, placeWords } from '../planner/places.ts';
import { formatMinutes } from '../units/duration.ts';
import { formatNumber, formatQuantity, type UnitSystem } from '../units/quantities.ts';
import { checkTitle } from './checks.ts';
import { DEFECT_WORDS } from './defect-words.ts';
import type { BodyOf, NewEntry } from './entry.ts';
import { capital } from '../units/capital.ts';

/** Entries in words: what happened, and the figures that were written down with it. Lists, tables and cards share it. */

export interface EntryWords {
  readonly title: string;
  /** Figures and words besides, in one line; empty where there are none. */
  readonly more: string;
}

interface Saying {
  readonly system: UnitSystem;
  /** Name of a product. */
  readonly nameOf: (sheetId: string) => string;
}

const said = (parts: readonly (string | undefined | false)[]): string => parts.filter(Boolean).join(', ');

const meanOf = (all: readonly number[]): number => all.reduce((sum, one) => sum + one, 0) / all.length;

/** "92 µm", or "92 µm, mean of 5 from 88 to 97". */
function readingsText(um: number | readonly number[], system: UnitSystem): string {
  const all = typeof um === 'number' ? [um] : um;
  const mean = formatQuantity('Um', meanOf(all), system);
  if (all.length === 1) return mean;
  const [least, most] = [Math.min(...all), Math.max(...all)].map((each) => formatNumber('Um', each, system));
  return `${mean}, mean of ${all.length} from ${least} to ${most}`;
}

const coatsText = (coats: BodyOf<'act'>['coats']): string | undefined => {
  if (coats === undefined) return undefined;
  const most = typeof coats === 'number' ? coats : Math.max(1, ...Object.values(coats));
  return `${most} ${most === 1 ? 'coat' : 'coats'}`;
};

function valuesText(values: BodyOf<'act'>['values'], system: UnitSystem): string {
  if (!values) return '';
  const { wetUm, flashMin, tipMm, bar, distanceMm, speedMPerS, reductionPercent, hardenerPercent } = values;
  const { celsius, relativeHumidity, surfaceCelsius, batch } = values;
  return said([
    wetUm !== undefined && `${readingsText(wetUm, system)} wet`,
    flashMin !== undefined && `${formatMinutes(flashMin)} flash between coats`,
    tipMm !== undefined && `tip ${tipMm} mm`,
    bar !== undefined && formatQuantity('Bar', bar, system),
    distanceMm !== undefined && `${formatQuantity('Mm', distanceMm, system)} away`,
    speedMPerS !== undefined && formatQuantity('MPerS', speedMPerS, system),
    reductionPercent !== undefined && `reduced by ${reductionPercent} %`,
    hardenerPercent !== undefined && `${hardenerPercent} % hardener`,
    celsius !== undefined && `air ${formatQuantity('Celsius', celsius, system)}`,
    relativeHumidity !== undefined && `${relativeHumidity} % humidity`,
    surfaceCelsius !== undefined && `surface ${formatQuantity('Celsius', surfaceCelsius, system)}`,
    batch && `batch ${batch}`,
  ]);
}

const isLayer = (kind: string): kind is LayerKind => (LAYER_KIND_NAMES as readonly string[]).includes(kind);

const READING_WORDS: Readonly<Record<string, string>> = {
  film: 'all film',
  wet: 'wet film',
  'wet-film': 'wet film',
  surface: 'surface',
};
const readingWhat = (kind: string): string =>
  READING_WORDS[kind] ?? (isLayer(kind) ? labelOf(kind) : kind.replaceAll('-', ' '));

const onZones = (zones: readonly string[] | undefined): string =>
  zones?.length ? ` on ${placeWords(zones)}` : '';

const ofAct = (body: BodyOf<'act'>, { system, nameOf }: Saying): EntryWords => ({
  title: `${capital(body.sheetId === undefined ? OP_LABELS[body.op] : (body.sheetName ?? nameOf(body.sheetId)))}${onZones(body.zones)}`,
  more: said([
    coatsText(body.coats),
    body.grits?.join(' › '),
    body.minutes !== undefined && `${formatMinutes(body.minutes)} hands-on`,
    valuesText(body.values, system),
    ...Object.values(body.instead ?? {}).map((planned) => `in place of ${planned}`),
    body.text,
    body.again && 'done again',
    body.afterwards && 'entered afterwards',
  ]),
});

const ofReading = (
  { zone, kind, um, celsius, seconds, text }: BodyOf<'reading'>,
  system: UnitSystem,
): EntryWords => ({
  title: `${capital(readingWhat(kind))} on ${areaWords(zone)}`,
  more: said([
    um !== undefined && readingsText(um, system),
    celsius !== undefined && formatQuantity('Celsius', celsius, system),
    seconds !== undefined && `${seconds} s`,
    text,
  ]),
});

const ofDefect = (body: BodyOf<'defect'>, system: UnitSystem): EntryWords => ({
  title: `${DEFECT_WORDS[body.defect].title}${onZones(body.zones)}`,
  more: said([
    body.spotMm !== undefined && `largest spot ${formatQuantity('Mm', body.spotMm, system)}`,
    body.count !== undefined && body.count > 1 && `${body.count} of them`,
    body.shows && `${labelOf(body.shows)} shows`,
    body.text,
  ]),
});

/** What a card is signed as. */
export const SIGNED_AS: Readonly<Record<NonNullable<BodyOf<'sign'>['state']>, string>> = {
  ready: 'ready for base',
  'not-checked': 'ready, not checked',
};

/** An entry in words, in the reader's units. */
export function entryWords(entry: NewEntry, saying: Saying): EntryWords {
  const { system, nameOf } = saying;
  switch (entry.kind) {
    case 'act':
      return ofAct(entry.body, saying);
    case 'reading':
      return ofReading(entry.body, system);
    case 'defect':
      return ofDefect(entry.body, system);
    case 'check': {
      const { check, outcome, zones, text } = entry.body;
      return {
        title: `${checkTitle(check)}: ${outcome}`,
        more: said([zones?.length ? placeWords(zones) : '', text]),
      };
    }
    case 'pour': {
      const { sheetId, parts = [], batch, text } = entry.body;
      const poured = parts.map(({ name, ml, grams }) =>
        said([
          name,
          ml !== undefined && formatQuantity('Ml', ml, system),
          grams !== undefined && `${grams} g`,
        ]),
      );
      return {
        title: sheetId === undefined ? 'Mixed' : `Mixed ${nameOf(sheetId)}`,
        more: said([...poured, batch && `batch ${batch}`, text]),
      };
    }
    case 'climate': {
      const { celsius, relativeHumidity, surfaceCelsius, text } = entry.body;
      return {
        title: said([
          celsius === undefined ? 'Air' : `Air ${formatQuantity('Celsius', celsius, system)}`,
          relativeHumidity !== undefined && `${relativeHumidity} % humidity`,
        ]),
        more: said([
          surfaceCelsius !== undefined && `surface ${formatQuantity('Celsius', surfaceCelsius, system)}`,
          text,
        ]),
      };
    }
    case 'note':
      return { title: entry.body.text ?? 'Note', more: entry.body.zones ? placeWords(entry.body.zones) : '' };
    case 'photo':
      return { title: `Photo${onZones(entry.body.zones)}`, more: entry.body.text ?? '' };
    case 'sign': {
      const { name = entry.by, state, notChecked = [], text } = entry.body;
      return {
        title: `Signed by ${name}`,
        more: said([state && `as ${SIGNED_AS[state]}`, ...notChecked, text]),
      };
    }
    case 'base':
      return { title: `Base is on${onZones(entry.body.zones)}`, more: entry.body.text ?? '' };
    case 'correction':
      return {
        title: entry.body.body === null ? 'Taken back: it did not happen' : 'Corrected',
        more: entry.body.text ?? '',
      };
  }
}

/** What kinds of entries are called. */
export const KIND_WORDS: Readonly<Record<NewEntry['kind'], string>> = {
  act: 'work done',
  reading: 'reading',
  check: 'check',
  pour: 'mix',
  climate: 'air',
  note: 'note',
  photo: 'photo',
  defect: 'defect',
  correction: 'correction',
  sign: 'signature',
  base: 'base laid',
};
