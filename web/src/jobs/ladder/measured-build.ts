import { readingFigures, type ReadingFigures, type Zone, type ZoneBuild } from '@blue-ledge/core';

/** What a gauge says of a build: its readings are of all film, so what lies under the build is taken off. */
export interface MeasuredBuild {
  readonly after: 'build' | 'blocked';
  readonly figures: ReadingFigures;
}

/** Figures of the build alone from the latest stage that was measured; null where nothing was. */
export function measuredBuild(zone: Zone, { underUm }: Pick<ZoneBuild, 'underUm'>): MeasuredBuild | null {
  const readings = zone.readings ?? [];
  const after = readings.some((reading) => reading.after === 'blocked') ? 'blocked' : 'build';
  const figures = readingFigures(
    readings.filter((reading) => reading.after === after).map(({ um }) => Math.max(0, um - underUm)),
  );
  return figures ? { after, figures } : null;
}
