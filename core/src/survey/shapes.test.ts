import fc from 'fast-check';
import { runsOf } from '../testing/crossings.ts';
import { countOfLines, drawnLines, withNewLine, zonesOnLines } from './body-lines.ts';
import { panelSchema, type Panel } from './panel.ts';
import { spansAlong, usualCut } from './cut.ts';
import {
  sizeFor,
  withFreeOutline,
  withNewZone,
  withOutline,
  withSurveyOf,
  withZoneOnTop,
  withoutZone,
} from './drawing.ts';
import { OUTLINES, OUTLINE_KINDS, outlineOf } from './outlines.ts';
import { joinableWith, middleLine, partsAlong, turned, withJoinedZones, withSplitZone } from './parting.ts';
import { areaOfPolygonM2 } from './polygon.ts';
import { innerPlaceOf } from './inner-place.ts';
import { beyondShare, isInRegion, regionsOf, shapeProblems, withAreas, geometry } from './regions.ts';
import { drawnShape, freeZoneId, movedOnto, snapped, withCorner } from './shaping.ts';
import type { Polygon } from './zone.ts';

const box = (x: number, y: number, width: number, height: number): Polygon => [
  [x, y],
  [x + width, y],
  [x + width, y + height],
  [x, y + height],
];
const zone = (id: string, shape?: Polygon, more: object = {}) => ({
  id,
  name: id,
  areaM2: 0.01,
  substrate: 'steel',
  layers: [{ kind: 'steel' }],
  ...(shape ? { shape } : {}),
  ...more,
});
const panelOf = (...zones: object[]): Panel =>
  panelSchema.parse({ id: 'p', name: 'p', areaM2: 1, outline: box(0, 0, 1000, 1000), zones });
const LEVEL = [
  [0, 500],
  [1000, 500],
] as const;
const UPRIGHT = turned(LEVEL);
const areas = (panel: Panel): number[] => regionsOf(panel)!.map(({ areaM2 }) => areaM2);

describe('regions', () => {
  test('a zone without a shape is the rest; of overlapping shapes the later lies on top', () => {
    const [rest, b, c] = areas(
      panelOf(zone('A'), zone('B', box(0, 0, 500, 500)), zone('C', box(250, 0, 500, 500))),
    );
    expect([rest, b, c].map((m2) => m2!.toFixed(4))).toEqual(['0.6250', '0.1250', '0.2500']);
  });
  test('what is outside the outline belongs to nobody', () => {
    expect(areas(panelOf(zone('A', box(900, 900, 500, 500))))[0]).toBeCloseTo(0.01, 9);
  });
  test('regions of any shapes together are never more than the panel, and never overlap', () => {
    const shape = fc
      .tuple(...[0, 0, 1, 1].map((least) => fc.integer({ min: least * 50, max: 900 })))
      .map(([x, y, width, height]) => box(x!, y!, width!, height!));
    fc.assert(
      fc.property(fc.array(shape, { minLength: 1, maxLength: 5 }), (shapes) => {
        const made = panelOf(zone('A'), ...shapes.map((outline, i) => zone(`Z${i}`, outline)));
        const sum = areas(made).reduce((total, m2) => total + m2, 0);
        expect(sum).toBeCloseTo(1, 6);
      }),
      { numRuns: 40, seed: 5 },
    );
  });
  test('areas follow from shapes, except where they were measured', () => {
    const drawn = panelOf(
      zone('A'),
      zone('B', box(0, 0, 500, 500)),
      zone('C', box(600, 0, 100, 100), { isAreaMeasured: true }),
    );
    expect(withAreas(drawn).zones.map(({ areaM2 }) => areaM2)).toEqual([0.74, 0.25, 0.01]);
  });
  test('zones that are off the panel or covered are named with what to do', () => {
    const lost = panelOf(
      zone('A'),
      zone('B', box(2000, 0, 100, 100)),
      zone('C', box(0, 0, 50, 50)),
      zone('D', box(0, 0, 80, 80)),
    );
    expect(shapeProblems(lost)).toMatchObject([
      { zoneId: 'B', code: 'survey.outside' },
      { zoneId: 'C', code: 'survey.covered' },
    ]);
  });
});

