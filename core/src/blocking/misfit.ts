import { DEFAULT_FIGURES } from '../surface/figures.ts';
import type { Block } from './block.ts';
import { Contact } from './contact.ts';
import type { Field } from './field.ts';
import { forecastField, type FieldTask } from './forecast-field.ts';
import { isRigid } from './underside.ts';

/** Why a block never levels what it lies on. */
export type Misfit =
  /** It bends into the troughs. */
  | 'follows'
  /** It is shorter than the waves and goes up and down with them. */
  | 'short'
  /** It does not bend to the crown: only a part of it touches. */
  | 'rides';

/** Share of the cells under a block that touch it from which it lies in the troughs too (calibrated: a board of 30 mm sag). */
const FOLLOWS_SHARE = 0.7;
/** And up to which it rides on a crown that has no waves (calibrated: a board that leaves half the waves on it). */
const RIDES_SHARE = 0.25;

/** Share of the cells under a block that touch it, laid along the middle of a panel with the usual force. */
function touchShare(field: Field, block: Block, forceN: number): number {
  const contact = new Contact(field, block);
  const pose = { xMm: (field.nx * field.cellMm) / 2, yMm: (field.ny * field.cellMm) / 2, turnRad: 0 };
  contact.putDown(pose);
  contact.settle(pose, forceN);
  return contact.touchShare();
}

/** What of a block does not fit the waves or the crown of a task; null where it fits and only needs longer. */
export function misfitOf(task: FieldTask, block: Block): Misfit | null {
  const { blockForceN } = task.figures ?? DEFAULT_FIGURES;
  const smooth = { ...task, peelUm: 0 };
  const isShort = block.lengthMm < task.waves.lengthMm;
  // A rigid block is held across the bend of a crown: its width has to do what its length would.
  if (isRigid(block)) return isShort ? 'short' : task.isCrowned ? 'rides' : null;
  const waves = forecastField({ ...smooth, isCrowned: false }, 0);
  if (touchShare(waves, block, blockForceN) > FOLLOWS_SHARE) return 'follows';
  const crown = forecastField({ ...smooth, waves: { ...task.waves, um: 0 } }, 0);
  return task.isCrowned && touchShare(crown, block, blockForceN) < RIDES_SHARE ? 'rides' : null;
}
