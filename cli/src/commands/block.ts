import { Command } from 'commander';
import {
  bestBlock,
  buildNeededUm,
  forecast,
  forecastTaskOf,
  levelPoint,
  makePlan,
  openPlan,
  verdictAt,
} from '@blue-ledge/core';
import { panelOf, readJobFile } from '../input.ts';

type JobFile = ReturnType<typeof readJobFile>;

/** Blocking forecasts of every build that the chosen systems lay. */
function forecastsOf(file: JobFile, only: string | undefined) {
  const { job, shop, panels, sheets } = file;
  const { target } = job;
  return (only === undefined ? panels : [panelOf(file, only)]).flatMap((panel) => {
    const task = { panel, shop, target, sheets };
    const plan = makePlan(task);
    const { builds } = openPlan(plan).sandingOf(plan.chosen ?? '');
    return builds.map((build) => {
      const asked = forecastTaskOf(build, task);
      const found = [...forecast(asked)];
      return {
        panelId: panel.id,
        zoneId: build.zoneId,
        waves: asked.waves,
        limitUm: asked.limitUm,
        plannedUm: build.appliedUm,
        best: bestBlock(found, asked)?.blockId ?? null,
        blocks: found.map((each) => ({
          blockId: each.blockId,
          hold: each.hold,
          needUm: buildNeededUm(each, asked),
          minutes: levelPoint(each, asked.limitUm)?.minutes ?? null,
          planned: verdictAt(each, build.appliedUm, asked),
          misfit: each.misfit,
        })),
        source: 'model',
      };
    });
  });
}

/** `block FILE [--panel ID]`: which block levels the waves under each build, and how much build it needs. */
export const blockCommand = (answer: (answer: unknown) => void): Command =>
  new Command('block')
    .description('blocking forecast of the builds in a job file')
    .argument('<file>', 'job file (*.ledge.json)')
    .option('--panel <id>', 'one panel only')
    .action((file: string, { panel }: { panel?: string }) =>
      answer({ forecasts: forecastsOf(readJobFile(file), panel) }),
    );