test('shapes that cross themselves or lie on one another break nothing: what cannot be told apart is not drawn', () => {
  const grid = fc.integer({ min: 0, max: 4 }).map((n) => n * 100);
  const ring = fc.array(fc.tuple(grid, grid), { minLength: 3, maxLength: 8 });
  fc.assert(
    fc.property(ring, ring, ring, (outline, b, c) => {
      const tangled = panelSchema.parse({
        ...panelOf(zone('A'), zone('B', b), zone('C', c)),
        outline,
        areaM2: 5,
      });
      const drawn = withAreas(tangled);
      panelSchema.parse(drawn);
      shapeProblems(tangled);
      for (const line of [LEVEL, UPRIGHT]) withSplitZone(tangled, 'B', line);
      joinableWith(tangled, 'B');
      const regions = regionsOf(tangled);
      if (regions === null) expect(drawn).toEqual(tangled);
      else spansAlong(usualCut(tangled)!, regions);
    }),
    runsOf(400),
  );
});

describe('a cut', () => {
  const made = panelOf(zone('A'), zone('B', box(200, 300, 400, 400)), zone('C', box(300, 400, 100, 100)));
  test('goes level through the smallest zone, true to length', () => {
    const cut = usualCut(made)!;
    expect(cut).toEqual([
      [0, 450],
      [1000, 450],
    ]);
    expect(spansAlong(cut, regionsOf(made)!)).toEqual(
      [
        { zoneId: 'A', mm: 200 },
        { zoneId: 'B', mm: 100 },
        { zoneId: 'C', mm: 100 },
        { zoneId: 'B', mm: 200 },
        { zoneId: 'A', mm: 400 },
      ].map(({ zoneId, mm }) => ({ zoneId, mm: expect.closeTo(mm, 6) })),
    );
  });
  test('the spans of any cut are never longer than the cut', () => {
    const point = fc.tuple(fc.integer({ min: 0, max: 1000 }), fc.integer({ min: 0, max: 1000 }));
    fc.assert(
      fc.property(point, point, (p, q) => {
        const mm = spansAlong([p, q], regionsOf(made)!).reduce((sum, span) => sum + span.mm, 0);
        expect(mm).toBeLessThanOrEqual(Math.hypot(q[0] - p[0], q[1] - p[1]) + 1e-6);
      }),
      runsOf(90),
    );
  });
});

describe('shaping by hand', () => {
  test('points near the outline snap to its corners, then to its edges; others stay', () => {
    const outline = box(0, 0, 1000, 1000);
    expect(snapped([12, 9], outline)).toEqual([0, 0]);
    expect(snapped([500, 14], outline)).toEqual([500, 0]);
    expect(snapped([500, 200], outline)).toEqual([500, 200]);
  });
  test('one more corner comes in the middle of the longest edge, and the area stays', () => {
    const shape = box(0, 0, 400, 100);
    expect(withCorner(shape)).toEqual([
      [0, 0],
      [200, 0],
      [400, 0],
      [400, 100],
      [0, 100],
    ]);
    expect(areaOfPolygonM2(withCorner(shape))).toBe(areaOfPolygonM2(shape));
  });
  test('a new zone gets the next free letter', () => {
    expect(freeZoneId([{ id: 'A' }, { id: 'C' }])).toBe('B');
  });
  test.each(OUTLINE_KINDS)('the outline of a %s fills its measured size', (kind) => {
    const { widthMm, heightMm } = OUTLINES[kind];
    const points = outlineOf(kind, widthMm, heightMm);
    expect(Math.max(...points.map(([x]) => x))).toBe(widthMm);
    expect(Math.max(...points.map(([, y]) => y))).toBe(heightMm);
    expect(areaOfPolygonM2(points)).toBeGreaterThan((widthMm * heightMm * 0.4) / 1e6);
  });
});

