import { Command } from 'commander';
import { cupMarkMm, cupVolumeMl, mixByVolume } from '@blue-ledge/core';
import { BadInput, numberFor, numbersFor } from '../input.ts';

interface MixOptions {
  readonly ratio: number[];
  readonly volume: number;
  readonly densities?: number[];
  readonly cup?: number[];
}

/** `mix --ratio 4:1:2 --volume 700 [--densities 1.4,1.0,0.87] [--cup 70,90,120]`. */
export const mixCommand = (answer: (answer: unknown) => void): Command =>
  new Command('mix')
    .description('volumes, scale targets and cup marks of a mix')
    .requiredOption('--ratio <a:b:c>', 'parts by volume', numbersFor('ratio', ':'))
    .requiredOption('--volume <ml>', 'batch', numberFor('volume', 'ml'))
    .option('--densities <g/ml,...>', 'one for each component', numbersFor('densities', ','))
    .option('--cup <bottom,top,height>', 'inside measures in mm', numbersFor('cup', ','))
    .action(({ ratio, volume, densities, cup }: MixOptions) => {
      const components = mixByVolume(ratio, volume, densities);
      if (!cup) return answer({ batchMl: volume, components });
      const [bottomMm, topMm, heightMm] = cup;
      if (bottomMm === undefined || topMm === undefined || heightMm === undefined || cup.length !== 3)
        throw new BadInput('--cup must be three measures in mm: bottom, top, height, for example 70,90,120');
      const measures = { bottomMm, topMm, heightMm };
      answer({
        batchMl: volume,
        components: components.map((line) => ({ ...line, markMm: cupMarkMm(measures, line.cumulativeMl) })),
        cup: { ...measures, holdsMl: cupVolumeMl(measures) },
      });
    });
