import { isCoarser } from '../materials/grades.ts';
import type { Rung } from '../surface/ladder.ts';
import type { ActInput } from './act-input.ts';
import type { SandingRun } from './sanding-of-plan.ts';

/** A plan's acts with one stretch of sanding done by a person's own ladder. */

type SandingStep = ActInput & { readonly grits: NonNullable<ActInput['grits']> };

/** A step cuts with one tool: as much of it as is done with another is a step of its own. */
function byTool(step: SandingStep, rungs: readonly Rung[]): ActInput[] {
  const acts: ActInput[] = [];
  for (const { grade, tool } of rungs) {
    const last = acts.at(-1);
    if (last?.tool === tool) acts.splice(-1, 1, { ...last, grits: [...last.grits!, grade] });
    else acts.push({ ...step, grits: [grade], tool });
  }
  return acts;
}

/**
 * Rungs step by step: each goes to the last step of the stretch that begins no finer; those before all of them to the
 * first.
 */
function rungsOfSteps(steps: readonly SandingStep[], rungs: readonly Rung[]): Rung[][] {
  const shares: Rung[][] = steps.map(() => []);
  for (const rung of rungs) {
    const nth = steps.findLastIndex(({ grits }) => !isCoarser(rung.grade, grits[0]!));
    shares[Math.max(0, nth)]!.push(rung);
  }
  return shares;
}

/**
 * The acts of a plan with a stretch of sanding by other grades. Zones that share a step with it are sanded as planned.
 * @param acts all of the plan, numbered from 1 as its steps are
 */
export function withOwnLadder(
  acts: readonly ActInput[],
  run: SandingRun,
  rungs: readonly Rung[],
): ActInput[] {
  const steps = run.steps
    .map((n) => acts[n - 1]!)
    .filter((act): act is SandingStep => act.grits !== undefined);
  const shares = rungsOfSteps(steps, rungs);
  return acts.flatMap((act) => {
    const nth = steps.indexOf(act as SandingStep);
    if (nth < 0) return [act];
    const others = act.zones.filter((zone) => zone !== run.zoneId);
    const own = byTool({ ...steps[nth]!, zones: [run.zoneId] }, shares[nth]!);
    return [...(others.length > 0 ? [{ ...act, zones: others }] : []), ...own];
  });
}
