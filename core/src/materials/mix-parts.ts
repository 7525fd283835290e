import { formOf, isTwoPack, type ProductSheet } from './sheet.ts';

/** What goes into a pot of a product, part by part by volume, in this shop's air. */

export interface MixPart {
  readonly name: string;
  readonly parts: number;
  /** Undefined where the sheet gives no density: it is poured by volume alone. */
  readonly gramsPerMl: number | undefined;
  /** Solvent that leaves a litre of it, g; undefined where nobody says. */
  readonly vocGPerL: number | undefined;
}

/** Usual paint solvent, g/ml (default). */
const SOLVENT_GRAMS_PER_ML = 0.87;
/** What is poured besides on flexible parts. */
export const FLEX_ADDITIVE = 'flexible additive';
/** Its density, g/ml (default). */
const FLEX_GRAMS_PER_ML = 1;
/** Density of filler and of its paste hardener where their sheet gives none, g/ml (default). */
const FILLER_GRAMS_PER_ML = 1.8;
const PASTE_GRAMS_PER_ML = 1.15;

type Component = ProductSheet['components'][number];

/** The hardener or thinner for a temperature; the component itself where none of its choices is for it. */
function atTemperature({ choices, ...component }: Component, celsius: number): Component {
  const choice = choices?.find(({ fromCelsius, toCelsius }) => celsius >= fromCelsius && celsius < toCelsius);
  if (!choice) return component;
  return { ...component, name: choice.name, ...(choice.gramsPerMl ? { gramsPerMl: choice.gramsPerMl } : {}) };
}

function partOf(component: Component, sheet: ProductSheet): MixPart {
  const { name, parts, gramsPerMl, volumeSolids, vocGPerL } = component;
  // Where it is carried by solvent, what does not stay as film is solvent; water and fillers that react do not tell.
  const leaves = sheet.carrier === 'solvent' && formOf(sheet) !== 'spread';
  const solventGramsPerMl =
    volumeSolids === 0 && gramsPerMl !== undefined ? gramsPerMl : SOLVENT_GRAMS_PER_ML;
  const modelled = leaves ? (1 - volumeSolids) * solventGramsPerMl * 1000 : undefined;
  return { name, parts, gramsPerMl, vocGPerL: vocGPerL ?? modelled };
}

/** Parts by volume: a filler's hardener by its share of mass, flexible additive where a part wants it. */
export function mixPartsOf(sheet: ProductSheet, isFlex: boolean, celsius: number): MixPart[] {
  const { hardenerPercent, flexPercent } = sheet;
  const components = sheet.components.map((component) => partOf(atTemperature(component, celsius), sheet));
  const [body, hardener] = components;
  if (hardenerPercent && body && hardener) {
    const bodyGrams = body.gramsPerMl ?? FILLER_GRAMS_PER_ML;
    const hardenerGrams = hardener.gramsPerMl ?? PASTE_GRAMS_PER_ML;
    return [
      { ...body, parts: 1, gramsPerMl: bodyGrams },
      {
        ...hardener,
        parts: (hardenerPercent.usual / 100) * (bodyGrams / hardenerGrams),
        gramsPerMl: hardenerGrams,
      },
    ];
  }
  if (!isFlex || flexPercent === undefined || !isTwoPack(sheet)) return components;
  const sum = components.reduce((total, { parts }) => total + parts, 0);
  const additive = {
    name: FLEX_ADDITIVE,
    parts: (sum * flexPercent) / 100,
    gramsPerMl: FLEX_GRAMS_PER_ML,
    vocGPerL: 0,
  };
  return [...components, additive];
}

/** Everything that a product is bought in: its components, those for other temperatures, its flexible additive. */
export const boughtIn = ({ components, flexPercent }: ProductSheet): string[] => [
  ...components.flatMap(({ name, choices = [] }) => [name, ...choices.map((choice) => choice.name)]),
  ...(flexPercent === undefined ? [] : [FLEX_ADDITIVE]),
];

/** Solvent in a litre ready to spray, g; null where a part does not say. */
export function vocGPerL(parts: readonly MixPart[]): number | null {
  if (parts.some((part) => part.vocGPerL === undefined)) return null;
  const sum = parts.reduce((total, part) => total + part.parts, 0);
  return parts.reduce((total, part) => total + part.parts * part.vocGPerL!, 0) / sum;
}
