import {
  DEFECTS,
  diagnose,
  readEntries,
  recordOfPanel,
  reworkOf,
  supposed,
  type Defect,
} from '@blue-ledge/core';
import { Command } from 'commander';
import { BadInput, panelOf, readJobFile, wordFor } from '../input.ts';

interface DiagnoseOptions {
  readonly panel?: string;
  readonly defect?: Defect;
}

const EPOCH = '1970-01-01T00:00:00Z';

/** `diagnose FILE --panel ID [--defect WORD]`: what probably caused a defect, and how it is put right. */
export const diagnoseCommand = (answer: (answer: unknown) => void): Command =>
  new Command('diagnose')
    .description('rank the causes of a defect by what the record says, and plan its rework')
    .argument('<file>', 'job file (*.ledge.json)')
    .option('--panel <id>', 'panel of the job; its first where not given')
    .option(
      '--defect <word>',
      'the defect; the last one of the record where not given',
      wordFor('defect', DEFECTS),
    )
    .action((file: string, { panel: panelId, defect }: DiagnoseOptions) => {
      const job = readJobFile(file);
      const panel = panelOf(job, panelId);
      const record = readEntries(recordOfPanel(panel));
      const task = { panel, shop: job.shop, target: job.job.target, sheets: job.sheets };
      const diagnosis = diagnose(task, record, defect);
      if (!diagnosis)
        throw new BadInput(
          `the record of panel "${panel.id}" tells of no defect: name one with --defect, one of ${DEFECTS.join(', ')}`,
        );
      const isEntered = record.some(
        (entry) => entry.kind === 'defect' && entry.body.defect === diagnosis.defect,
      );
      const found = isEntered ? null : supposed(diagnosis.defect, diagnosis.area, record.at(-1)?.at ?? EPOCH);
      answer({ panelId: panel.id, ...diagnosis, rework: reworkOf(task, record, found) });
    });
