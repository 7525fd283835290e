import { QUALITIES, bandsOfGrey, bandsOfHex, hidingOver, type Quality } from '@blue-ledge/core';
import { Command } from 'commander';
import { BadInput, numberFor, numbersFor, wordFor } from '../input.ts';

interface HideOptions {
  readonly base?: string;
  readonly baseL?: number;
  readonly contrast: number;
  readonly tones: number[];
  readonly quality: Quality;
}

/** `hide --base "#c01a1a" --contrast 0.6 --tones 20,40,60,80 --quality standard`, or `--base-L 45` for a grey. */
export const hideCommand = (answer: (answer: unknown) => void): Command =>
  new Command('hide')
    .description('coats of a base that hide undercoats of several lightnesses')
    .option('--base <#rrggbb>', 'colour of the base')
    .option('--base-L <L*>', 'lightness of a grey base', numberFor('base-L', 'L*'))
    .requiredOption('--contrast <share>', 'of one coat, over black by over white', numberFor('contrast', ''))
    .requiredOption('--tones <L*,...>', 'undercoats', numbersFor('tones', ','))
    .option('--quality <word>', 'how closely it is looked at', wordFor('quality', QUALITIES), 'standard')
    .action(({ base, baseL, contrast, tones, quality }: HideOptions) => {
      if ((base === undefined) === (baseL === undefined))
        throw new BadInput('give the base once: --base "#c01a1a", or --base-L 45 for a grey');
      const bands = base === undefined ? bandsOfGrey(baseL!) : bandsOfHex(base);
      answer(hidingOver(bands, contrast, tones, quality));
    });
