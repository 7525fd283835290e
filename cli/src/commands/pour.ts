import {
  RESCUE_TOLERANCE_PERCENT,
  fillerMix,
  makePlan,
  openPlan,
  percentForSeconds,
  rescueOf,
  shoppingOf,
  type FlowReading,
} from '@blue-ledge/core';
import { Command } from 'commander';
import { BadInput, numberFor, numbersFor, panelOf, readJobFile } from '../input.ts';

/** What a plan mixes, and models of mixing: an over-pour made right, reducer by flow cup, filler by scale and by puck. */

interface PourOptions {
  readonly panel?: string;
  readonly system?: string;
}

/** `pour FILE --panel ID [--system ID]`. */
export const pourCommand = (answer: (answer: unknown) => void): Command =>
  new Command('pour')
    .description('what is mixed for each step of a panel’s plan, and what that takes in all')
    .argument('<file>', 'job file (*.ledge.json)')
    .option('--panel <id>', 'panel of the job; its first where not given')
    .option('--system <id>', 'system of the plan; the chosen one where not given')
    .action((file: string, { panel: panelId, system }: PourOptions) => {
      const job = readJobFile(file);
      const panel = panelOf(job, panelId);
      const { shop, sheets } = job;
      const plan = openPlan(makePlan({ panel, shop, target: job.job.target, sheets }));
      const ready = plan.view.systems.filter(({ verdict }) => verdict === 'ready').map(({ id }) => id);
      const systemId = system ?? plan.view.chosen ?? ready[0];
      if (systemId === undefined || !ready.includes(systemId))
        throw new BadInput(
          ready.length === 0
            ? `panel "${panel.id}" has no system that is ready: \`ledge plan\` says why`
            : `--system must be one that is ready: ${ready.join(', ')}`,
        );
      const pours = plan.poursOf(systemId);
      answer({ panelId: panel.id, systemId, pours, shopping: shoppingOf(pours) });
    });

interface RescueOptions {
  readonly ratio: number[];
  readonly poured: number[];
  readonly tolerance: number;
  readonly cupMl?: number;
}

/** `rescue --ratio 4:1:2 --poured 400,130,0 --tolerance 3 [--cup-ml 1000]`. */
export const rescueCommand = (answer: (answer: unknown) => void): Command =>
  new Command('rescue')
    .description('the least addition that makes an over-pour right')
    .requiredOption('--ratio <a:b:c>', 'parts by volume', numbersFor('ratio', ':'))
    .requiredOption('--poured <ml,...>', 'what is in the cup of each', numbersFor('poured', ','))
    .option('--tolerance <%>', 'of each component', numberFor('tolerance', '%'), RESCUE_TOLERANCE_PERCENT)
    .option('--cup-ml <ml>', 'what the cup holds', numberFor('cup-ml', 'ml'))
    .action(({ ratio, poured, tolerance, cupMl }: RescueOptions) => {
      if (cupMl !== undefined && !(cupMl > 0)) throw new BadInput('--cup-ml must be more than 0 ml');
      const rescue = rescueOf(ratio, poured, tolerance);
      // Without a cup nothing says that it does not fit.
      answer({ ...rescue, fits: rescue.batchMl <= (cupMl ?? Infinity) });
    });

/** `5:22` is five percent added and 22 seconds. */
function readingIn(text: string, before: readonly FlowReading[] = []): FlowReading[] {
  const [percent, seconds, ...more] = numbersFor('reading', ':')(text);
  if (percent === undefined || seconds === undefined || more.length > 0)
    throw new BadInput('--reading must be percent added and seconds, for example 5:22');
  return [...before, { percent, seconds }];
}

/** `flow-cup --reading 0:27 --reading 5:22 --target 20`. */
export const flowCupCommand = (answer: (answer: unknown) => void): Command =>
  new Command('flow-cup')
    .description('reducer for a run-out time, from two timed readings')
    .requiredOption('--reading <percent:seconds>', 'given twice or more', readingIn)
    .requiredOption('--target <s>', 'seconds wanted', numberFor('target', 's'))
    .action(({ reading, target }: { readonly reading: FlowReading[]; readonly target: number }) =>
      answer({ percent: percentForSeconds(reading, target) }),
    );

interface FillerOptions {
  readonly area: number;
  readonly depthUm: number;
  readonly percent: number;
}

/** `filler --area 0.25 --depth-um 900 [--percent 2]`. */
export const fillerCommand = (answer: (answer: unknown) => void): Command =>
  new Command('filler')
    .description('filler and hardener for a hollow, waste included, and the puck for those without a scale')
    .requiredOption('--area <m²>', 'filled area', numberFor('area', 'm²'))
    .requiredOption('--depth-um <µm>', 'depth', numberFor('depth-um', 'µm'))
    .option('--percent <%>', 'hardener', numberFor('percent', '%'), 2)
    .action(({ area, depthUm, percent }: FillerOptions) => answer(fillerMix(area, depthUm, percent)));
