import { row, type RuleRow } from './rule-row.ts';

/** Every constant of the clocks: exposure, flash, pot life, cure, what stands wet or warm, and the shop's day. */
export const TIME_RULES = {
  dayBeginsHour: row(
    8,
    0,
    11,
    'hour at which the working day begins; a plan starts then unless it says otherwise',
  ),
  dayEndsHour: row(
    17,
    12,
    24,
    'hour at which it ends: after it nobody works, and coats cure at the night’s temperature',
  ),
  workingDaysAWeek: row(5, 1, 7, 'days of the week on which it works, from Monday on'),
  bareMetalLimitMin: row(
    60,
    5,
    240,
    'bare metal is coated within this time after abrading (up to 4 h only in dry air)',
  ),
  dryAirPercent: row(50, 20, 70, 'humidity up to which the exposure limit may be longer than in humid air'),
  humidLimitMin: row(60, 5, 120, 'longest exposure of bare metal in humid air'),
  exposureTightPercent: row(75, 10, 100, 'share of the exposure limit from which a small delay breaks it'),
  flashDoublesKelvin: row(15, 5, 40, 'so much colder, and solvent takes twice as long to leave'),
  stillAirFactor: row(
    1.5,
    1,
    6,
    'flash in still garage air against booth air (calibrated: hand test, 20 °C)',
  ),
  boothAirFactor: row(1, 0.3, 6, 'flash in this booth’s air against what its sheet says, by touch'),
  leastDeficitHPa: row(0.5, 0.1, 5, 'drying power of damp air below which water times grow no longer'),
  potLifeHalvesKelvin: row(10, 4, 25, 'so much warmer, and a mix lasts half as long'),
  sandablePercent: row(90, 60, 100, 'cure from which a coat sands'),
  bakeHandlingMin: row(20, 0, 120, 'heating up and cooling down around a bake'),
  softFilmMin: row(1440, 60, 10_080, 'time that a found film which a thumbnail marks is given'),
  wipeWaitMin: row(5, 0, 60, 'time that wiped solvent needs to leave'),
  stripperDwellMin: row(45, 5, 240, 'time that paint stripper works; looked at after half of it'),
  conditionerMin: row(20, 2, 120, 'time that conditioner stands wet, with rinse and drying'),
  laminateSetsMin: row(180, 20, 1440, 'time until a mended laminate sands'),
  temperMin: row(60, 15, 240, 'time that a raw moulding is kept warm to sweat out release agent'),
  temperCelsius: row(62, 40, 65, 'its temperature meanwhile'),
  gunWashMin: row(6, 0, 60, 'washing up a gun between two products'),
  boothLoadM2: row(
    8,
    0.5,
    200,
    'panels that are sprayed with one mix in one booth cycle, their areas together',
  ),
  warmedCoolsMin: row(15, 2, 120, 'time until warmed plastic has cooled in its shape'),
} as const satisfies Record<string, RuleRow>;
