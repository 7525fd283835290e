import {
  at,
  benchOf,
  clean,
  coat,
  coated,
  heard,
  masked,
  plain,
  put,
  sand,
  scratched,
  soiled,
  verdictsOf,
} from '../testing/bench.ts';

const TWO = [{ stack: 'steel/old-finish:100', areaM2: 1 }, { stack: 'steel' }];

describe('S1: mixed surfaces are sealed', () => {
  test('finish beside build is not handed to base', () => {
    const mixed = put(put(benchOf(TWO), 'all', clean), 'B', coated('build', 80));
    expect(heard('S1', plain('hand-over', 'A B'), mixed)[0]).toMatch(
      /Different surfaces side by side \(old finish, high-build\)/,
    );
  });
  test('one surface is', () => {
    expect(
      heard(
        'S1',
        plain('hand-over', 'A'),
        put(benchOf([{ stack: 'steel' }]), 'A', clean, coated('build', 80)),
      ),
    ).toEqual([]);
  });
  test('filler and e-coat are no surface for base', () => {
    expect(heard('S1', plain('hand-over', 'A'), benchOf([{ stack: 'steel/filler:500' }]))[0]).toMatch(
      /Filler is not a surface for base/,
    );
    expect(heard('S1', plain('hand-over', 'A'), benchOf([{ stack: 'steel/ecoat:20' }]))).toHaveLength(1);
  });
});

describe('S2: one coat or two, inside the sag limit', () => {
  const sealed = (coats: number, around = {}) =>
    heard('S2', coat('seal', 'A', coats), put(benchOf([{ stack: 'steel/ecoat:20' }], around), 'A', clean));
  test('one is the default school, two is another', () => {
    expect(sealed(1)).toEqual([]);
    expect(sealed(2)).toEqual([expect.stringMatching(/^school A/)]);
    expect(sealed(2, { shop: { schools: { sealerCoats: 'two' } } })).toEqual([]);
  });
  test('a sealer that runs on a sharply shaped panel is refused', () => {
    const { context } = benchOf([{ stack: 'steel/ecoat:20' }]);
    const heavy = { ...context.shelf.get('sealer-3-1-1')!, film: { perCoatUm: 40, coats: 1, maxUm: 60 } };
    expect(sealed(1, { panel: { shape: 'sharp' }, sheets: [heavy] })[0]).toMatch(
      /must A: .* wet sags on this panel/,
    );
  });
});

test('S3: the next coat goes on inside the window; past it, scuff', () => {
  const epoxied = put(benchOf([{ stack: 'steel' }]), 'A', clean, coated('epoxy', 50, { closesAtMin: 4320 }));
  expect(heard('S3', coat('seal', 'A'), at(epoxied, 4320))).toEqual([]);
  expect(verdictsOf('S3', coat('seal', 'A'), at(epoxied, 4400))[0]).toMatchObject({
    level: 'must',
    remedy: { op: 'abrade', grades: ['P600'] },
  });
});

test('S4: a tone far from the base is remarked', () => {
  const target = { base: { color: '#1b7f86' } };
  const under = (toneL: number) =>
    heard(
      'S4',
      coat('seal', 'A', 1, { toneL }),
      put(benchOf([{ stack: 'steel/ecoat:20' }], { target }), 'A', clean),
    );
  expect(under(40)).toEqual([]);
  expect(under(80)[0]).toMatch(/^should A: Tone L\* 80 is far from a base of L\* 48/);
});

test('S5: a non-sanding product is not sanded inside its window', () => {
  const sealed = put(
    benchOf([{ stack: 'steel/ecoat:20' }]),
    'A',
    clean,
    coated('sealer', 25, { sandableAtMin: null, closesAtMin: 720 }),
  );
  expect(heard('S5', sand('abrade', 'A', 'P600'), at(sealed, 60))[0]).toMatch(/spot denib only/);
  expect(heard('S5', sand('abrade', 'A', 'P600'), at(sealed, 800))).toEqual([]);
});

describe('C1: clean, masked and tacked before spraying', () => {
  const found = benchOf([{ stack: 'steel/ecoat:20' }]);
  const remedyOf = (bench: typeof found, act = coat('seal', 'A')) =>
    verdictsOf('C1', act, bench)[0]?.remedy?.op;
  test('each thing that is missing asks for its own work', () => {
    expect(verdictsOf('C1', plain('degrease', 'A'), found)[0]?.remedy?.op).toBe('wash');
    expect(remedyOf(put(found, 'A', soiled('washed')))).toBe('degrease');
    expect(remedyOf(put(found, 'A', soiled('dusty')))).toBe('degrease');
    expect(remedyOf(put(found, 'A', clean))).toBe('mask');
    expect(remedyOf(masked(put(found, 'A', soiled('clean'))))).toBe('tack');
    expect(remedyOf(masked(put(found, 'A', clean)))).toBeUndefined();
  });
  test('open filler is tacked, never wiped wet', () => {
    const filler = masked(
      put(benchOf([{ stack: 'steel/filler:500' }]), 'A', soiled('dusty'), scratched('P180', 'block')),
    );
    expect(remedyOf(filler, coat('prime-epoxy', 'A'))).toBe('tack');
  });
});
