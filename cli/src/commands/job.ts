import { Command } from 'commander';
import {
  contradictionsOf,
  planJob,
  planPanel,
  planWithTests,
  shapeProblems,
  type Panel,
} from '@blue-ledge/core';
import { readJobFile } from '../input.ts';

type Answer = (answer: unknown) => void;

/** `plan FILE`: every panel's systems, steps, refusals and stops. */
export const planCommand = (answer: Answer, warn: (text: string) => void): Command =>
  new Command('plan')
    .description('plan every panel of a job file')
    .argument('<file>', 'job file (*.ledge.json)')
    .option('--tests', 'name the tests that would decide between systems; plans once more for each outcome')
    .action((file: string, { tests }: { tests?: boolean }) => {
      const plan = planJob(readJobFile(file), tests ? planWithTests : planPanel);
      for (const warning of plan.warnings) warn(`${warning}\n`);
      answer(plan);
    });

/** What in the survey of a panel contradicts itself, zone by zone. */
const contradictionsIn = (panel: Panel): string[] => [
  ...shapeProblems(panel).map(({ zoneId, text }) => `zone ${zoneId}: ${text}`),
  ...panel.zones.flatMap((zone) => contradictionsOf(zone).map(({ text }) => `zone ${zone.id}: ${text}`)),
];

/** `check FILE`: whether the file is a job, and what it holds. */
export const checkCommand = (answer: Answer, warn: (text: string) => void): Command =>
  new Command('check')
    .description('validate a job file')
    .argument('<file>', 'job file (*.ledge.json)')
    .action((file: string) => {
      const { job, panels, sheets } = readJobFile(file);
      for (const panel of panels)
        for (const text of contradictionsIn(panel)) warn(`Panel ${panel.id}, ${text}\n`);
      answer({
        ok: true,
        job: { id: job.id, title: job.title },
        panels: panels.map(({ id, name, areaM2, zones }) => ({ id, name, areaM2, nZones: zones.length })),
        nSheets: sheets.length,
      });
    });
