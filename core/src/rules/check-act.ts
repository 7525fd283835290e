import { OPS, type Act } from '../operations/act.ts';
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

const RULES_ON = new Map(OPS.map((op) => [op, RULES.filter((rule) => rule.on.includes(op))]));

/**
 * Every verdict on an act in this state: the trade's rules first, then what is physically wrong with it.
 * Empty when nobody has anything to say. O(rules of the operation x zones of the act).
 */
export function checkAct(act: Act, panel: PanelState, context: Context): Verdict[] {
  const trials = act.zones.map((id): Trial => ({ act, zone: zoneOf(panel, id), panel, context }));
  const verdicts: Verdict[] = [];
  for (const rule of RULES_ON.get(act.op) ?? [])
    for (const trial of trials) verdicts.push(...rule.judge(trial));
  for (const { zone } of trials)
    for (const reason of physicalReasons(zone, act, panel, context))
      verdicts.push({ level: 'must', zoneId: zone.zone.id, reason });
  return verdicts;
}
