import { dewMarginKelvin } from '../../climate/dew.ts';
import { ruleIn } from '../../operations/context.ts';
import { workAirAt } from '../../operations/day.ts';
import type { Case, CoatStep } from '../case.ts';
import { lastOf, ofCoat, ofAnyCoat, known, noted, type Fact } from './fact.ts';

/** The air in which a coat was laid. */

/** How much warmer or colder than its sheet's own temperature a coat is sprayed before it matters, °C (defaults). */
const COLD_KELVIN = 6;
const HOT_KELVIN = 8;
const DRY_AIR_PERCENT = 35;

/** The air that a coat was sprayed in: as it was written down, else as the shop says it was. */
function celsiusOf({ values, step }: CoatStep, { context }: Case): number {
  return values.celsius ?? values.surfaceCelsius ?? workAirAt(step.before.clockMin, context).celsius;
}

const isAirKnown = ({ values }: CoatStep, { fold }: Case): boolean =>
  values.celsius !== undefined || values.surfaceCelsius !== undefined || fold.happened.airBefore.length > 0;

export const AIR_FACTS = {
  cold: {
    is: 'it was colder than the sheet is made for',
    isNot: 'it was warm enough',
    measure: 'Temperature of panel and material where they stood.',
    of: ofCoat((coat, seen) => {
      const celsius = celsiusOf(coat, seen);
      const isCold = celsius <= Math.max(coat.sheet.refCelsius - COLD_KELVIN, coat.sheet.climate.minCelsius);
      return isAirKnown(coat, seen) ? isCold : isCold || undefined;
    }),
  },
  hot: {
    is: 'it was hotter than the sheet is made for',
    isNot: 'it was not hot',
    measure: 'Temperature of panel and material where they stood.',
    of: ofCoat((coat, seen) => {
      const isHot = celsiusOf(coat, seen) >= coat.sheet.refCelsius + HOT_KELVIN;
      return isAirKnown(coat, seen) ? isHot : isHot || undefined;
    }),
  },
  'dry-air': {
    is: 'the air was dry, or the floor was noted as dry',
    isNot: 'the air was damp enough to hold dust down',
    measure: 'Humidity by the booth’s own gauge; was the floor wetted?',
    of: (seen) => {
      if (/dry floor|floor (was )?dry|dust/.test(seen.notes)) return true;
      const coat = lastOf(seen);
      return coat && known(coat.values.relativeHumidity, (percent) => percent < DRY_AIR_PERCENT);
    },
  },
  'doors-noted': {
    is: 'open doors were noted',
    isNot: 'the doors stayed shut',
    measure: 'Who went in or out while it was wet?',
    of: noted(/door/),
  },
  damp: {
    is: 'the surface was too near the dew point',
    isNot: 'the surface was well above the dew point',
    measure: 'Surface temperature, air temperature and humidity, together.',
    of: ofAnyCoat((coat, seen) => {
      const { celsius, relativeHumidity, surfaceCelsius } = coat.values;
      const room = workAirAt(coat.step.before.clockMin, seen.context);
      const air = {
        celsius: celsius ?? room.celsius,
        relativeHumidity: relativeHumidity ?? room.relativeHumidity,
      };
      const margin = dewMarginKelvin(surfaceCelsius ?? air.celsius, air);
      const isDamp = margin < ruleIn(seen.context, 'dewMarginKelvin').value;
      return relativeHumidity === undefined && !isAirKnown(coat, seen) ? isDamp || undefined : isDamp;
    }),
  },
} satisfies Record<string, Fact>;
