/**
 * Abrasive grades and their median grain (µm).
 * P36-P2500: ISO 6344 series as the shop's default table. CAMI is a different scale with the same-looking
 * numbers (CAMI 400 is 23.6 µm, near P800), so a CAMI grade is always written with its name.
 */
export const FEPA_GRAIN_UM = {
  P36: 538,
  P40: 425,
  P60: 269,
  P80: 201,
  P100: 162,
  P120: 125,
  P150: 100,
  P180: 82,
  P220: 68,
  P240: 58.5,
  P280: 52.2,
  P320: 46.2,
  P360: 40.5,
  P400: 35.0,
  P500: 30.2,
  P600: 25.8,
  P800: 21.8,
  P1000: 18.3,
  P1200: 15.3,
  P1500: 12.6,
  P2000: 10.3,
  P2500: 8.4,
} as const;

/** Median grain of the CAMI series (ANSI B74.18), µm. */
export const CAMI_GRAIN_UM: Readonly<Record<string, number>> = {
  'CAMI 36': 535,
  'CAMI 40': 428,
  'CAMI 50': 351,
  'CAMI 60': 268,
  'CAMI 80': 192,
  'CAMI 100': 141,
  'CAMI 120': 116,
  'CAMI 150': 93,
  'CAMI 180': 78,
  'CAMI 220': 66,
  'CAMI 240': 53.5,
  'CAMI 280': 44,
  'CAMI 320': 36,
  'CAMI 360': 28.8,
  'CAMI 400': 23.6,
  'CAMI 500': 19.7,
  'CAMI 600': 16,
  'CAMI 800': 12.2,
  'CAMI 1000': 9.2,
};

export type Grade = keyof typeof FEPA_GRAIN_UM;

/** Coarse to fine. */
export const GRADES = Object.keys(FEPA_GRAIN_UM) as [Grade, ...Grade[]];

const place = new Map(GRADES.map((grade, i) => [grade, i]));
/** Grades from `coarsest` to `finest`, both included; empty where the two are the wrong way round. */
export const gradesBetween = (coarsest: Grade, finest: Grade): Grade[] =>
  GRADES.slice(place.get(coarsest), place.get(finest)! + 1);

export const isGrade = (text: string): text is Grade => text in FEPA_GRAIN_UM;
export const grainUm = (grade: Grade): number => FEPA_GRAIN_UM[grade];
export const isCoarser = (a: Grade, b: Grade): boolean => grainUm(a) > grainUm(b);

/** The P grade whose grain is nearest (by ratio) to `grain` µm. */
export const nearestGrade = (grain: number): Grade =>
  GRADES.reduce((best, grade) =>
    Math.abs(Math.log(grainUm(grade) / grain)) < Math.abs(Math.log(grainUm(best) / grain)) ? grade : best,
  );

/**
 * Reads a grade as a person writes it: "P400", "p400", "CAMI 400". A bare number is refused, because on the two
 * scales it means different grains.
 * @returns the P grade (for CAMI the nearest), or null when no table has it
 */
export function readGrade(text: string): Grade | null {
  const tidy = text.trim().toUpperCase().replace(/\s+/g, ' ');
  if (isGrade(tidy)) return tidy;
  const cami = CAMI_GRAIN_UM[tidy];
  return cami === undefined ? null : nearestGrade(cami);
}

export type ExplainedGrade =
  | {
      readonly ok: true;
      readonly grade: Grade;
      /** What a CAMI grade was taken for. */ readonly note?: string;
    }
  | { readonly ok: false; readonly message: string };

/** A grade as a person writes it, with what it was taken for, or why it cannot be told which one is meant. */
export function explainGrade(text: string): ExplainedGrade {
  const grade = readGrade(text);
  const number = /^\d+$/.exec(text.trim())?.[0];
  const cami = number && CAMI_GRAIN_UM[`CAMI ${number}`];
  if (grade) {
    const tidy = text.trim().toUpperCase().replace(/\s+/g, ' ');
    const grain = CAMI_GRAIN_UM[tidy];
    if (grain === undefined) return { ok: true, grade };
    const note = `${tidy} has grains of ${grain} µm: taken as ${grade} (${grainUm(grade)} µm), not as ${tidy.replace('CAMI ', 'P')}`;
    return { ok: true, grade, note };
  }
  const example = 'write a P grade such as P180, or CAMI 400';
  if (!number) return { ok: false, message: `"${text}" is not a grade this shop knows; ${example}` };
  const other = cami ? ` or CAMI ${number} (${cami} µm, near ${nearestGrade(cami)})` : '';
  const asFepa = `P${number}`;
  const meant = isGrade(asFepa) ? `${asFepa} (${grainUm(asFepa)} µm)${other}` : `a P grade${other}`;
  return { ok: false, message: `"${number}" means different grains on the two scales; write ${meant}` };
}
