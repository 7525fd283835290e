import { gradesBetween, type Grade } from '../materials/grades.ts';
import type { Tool } from '../materials/tools.ts';
import type { Quality } from '../survey/qualities.ts';
import type { Target } from '../survey/shop.ts';
import { DEFAULT_FIGURES, type SandingFigures } from './figures.ts';
import type { SandedMaterial } from '../materials/sanded-material.ts';
import { scratchDepthUm } from './scratch.ts';

/**
 * Will the last scratch show?
 * A wet film that levels over a groove of depth h leaves h x (1 - VS) after drying; over several coats
 * h x product(1 - VS). Gloss plane: all coats through clear. Flake plane: coats up to the colour coat.
 * Limits are shop figures, calibrated so that P400 by machine under a sealer passes standard quality.
 */

export interface Telegraph {
  readonly plane: 'gloss' | 'flake';
  readonly grooveUm: number;
  readonly limitUm: number;
  readonly passes: boolean;
}

export interface CoatsToCome {
  readonly sealerCoats: number;
  readonly sealerSolids?: number;
  readonly target: Target;
}

/** Share of a groove that is left in each plane that matters, with that plane's limit. */
function planesOf({ sealerCoats, sealerSolids, target }: CoatsToCome, figures: SandingFigures) {
  const { solidsShare, baseCoats, clearCoats } = figures;
  const { quality, base } = target;
  const underClear =
    (1 - (sealerSolids ?? solidsShare.sealer)) ** sealerCoats * (1 - solidsShare[base.carrier]) ** baseCoats;
  const throughClear = underClear * (1 - solidsShare.clear) ** clearCoats;
  const gloss = { plane: 'gloss', share: throughClear, limitUm: figures.glossLimitUm[quality] } as const;
  const flake = { plane: 'flake', share: underClear, limitUm: figures.flakeLimitUm[quality] } as const;
  return base.effect === 'solid' ? [gloss] : [gloss, flake];
}

/** Groove left in each plane that matters, for a scratch of `depthUm` under the coats to come. */
export const telegraph = (
  depthUm: number,
  coats: CoatsToCome,
  figures: SandingFigures = DEFAULT_FIGURES,
): Telegraph[] =>
  planesOf(coats, figures).map(({ plane, share, limitUm }) => ({
    plane,
    grooveUm: depthUm * share,
    limitUm,
    passes: depthUm * share <= limitUm,
  }));

/** A coat that levels over the groove, in order. */
interface LevellingCoat {
  readonly name: 'sealer' | 'base' | 'clear';
  readonly solids: number;
}

/** Coats from the last sanding to the eye. */
function coatsOf(
  { sealerCoats, sealerSolids, target }: CoatsToCome,
  figures: SandingFigures,
): LevellingCoat[] {
  const { solidsShare, baseCoats, clearCoats } = figures;
  const some = (name: LevellingCoat['name'], n: number, solids: number): LevellingCoat[] =>
    Array.from({ length: n }, () => ({ name, solids }));
  return [
    ...some('sealer', sealerCoats, sealerSolids ?? solidsShare.sealer),
    ...some('base', baseCoats, solidsShare[target.base.carrier]),
    ...some('clear', clearCoats, solidsShare.clear),
  ];
}

/** What is left of a groove after one coat. */
export interface GrooveAfter {
  /** "sanded", or the coat with its number: "base 2". */
  readonly after: string;
  readonly grooveUm: number;
}

/** What is left of a groove after each coat to come, from the bare scratch on. */
export function grooveByCoat(
  depthUm: number,
  coats: CoatsToCome,
  figures: SandingFigures = DEFAULT_FIGURES,
): GrooveAfter[] {
  let grooveUm = depthUm;
  const all = coatsOf(coats, figures);
  return [
    { after: 'sanded', grooveUm },
    ...all.map(({ name, solids }, i) => {
      grooveUm *= 1 - solids;
      const nth = all.slice(0, i + 1).filter((coat) => coat.name === name).length;
      return { after: `${name} ${nth}`, grooveUm };
    }),
  ];
}

/** The plane nearest to (or furthest past) its limit. */
export const worstPlane = (planes: readonly Telegraph[]): Telegraph =>
  planes.reduce((worst, plane) =>
    plane.grooveUm / plane.limitUm > worst.grooveUm / worst.limitUm ? plane : worst,
  );

interface Finish {
  readonly tool: Tool;
  readonly material: SandedMaterial;
  readonly coats: CoatsToCome;
  /** The range that the next coat's sheet allows. */
  readonly coarsest: Grade;
  readonly finest: Grade;
  /** Grades that the shop has; all of them where absent. */
  readonly stock?: readonly Grade[] | undefined;
}

/** Coarsest grade inside the sheet's range whose scratch will not show, one of the shop's if it can be; null when none does. */
export function coarsestThatHides(
  { tool, material, coats, coarsest, finest, stock }: Finish,
  figures: SandingFigures = DEFAULT_FIGURES,
): Grade | null {
  // The tightest plane decides, as the deepest groove that all of them hide.
  const deepestUm = Math.min(...planesOf(coats, figures).map(({ share, limitUm }) => limitUm / share));
  const hides = (grade: Grade): boolean => scratchDepthUm(grade, tool, material, figures) <= deepestUm;
  const hidden = gradesBetween(coarsest, finest).filter(hides);
  return hidden.find((grade) => stock?.includes(grade)) ?? hidden[0] ?? null;
}

/** Gloss limit, which the sink-back model shares. */
export const glossLimitUm = (quality: Quality, figures: SandingFigures = DEFAULT_FIGURES): number =>
  figures.glossLimitUm[quality];
