import {
  body,
  benchOf,
  clean,
  coat,
  coated,
  saidBy,
  plain,
  put,
  sand,
  scratched,
  verdictsOf,
} from '../testing/bench.ts';

const low = (depthMm: number) => [{ kind: 'low', depthMm }];
const hollow = (stack: string, depthMm = 1, around = {}) =>
  put(benchOf([{ stack, findings: low(depthMm) }], around), 'all', clean);
const DENT = 'A/low';
const onMetal = { shop: { schools: { filler: 'on-metal' } } };

describe('F1: filler over cured, abraded epoxy or on abraded metal', () => {
  const epoxied = (sandableAtMin: number) =>
    put(hollow('steel'), DENT, coated('epoxy', 50, { sandableAtMin }), scratched('P180', 'machine'));
  test('over cured, abraded epoxy it is the default school', () =>
    expect(saidBy('F1', body('fill', DENT), epoxied(0))).toEqual([]));
  test('not over epoxy that is still soft: it is left to cure', () => {
    expect(verdictsOf('F1', body('fill', DENT), epoxied(600))[0]).toMatchObject({
      level: 'must',
      reason: { code: 'F1.uncured' },
      remedy: { op: 'cure' },
    });
  });
  test('metal is keyed P80, coarser than for epoxy', () => {
    const [verdict] = verdictsOf(
      'F1',
      body('fill', DENT),
      put(hollow('steel', 1, onMetal), DENT, scratched('P180', 'machine')),
    );
    expect(verdict).toMatchObject({ level: 'must', remedy: { op: 'abrade', grades: ['P80'] } });
  });
  test('on metal it is a school, which the shop may choose', () => {
    const keyed = (around = {}) =>
      saidBy('F1', body('fill', DENT), put(hollow('steel', 1, around), DENT, scratched('P80', 'machine')));
    expect(keyed()).toEqual([expect.stringMatching(/^school A\/low/)]);
    expect(keyed(onMetal)).toEqual([]);
  });
  test('filler that is found and sound stays, whatever the school of new work', () => {
    for (const around of [{}, onMetal])
      expect(saidBy('F1', plain('inspect', 'A'), benchOf([{ stack: 'steel/filler:800' }], around))).toEqual(
        [],
      );
  });
});

describe('F2: never over etch or a finish', () => {
  test('etch', () =>
    expect(saidBy('F2', body('fill', DENT), put(hollow('steel'), DENT, coated('etch', 8)))[0]).toMatch(
      /does not allow it over etch/,
    ));
  test('old finish under a dent is ground away first', () => {
    const [verdict] = verdictsOf('F2', body('fill', DENT), hollow('steel/old-finish:100'));
    expect(verdict).toMatchObject({
      reason: { code: 'F2.over' },
      remedy: { op: 'strip-sand', zones: [DENT] },
    });
  });
  test('filler found on finish is never kept', () => {
    const found = benchOf([{ stack: 'steel/old-finish:100/filler:600' }]);
    expect(verdictsOf('F2', plain('inspect', 'A'), found)[0]).toMatchObject({
      level: 'must',
      remedy: { op: 'strip-sand' },
    });
  });
  test('epoxy is fine', () =>
    expect(saidBy('F2', body('fill', DENT), put(hollow('steel'), DENT, coated('epoxy', 50)))).toEqual([]));
});

describe('F3: inside the sheet’s thickness', () => {
  test('3 mm may', () => expect(saidBy('F3', body('fill', DENT), hollow('steel', 3))).toEqual([]));
  test('3.1 mm may not', () =>
    expect(saidBy('F3', body('fill', DENT), hollow('steel', 3.1))[0]).toMatch(
      /3\.1 mm of filler, at most 3 mm/,
    ));
});

test('F5: filler is sanded dry', () => {
  const filled = benchOf([{ stack: 'steel/filler:800' }]);
  expect(saidBy('F5', sand('abrade', 'A', 'P180', 'block'), filled)).toEqual([]);
  expect(saidBy('F5', sand('abrade', 'A', 'P180', 'wet-hand'), filled)[0]).toMatch(/takes up water/);
});

describe('F6: the last filler grit follows the sink-back model', () => {
  const finished = (grade: 'P80' | 'P180' | 'P320', around = {}) =>
    put(benchOf([{ stack: 'steel/filler:800' }], around), 'A', clean, scratched(grade, 'block'));
  test('P80 is never left under primer', () => {
    const [verdict] = verdictsOf('F6', coat('prime-epoxy', 'A'), finished('P80'));
    expect(verdict).toMatchObject({
      level: 'must',
      reason: { facts: { grit: 'P180' } },
      remedy: { op: 'abrade', tool: 'block' },
    });
    expect(verdict!.reason.facts['sinkFineUm']).toBeCloseTo(21.32 * 0.0215, 3);
  });
  test('P180 passes at standard quality, show wants P320', () => {
    expect(saidBy('F6', coat('prime-epoxy', 'A'), finished('P180'))).toEqual([]);
    expect(
      saidBy('F6', coat('prime-epoxy', 'A'), finished('P180', { target: { quality: 'show' } }))[0],
    ).toMatch(/finished P320/);
    expect(saidBy('F6', coat('prime-epoxy', 'A'), finished('P320', { target: { quality: 'show' } }))).toEqual(
      [],
    );
  });
  test('a shop that always finishes P320 is followed', () => {
    const [verdict] = verdictsOf(
      'F6',
      coat('prime-epoxy', 'A'),
      finished('P180', { shop: { schools: { fillerFinish: 'P320' } } }),
    );
    expect(verdict!.reason).toMatchObject({ source: 'shop', facts: { grit: 'P320' } });
  });
});

describe('F7: pinholes are glazed before primer', () => {
  const holed = (around = {}) =>
    put(
      benchOf([{ stack: 'steel/filler:800', findings: [{ kind: 'pinholes' }] }], around),
      'A',
      clean,
      scratched('P180', 'block'),
    );
  test('glaze is what they need', () =>
    expect(verdictsOf('F7', coat('prime-epoxy', 'A'), holed())[0]).toMatchObject({
      remedy: { op: 'glaze' },
    }));
  test('a shelf without glaze says so', () => {
    const [verdict] = verdictsOf('F7', coat('prime-epoxy', 'A'), holed({ without: ['glaze'] }));
    expect(verdict).toMatchObject({ reason: { code: 'F7.no-glaze' } });
    expect(verdict!.remedy).toBeUndefined();
  });
  test('glaze over the shop’s limit is refused', () => {
    expect(saidBy('F7', body('glaze', 'A'), holed({ shop: { rules: { glazeMaxUm: 100 } } }))[0]).toMatch(
      /200 µm is more than 100 µm/,
    );
    expect(saidBy('F7', body('glaze', 'A'), holed())).toEqual([]);
  });
});

test('F4: the hardener share of the sheet is said where filler or glaze is mixed', () => {
  expect(saidBy('F4', body('fill', DENT), hollow('steel'))[0]).toMatch(
    /^note A\/low: Hardener 2% by mass, from 1% to 3%/,
  );
  expect(saidBy('F4', body('plastic-repair', 'A'), hollow('plastic-rigid'))).toEqual([]);
});
