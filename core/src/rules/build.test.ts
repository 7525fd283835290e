import {
  at,
  benchOf,
  clean,
  coat,
  coated,
  edged,
  saidBy,
  level,
  plain,
  put,
  sand,
  scratched,
  verdictsOf,
  wavy,
} from '../testing/bench.ts';

/** A patch (B) beside sound finish (A) of 115 µm, primed with 50 µm of epoxy. */
const primed = (around = {}) => {
  const bench = benchOf([{ stack: 'steel/old-finish:115', areaM2: 1 }, { stack: 'steel' }], around);
  return put(
    put(bench, 'A', clean, scratched('P360')),
    'B',
    clean,
    level,
    edged('feathered'),
    coated('epoxy', 50),
  );
};
/** The same with `um` of high-build on it. */
const built = (um: number, around = {}) => put(primed(around), 'B', coated('build', um));

describe('B1: enough film to be blocked level', () => {
  test('fresh build is blocked before the sealer', () => {
    expect(verdictsOf('B1', coat('seal', 'A B'), put(built(120), 'B', wavy(30)))[0]).toMatchObject({
      level: 'must',
      remedy: { op: 'block', zones: ['B'] },
    });
  });
  test('a ledge that no blocking takes away refuses the sealer', () => {
    const [verdict] = verdictsOf('B1', coat('seal', 'A B'), primed());
    expect(verdict).toMatchObject({
      zoneId: 'B',
      reason: { code: 'B1.ledge', facts: { ledgeUm: 65, limitUm: 20 } },
    });
    expect(verdict!.remedy).toBeUndefined();
  });
  test('level and sanded passes', () => {
    expect(saidBy('B1', coat('seal', 'A B'), put(built(65), 'B', scratched('P360')))).toEqual([]);
  });
  test.each([
    ['economy', 10, 0],
    ['standard', 30, 1],
    ['show', 58, 0],
    ['show', 40, 1],
  ])('at %s quality %d µm of build in a 65 µm step breaks it %d times', (quality, um, n) => {
    expect(
      saidBy('B1', coat('seal', 'A B'), put(built(um, { target: { quality } }), 'B', scratched('P360'))),
    ).toHaveLength(n);
  });
});

describe('B2: flash, and the sheet’s maximum', () => {
  const wet = put(built(100), 'B', (zone) => ({
    ...zone,
    stack: zone.stack.map((layer) =>
      layer.kind === 'build'
        ? { ...layer, laid: { ...layer.laid!, flash: { ...layer.laid!.flash, opensAtMin: 20 } } }
        : layer,
    ),
  }));
  test('nothing touches a wet coat', () => {
    expect(verdictsOf('B2', plain('guide-coat', 'B'), at(wet, 5))[0]).toMatchObject({
      level: 'must',
      remedy: { op: 'flash' },
    });
    expect(saidBy('B2', plain('guide-coat', 'B'), at(wet, 20))).toEqual([]);
  });
  test('coats add up to the maximum and no further', () => {
    expect(saidBy('B2', coat('prime-build', 'A', 4), put(benchOf([{ stack: 'steel' }]), 'A', clean))).toEqual(
      [],
    );
    expect(saidBy('B2', coat('prime-build', 'B', 3), built(100))[0]).toMatch(/250 µm thick, at most 200 µm/);
  });
});

test('B3: no sanding before the sheet’s time and 90 % cure', () => {
  const curing = put(benchOf([{ stack: 'steel' }]), 'A', clean, coated('build', 100, { sandableAtMin: 216 }));
  expect(verdictsOf('B3', sand('block', 'A', 'P240', 'block'), at(curing, 60))[0]).toMatchObject({
    level: 'must',
    reason: { facts: { leftMin: 156 } },
    remedy: { op: 'cure' },
  });
  expect(saidBy('B3', sand('block', 'A', 'P240', 'block'), at(curing, 216))).toEqual([]);
});

test('B4: the tip of the sheet is said with every coat that has one', () => {
  expect(saidBy('B4', coat('prime-build', 'B'), primed())[0]).toMatch(/^note B: Fluid tip 1\.7-2\.0 mm/);
  expect(saidBy('B4', plain('hand-over', 'B'), primed())).toEqual([]);
});

test('B5: what guide coat shows in fresh build is glazed and spot primed', () => {
  expect(saidBy('B5', plain('guide-coat', 'B'), built(150))[0]).toMatch(/^note B: Pinholes and deep marks/);
  expect(saidBy('B5', plain('guide-coat', 'B'), put(built(150), 'B', scratched('P240', 'block')))).toEqual(
    [],
  );
});
