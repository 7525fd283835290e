import type { Facts } from '../units/facts.ts';
import type { SentenceCode } from './sentences.ts';

/** Where a number or a verdict comes from, in order of authority. */
export const SOURCES = ['sheet', 'shop', 'default', 'model'] as const;
export type Source = (typeof SOURCES)[number];

/** A value together with where it came from. */
export interface Sourced<T> {
  readonly value: T;
  readonly source: Source;
}

/** Why something is so: a sentence code, the facts that fill it, the rule behind it and its authority. */
export interface Reason {
  readonly code: SentenceCode;
  readonly facts: Facts;
  readonly source: Source;
  /** id of the trade rule (`M1`), or of the operation whose own precondition speaks (`op`). */
  readonly rule: string;
}
