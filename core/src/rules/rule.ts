import type { Act, OpName } from '../operations/act.ts';
import type { Context } from '../operations/context.ts';
import type { PanelState, ZoneState } from '../operations/state.ts';
import type { Reason } from '../wording/reason.ts';

/**
 * A rule of the trade, judged for one act on one zone just before it is done.
 * must: the act is not done like this. should: it may be, at a risk. school: practitioners differ.
 */
export type Level = 'must' | 'should' | 'school';

export interface Trial {
  readonly act: Act;
  readonly zone: ZoneState;
  readonly panel: PanelState;
  readonly context: Context;
}

export interface Verdict {
  readonly level: Level;
  readonly zoneId: string;
  readonly reason: Reason;
  /** Work that would make the act right; absent where nothing would. */
  readonly remedy?: Act;
}

export interface Rule {
  readonly id: string;
  /** What the rule asks, in one plain line. */
  readonly asks: string;
  /** The operations it has something to say about. */
  readonly on: readonly OpName[];
  readonly judge: (trial: Trial) => readonly Verdict[];
}

type Wording = Pick<Reason, 'code' | 'facts'> & { readonly source?: Reason['source'] };

const verdict = (
  level: Level,
  trial: Trial,
  reason: Reason,
  remedy?: (why: readonly Reason[]) => Act,
): Verdict => ({
  level,
  zoneId: trial.zone.zone.id,
  reason,
  ...(remedy ? { remedy: remedy([reason]) } : {}),
});

/** Makers of verdicts for one rule id; the reason rides along as the `why` of the remedy. */
export const speaker = (rule: string) => {
  const reasonOf = ({ code, facts, source = 'default' }: Wording): Reason => ({ rule, code, facts, source });
  return {
    must: (trial: Trial, wording: Wording, remedy?: (why: readonly Reason[]) => Act): Verdict[] => [
      verdict('must', trial, reasonOf(wording), remedy),
    ],
    should: (trial: Trial, wording: Wording): Verdict[] => [verdict('should', trial, reasonOf(wording))],
    school: (trial: Trial, wording: Wording): Verdict[] => [verdict('school', trial, reasonOf(wording))],
  };
};

export const fine: readonly Verdict[] = [];
