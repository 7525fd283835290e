import { familyOf } from '../materials/layer-kinds.ts';
import { OPS, type Act, type OpName } from '../operations/act.ts';
import type { Context } from '../operations/context.ts';
import { physicalReasons } from '../operations/perform.ts';
import { soundNeighbour, zoneOf, type PanelState, type ZoneState } from '../operations/state.ts';
import { BLOCKING_RULES } from './blocking.ts';
import { BUILD_RULES } from './build.ts';
import { CLEAN_RULES } from './cleanliness.ts';
import { COMPOSITE_RULES } from './composite.ts';
import { FILLER_RULES } from './filler.ts';
import { FINISH_RULES } from './finish.ts';
import { METAL_RULES } from './metal.ts';
import { PLASTIC_RULES } from './plastic.ts';
import { SEAL_RULES } from './seal.ts';
import type { Rule, Trial, Verdict } from './rule.ts';

/** All rules in the order in which they are named to the user: the first broken rule is the first listed. */
export const RULES: readonly Rule[] = [
  ...METAL_RULES,
  ...FILLER_RULES,
  ...FINISH_RULES,
  ...PLASTIC_RULES,
  ...COMPOSITE_RULES,
  ...BUILD_RULES,
  ...BLOCKING_RULES,
  ...SEAL_RULES,
  ...CLEAN_RULES,
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

type RulesByOp = ReadonlyMap<OpName, readonly Rule[]>;
const rulesOn = (wanted: (rule: Rule) => boolean): RulesByOp =>
  new Map(OPS.map((op) => [op, [...RULES, PHYSICAL].filter((rule) => rule.on.includes(op) && wanted(rule))]));
const ADVICE = rulesOn(({ isAdvice }) => isAdvice === true);

/** Rules that decide on a panel of these families; those of plastic need not be asked where there is none. */
const DECIDING = new Map<string, RulesByOp>();
const OF_PANEL = new WeakMap<Context['panel'], RulesByOp>();

function decidingOn(panel: Context['panel']): RulesByOp {
  const known = OF_PANEL.get(panel);
  if (known) return known;
  const families = new Set(panel.zones.map(({ layers }) => familyOf(layers[0]!.kind)));
  const name = [...families].sort().join();
  const rules =
    DECIDING.get(name) ??
    rulesOn(({ isAdvice, only }) => !isAdvice && (only === undefined || families.has(only)));
  DECIDING.set(name, rules);
  OF_PANEL.set(panel, rules);
  return rules;
}

const trialsOf = (act: Act, panel: PanelState, context: Context): Trial[] =>
  act.zones.map((id) => ({ act, zone: zoneOf(panel, id), panel, context }));

/** What a rule said about a zone beside this neighbour. */
interface Saying {
  readonly verdicts: readonly Verdict[];
  readonly neighbour: ZoneState | null;
}

/** What each rule of an operation said about a zone, at the rule's place in the list. */
type Heard = (Saying | undefined)[];

/**
 * What rules said before that read no more than the zone and its sound neighbour, by zone and act: where neither
 * changed since they are not asked again. One for a whole search, whose context does not change.
 */
export type Hearings = WeakMap<ZoneState, Map<string, Heard>>;

/** @param name tells the act apart in all that it does */
function heardBefore(hearings: Hearings, zone: ZoneState, name: string): Heard {
  const ofZone = hearings.get(zone) ?? new Map<string, Heard>();
  hearings.set(zone, ofZone);
  const known = ofZone.get(name) ?? [];
  ofZone.set(name, known);
  return known;
}

function heard(
  rules: readonly Rule[],
  trials: readonly Trial[],
  neighbour: ZoneState | null,
  before?: readonly Heard[],
): Verdict[] {
  const verdicts: Verdict[] = [];
  rules.forEach((rule, nth) =>
    trials.forEach((trial, i) => {
      const known = rule.reads === 'panel' ? undefined : before?.[i];
      const said = known?.[nth];
      const holds = said && (rule.reads !== 'neighbour' || said.neighbour === neighbour);
      const now = holds ? said.verdicts : rule.judge(trial);
      if (known && !holds) known[nth] = { verdicts: now, neighbour };
      if (now.length > 0) verdicts.push(...now);
    }),
  );
  return verdicts;
}

/**
 * Every verdict that decides about an act in this state: the trade's rules first, then what is physically wrong with
 * it. Empty when nobody has anything to say. O(rules of the operation x zones of the act).
 * @param memo what was heard before in this search, and the act's name in it
 */
export function decideAct(
  act: Act,
  panel: PanelState,
  context: Context,
  memo?: { readonly hearings: Hearings; readonly name: string },
): Verdict[] {
  const trials = trialsOf(act, panel, context);
  const before = memo && trials.map(({ zone }) => heardBefore(memo.hearings, zone, memo.name));
  return heard(decidingOn(context.panel).get(act.op)!, trials, soundNeighbour(panel), before);
}

/** How an act is done right: notes of the rules that only advise. */
export const adviceOn = (act: Act, panel: PanelState, context: Context): Verdict[] =>
  heard(ADVICE.get(act.op)!, trialsOf(act, panel, context), soundNeighbour(panel));

/** All that is said of an act in this state, advice included. */
export const checkAct = (act: Act, panel: PanelState, context: Context): Verdict[] => [
  ...decideAct(act, panel, context),
  ...adviceOn(act, panel, context),
];
