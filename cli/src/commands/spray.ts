import { compressorKeeps, paceMPerS, sprayVolumeMl, wetFilmUm } from '@blue-ledge/core';
import { Command } from 'commander';
import { BadInput, numberFor } from '../input.ts';

/** Models of spraying: film and coverage, pace of the gun, whether the compressor keeps up. */

interface FilmOptions {
  readonly area: number;
  readonly filmUm: number;
  readonly solids: number;
  readonly transfer: number;
  readonly lossMl: number;
}

/** `film --area 1.8 --film-um 120 --solids 0.4217 [--transfer 0.65] [--loss-ml 0]`. */
export const filmCommand = (answer: (answer: unknown) => void): Command =>
  new Command('film')
    .description('wet film and volume for a dry film')
    .requiredOption('--area <m²>', 'sprayed area', numberFor('area', 'm²'))
    .requiredOption('--film-um <µm>', 'dry film, all coats', numberFor('film-um', 'µm'))
    .requiredOption('--solids <share>', 'volume solids ready to spray, 0 to 1', numberFor('solids', ''))
    .option('--transfer <share>', 'share that lands, 0 to 1', numberFor('transfer', ''), 0.65)
    .option('--loss-ml <ml>', 'left in cup and line', numberFor('loss-ml', 'ml'), 0)
    .action(({ area, filmUm, solids, transfer, lossMl }: FilmOptions) => {
      if (!(area > 0) || !(filmUm > 0)) throw new BadInput('--area and --film-um must be more than 0');
      if (!(solids > 0 && solids <= 1)) throw new BadInput('--solids must be over 0 to 1, for example 0.42');
      if (!(transfer > 0 && transfer <= 1)) throw new BadInput('--transfer must be over 0 to 1');
      if (!(lossMl >= 0)) throw new BadInput('--loss-ml must be 0 or more');
      const spray = { areaM2: area, dryUm: filmUm, volumeSolids: solids, transfer, lossMl };
      answer({ wetUm: wetFilmUm(filmUm, solids), volumeMl: sprayVolumeMl(spray) });
    });

interface PaceOptions {
  readonly flowMl: number;
  readonly transfer: number;
  readonly solids: number;
  readonly fanMm: number;
  readonly overlap: number;
  readonly filmUm: number;
}

/** `pace --flow-ml 250 --transfer 0.65 --solids 0.4217 --fan-mm 250 --overlap 0.5 --film-um 40`. */
export const paceCommand = (answer: (answer: unknown) => void): Command =>
  new Command('pace')
    .description('how fast the gun is led for a film a coat')
    .requiredOption('--flow-ml <ml/min>', 'fluid flow', numberFor('flow-ml', 'ml/min'))
    .option('--transfer <share>', 'share that lands, 0 to 1', numberFor('transfer', ''), 0.65)
    .requiredOption('--solids <share>', 'volume solids ready to spray', numberFor('solids', ''))
    .requiredOption('--fan-mm <mm>', 'width of the fan', numberFor('fan-mm', 'mm'))
    .option('--overlap <share>', 'of one pass on the next', numberFor('overlap', ''), 0.5)
    .requiredOption('--film-um <µm>', 'dry film of one coat', numberFor('film-um', 'µm'))
    .action(({ flowMl: flowMlPerMin, solids: volumeSolids, ...rest }: PaceOptions) =>
      answer({ metresPerSecond: paceMPerS({ flowMlPerMin, volumeSolids, ...rest }) }),
    );

interface CompressorOptions {
  readonly demand: number;
  readonly delivery: number;
  readonly tank: number;
  readonly from: number;
  readonly to: number;
}

/** `compressor --demand 350 --delivery 220 --tank 50 --from 8 --to 5`. */
export const compressorCommand = (answer: (answer: unknown) => void): Command =>
  new Command('compressor')
    .description('whether a compressor keeps up, or for how many minutes of trigger')
    .requiredOption('--demand <l/min>', 'free air that the gun takes', numberFor('demand', 'l/min'))
    .requiredOption('--delivery <l/min>', 'free air that it delivers', numberFor('delivery', 'l/min'))
    .requiredOption('--tank <l>', 'tank', numberFor('tank', 'l'))
    .requiredOption('--from <bar>', 'pressure at the start', numberFor('from', 'bar'))
    .requiredOption('--to <bar>', 'least pressure to spray at', numberFor('to', 'bar'))
    .action(({ demand, delivery, tank: tankLitres, from: fromBar, to: toBar }: CompressorOptions) =>
      answer(compressorKeeps({ demand, delivery, tankLitres, fromBar, toBar })),
    );
