import { innerPlace, type Region } from '@blue-ledge/core';
import { frameOf, regionPath } from './panel-frame.ts';

const SQUARE: [number, number][] = [
  [100, 100],
  [1100, 100],
  [1100, 600],
  [100, 600],
];
/** A frame of 1000 x 500 mm with a hole in its left half. */
const region: Region = {
  zoneId: 'A',
  areaM2: 0.4,
  polygons: [
    [
      [...SQUARE, SQUARE[0]!],
      [
        [150, 150],
        [550, 150],
        [550, 550],
        [150, 550],
        [150, 150],
      ],
    ],
  ],
};

test('the outline is as large as it fits, and px lead back to mm', () => {
  const frame = frameOf(SQUARE, { width: 328, height: 400 });
  expect(frame.pxPerMm).toBeCloseTo(0.3);
  expect(frame.toPx([100, 350])).toEqual([expect.closeTo(14), expect.closeTo(200)]);
  expect(frame.toMm(frame.toPx([321, 456]))).toEqual([expect.closeTo(321), expect.closeTo(456)]);
});

test('the letter stands inside its region, clear of holes and edges', () => {
  const place = innerPlace(region)!;
  expect(place.at[0]).toBeGreaterThan(700);
  expect(place.clearMm).toBeGreaterThan(200);
});

test('a region with a hole is one path of two rings', () => {
  expect(regionPath(region, frameOf(SQUARE, { width: 300, height: 300 })).match(/M/g)).toHaveLength(2);
});
