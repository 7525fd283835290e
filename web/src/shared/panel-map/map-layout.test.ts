import type { Zone } from '@blue-ledge/core';
import { cutSpans, layoutMap } from './map-layout.ts';

const zone = (id: string, areaM2: number, ...kinds: string[]): Zone =>
  ({
    id,
    name: id,
    areaM2,
    substrate: kinds[0],
    layers: kinds.map((kind) => ({ kind })),
    findings: [],
  }) as unknown as Zone;

const DOOR = [
  zone('C', 0.25, 'steel', 'filler'),
  zone('A', 1.5, 'steel', 'old-finish'),
  zone('B', 0.35, 'steel'),
];

test('a level cut goes from sound finish through metal to filler and out again', () => {
  const spans = cutSpans(DOOR, 2.1);
  expect(spans.map((span) => span.zoneId)).toEqual(['A', 'B', 'C', 'B', 'A']);
  const width = spans.reduce((sum, span) => sum + span.mm, 0);
  expect(width).toBeCloseTo(Math.sqrt(2.1 * 0.72) * 1000, 6);
});

test('zones are drawn true to their areas, whatever order they come in', () => {
  const boxes = layoutMap(DOOR, 2.1, { width: 300, height: 400 });
  expect(boxes.map((box) => box.id)).toEqual(['A', 'B', 'C']);
  const [a, b, c] = boxes.map(({ outline }) => outline.width * outline.height);
  expect(c! / a!).toBeCloseTo(0.25 / 2.1, 6);
  expect((b! - c!) / a!).toBeCloseTo(0.35 / 2.1, 6);
  expect(layoutMap([...DOOR].reverse(), 2.1, { width: 300, height: 400 })).toEqual(boxes);
});

test('a letter is no larger than the band that it stands in', () => {
  const eight = Array.from({ length: 8 }, (_, i) => zone(`Z${i}`, 0.3, 'steel'));
  const boxes = layoutMap(eight, 2.4, { width: 150, height: 150 });
  boxes.slice(0, -1).forEach(({ outline, labelPx }, i) => {
    expect(labelPx).toBeLessThanOrEqual(boxes[i + 1]!.outline.y - outline.y);
  });
  expect(boxes.at(-1)!.labelPx).toBe(24);
});
