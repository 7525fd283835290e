import { formatNumber, type UnitSystem } from '@blue-ledge/core';
import { linePath, ribbonPath } from './paths.ts';
import type { SectionGeometry, removedUm } from './section-layout.ts';

interface RemovedFilmProps {
  readonly before: SectionGeometry;
  readonly now: SectionGeometry;
  readonly removed: ReturnType<typeof removedUm>;
  readonly system: UnitSystem;
}

/** What the step took off: a ghost of the old surface, and how much it was. */
export function RemovedFilm({ before, now, removed, system }: RemovedFilmProps) {
  return (
    <>
      <Ghost before={before} now={now} />
      <RemovedTag before={before} removed={removed} system={system} />
    </>
  );
}

/** Dashed old surface and hatch. */
function Ghost({ before, now }: Pick<RemovedFilmProps, 'before' | 'now'>) {
  const gone = before.surface.map(
    ([x, y], i) => [x, Math.min(y, now.surface[i]![1]), now.surface[i]![1]] as const,
  );
  if (!gone.some(([, was, is]) => is - was > 1)) return null;
  return (
    <g>
      <path d={ribbonPath(gone) ?? ''} fill="url(#removed-film)" />
      <path
        d={linePath(gone.map(([x, was]) => [x, was] as const)) ?? ''}
        fill="none"
        stroke="var(--char)"
        strokeWidth="1.6"
        strokeDasharray="5 3.5"
      />
    </g>
  );
}

/** How much came off, on the zone that lost most, above the old surface. */
function RemovedTag({ before, removed, system }: Omit<RemovedFilmProps, 'now'>) {
  if (removed.length === 0) return null;
  const { zoneId, um } = removed.reduce((most, other) => (other.um > most.um ? other : most));
  const span = before.spans.find((candidate) => candidate.zoneId === zoneId);
  if (!span) return null;
  const x = (span.x0 + span.x1) / 2;
  const [, y] = before.surface.reduce((best, point) =>
    Math.abs(point[0] - x) < Math.abs(best[0] - x) ? point : best,
  );
  const text = `−${formatNumber('Um', um, system)} off`;
  const width = 14 + 7.2 * text.length;
  return (
    <g transform={`translate(${x - 24} ${Math.max(46, y - 14)})`}>
      <rect x={-width / 2} y="-10" width={width} height="20" fill="var(--char)" />
      <text y="4.8" textAnchor="middle" fontSize="13" fontWeight="600" fill="var(--sheet)">
        {text}
      </text>
    </g>
  );
}
