import { readingFigures, type ReadingFigures } from '../surface/readings.ts';
import type { Zone } from '../survey/zone.ts';
import type { ZoneBuild } from './sanding-of-plan.ts';

/** Whether a build is enough: as planned, or by what a gauge found. */

/** Figures of a build alone: readings are of all film, so what lies under the build is taken off. */
export interface MeasuredBuild {
  readonly after: 'build' | 'blocked';
  readonly figures: ReadingFigures;
}

export type FilmVerdict =
  /** What is sprayed, or planned, against what the build has to be enough for. */
  | { readonly kind: 'enough'; readonly filmUm: number; readonly neededUm: number }
  | {
      readonly kind: 'short';
      readonly shortUm: number;
      readonly neededUm: number;
      /** Coats that would make up for it, and whether the sheet allows them in one build. */
      readonly coats: number;
      readonly isAllowed: boolean;
    }
  /** What blocking left, against what must stay. */
  | { readonly kind: 'left' | 'thin'; readonly leftUm: number; readonly mustStayUm: number };

/** Less than this is within any gauge's error, µm. */
const NOTHING_UM = 0.5;

/** Figures of the build from the latest stage that was measured; null where nothing was. */
export function measuredBuild(
  { readings = [] }: Pick<Zone, 'readings'>,
  { underUm }: Pick<ZoneBuild, 'underUm'>,
): MeasuredBuild | null {
  const after = readings.some((reading) => reading.after === 'blocked') ? 'blocked' : 'build';
  const figures = readingFigures(
    readings.filter((reading) => reading.after === after).map(({ um }) => Math.max(0, um - underUm)),
  );
  return figures ? { after, figures } : null;
}

/** The verdict on a build, at its thinnest believable reading where there are readings. */
export function filmVerdict(build: ZoneBuild, measured: MeasuredBuild | null): FilmVerdict {
  const { neededUm, mustStayUm } = build.budget;
  if (measured?.after === 'blocked') {
    const leftUm = measured.figures.leastUm;
    return { kind: leftUm >= mustStayUm ? 'left' : 'thin', leftUm, mustStayUm };
  }
  const filmUm = measured ? measured.figures.leastUm : build.appliedUm;
  const shortUm = neededUm - filmUm;
  if (shortUm <= NOTHING_UM) return { kind: 'enough', filmUm, neededUm };
  const coats = Math.ceil(shortUm / build.perCoatUm);
  const mostUm = measured ? measured.figures.mostUm : build.appliedUm;
  return {
    kind: 'short',
    shortUm,
    neededUm,
    coats,
    isAllowed: mostUm + coats * build.perCoatUm <= build.maxUm,
  };
}
