import { familyOf, labelOf, type Family } from '../materials/layer-kinds.ts';
import { heatLimitCelsius } from '../operations/curing.ts';
import { bakeCelsiusIn } from '../operations/heat.ts';
import { NO_VERDICTS, type ZoneRuleInput, type Verdict, type verdictsFor } from './rule.ts';

/** Heat that a substrate of one family does not bear: said by the rule of that family. */
export function heatVerdicts(
  rule: ReturnType<typeof verdictsFor>,
  input: ZoneRuleInput,
  family: Family,
): readonly Verdict[] {
  const { act, zone, context } = input;
  const base = zone.stack[0]!.kind;
  if (act.op !== 'cure' || act.method !== 'bake' || familyOf(base) !== family) return NO_VERDICTS;
  const bake = bakeCelsiusIn(context);
  const mostCelsius = heatLimitCelsius({ zones: [zone.zone] });
  if (bake.value <= mostCelsius) return NO_VERDICTS;
  return rule.must(input, {
    code: 'heat.most',
    facts: { layer: labelOf(base), bakeCelsius: bake.value, mostCelsius },
    source: bake.source,
  });
}
