import { conversionAfter } from '../climate/cure.ts';
import type { Tool } from '../materials/tools.ts';
import type { Target } from '../survey/shop.ts';
import type { SandingFigures } from '../surface/figures.ts';
import type { Ladder } from '../surface/ladder.ts';
import { scratchDepthUm } from '../surface/scratch.ts';
import { sinkBackUm } from '../surface/sink-back.ts';
import { grooveByCoat, telegraph, worstPlane, type GrooveAfter } from '../surface/telegraph.ts';
import type { Grade } from '../materials/grades.ts';
import type { SandingRun } from './sanding-of-plan.ts';

/** What would show of a ladder's last scratch, as planned or otherwise. */

export interface WhatIf {
  /** Last grade and tool; those of the ladder where absent. */
  readonly grade?: Grade;
  readonly tool?: Tool;
  readonly sealerCoats?: number;
  /** Hours from the build to the topcoat, and the temperature meanwhile. */
  readonly hours?: number;
  readonly celsius: number;
}

/** Within the spread of its model a limit gives no verdict. */
export type ShowVerdict = 'passes' | 'borderline' | 'shows';

export interface Showing {
  readonly verdict: ShowVerdict;
  /** Where it shows: through the gloss, under the flakes, or by sinking back. */
  readonly plane: 'gloss' | 'flake' | 'sink-back';
  readonly depthUm: number;
  readonly grooveUm: number;
  readonly limitUm: number;
  /** Groove after each coat to come; one step for a scratch that is buried. */
  readonly grooves: readonly GrooveAfter[];
  /** Limits by plane, with the coat after which each is judged. */
  readonly limits: readonly { readonly plane: 'gloss' | 'flake' | 'sink-back'; readonly limitUm: number }[];
  /** Cure of the build when it is topcoated, 0..1; only for a buried scratch. */
  readonly conversion?: number;
}

const MIN_PER_HOUR = 60;

function verdictOn(
  { grooveUm, limitUm }: Pick<Showing, 'grooveUm' | 'limitUm'>,
  { showSpreadShare }: SandingFigures,
): ShowVerdict {
  if (Math.abs(grooveUm / limitUm - 1) <= showSpreadShare) return 'borderline';
  return grooveUm < limitUm ? 'passes' : 'shows';
}

/**
 * What shows of the last scratch of a ladder.
 * @param ladder its last rung decides; where it has none, the scratch it starts from
 */
export function showingOf(
  run: SandingRun,
  ladder: Ladder,
  whatIf: WhatIf,
  { target, figures }: { readonly target: Target; readonly figures: SandingFigures },
): Showing {
  const { over, task } = run;
  const last = ladder.steps.at(-1);
  const grade = whatIf.grade ?? last?.grade ?? ladder.start.grade;
  const tool = whatIf.tool ?? last?.tool ?? task.tools[0]!;
  const depthUm = grade ? scratchDepthUm(grade, tool, task.material, figures) : ladder.start.depthUm;
  if (over.kind === 'shows') {
    const coats = { ...over.coats, sealerCoats: whatIf.sealerCoats ?? over.coats.sealerCoats };
    const planes = telegraph(depthUm, coats, figures);
    const worst = worstPlane(planes);
    return {
      ...worst,
      verdict: verdictOn(worst, figures),
      depthUm,
      grooves: grooveByCoat(depthUm, coats, figures),
      limits: planes.map(({ plane, limitUm }) => ({ plane, limitUm })),
    };
  }
  const minutes = whatIf.hours === undefined ? over.plannedMin : whatIf.hours * MIN_PER_HOUR;
  const conversion = conversionAfter(over.cure, [{ celsius: whatIf.celsius, minutes }]);
  const grooveUm = sinkBackUm(depthUm, conversion, figures);
  const limitUm = figures.glossLimitUm[target.quality];
  return {
    verdict: verdictOn({ grooveUm, limitUm }, figures),
    plane: 'sink-back',
    depthUm,
    grooveUm,
    limitUm,
    conversion,
    grooves: [
      { after: 'sanded', grooveUm: depthUm },
      { after: 'topcoat', grooveUm },
    ],
    limits: [{ plane: 'sink-back', limitUm }],
  };
}
