import { judgeTask, actInputsSchema, problemText, problemsOf } from '@blue-ledge/core';
import { Command } from 'commander';
import { BadInput, readJobFile, readJsonFile } from '../input.ts';

interface Options {
  readonly panel?: string;
  readonly strict?: boolean;
}

/** `judge FILE SEQUENCE`: the verdict on a sequence of one's own, step by step. */
export const judgeCommand = (answer: (answer: unknown) => void): Command =>
  new Command('judge')
    .description('judge a sequence of your own on a panel of a job file')
    .argument('<file>', 'job file (*.ledge.json)')
    .argument('<sequence>', 'JSON file: [{ "op", "zones", "sheetId", "coats", "grits" }, ...]')
    .option('--panel <id>', 'panel; the first of the job where none is named')
    .option('--strict', 'every step must be in the sequence: nothing is added in between')
    .action((file: string, sequence: string, { panel: id, strict }: Options) => {
      const { job, shop, panels, sheets } = readJobFile(file);
      const panel = id === undefined ? panels[0]! : panels.find((candidate) => candidate.id === id);
      if (!panel)
        throw new BadInput(`--panel "${id}" is not in the job; it has ${panels.map((p) => p.id).join(', ')}`);
      const own = actInputsSchema.safeParse(readJsonFile(sequence));
      if (!own.success)
        throw new BadInput(
          [
            `${sequence} was not read:`,
            ...problemsOf(own.error).map((problem) => `  ${problemText(problem)}`),
          ].join('\n'),
        );
      answer(judgeTask({ panel, shop, target: job.target, sheets }, own.data, { fillsIn: !strict }));
    });
