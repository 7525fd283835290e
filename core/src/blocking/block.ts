import type { Grade } from '../materials/grades.ts';
import type { ShopBlock } from '../materials/equipment.ts';
import { DEFAULT_FIGURES, type SandingFigures } from '../surface/figures.ts';
import { removalCm3PerMin } from '../surface/ladder.ts';
import type { SandedMaterial } from '../materials/sanded-material.ts';

/** What is pushed over the panel: a plate of some stiffness, with a pad of some softness between it and the paper. */
export interface Block {
  readonly id: string;
  readonly name: string;
  readonly lengthMm: number;
  readonly widthMm: number;
  /** Pressure for each mm that the pad is pressed in, N/mm³: the foundation under the plate. */
  readonly padNPerMm3: number;
  /** Bending stiffness of the plate along its length, N mm²; Infinity for one that does not give. */
  readonly bendingNMm2: number;
  /** Spans of the beam that it is computed as; as many as it needs where absent. */
  readonly nSpans?: number;
}

/** How a board's stiffness is measured: laid on two supports, a weight in its middle. */
export const BOARD_TEST = { spanMm: 300, weightKg: 1 } as const;
const GRAVITY_M_PER_S2 = 9.81;

/** Bending stiffness EI of a board by its sag in that test, N mm²: F L³ / (48 sag). */
export const bendingNMm2Of = (sagMm: number): number =>
  (BOARD_TEST.weightKg * GRAVITY_M_PER_S2 * BOARD_TEST.spanMm ** 3) / (48 * sagMm);

/** Blocks of a usual shop (calibrated: pad stiffness by the width of the mark they leave on a known crown). */
export const BLOCKS: readonly Block[] = [
  {
    id: 'soft-pad',
    name: 'Soft hand pad',
    lengthMm: 125,
    widthMm: 70,
    padNPerMm3: 0.004,
    bendingNMm2: 2e4,
  },
  {
    id: 'short',
    name: 'Rigid block',
    lengthMm: 125,
    widthMm: 70,
    padNPerMm3: 0.2,
    bendingNMm2: Infinity,
  },
  {
    id: 'mid',
    name: 'Rigid block',
    lengthMm: 200,
    widthMm: 70,
    padNPerMm3: 0.2,
    bendingNMm2: Infinity,
  },
  {
    id: 'long',
    name: 'Rigid board',
    lengthMm: 400,
    widthMm: 70,
    padNPerMm3: 0.2,
    bendingNMm2: Infinity,
  },
  {
    id: 'flex',
    name: 'Flexible board',
    lengthMm: 400,
    widthMm: 70,
    padNPerMm3: 0.2,
    bendingNMm2: bendingNMm2Of(DEFAULT_FIGURES.flexBoardSagMm),
  },
  {
    id: 'longest',
    name: 'Rigid board',
    lengthMm: 600,
    widthMm: 70,
    padNPerMm3: 0.2,
    bendingNMm2: Infinity,
  },
];

/** The same in a shop with its own flexible board. */
export const blocksOf = ({ flexBoardSagMm }: SandingFigures): Block[] =>
  BLOCKS.map((block) =>
    block.id === 'flex' ? { ...block, bendingNMm2: bendingNMm2Of(flexBoardSagMm) } : block,
  );

/** Stiffness of pads, as those of a usual shop have it. */
const PAD_N_PER_MM3: Readonly<Record<ShopBlock['pad'], number>> = { hard: 0.2, soft: 0.004 };

/** A block of the shop's own, as the contact is computed with it. */
export const ownBlock = ({ id, name, lengthMm, widthMm, pad, sagMm }: ShopBlock): Block => ({
  id,
  name,
  lengthMm,
  widthMm,
  padNPerMm3: PAD_N_PER_MM3[pad],
  bendingNMm2: sagMm === undefined ? Infinity : bendingNMm2Of(sagMm),
});

/** @throws {Error} for an id that is none of BLOCKS: a bug of the caller */
export function blockOf(id: string, figures: SandingFigures = DEFAULT_FIGURES): Block {
  const found = blocksOf(figures).find((block) => block.id === id);
  if (!found) throw new Error(`no block "${id}"`);
  return found;
}

const CM3_PER_MIN_TO_MM3_PER_S = 1000 / 60;

/**
 * Preston's constant in mm³/(N m), tied to the ladder: at the reference force and speed a block takes off just what
 * the ladder says. P320 on primer is 4 mm³/(N m).
 */
export const prestonMm3PerNm = (
  grade: Grade,
  material: SandedMaterial,
  figures: SandingFigures = DEFAULT_FIGURES,
): number =>
  (removalCm3PerMin(grade, 'block', material, figures) * CM3_PER_MIN_TO_MM3_PER_S) /
  (figures.blockForceN * figures.blockSpeedMPerS);
