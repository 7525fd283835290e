import type { Act } from '../operations/act.ts';
import type { PanelState } from '../operations/state.ts';
import type { Verdict } from '../rules/rule.ts';
import type { Performed } from './prepare.ts';

/** What a search goes along: the work of a panel so far, and the ways that came to an end. */

/** A path through the panel's work so far. */
export interface SearchPath {
  readonly panel: PanelState;
  readonly steps: readonly Performed[];
  /** The choices that were made, in order: what tells one system from another. */
  readonly choices: readonly Act[];
  /** Places of the choices among the steps. */
  readonly choiceSteps: readonly number[];
}

/** A path with what its steps cost. */
export interface Way extends SearchPath {
  readonly cost: number;
}

/** A path that stopped at an act which the rules refuse. */
export interface RefusedPath extends Way {
  /** The act that the rules refuse: the choice itself, or one that it needs. */
  readonly broken: Act;
  readonly refused: Act;
  readonly verdicts: readonly Verdict[];
}
