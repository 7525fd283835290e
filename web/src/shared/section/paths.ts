import { area, line } from 'd3-shape';

/** SVG paths of the section's shapes, from samples left to right, px. */

/** A layer: x, upper y, lower y. */
export const ribbonPath = area<readonly [x: number, top: number, bottom: number]>()
  .x(([x]) => x)
  .y0(([, , bottom]) => bottom)
  .y1(([, top]) => top);

export const linePath = line<readonly [x: number, y: number]>();
