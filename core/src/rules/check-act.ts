import { familyOf } from '../materials/layer-kinds.ts';
import { OPS, type Act, type OpName } from '../operations/act.ts';
import type { Context } from '../operations/context.ts';
import { physicalReasons } from '../operations/perform.ts';
import { zoneOf, type PanelState } from '../operations/state.ts';
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

function heard(rules: readonly Rule[], trials: readonly Trial[]): Verdict[] {
  const verdicts: Verdict[] = [];
  for (const rule of rules)
    for (const trial of trials) {
      const said = rule.judge(trial);
      if (said.length > 0) verdicts.push(...said);
    }
  return verdicts;
}

/**
 * Every verdict that decides about an act in this state: the trade's rules first, then what is physically wrong with
 * it. Empty when nobody has anything to say. O(rules of the operation x zones of the act).
 */
export function decideAct(act: Act, panel: PanelState, context: Context): Verdict[] {
  const trials = trialsOf(act, panel, context);
  const verdicts = heard(decidingOn(context.panel).get(act.op)!, trials);
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
