import type { LayerKind } from '@blue-ledge/core';

/** One tile for each material: fill, and marks that tell it without colour. The letter code is core's. */
export interface Pattern {
  readonly width: number;
  readonly height: number;
  readonly fill: string;
  readonly ink: string;
  /** Stroked path; empty for dots only. */
  readonly lines?: string;
  readonly stroke?: number;
  /** Filled dots: x, y, radius. */
  readonly dots?: readonly (readonly [number, number, number])[];
}

type Marks = Omit<Pattern, 'width' | 'height' | 'fill' | 'ink'>;

const tile = (
  [width, height]: readonly [number, number],
  [fill, ink]: readonly [string, string],
  marks: Marks,
): Pattern => ({
  width,
  height,
  fill,
  ink,
  ...marks,
});

export const PATTERNS: Record<LayerKind | 'guide-coat', Pattern> = {
  steel: tile([7, 7], ['#5F6C76', '#AEB9C0'], { lines: 'M-1 8 8 -1M-4.5 4.5 4.5 -4.5M2.5 11.5 11.5 2.5' }),
  'zinc-steel': tile([14, 7], ['#76828A', '#D5DCE0'], {
    lines: 'M-1 8 8 -1M2.5 11.5 11.5 2.5M6 8 15 -1',
    dots: [
      [3, 5, 0.9],
      [10, 2, 0.9],
    ],
  }),
  aluminium: tile([12, 12], ['#C2CACE', '#66737B'], {
    lines: 'M-1 -1 13 13M3 -1 17 13M-13 -1 1 13M-9 -1 5 13',
  }),
  ecoat: tile([5, 10], ['#514B5E', '#A8A1B8'], { lines: 'M2.5 0V10', stroke: 1 }),
  'part-primer': tile([8, 8], ['#7C7687', '#D9D4E2'], { lines: 'M2 0V8M6 0V4', stroke: 1 }),
  'old-finish': tile([24, 12], ['#8B7799', '#EDE4F1'], { lines: 'M0 2H24M0 6H24M0 9H24', stroke: 0.9 }),
  'old-finish-soluble': tile([16, 10], ['#A38CAE', '#F6EEF9'], {
    lines: 'M0 3Q4 0 8 3T16 3M0 8Q4 5 8 8T16 8',
    stroke: 0.9,
  }),
  texture: tile([12, 12], ['#3B4148', '#8C959C'], {
    dots: [
      [3, 3, 1.6],
      [9, 5, 1.1],
      [5, 9, 1.3],
      [10, 10, 0.8],
    ],
  }),
  'plastic-rigid': tile([11, 11], ['#565E64', '#BFC6CA'], { lines: 'M2 2h5v5h-5z' }),
  'plastic-olefin': tile([11, 11], ['#40474D', '#AAB2B7'], {
    lines: 'M1.1 3a1.9 1.9 0 1 0 3.8 0a1.9 1.9 0 1 0-3.8 0M6.6 8.5a1.9 1.9 0 1 0 3.8 0a1.9 1.9 0 1 0-3.8 0',
  }),
  'plastic-soft': tile([12, 8], ['#33393E', '#98A1A6'], { lines: 'M0 4Q3 0 6 4T12 4' }),
  'plastic-primed': tile([11, 11], ['#6A7177', '#DDE2E5'], {
    lines: 'M0 10H11M1.1 3a1.9 1.9 0 1 0 3.8 0a1.9 1.9 0 1 0-3.8 0',
  }),
  fiberglass: tile([12, 12], ['#A9BDB4', '#4C655B'], {
    lines: 'M0 2H6M0 4H6M6 8H12M6 10H12M8 0V6M10 0V6M2 6V12M4 6V12',
  }),
  filler: tile([26, 22], ['#D9A28B', '#7E4029'], {
    lines: 'M3 8 7 2 11 8ZM16 19 20 13 24 19ZM15 7 18 3 22 6ZM4 17 8 14 10 19Z',
  }),
  glaze: tile([16, 12], ['#EBC7B6', '#8A4A31'], { lines: 'M2 6 5 2 8 6ZM10 11 13 7 15 11Z', stroke: 0.9 }),
  seam: tile([14, 8], ['#B9A894', '#57452F'], { lines: 'M0 4H5M9 4H14M7 1V7' }),
  promoter: tile([8, 8], ['#F1E2C8', '#7D5A1E'], { lines: 'M0 6 2 2 4 6 6 2 8 6' }),
  epoxy: tile([20, 12], ['#3F78A4', '#D3E3EF'], { lines: 'M0 .5H20M0 6.5H20M5 .5V6.5M15 6.5V12.5' }),
  etch: tile([9, 9], ['#C9BE8F', '#5B5322'], { lines: 'M0 0 9 9M9 0 0 9', stroke: 0.8 }),
  dtm: tile([14, 14], ['#B9BE9C', '#464B27'], {
    lines: 'M0 13.5H14',
    stroke: 0.9,
    dots: [
      [2, 3, 1],
      [7, 2, 0.8],
      [11, 5, 1.1],
      [4.6, 8, 0.8],
      [9, 10, 1],
    ],
  }),
  build: tile([14, 14], ['#E4D196', '#6B5518'], {
    dots: [
      [2, 3, 1],
      [7, 1.6, 0.7],
      [11, 4.4, 1.1],
      [4.6, 7.6, 0.7],
      [9, 8.4, 1],
      [1.8, 11.4, 0.8],
      [6.4, 12.2, 1.1],
      [12.2, 11.6, 0.8],
    ],
  }),
  'plastic-primer': tile([12, 12], ['#C4CBB9', '#4A5540'], { lines: 'M0 6H4M8 6H12M6 0V3M6 9V12' }),
  'wet-on-wet': tile([12, 10], ['#CFD9AC', '#56632A'], { lines: 'M1 5 4 1M7 10 10 6', stroke: 1.2 }),
  sealer: tile([16, 8], ['#A3B4C2', '#25394A'], { lines: 'M1 2H8M9 6H16', stroke: 1.3 }),
  base: tile([10, 10], ['#6E9BA0', '#E4F0F1'], { lines: 'M0 5H10', stroke: 1.6 }),
  clear: tile([12, 12], ['#E9EDEE', '#6B7B84'], { lines: 'M0 12 12 0', stroke: 0.7 }),
  'guide-coat': tile([10, 10], ['#F9F7F1', '#2B2B2B'], {
    dots: [
      [1.5, 2, 0.9],
      [5, 1.2, 0.6],
      [8.3, 3, 0.9],
      [3.2, 5.2, 0.6],
      [6.4, 6.4, 1],
      [9.2, 8.4, 0.6],
      [1.8, 8.2, 0.8],
      [4.8, 9, 0.5],
    ],
  }),
};

export const patternId = (kind: LayerKind | 'guide-coat'): string => `material-${kind}`;
