import { Command } from 'commander';
import { planJob } from '@blue-ledge/core';
import { readJobFile } from '../input.ts';

type Answer = (answer: unknown) => void;

/** `plan FILE`: every panel's systems, steps, refusals and stops. */
export const planCommand = (answer: Answer, warn: (text: string) => void): Command =>
  new Command('plan')
    .description('plan every panel of a job file')
    .argument('<file>', 'job file (*.ledge.json)')
    .action((file: string) => {
      const plan = planJob(readJobFile(file));
      for (const warning of plan.warnings) warn(`${warning}\n`);
      answer(plan);
    });

/** `check FILE`: whether the file is a job, and what it holds. */
export const checkCommand = (answer: Answer): Command =>
  new Command('check')
    .description('validate a job file')
    .argument('<file>', 'job file (*.ledge.json)')
    .action((file: string) => {
      const { job, panels, sheets } = readJobFile(file);
      answer({
        ok: true,
        job: { id: job.id, title: job.title },
        panels: panels.map(({ id, name, areaM2, zones }) => ({ id, name, areaM2, nZones: zones.length })),
        nSheets: sheets.length,
      });
    });
