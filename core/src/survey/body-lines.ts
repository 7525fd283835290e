import { spansAlong } from './cut.ts';
import type { Panel } from './panel.ts';
import { boundsOf } from './polygon.ts';
import { regionsOf } from './regions.ts';
import { polylineSchema, type Polyline } from './zone.ts';

/** Body lines of a panel: drawn on it as lines of two or more points in mm, or only counted. */

type Lined = Pick<Panel, 'bodyLines'>;

/** The lines that are drawn; a file may list others, which only count. */
export const drawnLines = ({ bodyLines }: Lined): Polyline[] =>
  Array.isArray(bodyLines)
    ? bodyLines.flatMap((line) => {
        const read = polylineSchema.safeParse(line);
        return read.success ? [read.data] : [];
      })
    : [];

/** How many there are, drawn or not. */
export const countOfLines = ({ bodyLines }: Lined): number =>
  Array.isArray(bodyLines) ? bodyLines.length : (bodyLines ?? 0);

/** The zones that a drawn line runs through; empty where nothing is drawn. O(lines x zones). */
export function zonesOnLines(panel: Panel): ReadonlySet<string> {
  const regions = regionsOf(panel) ?? [];
  const segments = drawnLines(panel).flatMap((line) =>
    line.slice(1).map((end, i) => [line[i]!, end] as const),
  );
  return new Set(segments.flatMap((segment) => spansAlong(segment, regions)).map(({ zoneId }) => zoneId));
}

/** The panel with one more line, level across its middle. */
export function withNewLine(panel: Panel): Panel {
  if (!panel.outline) return panel;
  const { left, right, top, bottom } = boundsOf(panel.outline);
  const y = Math.round((top + bottom) / 2);
  return withLines(panel, [
    ...drawnLines(panel),
    [
      [left, y],
      [right, y],
    ],
  ]);
}

/** The panel with its nth line run otherwise; null takes the line away. */
export const withLine = (panel: Panel, nth: number, line: Polyline | null): Panel =>
  withLines(
    panel,
    drawnLines(panel).flatMap((old, i) => (i !== nth ? [old] : line ? [line] : [])),
  );

const withLines = (panel: Panel, lines: readonly Polyline[]): Panel => ({
  ...panel,
  bodyLines: [...lines],
});
