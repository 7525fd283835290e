import { ownBlock } from '../blocking/block.ts';
import type { ForecastTask } from '../blocking/forecast.ts';
import { isBody } from '../materials/layer-kinds.ts';
import { ledgeLimit } from '../operations/context.ts';
import { sandingFiguresOf } from '../surface/figures.ts';
import { sandedMaterial } from '../materials/sanded-material.ts';
import { crownOf } from '../survey/zone-facts.ts';
import type { PlanTask } from './bench-of-task.ts';
import type { ZoneBuild } from './sanding-of-plan.ts';

/** Waves flatter than this are not worth a forecast; it is made for these instead, µm. */
const LEAST_WAVES_UM = 10;
/** Every forecast of a build is made on the same panel. */
const SEED = 1;

/** What the blocking forecast of a build is asked with. */
export function forecastTaskOf(
  build: ZoneBuild,
  { panel, shop, target }: Pick<PlanTask, 'panel' | 'shop' | 'target'>,
): ForecastTask {
  const crown = crownOf(panel);
  return {
    waves: {
      um: Math.max(LEAST_WAVES_UM, Math.round(build.budget.wavesUm)),
      lengthMm: build.waveLengthMm,
    },
    peelUm: build.budget.peelUm,
    isCrowned: crown !== null,
    ...(crown ? { crownRadiusMm: crown.radiusMm } : {}),
    ...build.block,
    film: 'primer',
    under: isBody(build.under) ? 'filler' : sandedMaterial(build.under),
    filmUm: build.appliedUm,
    mustStayUm: build.budget.mustStayUm,
    limitUm: ledgeLimit({ shop, target }).value,
    seed: SEED,
    figures: sandingFiguresOf(shop.rules),
    ...(shop.blocks && shop.blocks.length > 0 ? { blocks: shop.blocks.map(ownBlock) } : {}),
  };
}
