import { Command } from 'commander';
import {
  SANDED_MATERIALS,
  SHOP_RULES,
  TOOLS,
  bestLadder,
  isCoarser,
  ladderOf,
  scratchOf,
  type Grade,
  type SandedMaterial,
  type Tool,
} from '@blue-ledge/core';
import { BadInput, gradeFor, numberFor, wordFor } from '../input.ts';

interface LadderOptions {
  readonly material: SandedMaterial;
  readonly from: Grade;
  readonly to: Grade;
  readonly area: number;
  readonly tool: Tool;
  readonly own?: Grade[];
}

/** `ladder --material filler --from P36 --to P400 --area 6 --tool block [--own P36,P180,P400]`. */
export const ladderCommand = (answer: (answer: unknown) => void): Command =>
  new Command('ladder')
    .description('the quickest sequence of grades')
    .requiredOption('--material <word>', 'what is sanded', wordFor('material', SANDED_MATERIALS))
    .requiredOption('--from <grade>', 'scratch that is there', gradeFor('from'))
    .requiredOption('--to <grade>', 'scratch that is wanted', gradeFor('to'))
    .requiredOption('--area <m²>', 'area', numberFor('area', 'm²'))
    .option('--tool <word>', 'tool', wordFor('tool', TOOLS), 'machine' as Tool)
    .option('--own <grades>', 'your own sequence, comma between', (text: string) =>
      text.split(',').map(gradeFor('own')),
    )
    .action(({ material, from, to, area, tool, own }: LadderOptions) => {
      if (!(area > 0)) throw new BadInput(`--area must be more than 0 m², got ${area}`);
      const surface = { material, areaM2: area };
      const startAt = (grade: Grade) => scratchOf({ grade, tool }, material);
      const task = { ...surface, start: startAt(from), to, tools: [tool] };
      const largestJump = SHOP_RULES.largestJump.preset;
      const within = isCoarser(from, to) ? bestLadder({ ...task, largestJump }) : null;
      const best = within ?? (isCoarser(from, to) ? bestLadder(task) : null);
      if (!best)
        throw new BadInput(`--to ${to} is not finer than --from ${from}; a ladder goes from coarse to fine`);
      const [first, ...rest] = own ?? [];
      const rungs = rest.map((grade) => ({ grade, tool }));
      const warnings = within
        ? []
        : [
            `No grades of this tool keep within ${largestJump} times the grain from step to step: look twice in raking light.`,
          ];
      answer({ best, warnings, ...(first ? { own: ladderOf(startAt(first), rungs, surface) } : {}) });
    });
