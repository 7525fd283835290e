import { familyOf } from '../materials/layer-kinds.ts';
import { OPS, type Act, type OpName } from '../operations/act.ts';
import type { Context } from '../operations/context.ts';
import { physicalReasons } from '../operations/perform.ts';
import { zoneOf, type PanelState, type ZoneState } from '../operations/state.ts';
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

type RulesByOp = ReadonlyMap<OpName, readonly Rule[]>;
const rulesOn = (wanted: (rule: Rule) => boolean): RulesByOp =>
  new Map(OPS.map((op) => [op, RULES.filter((rule) => rule.on.includes(op) && wanted(rule))]));
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

/** What each rule of an operation said about a zone, at the rule's place in the list. */
type Heard = (readonly Verdict[] | undefined)[];

/**
 * What rules that read nothing but the zone said before, by zone and act: zones that did not change since are not
 * asked again. One for a whole search, whose context does not change.
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

function heard(rules: readonly Rule[], trials: readonly Trial[], before?: readonly Heard[]): Verdict[] {
  const verdicts: Verdict[] = [];
  rules.forEach((rule, nth) =>
    trials.forEach((trial, i) => {
      const known = before?.[i];
      const said = rule.reads === 'panel' || !known ? rule.judge(trial) : (known[nth] ??= rule.judge(trial));
      if (said.length > 0) verdicts.push(...said);
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
  const verdicts = heard(decidingOn(context.panel).get(act.op)!, trials, before);
  for (const { zone } of trials)
    for (const reason of physicalReasons(zone, act, panel, context))
      verdicts.push({ level: 'must', zoneId: zone.zone.id, reason });
  return verdicts;
}

/** How an act is done right: notes of the rules that only advise. */
export const adviceOn = (act: Act, panel: PanelState, context: Context): Verdict[] =>
  heard(ADVICE.get(act.op)!, trialsOf(act, panel, context));

/** All that is said of an act in this state, advice included. */
export const checkAct = (act: Act, panel: PanelState, context: Context): Verdict[] => [
  ...decideAct(act, panel, context),
  ...adviceOn(act, panel, context),
];
