import { familyOf, labelOf, type Family } from '../materials/layer-kinds.ts';
import { ruleIn } from '../operations/context.ts';
import { heatLimitCelsius } from '../operations/curing.ts';
import { fine, type ZoneTrial, type Verdict, type speaker } from './rule.ts';

/** Heat that a substrate of one family does not bear: said by the rule of that family. */
export function heatVerdicts(
  rule: ReturnType<typeof speaker>,
  trial: ZoneTrial,
  family: Family,
): readonly Verdict[] {
  const { act, zone, context } = trial;
  const base = zone.stack[0]!.kind;
  if (act.op !== 'cure' || act.method !== 'bake' || familyOf(base) !== family) return fine;
  const bake = ruleIn(context, 'bakeCelsius');
  const mostCelsius = heatLimitCelsius({ zones: [zone.zone] });
  if (bake.value <= mostCelsius) return fine;
  return rule.must(trial, {
    code: 'heat.most',
    facts: { layer: labelOf(base), bakeCelsius: bake.value, mostCelsius },
    source: bake.source,
  });
}
