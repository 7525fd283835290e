import { LAYER_KIND_NAMES, labelOf, type LayerKind } from '../materials/layer-kinds.ts';
import { OP_LABELS } from '../operations/table.ts';
import { areaWords, placeWords } from '../planner/places.ts';
import { formatMinutes } from '../units/duration.ts';
import { formatNumber, formatQuantity, type UnitSystem } from '../units/quantities.ts';
import { checkTitle } from './checks.ts';
import { DEFECT_WORDS } from './defect-words.ts';
import { ENTRY_KINDS, type BodyOf, type EntryKind, type NewEntry } from './entry.ts';
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

function ofPour(
  { sheetId, parts = [], batch, text }: BodyOf<'pour'>,
  { system, nameOf }: Saying,
): EntryWords {
  const poured = parts.map(({ name, ml, grams }) =>
    said([name, ml !== undefined && formatQuantity('Ml', ml, system), grams !== undefined && `${grams} g`]),
  );
  return {
    title: sheetId === undefined ? 'Mixed' : `Mixed ${nameOf(sheetId)}`,
    more: said([...poured, batch && `batch ${batch}`, text]),
  };
}

/** What a card is signed as. */
export const SIGNED_AS: Readonly<Record<NonNullable<BodyOf<'sign'>['state']>, string>> = {
  ready: 'ready for base',
  'not-checked': 'ready, not checked',
};

const onlyText = ({ text }: { readonly text?: string | undefined }): string => text ?? '';

interface KindRow<K extends EntryKind> {
  /** What such entries are called. */
  readonly label: string;
  readonly words: (body: BodyOf<K>, saying: Saying, by: string) => EntryWords;
}

const ROWS: { readonly [K in EntryKind]: KindRow<K> } = {
  act: { label: 'work done', words: ofAct },
  reading: { label: 'reading', words: (body, { system }) => ofReading(body, system) },
  check: {
    label: 'check',
    words: ({ check, outcome, zones, text }) => ({
      title: `${checkTitle(check)}: ${outcome}`,
      more: said([zones?.length ? placeWords(zones) : '', text]),
    }),
  },
  pour: { label: 'mix', words: ofPour },
  climate: {
    label: 'air',
    words: ({ celsius, relativeHumidity, surfaceCelsius, text }, { system }) => ({
      title: said([
        celsius === undefined ? 'Air' : `Air ${formatQuantity('Celsius', celsius, system)}`,
        relativeHumidity !== undefined && `${relativeHumidity} % humidity`,
      ]),
      more: said([
        surfaceCelsius !== undefined && `surface ${formatQuantity('Celsius', surfaceCelsius, system)}`,
        text,
      ]),
    }),
  },
  note: {
    label: 'note',
    words: ({ text, zones }) => ({ title: text ?? 'Note', more: zones ? placeWords(zones) : '' }),
  },
  photo: {
    label: 'photo',
    words: (body) => ({ title: `Photo${onZones(body.zones)}`, more: onlyText(body) }),
  },
  defect: { label: 'defect', words: (body, { system }) => ofDefect(body, system) },
  correction: {
    label: 'correction',
    words: (body) => ({
      title: body.body === null ? 'Taken back: it did not happen' : 'Corrected',
      more: onlyText(body),
    }),
  },
  sign: {
    label: 'signature',
    words: ({ name, state, notChecked = [], text }, _, by) => ({
      title: `Signed by ${name ?? by}`,
      more: said([state && `as ${SIGNED_AS[state]}`, ...notChecked, text]),
    }),
  },
  base: {
    label: 'base laid',
    words: (body) => ({ title: `Base is on${onZones(body.zones)}`, more: onlyText(body) }),
  },
};

/** An entry in words, in the reader's units. */
export const entryWords = ({ kind, body, by }: NewEntry, saying: Saying): EntryWords =>
  (ROWS[kind] as KindRow<EntryKind>).words(body, saying, by);

/** What kinds of entries are called. */
export const KIND_WORDS = Object.fromEntries(ENTRY_KINDS.map((kind) => [kind, ROWS[kind].label])) as Readonly<
  Record<EntryKind, string>
>;
