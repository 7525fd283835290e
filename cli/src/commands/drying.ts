import {
  SHOP_RULES,
  conversionAfter,
  fullCureMin,
  solventFlashFactor,
  waterFlashFactor,
} from '@blue-ledge/core';
import { Command } from 'commander';
import { BadInput, numberFor, wordFor } from '../input.ts';

/** Models of drying: flash in another climate than the sheet's, and cure through warm and cold hours. */

interface FlashOptions {
  readonly minutes: number;
  readonly celsius: number;
  readonly ref: number;
  readonly carrier: 'solvent' | 'water';
  readonly humidity: number;
  readonly air: 'booth' | 'still';
}

/** `flash --minutes 10 --celsius 15 [--ref 20] [--carrier water --humidity 80] [--air still]`. */
export const flashCommand = (answer: (answer: unknown) => void): Command =>
  new Command('flash')
    .description('flash time of a sheet in this air')
    .requiredOption('--minutes <min>', 'of the sheet', numberFor('minutes', 'min'))
    .requiredOption('--celsius <°C>', 'of the shop', numberFor('celsius', '°C'))
    .option('--ref <°C>', 'of the sheet', numberFor('ref', '°C'), 20)
    .option('--carrier <word>', 'what leaves', wordFor('carrier', ['solvent', 'water']), 'solvent')
    .option('--humidity <%>', 'relative humidity, for water', numberFor('humidity', '%'), 50)
    .option(
      '--air <word>',
      'booth air, or that of a still garage',
      wordFor('air', ['booth', 'still']),
      'booth',
    )
    .action(({ minutes, celsius, ref, carrier, humidity, air }: FlashOptions) => {
      if (!(minutes >= 0)) throw new BadInput('--minutes must be 0 or more');
      const factor =
        carrier === 'water'
          ? waterFlashFactor({ celsius, relativeHumidity: humidity }, SHOP_RULES.leastDeficitHPa.preset)
          : solventFlashFactor(celsius, ref, SHOP_RULES.flashDoublesKelvin.preset);
      const stillness = air === 'still' ? SHOP_RULES.stillAirFactor.preset : 1;
      answer({ minutes: minutes * factor * stillness, factor: factor * stillness, source: 'model' });
    });

interface Pair {
  readonly celsius: number;
  readonly minutes: number;
}

/** `20:720,60:30`: so many degrees, so many minutes. */
const pairsFor =
  (option: string) =>
  (text: string): Pair[] =>
    text.split(',').map((part) => {
      const [celsius, minutes, ...more] = part.split(':').map(numberFor(option, 'the form 20:720'));
      if (celsius === undefined || minutes === undefined || more.length > 0 || !(minutes > 0))
        throw new BadInput(`--${option} must be °C:minutes, parted by commas, for example 20:720,60:30`);
      return { celsius, minutes };
    });

interface CureOptions {
  readonly points: Pair[];
  readonly celsius?: number;
  readonly spells?: Pair[];
}

/** `cure --points 20:720,60:30 --celsius 12`, or `--spells 18:480,10:480,16:480`. */
export const cureCommand = (answer: (answer: unknown) => void): Command =>
  new Command('cure')
    .description('full cure at a temperature, or what hours at several temperatures come to')
    .requiredOption('--points <°C:min,...>', 'of the sheet', pairsFor('points'))
    .option('--celsius <°C>', 'one temperature', numberFor('celsius', '°C'))
    .option('--spells <°C:min,...>', 'hours as they come', pairsFor('spells'))
    .action(({ points, celsius, spells }: CureOptions) => {
      if (celsius === undefined && !spells)
        throw new BadInput('give --celsius for a time, or --spells for what they come to');
      answer({
        ...(celsius === undefined ? {} : { fullCureMin: fullCureMin(points, celsius) }),
        ...(spells ? { conversion: conversionAfter(points, spells) } : {}),
        source: 'model',
      });
    });
