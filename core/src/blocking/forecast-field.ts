import { DEFAULT_FIGURES, type SandingFigures } from '../surface/figures.ts';
import type { SandedMaterial } from '../materials/sanded-material.ts';
import { makeField, type Field, type Waves } from './field.ts';
import { seeded } from '../units/random.ts';

/** The panel over which blocks are tried for a forecast. */

/** What the simulated panel is made from. */
export interface FieldTask {
  readonly waves: Waves;
  readonly peelUm: number;
  readonly isCrowned: boolean;
  /** Radius of the crown; a well curved one where absent. */
  readonly crownRadiusMm?: number;
  readonly film: SandedMaterial;
  readonly under: SandedMaterial;
  readonly seed: number;
  readonly figures?: SandingFigures;
  /** Size of the simulated panel; room for the largest block where absent. */
  readonly size?: { readonly lengthMm: number; readonly heightMm: number };
}

/** Size of the simulated panel: room for the largest block to wear the middle evenly. */
const SIZE = { lengthMm: 1300, heightMm: 1000 } as const;
const CELL_MM = 8;
/** Crown on which blocks are told apart where no panel gives one. */
const CROWN_RADIUS_MM = 8000;
/** The panel of a task with a given build on it. */
export const forecastField = (task: FieldTask, filmUm: number, cellMm: number = CELL_MM): Field =>
  makeField({
    ...(task.size ?? SIZE),
    cellMm,
    ...(task.isCrowned ? { radiusMm: task.crownRadiusMm ?? CROWN_RADIUS_MM } : {}),
    waves: [task.waves],
    filmUm,
    peelUm: task.peelUm,
    guideUm: (task.figures ?? DEFAULT_FIGURES).guideCoatUm,
    film: task.film,
    under: task.under,
    random: seeded(task.seed),
  });
