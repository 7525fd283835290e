import { gradesBetween, type Grade } from '../materials/grades.ts';
import type { Quality, Target } from '../survey/shop.ts';
import { scratchDepthUm, type SandedMaterial, type Tool } from './scratch.ts';

/**
 * Will the last scratch show?
 * A wet film that levels over a groove of depth h leaves h x (1 - VS) after drying; over several coats
 * h x product(1 - VS). Gloss plane: all coats through clear. Flake plane: coats up to the colour coat.
 * Limits are calibrated against shop practice (models.md 4): P400 by machine under sealer passes standard.
 */
const GLOSS_LIMIT_UM: Record<Quality, number> = { economy: 1.0, standard: 0.65, show: 0.4 };
const FLAKE_LIMIT_UM: Record<Quality, number> = { economy: 3.0, standard: 2.3, show: 1.6 };

/** Default volume solids of the coats that follow the last sanding. */
const SOLIDS = { sealer: 0.4, solvent: 0.15, waterborne: 0.12, clear: 0.47 } as const;
const BASE_COATS = 2;
const CLEAR_COATS = 2;

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
function planesOf({ sealerCoats, sealerSolids = SOLIDS.sealer, target }: CoatsToCome) {
  const { carrier, effect } = target.base;
  const throughBase = (1 - sealerSolids) ** sealerCoats * (1 - SOLIDS[carrier]) ** BASE_COATS;
  const gloss = {
    plane: 'gloss',
    share: throughBase * (1 - SOLIDS.clear) ** CLEAR_COATS,
    limitUm: GLOSS_LIMIT_UM[target.quality],
  } as const;
  const flake = { plane: 'flake', share: throughBase, limitUm: FLAKE_LIMIT_UM[target.quality] } as const;
  return effect === 'solid' ? [gloss] : [gloss, flake];
}

/** Groove left in each plane that matters, for a scratch of `depthUm` under the coats to come. */
export const telegraph = (depthUm: number, coats: CoatsToCome): Telegraph[] =>
  planesOf(coats).map(({ plane, share, limitUm }) => ({
    plane,
    grooveUm: depthUm * share,
    limitUm,
    passes: depthUm * share <= limitUm,
  }));

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
}

/** Coarsest grade inside the sheet's range whose scratch will not show; null when none in the range passes. */
export function coarsestThatHides({ tool, material, coats, coarsest, finest }: Finish): Grade | null {
  // The tightest plane decides, as the deepest groove that all of them hide.
  const deepestUm = Math.min(...planesOf(coats).map(({ share, limitUm }) => limitUm / share));
  const hides = (grade: Grade): boolean => scratchDepthUm(grade, tool, material) <= deepestUm;
  return gradesBetween(coarsest, finest).find(hides) ?? null;
}

/** Gloss limit, which the sink-back model shares. */
export const glossLimitUm = (quality: Quality): number => GLOSS_LIMIT_UM[quality];
