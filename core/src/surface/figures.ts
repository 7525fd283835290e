import type { Tool } from '../materials/tools.ts';
import { shopRule, type ShopRuleName, type ShopRules } from '../survey/shop-rules.ts';
import type { Quality } from '../survey/qualities.ts';
import type { SandedMaterial } from '../materials/sanded-material.ts';

/** The constants of the sanding models in force, in the shape in which the models use them. */
export interface SandingFigures {
  /** Scratch depth as a share of the grain. */
  readonly scratchShare: Readonly<Record<Tool, number>>;
  readonly scratchFactor: Readonly<Record<SandedMaterial, number>>;
  readonly removalCm3PerMin: number;
  readonly removalGrainExponent: number;
  readonly rateFactor: Readonly<Record<SandedMaterial, number>>;
  readonly toolRate: Readonly<Record<Tool, number>>;
  readonly gradeChangeMin: number;
  readonly gradeChangeMinPerM2: number;
  readonly discLifeMin: number;
  readonly discPrice: number;
  readonly labourPerHour: number;
  /** Nearer to a limit than this share of it, what shows is borderline. */
  readonly showSpreadShare: number;
  readonly glossLimitUm: Readonly<Record<Quality, number>>;
  readonly flakeLimitUm: Readonly<Record<Quality, number>>;
  readonly solidsShare: Readonly<Record<'sealer' | 'solvent' | 'waterborne' | 'clear', number>>;
  readonly baseCoats: number;
  readonly clearCoats: number;
  readonly residualShrinkShare: number;
  readonly uncuredShrinkShare: number;
  readonly guideCoatUm: number;
  readonly blockForceN: number;
  readonly blockSpeedMPerS: number;
  readonly flexBoardSagMm: number;
}

const REFERENCE = 1;

function compile(rules: ShopRules): SandingFigures {
  const of = (name: ShopRuleName): number => shopRule(rules, name).value;
  return {
    scratchShare: {
      block: of('scratchBlockShare'),
      hand: of('scratchHandShare'),
      machine: of('scratchMachineShare'),
      'machine-soft': of('scratchMachineSoftShare'),
      'wet-hand': of('scratchWetHandShare'),
      'pad-fine': of('scratchHandShare'),
      'pad-ultra-fine': of('scratchHandShare'),
    },
    scratchFactor: {
      primer: REFERENCE,
      epoxy: of('scratchEpoxyFactor'),
      filler: of('scratchFillerFactor'),
      'old-clear': of('scratchOldClearFactor'),
      plastic: of('scratchPlasticFactor'),
      metal: of('scratchMetalFactor'),
    },
    removalCm3PerMin: of('removalCm3PerMin'),
    removalGrainExponent: of('removalGrainExponent'),
    rateFactor: {
      primer: REFERENCE,
      epoxy: of('rateEpoxyFactor'),
      filler: of('rateFillerFactor'),
      'old-clear': of('rateOldClearFactor'),
      plastic: of('ratePlasticFactor'),
      metal: of('rateMetalFactor'),
    },
    toolRate: {
      machine: REFERENCE,
      'machine-soft': REFERENCE,
      block: of('rateBlockFactor'),
      hand: of('rateHandFactor'),
      'wet-hand': of('rateHandFactor'),
      'pad-fine': of('rateHandFactor'),
      'pad-ultra-fine': of('rateHandFactor'),
    },
    gradeChangeMin: of('gradeChangeMin'),
    gradeChangeMinPerM2: of('gradeChangeMinPerM2'),
    discLifeMin: of('discLifeMin'),
    discPrice: of('discPrice'),
    labourPerHour: of('labourPerHour'),
    showSpreadShare: of('showSpreadShare'),
    glossLimitUm: {
      economy: of('glossEconomyUm'),
      standard: of('glossStandardUm'),
      show: of('glossShowUm'),
    },
    flakeLimitUm: {
      economy: of('flakeEconomyUm'),
      standard: of('flakeStandardUm'),
      show: of('flakeShowUm'),
    },
    solidsShare: {
      sealer: of('sealerSolidsShare'),
      solvent: of('solventBaseSolidsShare'),
      waterborne: of('waterborneBaseSolidsShare'),
      clear: of('clearSolidsShare'),
    },
    baseCoats: Math.round(of('baseCoatsCount')),
    clearCoats: Math.round(of('clearCoatsCount')),
    residualShrinkShare: of('residualShrinkShare'),
    uncuredShrinkShare: of('uncuredShrinkShare'),
    guideCoatUm: of('guideCoatUm'),
    blockForceN: of('blockForceN'),
    blockSpeedMPerS: of('blockSpeedMPerS'),
    flexBoardSagMm: of('flexBoardSagMm'),
  };
}

const known = new WeakMap<ShopRules, SandingFigures>();

/** The figures of a shop: its own where it sets them, else the defaults. Worked out once for each set of rules. */
export function sandingFiguresOf(rules: ShopRules): SandingFigures {
  const before = known.get(rules);
  if (before) return before;
  const figures = compile(rules);
  known.set(rules, figures);
  return figures;
}

/** The figures of a shop that sets none. */
export const DEFAULT_FIGURES = sandingFiguresOf({});
