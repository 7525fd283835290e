import { writeFileSync } from 'node:fs';
import { Command } from 'commander';
import { alongWallMm, cupMarkMm, cupStripPdf, cupVolumeMl, mixByVolume, type Cup } from '@blue-ledge/core';
import { BadInput, numberFor, numbersFor, type Ask } from '../input.ts';

interface MixOptions {
  readonly ratio: number[];
  readonly volume: number;
  readonly densities?: number[];
  readonly cup?: number[];
  readonly strip?: string;
  readonly force?: true;
}

/** @throws {BadInput} for anything but three measures */
function cupOf(measures: readonly number[]): Cup {
  const [bottomMm, topMm, heightMm] = measures;
  if (bottomMm === undefined || topMm === undefined || heightMm === undefined || measures.length !== 3)
    throw new BadInput('--cup must be three measures in mm: bottom, top, height, for example 70,90,120');
  return { bottomMm, topMm, heightMm };
}

/** @throws {BadInput} where the file cannot be written, or is there and nobody said that it may go */
async function writeStrip(
  path: string,
  pdf: Uint8Array,
  mayOverwrite: () => Promise<boolean>,
): Promise<void> {
  const write = (flag: 'w' | 'wx'): void => writeFileSync(path, pdf, { flag });
  try {
    write('wx');
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    if (code !== 'EEXIST')
      throw new BadInput(`--strip ${path} cannot be written (${code}): give another file`);
    if (!(await mayOverwrite()))
      throw new BadInput(
        `--strip ${path} is there already, and was left as it is: give another file, or --force`,
      );
    write('w');
  }
}

/** `mix --ratio 4:1:2 --volume 700 [--densities 1.4,1.0,0.87] [--cup 70,90,120] [--strip FILE.pdf [--force]]`. */
export const mixCommand = (answer: (answer: unknown) => void, _warn: unknown, ask: Ask): Command =>
  new Command('mix')
    .description('volumes, scale targets and cup marks of a mix')
    .requiredOption('--ratio <a:b:c>', 'parts by volume', numbersFor('ratio', ':'))
    .requiredOption('--volume <ml>', 'batch', numberFor('volume', 'ml'))
    .option('--densities <g/ml,...>', 'one for each component', numbersFor('densities', ','))
    .option('--cup <bottom,top,height>', 'inside measures in mm', numbersFor('cup', ','))
    .option('--strip <file.pdf>', 'writes a strip for that cup, true to scale')
    .option('--force', 'writes the strip over a file that is there')
    .action(async ({ ratio, volume, densities, cup, strip, force }: MixOptions) => {
      const components = mixByVolume(ratio, volume, densities);
      if (!cup) {
        if (strip !== undefined) throw new BadInput('--strip needs the cup that it is for: --cup 70,90,120');
        return answer({ batchMl: volume, components });
      }
      const measures = cupOf(cup);
      const marked = components.map((line) => {
        const markMm = cupMarkMm(measures, line.cumulativeMl);
        return { ...line, markMm, alongWallMm: alongWallMm(measures, markMm) };
      });
      if (strip !== undefined) {
        const marks = marked.map(({ parts, cumulativeMl }) => ({
          name: `${parts} parts`,
          readMl: cumulativeMl,
        }));
        const pdf = await cupStripPdf({ title: `${ratio.join(':')}, ${volume} ml`, cup: measures, marks });
        await writeStrip(strip, pdf, async () => force ?? ask(`${strip} is there already. Overwrite it?`));
      }
      answer({
        batchMl: volume,
        components: marked,
        cup: { ...measures, holdsMl: cupVolumeMl(measures) },
        ...(strip === undefined ? {} : { strip }),
      });
    });
