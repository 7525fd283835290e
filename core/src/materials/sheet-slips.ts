import { isBody, type LayerKind } from './layer-kinds.ts';
import { formOf, readyVolumeSolids, type ProductSheet } from './sheet.ts';

/**
 * Figures of a sheet that may be right and seldom are: seconds taken for minutes, hours for minutes, a density in the
 * wrong unit. They are asked about before a sheet is kept, and kept where a person says that they are so.
 */
export interface Slip {
  readonly path: string;
  readonly says: string;
}

/** What a usual sheet stays within, by field; the words end in what may have happened. */
interface Usual {
  readonly path: string;
  readonly of: (sheet: ProductSheet) => number | null | undefined;
  readonly from: number;
  readonly to: number;
  readonly says: (value: number) => string;
}

const isCoating = ({ kind }: ProductSheet): boolean =>
  kind !== 'cleaner' && kind !== 'guide-coat' && kind !== 'texture' && !isBody(kind as LayerKind);
const ofCoatings =
  (of: Usual['of']): Usual['of'] =>
  (sheet) =>
    isCoating(sheet) ? of(sheet) : undefined;

const hours = (minutes: number): string => `${Math.round(minutes / 6) / 10} h`;

const USUAL: readonly Usual[] = [
  {
    path: 'flash.betweenCoatsMin',
    of: ({ flash }) => flash.betweenCoatsMin,
    from: 0,
    to: 60,
    says: (value) => `A flash of ${hours(value)} between coats is long. Is it in seconds on the sheet?`,
  },
  {
    path: 'flash.beforeNextMin',
    of: ({ flash }) => flash.beforeNextMin,
    from: 0,
    to: 180,
    says: (value) => `The next product after ${hours(value)} is late for a flash. Is that the drying time?`,
  },
  {
    path: 'sandAfterMin',
    of: ofCoatings(({ sandAfterMin }) => sandAfterMin),
    from: 10,
    to: 48 * 60,
    says: (value) => `Sanding after ${hours(value)} is unusual. Are the hours in minutes?`,
  },
  {
    path: 'recoat.closesMin',
    of: ofCoatings(({ recoat }) => recoat.closesMin),
    from: 15,
    to: 60 * 24 * 60,
    says: (value) => `A window that closes after ${hours(value)} is unusual. Are the hours in minutes?`,
  },
  {
    path: 'potLifeMin',
    // What is released in a spray can keeps for days.
    of: (sheet) => (formOf(sheet) === 'aerosol' ? undefined : sheet.potLifeMin),
    from: 3,
    to: 24 * 60,
    says: (value) => `A pot life of ${hours(value)} is unusual. Are the hours in minutes?`,
  },
  {
    path: 'inductionMin',
    of: ({ inductionMin }) => inductionMin,
    from: 0,
    to: 120,
    says: (value) => `A wait of ${hours(value)} after mixing is long.`,
  },
  {
    path: 'film.perCoatUm',
    of: ofCoatings(({ film }) => film.perCoatUm),
    from: 2,
    to: 150,
    says: (value) => `${value} µm in one coat is unusual. Is that the wet film, or all coats together?`,
  },
  {
    path: 'pricePerLitre',
    of: ({ pricePerLitre }) => pricePerLitre,
    from: 0,
    to: 400,
    says: (value) => `${value} a litre is much. Is that the price of the can?`,
  },
  {
    path: 'climate.minCelsius',
    of: ({ climate }) => climate.minCelsius,
    from: -5,
    to: 25,
    says: (value) => `Nothing below ${value} °C is warm for a least temperature. Is it in °F on the sheet?`,
  },
  {
    path: 'components',
    of: ofCoatings((sheet) => readyVolumeSolids(sheet) * 100),
    from: 2,
    to: 85,
    says: (value) =>
      `${Math.round(value)} % of the mix stays as film by these solids. Are they by volume, and not by weight?`,
  },
];

/** Figures of a sheet that are out of the usual, each with its field and the question; empty for a usual sheet. */
export function slipsOf(sheet: ProductSheet): Slip[] {
  const usual = USUAL.flatMap(({ path, of, from, to, says }) => {
    const value = of(sheet);
    return value === null || value === undefined || (value >= from && value <= to)
      ? []
      : [{ path, says: says(value) }];
  });
  const dense = sheet.components.flatMap(({ name, gramsPerMl }, i) =>
    gramsPerMl === undefined || (gramsPerMl >= 0.6 && gramsPerMl <= 2.5)
      ? []
      : [
          {
            path: `components.${i}.gramsPerMl`,
            says: `${name} weighs ${gramsPerMl} g a ml. Is that in another unit?`,
          },
        ],
  );
  const nowhere =
    isCoating(sheet) && Object.keys(sheet.over).length === 0
      ? [{ path: 'over', says: 'It may lie on nothing: no plan will ever use it.' }]
      : [];
  return [...usual, ...dense, ...nowhere];
}
