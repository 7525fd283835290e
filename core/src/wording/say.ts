import { formatFact, type Facts } from '../units/facts.ts';
import type { UnitSystem } from '../units/quantities.ts';
import { ALLOWED_IF } from './allowed-if.ts';
import type { Reason } from './reason.ts';
import { SENTENCES, type FactsArgument, type SentenceCode } from './sentences.ts';
import { capital } from '../units/capital.ts';

/**
 * Fills a sentence's `{name}` places with facts in the reader's units.
 * @throws {Error} when a fact that the sentence names is missing: a bug of ours, never a user's.
 */
export function fill(template: string, facts: Facts, system: UnitSystem = 'metric'): string {
  return capital(insert(template, facts, system));
}

const insert = (template: string, facts: Facts, system: UnitSystem): string =>
  template.replace(/\{(\w+)\}/g, (_, name: string) => {
    const value = facts[name];
    if (value === undefined) throw new Error(`sentence "${template}" lacks the fact ${name}`);
    return formatFact(name, value, system);
  });

/** The sentence for a code. */
export const sentence = (code: SentenceCode, facts: Facts, system: UnitSystem = 'metric'): string =>
  fill(SENTENCES[code], facts, system);

/** A reason in words, in the reader's units. */
export const say = (reason: Pick<Reason, 'code' | 'facts'>, system: UnitSystem = 'metric'): string =>
  sentence(reason.code, reason.facts, system);

/** What would make a refused act allowed, in words that follow "Allowed "; undefined where nothing would. */
export function allowedIf(
  reason: Pick<Reason, 'code' | 'facts'>,
  system: UnitSystem = 'metric',
): string | undefined {
  const template = ALLOWED_IF[reason.code];
  return template === undefined ? undefined : insert(template, reason.facts, system);
}

/** What was said and stored: its code and facts, and the words in which it was said then (metric). */
export interface Stored {
  readonly code: string;
  readonly facts: Facts;
  readonly text: string;
}

/** Says something so that it can be said again in other units. */
export const tell = <Code extends SentenceCode>(
  code: Code,
  ...[facts = {}]: FactsArgument<Code>
): Stored => ({
  code,
  facts,
  text: sentence(code, facts),
});

/** Words that no code stands for: they are the same in every unit. */
export const verbatim = (text: string): Stored => ({ code: '', facts: {}, text });

/**
 * A stored reason in the reader's units. A plan outlives the program that made it: where today's sentence is gone or
 * needs a fact that was not stored, the words of that time stand.
 */
export function sayAgain({ code, facts, text }: Stored, system: UnitSystem): string {
  const template = (SENTENCES as Record<string, string | undefined>)[code];
  const names = [...(template?.matchAll(/\{(\w+)\}/g) ?? [])].map(([, name]) => name!);
  return template !== undefined && names.every((name) => facts[name] !== undefined)
    ? fill(template, facts, system)
    : text;
}
