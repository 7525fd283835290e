import { Command } from 'commander';
import {
  QUALITIES,
  SANDED_MATERIALS,
  TOOLS,
  scratchDepthUm,
  targetSchema,
  telegraph,
  type Grade,
  type Quality,
  type SandedMaterial,
  type Tool,
} from '@blue-ledge/core';
import { BadInput, gradeFor, numberFor, wordFor } from '../input.ts';

interface TelegraphOptions {
  readonly grit: Grade;
  readonly tool: Tool;
  readonly material: SandedMaterial;
  readonly sealer: number;
  readonly quality: Quality;
  readonly carrier: 'solvent' | 'waterborne';
  readonly effect: 'solid' | 'metallic' | 'pearl';
}

/** `telegraph --grit P400 [--tool machine] [--sealer 1] [--quality standard] [--carrier solvent] [--effect solid]`. */
export const telegraphCommand = (answer: (answer: unknown) => void): Command =>
  new Command('telegraph')
    .description('what is left of the last scratch under the coats to come')
    .requiredOption('--grit <grade>', 'last grade', gradeFor('grit'))
    .option('--tool <word>', 'tool', wordFor('tool', TOOLS), 'machine' as Tool)
    .option(
      '--material <word>',
      'what was sanded',
      wordFor('material', SANDED_MATERIALS),
      'primer' as SandedMaterial,
    )
    .option('--sealer <coats>', 'coats of sealer', numberFor('sealer', 'coats'), 1)
    .option('--quality <word>', 'target', wordFor('quality', QUALITIES), 'standard' as Quality)
    .option('--carrier <word>', 'base', wordFor('carrier', ['solvent', 'waterborne']), 'solvent' as const)
    .option('--effect <word>', 'base', wordFor('effect', ['solid', 'metallic', 'pearl']), 'solid' as const)
    .action(({ grit, tool, material, sealer, quality, carrier, effect }: TelegraphOptions) => {
      if (!Number.isInteger(sealer) || sealer < 0 || sealer > 6)
        throw new BadInput(`--sealer must be 0 to 6 coats, got ${sealer}`);
      const depthUm = scratchDepthUm(grit, tool, material);
      const target = targetSchema.parse({ quality, base: { carrier, effect } });
      answer({ grit, depthUm, planes: telegraph(depthUm, { sealerCoats: sealer, target }), source: 'model' });
    });
