import type { ProductSheet } from '../materials/sheet.ts';
import type { Tool } from '../materials/tools.ts';
import type { ShopRuleName } from '../survey/shop-rules.ts';
import type { Reason } from '../wording/reason.ts';
import type { FactsArgument, SentenceCode } from '../wording/sentences.ts';
import type { Act } from './act.ts';
import type { Caution } from './caution-words.ts';
import type { CheckKind } from './check-words.ts';
import type { Context } from './context.ts';
import type { Reach } from './extent.ts';
import type { PanelState, ZoneState } from './state.ts';

/**
 * What an operation is: one row in the file of its family says all of it. What must physically hold before it, what it
 * does, what it takes, where it stands in time, what it is called, what can hurt and what is looked at afterwards. What
 * it settles stands with the issues (issues.ts), when it is right with the rules (../rules).
 */

/**
 * In which order work is taken up where several things are asked for at once: what makes dust before what takes it
 * away. What a person or the search chooses comes before all of it.
 */
export const TURNS = [
  'chosen',
  'parts off',
  'wash',
  'test',
  'temper',
  'first wipe',
  'strip',
  'straighten',
  'rust',
  'condition',
  'cure',
  'flash',
  'look',
  'mend',
  'joint',
  'rough coat',
  'glaze',
  'edges',
  'dull',
  'guide coat',
  'block',
  'sand',
  'mask',
  'bare metal',
  'degrease',
  'wipe',
  'promote',
  'tack',
] as const;
export type Turn = (typeof TURNS)[number];

/**
 * Who stays with it while nothing is done by hand. stays: somebody does, it is short. watches: somebody does, it is long.
 * sets: hands are off, it is entered as done. away: nobody does, over a night too, and it is done once it is over.
 */
export type Wait = 'none' | 'stays' | 'watches' | 'sets' | 'sets long' | 'away';

/** What words of a step hang on. */
export interface WordedStep {
  readonly tool?: Tool | undefined;
  readonly why: readonly { readonly rule: string }[];
}

/** What cautions of an act hang on: the areas as they are before it, and the product. */
export interface Cautioned {
  readonly act: Act;
  readonly zones: readonly ZoneState[];
  readonly sheet: ProductSheet | undefined;
}

export interface OperationRow {
  /** By itself, where no step says more: what a list of operations offers. */
  readonly label: string;
  /** What to do, as a step says it. */
  readonly title: string | ((step: WordedStep) => string);
  /** A step is called by its product; by its title only where that has no name. */
  readonly isCalledByProduct?: true;
  /** Its word in the name of a system; without one it is part of every system. */
  readonly inSystem?: string;
  /** Its word in what a system does on one zone, where that is another one; null where it is not said. */
  readonly onZone?: string | null;
  /** How much of an area it works on. */
  readonly reach: Reach;
  /** Minutes of setting out, once for all areas and parts (defaults, calibrated as survey/labour-rules.ts). */
  readonly setOutMin: number;
  /** The shop's rate, where it is timed by area. */
  readonly rate?: ShopRuleName;
  readonly turn: Turn;
  readonly wait: Wait;
  /** It may be broken off and gone on with after other work. */
  readonly mayStop: boolean;
  /** It leaves what was wrong as it was: a look, a wait, cleaning just before a coat. */
  readonly changesNothing?: true;
  readonly cautions: readonly Caution[] | 'none' | ((cautioned: Cautioned) => readonly Caution[]);
  /** What is looked at before it counts as done; the reason where nothing is. */
  readonly checks:
    | readonly CheckKind[]
    | { readonly none: string }
    | ((step: Pick<WordedStep, 'tool'>) => readonly CheckKind[]);
  /** Kind of product that it works with, or the use that a sheet names. */
  readonly product?: ProductSheet['kind'];
  readonly use?: NonNullable<ProductSheet['use']>;
  /** What a gauge then reads. */
  readonly readAs?: 'build' | 'blocked';
  /** Usual tool of what is sanded, and what it sands: a face grade by grade, along edges, or something off. */
  readonly tool?: Tool;
  readonly sands?: 'face' | 'edges' | 'off';
}

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

export interface Operation<A extends Act> extends OperationRow {
  /** Reasons why it cannot physically be done on this zone, all of them. */
  readonly check: (zone: ZoneState, act: A, context: Context) => Reason[];
  /** What it makes of an area; what is the same for all areas of the act is worked out once. */
  readonly apply: (act: A, moment: Moment) => (zone: ZoneState) => ZoneState;
  readonly cost: (zones: readonly ZoneState[], act: A, panel: PanelState, context: Context) => Cost;
  /** Where the numbers of this act come from. */
  readonly explain: (zones: readonly ZoneState[], act: A, panel: PanelState, context: Context) => Reason[];
}

/** The rows of a family, one for each of its operations. */
export type Rows<A extends Act> = { readonly [Op in A['op']]: Operation<A> };

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
