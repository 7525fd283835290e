import { boundsOf, type Polygon, type Region } from '@blue-ledge/core';

/** Places a panel's outline in a drawing: mm of the panel to px and back. Pure. */

export type Point = readonly [x: number, y: number];

export interface Frame {
  readonly pxPerMm: number;
  readonly toPx: (point: Point) => [number, number];
  readonly toMm: (point: Point) => [number, number];
}

const MARGIN_PX = 14;

/** The outline as large as it fits, in the middle. */
export function frameOf(outline: Polygon, { width, height }: { width: number; height: number }): Frame {
  const { left, right, top, bottom } = boundsOf(outline);
  const pxPerMm = Math.max(
    1e-6,
    Math.min((width - 2 * MARGIN_PX) / (right - left), (height - 2 * MARGIN_PX) / (bottom - top)),
  );
  const [dx, dy] = [
    (width - (right - left) * pxPerMm) / 2 - left * pxPerMm,
    (height - (bottom - top) * pxPerMm) / 2 - top * pxPerMm,
  ];
  return {
    pxPerMm,
    toPx: ([x, y]) => [x * pxPerMm + dx, y * pxPerMm + dy],
    toMm: ([x, y]) => [(x - dx) / pxPerMm, (y - dy) / pxPerMm],
  };
}

/** SVG path of an open line. */
export const linePath = (points: readonly Point[], { toPx }: Frame): string =>
  `M${points
    .map((point) =>
      toPx(point)
        .map((px) => px.toFixed(1))
        .join(' '),
    )
    .join('L')}`;

/** SVG path of a closed ring. */
export const ringPath = (points: readonly Point[], frame: Frame): string => `${linePath(points, frame)}Z`;

export const regionPath = ({ polygons }: Region, frame: Frame): string =>
  polygons
    .flat()
    .map((ring) => ringPath(ring, frame))
    .join('');