describe('drawing', () => {
  const plain = (): Panel =>
    panelSchema.parse({
      id: 'p',
      name: 'p',
      areaM2: 2.1,
      zones: [
        zone('C', undefined, { areaM2: 0.25 }),
        zone('A', undefined, { areaM2: 1.5 }),
        zone('B', undefined, { areaM2: 0.35 }),
      ],
    });
  const drawn = () => withOutline(plain(), 'door', sizeFor('door', 2.1));
  const areasOf = ({ zones }: Panel) => Object.fromEntries(zones.map(({ id, areaM2 }) => [id, areaM2]));

  test('zones that only had an area are laid out with it, the largest as the rest', () => {
    const panel = drawn();
    expect(panel.zones.map(({ id, shape }) => [id, shape !== undefined])).toEqual([
      ['A', false],
      ['B', true],
      ['C', true],
    ]);
    expect(areasOf(panel)).toEqual({
      A: expect.closeTo(1.5, 1),
      B: expect.closeTo(0.35, 2),
      C: expect.closeTo(0.25, 2),
    });
    expect(panel.areaM2).toBeCloseTo(2.1, 1);
  });
  test('a free outline keeps its measured corners when it gets another size; its lines go along', () => {
    const corners: Polygon = [
      [0, 0],
      [900, 100],
      [1000, 1000],
      [0, 1000],
    ];
    const free = withNewLine(withFreeOutline(panelOf(zone('A')), corners));
    expect([free.kind, free.areaM2]).toEqual(['free', areaOfPolygonM2(corners)]);
    const wide = withOutline(free, 'free', { widthMm: 2000, heightMm: 1000 });
    expect(wide.outline![1]).toEqual([1800, 100]);
    expect(drawnLines(wide)).toEqual([
      [
        [0, 500],
        [2000, 500],
      ],
    ]);
    expect(countOfLines(wide)).toBe(1);
    expect([...zonesOnLines(wide)]).toEqual(['A']);
  });
  test('lines that a file only counts are counted, not drawn', () => {
    expect(countOfLines({ bodyLines: 3 })).toBe(3);
    expect(drawnLines({ bodyLines: ['crease', [[0, 0]]] })).toEqual([]);
    expect(countOfLines({ bodyLines: ['crease', [[0, 0]]] })).toBe(2);
  });
  test('another size scales the shapes along', () => {
    const panel = drawn();
    const { widthMm, heightMm } = sizeFor('door', 2.1);
    const twice = withOutline(panel, 'door', { widthMm: widthMm * 2, heightMm });
    expect(areasOf(twice)['B']! / areasOf(panel)['B']!).toBeCloseTo(2, 1);
  });
  test('a zone is added, split, put on top and taken away, and the panel stays whole', () => {
    const { panel: added, id } = withNewZone(drawn(), drawn().zones[0]!);
    expect(id).toBe('D');
    const split = withSplitZone(added, 'D', middleLine(added, 'D')!)!;
    const topped = withZoneOnTop(split, 'B');
    const fewer = withoutZone(topped, 'E');
    expect(split.zones.map((one) => one.id)).toEqual(['A', 'B', 'C', 'D', 'E']);
    expect(topped.zones.at(-1)!.id).toBe('B');
    for (const panel of [added, split, topped, fewer]) {
      panelSchema.parse(panel);
      expect(panel.zones.reduce((sum, { areaM2 }) => sum + areaM2, 0)).toBeCloseTo(panel.areaM2, 2);
    }
  });
  test.each(OUTLINE_KINDS.filter((kind) => kind !== 'free'))('a new zone lies wholly on a %s', (kind) => {
    const { widthMm, heightMm } = OUTLINES[kind];
    const outline = outlineOf(kind, widthMm, heightMm);
    const panel = panelSchema.parse({ id: 'p', name: 'p', areaM2: 1, outline, zones: [zone('A')] });
    const { shape } = withNewZone(panel, panel.zones[0]!).panel.zones[1]!;
    expect(beyondShare(shape!, outline)).toBeLessThan(0.005);
    expect(isInRegion(innerPlaceOf(outline)!.at, { polygons: geometry(outline) })).toBe(true);
  });
  test('a line drawn around something is its shape; a tap, a stroke and a slip are none', () => {
    const outline = box(0, 0, 1000, 1000);
    const circle = Array.from({ length: 60 }, (_, i): [number, number] => [
      500 + 200 * Math.cos((i / 60) * 2 * Math.PI),
      500 + 150 * Math.sin((i / 60) * 2 * Math.PI),
    ]);
    const shape = drawnShape(circle, outline)!;
    expect(shape.length).toBeLessThan(20);
    expect(areaOfPolygonM2(shape)).toBeCloseTo(Math.PI * 0.2 * 0.15, 2);
    // An eight goes around what its ends go around.
    const eight = drawnShape(
      [
        [100, 100],
        [300, 300],
        [100, 300],
        [300, 100],
      ],
      outline,
    )!;
    expect(areaOfPolygonM2(eight)).toBeCloseTo(0.04, 3);
    const atEdge = drawnShape(
      [
        [10, 300],
        [200, 300],
        [200, 500],
        [12, 500],
      ],
      outline,
    )!;
    expect(Math.min(...atEdge.map(([x]) => x))).toBe(0);
    for (const none of [
      [[5, 5]],
      [
        [5, 5],
        [400, 6],
        [800, 7],
      ],
      [
        [5, 5],
        [9, 5],
        [9, 9],
      ],
    ] as [number, number][][])
      expect(drawnShape(none, outline)).toBeNull();
  });
  test('a line drawn anyhow is a shape that a panel may have, or none', () => {
    const point = fc.tuple(fc.integer({ min: -200, max: 1200 }), fc.integer({ min: -200, max: 1200 }));
    fc.assert(
      fc.property(fc.array(point, { maxLength: 80 }), (line) => {
        const shape = drawnShape(line, box(0, 0, 1000, 1000));
        if (shape) panelOf(zone('A'), zone('B', shape));
      }),
    );
  });
  test('a shape that comes near the edge goes on to it as a whole; how much lies beyond is known', () => {
    const outline = box(0, 0, 1000, 1000);
    const small = box(100, 100, 200, 200);
    expect(movedOnto(small, [-85, 0], outline)).toEqual(box(0, 100, 200, 200));
    expect(movedOnto(small, [300, 300], outline)).toEqual(box(400, 400, 200, 200));
    expect(movedOnto(small, [-85, 0], undefined)).toEqual(box(15, 100, 200, 200));
    expect(beyondShare(box(-50, 0, 100, 100), outline)).toBeCloseTo(0.5);
    expect(beyondShare(small, outline)).toBe(0);
  });
  test('the last zone stays', () => {
    const whole = panelOf(zone('A'));
    expect(withoutZone(whole, 'A')).toBe(whole);
  });
  test('without an outline a new zone takes a quarter of the one it is made from', () => {
    expect(areasOf(withNewZone(plain(), plain().zones[1]!).panel)).toMatchObject({ A: 1.125, D: 0.375 });
  });
  test('a survey is copied with its shares of the area', () => {
    const other = panelSchema.parse({
      ...plain(),
      id: 'q',
      areaM2: 4.2,
      zones: [zone('A', undefined, { areaM2: 4.2 })],
    });
    expect(areasOf(withSurveyOf(other, plain()))).toEqual({ A: 3, B: 0.7, C: 0.5 });
    const copied = withSurveyOf(withOutline(other, 'roof-skin', sizeFor('roof-skin', 4.2)), drawn());
    expect(copied.zones.map(({ id, shape }) => [id, shape !== undefined])).toEqual([
      ['A', false],
      ['B', true],
      ['C', true],
    ]);
  });
});

