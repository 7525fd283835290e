import type { InnerPlace, PanelPatch } from '@blue-ledge/core';
import type { Point } from './panel-frame.ts';

/** Where patches are drawn on the map: by their mark, else around their zone's letter. Pure. */

/** How far from the letter a patch is drawn that nobody marked, as a share of the room there. */
const AWAY_SHARE = 0.55;

/** A place beside a zone's letter for the nth of its patches, mm. */
export function besideLetter({ at: [x, y], clearMm }: InnerPlace, nth: number, count: number): Point {
  const angle = Math.PI / 2 + (2 * Math.PI * nth) / Math.max(1, count);
  return [x + Math.cos(angle) * clearMm * AWAY_SHARE, y + Math.sin(angle) * clearMm * AWAY_SHARE];
}

/** More dots than this would be a blot. */
const MOST_DOTS = 40;
/** Turn from one dot to the next that spreads them evenly, radians (golden angle). */
const TURN = 2.399963;
const LEAST_DOT_PX = 1.6;
const LEAST_MARK_PX = 9;

export interface Dots {
  /** Half the width of the band in which the places lie, px. */
  readonly radiusPx: number;
  readonly dots: readonly { readonly x: number; readonly y: number; readonly r: number }[];
}

/** The places of a patch around its middle: one as large as it is, many as dots over their band. */
export function dotsOf({ extent, count, placeMm }: PanelPatch, pxPerMm: number): Dots {
  const dotPx = Math.max(LEAST_DOT_PX, (placeMm * pxPerMm) / 2);
  const reachPx = (Math.sqrt(extent.featherM2 / Math.PI) * 1000 * pxPerMm) | 0;
  const radiusPx = Math.max(LEAST_MARK_PX, reachPx);
  if (count === 1) return { radiusPx, dots: [{ x: 0, y: 0, r: Math.max(LEAST_MARK_PX / 2, dotPx) }] };
  const shown = Math.min(MOST_DOTS, count);
  const dots = Array.from({ length: shown }, (_, i) => {
    const distance = radiusPx * 0.85 * Math.sqrt((i + 0.5) / shown);
    return { x: Math.cos(i * TURN) * distance, y: Math.sin(i * TURN) * distance, r: dotPx };
  });
  return { radiusPx, dots };
}
