import type { Reason } from '../wording/reason.ts';
import type { FactsArgument, SentenceCode } from '../wording/sentences.ts';
import type { Act } from './act.ts';
import type { Context } from './context.ts';
import type { PanelState, ZoneState } from './state.ts';

/** What an operation is: what must physically hold before it, what it does, and what it takes. */

export interface Cost {
  readonly handsOnMin: number;
  readonly waitMin: number;
  readonly materialCost: number;
}

/** The panel around a zone while an act is applied to it; times on the panel's clock. */
export interface Moment {
  readonly panel: PanelState;
  readonly endMin: number;
  readonly context: Context;
}

export interface Operation<A extends Act> {
  /** Reasons why it cannot physically be done on this zone, all of them; the trade's rules are in ../rules. */
  readonly check: (zone: ZoneState, act: A, context: Context) => Reason[];
  /** What it makes of an area; what is the same for all areas of the act is worked out once. */
  readonly apply: (act: A, moment: Moment) => (zone: ZoneState) => ZoneState;
  readonly cost: (zones: readonly ZoneState[], act: A, panel: PanelState, context: Context) => Cost;
  /** Where the numbers of this act come from. */
  readonly explain: (zones: readonly ZoneState[], act: A, panel: PanelState, context: Context) => Reason[];
}

export const nothing = (): [] => [];

/** A reason of the operation itself, with the facts that its sentence names. */
export const opReason = <Code extends SentenceCode>(
  code: Code,
  ...[facts = {}]: FactsArgument<Code>
): Reason => ({
  rule: 'op',
  code,
  facts,
  source: 'model',
});