describe('parting and joining', () => {
  const areasOf = ({ zones }: Panel) => Object.fromEntries(zones.map(({ id, areaM2 }) => [id, areaM2]));

  test('a quarter turn of a line keeps its middle and its length', () => {
    expect(UPRIGHT).toEqual([
      [500, 0],
      [500, 1000],
    ]);
  });
  test('any line through a shape parts it without loss', () => {
    const shape = outlineOf('fender', 1100, 800);
    const on = fc.tuple(fc.integer({ min: 0, max: 1100 }), fc.integer({ min: 0, max: 800 }));
    fc.assert(
      fc.property(on, on, (p, q) => {
        const parts = partsAlong(shape, [p, q]);
        const m2 = (parts ?? [shape]).map(areaOfPolygonM2).reduce((sum, part) => sum + part, 0);
        expect(m2).toBeCloseTo(areaOfPolygonM2(shape), 2);
      }),
      runsOf(120),
    );
  });
  test('a line that misses the shape, or is none, leaves it whole', () => {
    expect(partsAlong(box(0, 0, 100, 100), LEVEL)).toBeNull();
    expect(partsAlong(box(0, 0, 100, 100), [LEVEL[0], LEVEL[0]])).toBeNull();
  });
  test('a line over a notch makes three zones of one', () => {
    const notched: Polygon = [
      [0, 0],
      [300, 0],
      [300, 500],
      [600, 500],
      [600, 0],
      [1000, 0],
      [1000, 900],
      [0, 900],
    ];
    const split = withSplitZone(panelOf(zone('A'), zone('B', notched)), 'B', [
      [0, 300],
      [1000, 300],
    ])!;
    expect(areasOf(split)).toEqual({ A: 0.25, B: 0.54, C: 0.12, D: 0.09 });
    expect(split.zones.every(({ layers }) => layers[0]!.kind === 'steel')).toBe(true);
  });
  test('the rest of the panel is split too: what is cut off lies under the other zones', () => {
    const whole = panelOf(zone('A'), zone('B', box(0, 0, 200, 200)));
    const split = withSplitZone(whole, 'A', [
      [300, 0],
      [300, 1000],
    ])!;
    expect(split.zones.map(({ id }) => id)).toEqual(['A', 'C', 'B']);
    expect(areasOf(split)).toEqual({ A: 0.7, C: 0.26, B: 0.04 });
  });
  test('what was split joins again to what it was', () => {
    const whole = panelOf(zone('A'), zone('B', box(100, 100, 600, 300)));
    const split = withSplitZone(whole, 'B', middleLine(whole, 'B')!)!;
    const joined = withJoinedZones(split, 'B', 'C')!;
    expect(areasOf(joined)).toEqual(areasOf(withAreas(whole)));
    expect(joined.zones.map(({ id }) => id)).toEqual(['A', 'B']);
  });
  test('zones that lie apart are not joined; one with the rest of the panel becomes the rest', () => {
    const made = panelOf(
      zone('A', undefined, { layers: [{ kind: 'steel' }, { kind: 'old-finish', um: 90 }] }),
      zone('B', box(0, 0, 100, 100)),
      zone('C', box(500, 500, 100, 100)),
      zone('D', box(550, 550, 100, 100)),
    );
    expect(withJoinedZones(made, 'B', 'C')).toBeNull();
    expect(joinableWith(made, 'C').map(({ id }) => id)).toEqual(['A', 'D']);
    const rest = withJoinedZones(made, 'B', 'A')!;
    expect(rest.zones.map(({ id, shape, layers }) => [id, shape, layers.length])[0]).toEqual([
      'B',
      undefined,
      1,
    ]);
    expect(areasOf(rest)).toEqual({ B: 0.9825, C: 0.0075, D: 0.01 });
  });
  test('without an outline areas add up', () => {
    const plain = panelSchema.parse({
      id: 'p',
      name: 'p',
      areaM2: 1,
      zones: [zone('A'), zone('B'), zone('C')],
    });
    expect(areasOf(withJoinedZones(plain, 'C', 'A')!)).toEqual({ B: 0.01, C: 0.02 });
    expect(middleLine(plain, 'A')).toBeNull();
  });
});
