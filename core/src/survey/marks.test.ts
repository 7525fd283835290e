import { panelOf } from '../testing/bench.ts';
import { contradictionsOf } from './contradictions.ts';
import { reachMmOf, withPatchAt, withPatchReach } from './marks.ts';
import type { Panel } from './panel.ts';
import { patchesOf } from './patches.ts';

/** Marks on the map: put and drawn by hand, and what the survey says then. */

const box = (x: number, y: number, w: number, h: number): [number, number][] => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
];
const withFindings = (...findings: object[]): Panel =>
  panelOf(
    [
      { stack: 'steel/old-finish:100', areaM2: 0.8 },
      { stack: 'steel/old-finish:100', areaM2: 0.2, findings, facts: { shape: box(500, 0, 500, 400) } },
    ],
    { outline: box(0, 0, 1000, 1000) },
  );
const only = (panel: Panel) => patchesOf(panel, {})[0]!;
const found = (panel: Panel) => panel.zones[1]!.findings[0]!;

test('a mark that is put outside its zone goes to the zone’s border', () => {
  const panel = withFindings({ kind: 'low', depthMm: 1, sizeMm: 80 });
  const put = (x: number, y: number) => found(withPatchAt(panel, only(panel), [x, y])).atMm;
  expect(put(700, 200)).toEqual([700, 200]);
  expect(put(100, 200)).toEqual([500, 200]);
  expect(put(2000, -500)).toEqual([1000, 0]);
});

test.each([
  ['a hollow has a width', { kind: 'low', depthMm: 1, sizeMm: 80 }, { sizeMm: 120 }],
  ['one that nobody measured gets one', { kind: 'low', depthMm: 1 }, { sizeMm: 120 }],
  ['a crack has a length', { kind: 'crack', lengthMm: 40 }, { lengthMm: 120 }],
  ['a rub-through has a spot', { kind: 'rub-through', spotMm: 10, count: 1 }, { spotMm: 120 }],
  ['chips have the area in which they lie', { kind: 'chips', count: 30 }, { count: 30, areaM2: 0.0113 }],
  ['what is given as an area keeps one', { kind: 'peeling', areaM2: 0.02 }, { areaM2: 0.0113 }],
])('%s: drawn 60 mm to each side', (_, finding, wanted) => {
  const panel = withFindings(finding);
  const drawn = withPatchReach(panel, only(panel), 60);
  expect(found(drawn)).toMatchObject(wanted);
  expect(Math.abs(reachMmOf(only(drawn)) - 60)).toBeLessThan(1);
});

test('a share becomes the area that was drawn', () => {
  const panel = withFindings({ kind: 'peeling', share: 0.1 });
  const drawn = found(withPatchReach(panel, only(panel), 60));
  expect(drawn).toEqual({ kind: 'peeling', areaM2: 0.0113 });
});

test('nothing is drawn larger than its zone, or to nothing', () => {
  for (const finding of [
    { kind: 'low', depthMm: 1, sizeMm: 80 },
    { kind: 'chips', count: 30 },
  ]) {
    const panel = withFindings(finding);
    for (const reachMm of [-50, 0, 1e6])
      expect(contradictionsOf(withPatchReach(panel, only(panel), reachMm).zones[1]!)).toEqual([]);
  }
});

test('of two findings of a kind each is drawn and moved for itself', () => {
  const two = withFindings({ kind: 'low', depthMm: 1, sizeMm: 80 }, { kind: 'low', depthMm: 2, sizeMm: 40 });
  const [, second] = patchesOf(two, {});
  expect(second!.areaId).toBe('B/low-2');
  const { findings } = withPatchReach(two, second!, 60).zones[1]!;
  expect(findings).toMatchObject([{ sizeMm: 80 }, { sizeMm: 120 }]);
});
