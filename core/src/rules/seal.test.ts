import { at, benchOf, clean, coat, coated, saidBy, plain, put, sand, verdictsOf } from '../testing/bench.ts';

const TWO = [{ stack: 'steel/old-finish:100', areaM2: 1 }, { stack: 'steel' }];

describe('S1: mixed surfaces are sealed', () => {
  test('finish beside build is not handed to base', () => {
    const mixed = put(put(benchOf(TWO), 'all', clean), 'B', coated('build', 80));
    expect(saidBy('S1', plain('hand-over', 'A B'), mixed)[0]).toMatch(
      /Different surfaces side by side \(old finish, high-build\)/,
    );
  });
  test('one surface is', () => {
    expect(
      saidBy(
        'S1',
        plain('hand-over', 'A'),
        put(benchOf([{ stack: 'steel' }]), 'A', clean, coated('build', 80)),
      ),
    ).toEqual([]);
  });
  test('filler and e-coat are no surface for base', () => {
    expect(saidBy('S1', plain('hand-over', 'A'), benchOf([{ stack: 'steel/filler:500' }]))[0]).toMatch(
      /Filler is not a surface for base/,
    );
    expect(saidBy('S1', plain('hand-over', 'A'), benchOf([{ stack: 'steel/ecoat:20' }]))).toHaveLength(1);
  });
});

describe('S2: one coat or two, inside the sag limit', () => {
  const sealed = (coats: number, around = {}) =>
    saidBy('S2', coat('seal', 'A', coats), put(benchOf([{ stack: 'steel/ecoat:20' }], around), 'A', clean));
  test('one is the default school, two is another', () => {
    expect(sealed(1)).toEqual([]);
    expect(sealed(2)).toEqual([expect.stringMatching(/^school A/)]);
    expect(sealed(2, { shop: { schools: { sealerCoats: 'two' } } })).toEqual([]);
  });
  test('a part off the vehicle is laid flat for a coat that would sag on it', () => {
    const { context } = benchOf([{ stack: 'steel/ecoat:20' }]);
    const heavy = { ...context.shelf.get('sealer-3-1-1')!, film: { perCoatUm: 40, coats: 1, maxUm: 60 } };
    const panel = { shape: 'sharp', offVehicle: true };
    expect(sealed(1, { panel, sheets: [heavy] })).toEqual([
      expect.stringMatching(/^note A: .*laid flat for this coat/),
    ]);
    const { film } = heavy;
    const thin = { ...heavy, film: { ...film, maxWetUm: 60 } };
    expect(sealed(1, { panel, sheets: [thin] })[0]).toMatch(/must A: .* wet sags/);
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
  expect(saidBy('S3', coat('seal', 'A'), at(epoxied, 4320))).toEqual([]);
  expect(verdictsOf('S3', coat('seal', 'A'), at(epoxied, 4400))[0]).toMatchObject({
    level: 'must',
    remedy: { op: 'abrade', grades: ['P600'] },
  });
});

test('S4: a tone far from the base is remarked', () => {
  const target = { base: { color: '#1b7f86' } };
  const under = (toneL: number, kind: 'sealer' | 'build' = 'sealer') =>
    saidBy(
      'S4',
      plain('hand-over', 'A'),
      put(benchOf([{ stack: 'steel/ecoat:20' }], { target }), 'A', clean, coated(kind, 25, { toneL })),
    );
  expect(under(40)).toEqual([]);
  expect(under(80, 'build')).toHaveLength(1);
  const found = (color: string) =>
    saidBy(
      'S4',
      plain('hand-over', 'A'),
      benchOf([{ stack: 'steel/old-finish:100', color }], { target: { base: { color: '#f4f4f2' } } }),
    );
  expect([found('#f0f0f0').length, found('#101010').length]).toEqual([0, 1]);
  expect(under(80)[0]).toMatch(/^should A: Grey 80 is far from a base as light as grey 48/);
});

test('S5: a non-sanding product is not sanded inside its window', () => {
  const sealed = put(
    benchOf([{ stack: 'steel/ecoat:20' }]),
    'A',
    clean,
    coated('sealer', 25, { sandableAtMin: null, closesAtMin: 720 }),
  );
  expect(saidBy('S5', sand('abrade', 'A', 'P600'), at(sealed, 60))[0]).toMatch(/spot denib only/);
  expect(saidBy('S5', sand('abrade', 'A', 'P600'), at(sealed, 800))).toEqual([]);
});

test('S5: a nib is cut P600 to P1000 at its spot', () => {
  const sealed = put(
    benchOf([{ stack: 'steel/ecoat:20' }]),
    'A',
    clean,
    coated('sealer', 25, { sandableAtMin: null }),
  );
  expect(saidBy('S5', sand('denib', 'A', 'P800'), sealed)).toEqual([]);
  expect(saidBy('S5', sand('denib', 'A', 'P400'), sealed)[0]).toMatch(/cut P600 to P1000/);
});

test('S6: induction and pot life come with the mix, where the sheet has them', () => {
  const panel = benchOf([{ stack: 'steel/ecoat:20' }]);
  expect(saidBy('S6', coat('prime-epoxy', 'A'), panel)[0]).toMatch(/stand 15 min .* pot life 4 h/);
  expect(saidBy('S6', coat('seal', 'A'), panel)[0]).toMatch(/pot life 1 h 30/);
  expect(saidBy('S6', coat('prime-etch', 'A'), panel)).toEqual([]);
});

test('S7: wet-on-wet says how it is laid, a sealer does not', () => {
  const part = benchOf([{ stack: 'steel/ecoat:20' }]);
  expect(saidBy('S7', coat('prime-wet-on-wet', 'A', 2), part)[0]).toMatch(/no sanding; base after 15 min/);
  expect(saidBy('S7', coat('seal', 'A'), part)).toEqual([]);
});

describe('S8: epoxy under the last coat, by school', () => {
  const epoxied = (epoxySealer: string) =>
    put(
      benchOf([{ stack: 'steel' }], { shop: { schools: { epoxySealer } } }),
      'A',
      clean,
      coated('epoxy', 50),
    );
  test('inside its window base goes on it unsanded', () => {
    expect(saidBy('S8', plain('hand-over', 'A'), epoxied('wet-on-wet'))[0]).toMatch(
      /^note A: Epoxy takes base unsanded/,
    );
    expect(saidBy('S8', coat('seal', 'A'), epoxied('wet-on-wet'))).toEqual([]);
  });
  test('or it is scuffed and sealed', () => {
    expect(verdictsOf('S8', coat('seal', 'A'), epoxied('cured'))[0]?.remedy).toMatchObject({
      op: 'abrade',
      grades: ['P400'],
    });
    expect(saidBy('S8', plain('hand-over', 'A'), epoxied('cured'))[0]).toMatch(/^school A/);
  });
});
