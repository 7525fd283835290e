import { Command } from 'commander';
import { SHOP_RULES, dewPointCelsius } from '@blue-ledge/core';
import { numberFor } from '../input.ts';

const MARGIN = SHOP_RULES.dewMarginKelvin.preset;

/** `dew --celsius 20 --humidity 60 [--surface 17]`. */
export const dewCommand = (answer: (answer: unknown) => void): Command =>
  new Command('dew')
    .description('dew point, and whether a surface is warm enough to coat')
    .requiredOption('--celsius <°C>', 'air temperature', numberFor('celsius', '°C'))
    .requiredOption('--humidity <%>', 'relative humidity', numberFor('humidity', '%'))
    .option('--surface <°C>', 'surface temperature; the air’s where not given', numberFor('surface', '°C'))
    .action(
      ({ celsius, humidity, surface = celsius }: { celsius: number; humidity: number; surface?: number }) => {
        const dewPoint = dewPointCelsius(celsius, humidity);
        answer({
          dewPointCelsius: dewPoint,
          surfaceCelsius: surface,
          marginCelsius: surface - dewPoint,
          neededCelsius: MARGIN,
          mayCoat: surface - dewPoint >= MARGIN,
          source: 'model',
        });
      },
    );
