import { OPS, type OpName } from '../operations/act.ts';
import { physicalReasons } from '../operations/perform.ts';
import { LAST_SANDING_RULES } from './last-sanding.ts';
import { BUILD_RULES } from './build.ts';
import { CLEAN_RULES } from './cleanliness.ts';
import { COMPOSITE_RULES } from './composite.ts';
import { FILLER_RULES } from './filler.ts';
import { FINISH_RULES } from './finish.ts';
import { METAL_RULES } from './metal.ts';
import { OPEN_RULES } from './open-issues.ts';
import { PLASTIC_RULES } from './plastic.ts';
import { SEAL_RULES } from './seal.ts';
import type { PanelRule, Rule, Verdict } from './rule.ts';

/** Who is asked about which operation. */

/** All rules in the order in which they are named to the user: the first broken rule is the first listed. */
export const RULES: readonly Rule[] = [
  ...METAL_RULES,
  ...FILLER_RULES,
  ...FINISH_RULES,
  ...PLASTIC_RULES,
  ...COMPOSITE_RULES,
  ...BUILD_RULES,
  ...LAST_SANDING_RULES,
  ...SEAL_RULES,
  ...CLEAN_RULES,
  ...OPEN_RULES,
];

/** What is physically wrong with an act, of whatever rule the operation names; heard after the rules of the trade. */
const PHYSICAL: Rule = {
  id: 'op',
  on: OPS,
  asks: 'The operation can be done on this zone at all.',
  judge: ({ act, zone, context }) =>
    physicalReasons(zone, act, context).map((reason): Verdict => ({
      level: 'must',
      zoneId: zone.zone.id,
      reason,
    })),
};

const ALL: readonly Rule[] = [...RULES, PHYSICAL];
export const RULE_COUNT = ALL.length;

/**
 * A rule with its place in the list of all. Each has every field, so that all are of one shape: a search asks millions of
 * times.
 */
export interface Placed {
  readonly nth: number;
  readonly reads: NonNullable<Rule['reads']>;
  readonly only: Rule['only'] | null;
  readonly about: Rule['about'] | null;
  readonly concerns: Rule['concerns'] | null;
  readonly judge: PanelRule['judge'];
}
const placedAt = ({ reads = 'matter', only, about, concerns, judge }: Rule, nth: number): Placed => ({
  nth,
  reads,
  only: only ?? null,
  about: about ?? null,
  concerns: concerns ?? null,
  judge,
});

const rulesOn = (wanted: (rule: Rule) => boolean): ReadonlyMap<OpName, readonly Placed[]> => {
  const placed = ALL.map((rule, nth) => ({ rule, placed: placedAt(rule, nth) }));
  const on = (op: OpName): Placed[] =>
    placed.filter(({ rule }) => wanted(rule) && rule.on.includes(op)).map((each) => each.placed);
  return new Map(OPS.map((op) => [op, on(op)]));
};

/** The rules that only advise, by operation, in their order. */
export const ADVICE = rulesOn(({ isAdvice }) => isAdvice === true);
/** Those that decide. */
export const DECIDING = rulesOn(({ isAdvice }) => !isAdvice);
