import type { Family } from '../materials/layer-kinds.ts';
import type { Act, OpName } from '../operations/act.ts';
import type { Context } from '../operations/context.ts';
import type { PanelState, ZoneState } from '../operations/state.ts';
import type { Reason } from '../wording/reason.ts';
import type { FactsOf, SentenceCode } from '../wording/sentences.ts';

/**
 * A rule of the trade, judged for one act on one zone just before it is done.
 * must: the act is not done like this. should: it may be, at a risk. school: practitioners differ.
 * note: nothing is wrong; it is said so that it is done right.
 */
export type Level = 'must' | 'should' | 'school' | 'note';

export interface ZoneRuleInput {
  readonly act: Act;
  readonly zone: ZoneState;
  readonly context: Context;
}

/** A zone together with the panel that it lies on: its clock, its other zones, what is masked. */
export interface RuleInput extends ZoneRuleInput {
  readonly panel: PanelState;
}

export interface Verdict {
  readonly level: Level;
  readonly zoneId: string;
  readonly reason: Reason;
  /** Work that would make the act right; absent where nothing would. What a should asks for is done where it can be. */
  readonly remedy?: Act;
}

/** Nothing would make the act right in this state. */
export const isRefusal = ({ level, remedy }: Verdict): boolean => level === 'must' && remedy === undefined;

interface RuleHead {
  readonly id: string;
  /** What the rule asks, in one plain line. */
  readonly asks: string;
  /** The operations it has something to say about. */
  readonly on: readonly OpName[];
  /** The only family of substrate that it speaks of: other zones are not asked about. Any where absent. */
  readonly only?: Family;
  /** The matter that it speaks of at all; any where absent. Looked at once for each area, whatever is done there. */
  readonly about?: (zone: ZoneState, context: Context) => boolean;
  /**
   * Areas that it can have a word on, by their matter and how the act is done on them; it is not asked about others. All
   * where absent. A rule that looks at the whole panel should say so: about whom it does not concern it is asked once.
   */
  readonly concerns?: (input: ZoneRuleInput) => boolean;
  /** It only ever gives notes: a search need not ask it. */
  readonly isAdvice?: boolean;
}

/**
 * A rule that looks at nothing but the matter of an area (operations/matter.ts), and at how the act is done on this area:
 * as long as neither changes, what it says holds. How clean an area is, since when it lies bare, when its coats have dried,
 * and where else the act is done it does not look at.
 */
export interface ZoneRule extends RuleHead {
  readonly reads?: 'matter';
  readonly judge: (input: ZoneRuleInput) => readonly Verdict[];
}

/** A rule that looks at the matter of an area and of the sound finish that it must come level with, through `soundNeighbour`. */
export interface NeighbourRule extends RuleHead {
  readonly reads: 'neighbour';
  readonly judge: (input: RuleInput) => readonly Verdict[];
}

/** A rule that looks at the clock, at how clean it is, at the other zones or the masking too. */
export interface PanelRule extends RuleHead {
  readonly reads: 'panel';
  /** @param said what the rules before it said, of this area and others */
  readonly judge: (input: RuleInput, said: readonly Verdict[]) => readonly Verdict[];
}

export type Rule = ZoneRule | NeighbourRule | PanelRule;

type MakeRemedy = (why: readonly Reason[]) => Act;
/** What is said: a sentence with the facts that it names. */
export interface Wording<Code extends SentenceCode = SentenceCode> {
  readonly code: Code;
  readonly facts: FactsOf<Code>;
  readonly source?: Reason['source'];
}
/** The same of any one sentence. */
type AnyWording = { [Code in SentenceCode]: Wording<Code> }[SentenceCode];

const verdict = (level: Level, input: ZoneRuleInput, reason: Reason, remedy?: MakeRemedy): Verdict => ({
  level,
  zoneId: input.zone.zone.id,
  reason,
  ...(remedy ? { remedy: remedy([reason]) } : {}),
});

/** The part of a rule that is written down; its id is that of whoever speaks. */
type Written<R extends Rule> = R extends Rule ? Omit<R, 'id'> : never;

/**
 * Who speaks for one rule of the trade: makes its verdicts and the rules that give them, all under its id. The reason rides
 * along as the `why` of the remedy.
 */
export const verdictsFor = (rule: string) => {
  const reasonOf = ({
    code,
    facts,
    source = 'default',
  }: Pick<Reason, 'code' | 'facts'> & Partial<Reason>): Reason => ({
    rule,
    code,
    facts,
    source,
  });
  const speak =
    (level: Level) =>
    <Code extends SentenceCode>(
      input: ZoneRuleInput,
      wording: Wording<Code>,
      remedy?: MakeRemedy,
    ): Verdict[] => [verdict(level, input, reasonOf(wording), remedy)];
  return {
    must: speak('must'),
    should: speak('should'),
    school: speak('school'),
    note: speak('note'),
    rule: (written: Written<Rule>): Rule => ({ id: rule, ...written }),
  };
};

export const NO_VERDICTS: readonly Verdict[] = [];

/** A rule that only says how a step is done right, on the operations and zones where `when` holds. */
export const advice = (
  id: string,
  on: readonly OpName[],
  asks: string,
  when: (input: RuleInput) => AnyWording | null,
): Rule => {
  const { note } = verdictsFor(id);
  return {
    id,
    on,
    asks,
    isAdvice: true,
    reads: 'panel',
    judge: (input) => {
      const wording = when(input);
      return wording ? note(input, wording) : NO_VERDICTS;
    },
  };
};
