import {
  benchOf,
  clean,
  coat,
  coated,
  edged,
  saidBy,
  plain,
  put,
  sand,
  scratched,
  soiled,
  verdictsOf,
} from '../testing/bench.ts';

const FINISH = 'steel/ecoat:20/old-finish:95';
const finish = (findings: object[] = [], around = {}) =>
  put(benchOf([{ stack: FINISH, findings }], around), 'A', clean, scratched('P400'));

describe('O1: unsound finish comes off', () => {
  test('sound finish stays', () => expect(saidBy('O1', coat('seal', 'A'), finish())).toEqual([]));
  test('a little peeling: this zone is stripped', () => {
    const bench = put(
      benchOf([
        { stack: FINISH, areaM2: 0.1, findings: [{ kind: 'peeling', share: 1 }] },
        { stack: FINISH, areaM2: 1 },
      ]),
      'all',
      clean,
    );
    expect(verdictsOf('O1', coat('seal', 'A B'), bench)[0]).toMatchObject({
      reason: { code: 'O1.local' },
      remedy: { op: 'strip-sand', zones: ['A'] },
    });
  });
  test('over a fifth of the panel: all finish is stripped', () => {
    const bench = put(
      benchOf([
        { stack: FINISH, areaM2: 0.5, findings: [{ kind: 'checked', share: 1 }] },
        { stack: FINISH, areaM2: 1 },
      ]),
      'all',
      clean,
    );
    expect(verdictsOf('O1', coat('seal', 'A B'), bench)[0]).toMatchObject({
      reason: { code: 'O1.panel' },
      remedy: { zones: ['A', 'B'] },
    });
  });
  test('a cross-cut of class 2 counts as unsound', () => {
    const bench = put(benchOf([{ stack: FINISH, tests: [{ kind: 'cross-cut', outcome: 2 }] }]), 'A', clean);
    expect(saidBy('O1', coat('seal', 'A'), bench)[0]).toMatch(/Unsound finish/);
  });
  test('too thick a film comes off', () => {
    const bench = put(benchOf([{ stack: 'steel/old-finish:450' }]), 'A', clean);
    expect(saidBy('O1', coat('seal', 'A'), bench)[0]).toMatch(/450 µm is more than 400 µm/);
  });
});

test('O3: grease is taken off before sanding', () => {
  const dirty = put(finish(), 'A', soiled('washed'));
  expect(verdictsOf('O3', sand('abrade', 'A', 'P320'), dirty)[0]).toMatchObject({
    level: 'must',
    remedy: { op: 'degrease' },
  });
  expect(saidBy('O3', sand('abrade', 'A', 'P320'), finish())).toEqual([]);
});

test('O4: an edge of finish is feathered before primer', () => {
  expect(verdictsOf('O4', coat('prime-epoxy', 'A'), put(finish(), 'A', edged('raw')))[0]).toMatchObject({
    level: 'must',
    remedy: { op: 'feather' },
  });
  expect(saidBy('O4', coat('prime-epoxy', 'A'), put(finish(), 'A', edged('feathered')))).toEqual([]);
});

test('O5: the first coat over a feathered edge is light', () => {
  const feathered = put(finish(), 'A', edged('feathered'));
  expect(saidBy('O5', coat('prime-epoxy', 'A'), feathered)[0]).toMatch(/^should A: A heavy first coat/);
  expect(saidBy('O5', coat('prime-epoxy', 'A', 1, { isLightFirst: true }), feathered)).toEqual([]);
  expect(saidBy('O5', coat('prime-build', 'A'), put(feathered, 'A', coated('epoxy', 50)))).toEqual([]);
});

describe('N1: sound e-coat is left alone or scuffed, as the shop chooses', () => {
  const part = (around = {}) => put(benchOf([{ stack: 'steel/ecoat:20' }], around), 'A', clean);
  test('left alone where the sheet allows it', () =>
    expect(saidBy('N1', coat('seal', 'A'), part())).toEqual([]));
  test('scuffed where the sheet does not', () => {
    expect(verdictsOf('N1', coat('prime-build', 'A'), part())[0]).toMatchObject({
      level: 'must',
      reason: { code: 'N1.sheet' },
      remedy: { op: 'abrade', grades: ['P400'] },
    });
  });
  test('scuffed by the other school', () => {
    expect(
      verdictsOf('N1', coat('seal', 'A'), part({ shop: { schools: { ecoat: 'scuff' } } }))[0],
    ).toMatchObject({ reason: { code: 'N1.scuff', source: 'shop' } });
  });
});

describe('N3: cut-throughs get the treatment of bare metal', () => {
  const cut = (spotMm: number) =>
    put(
      benchOf([
        { stack: 'steel/ecoat:20', areaM2: 1, findings: [{ kind: 'rub-through', spotMm, count: 2 }] },
      ]),
      'all',
      clean,
    );
  const SPOTS = 'A/rub-through';
  test('small ones may be sealed over', () => expect(saidBy('N3', coat('seal', SPOTS), cut(12))).toEqual([]));
  test('large ones may not, epoxy may', () => {
    expect(saidBy('N3', coat('seal', SPOTS), cut(80))[0]).toMatch(
      /Cut through to bare steel 80 mm wide \(2 in all/,
    );
    expect(saidBy('N3', coat('prime-epoxy', SPOTS), cut(80))).toEqual([]);
  });
  test('none is handed over bare', () =>
    expect(saidBy('N3', plain('hand-over', SPOTS), cut(12))).toHaveLength(1));
});

describe('O2: soluble finish is stripped or isolated', () => {
  const soluble = put(benchOf([{ stack: 'steel/old-finish-soluble:120' }]), 'A', clean, scratched('P320'));
  test('two coats of epoxy isolate, one does not, and nothing else goes on', () => {
    expect(saidBy('O2', coat('prime-epoxy', 'A', 2), soluble)).toEqual([
      expect.stringMatching(/^should A: Isolated, not removed/),
    ]);
    expect(saidBy('O2', coat('prime-epoxy', 'A', 1), soluble)[0]).toMatch(
      /softens under thinner: strip it, or isolate it/,
    );
    expect(saidBy('O2', coat('prime-build', 'A', 2), soluble)).toHaveLength(1);
    expect(saidBy('O2', plain('hand-over', 'A'), soluble)).toHaveLength(1);
  });
  test('a finish that softens under the rag is soluble, whatever it is called', () => {
    const softens = put(
      benchOf([{ stack: FINISH, tests: [{ kind: 'solvent-rub', outcome: 'softens' }] }]),
      'A',
      clean,
    );
    expect(saidBy('O2', coat('seal', 'A'), softens)).toHaveLength(1);
    const holds = put(
      benchOf([{ stack: FINISH, tests: [{ kind: 'solvent-rub', outcome: 'none' }] }]),
      'A',
      clean,
    );
    expect(saidBy('O2', coat('seal', 'A'), holds)).toEqual([]);
  });
  test('over the isolation no heavy wet coat', () => {
    const isolated = put(soluble, 'A', coated('epoxy', 50));
    expect(saidBy('O2', coat('prime-build', 'A'), isolated)).toEqual([]);
    const { context } = isolated;
    const build = context.shelf.get('build-4-1-1')!;
    const heavy = { ...build, film: { ...build.film, perCoatUm: 65 } };
    const around = put(
      benchOf([{ stack: 'steel/old-finish-soluble:120' }], { sheets: [heavy] }),
      'A',
      clean,
      coated('epoxy', 50),
    );
    expect(saidBy('O2', coat('prime-build', 'A'), around)[0]).toMatch(/^should A: 154 µm wet/);
  });
});

describe('N2: a maker’s primer gets the solvent rub', () => {
  const part = (tests: object[] = []) =>
    put(benchOf([{ stack: 'steel/part-primer:30', tests }]), 'A', clean, scratched('P400'));
  test('before anything goes on', () => {
    expect(verdictsOf('N2', coat('seal', 'A'), part())[0]).toMatchObject({
      level: 'must',
      remedy: { op: 'test' },
    });
    expect(saidBy('N2', coat('seal', 'A'), part([{ kind: 'solvent-rub', outcome: 'none' }]))).toEqual([]);
  });
  test('and what softens is treated as soluble', () => {
    const soft = part([{ kind: 'solvent-rub', outcome: 'softens' }]);
    expect(saidBy('N2', coat('seal', 'A'), soft)).toEqual([]);
    expect(saidBy('O2', coat('seal', 'A'), soft)).toHaveLength(1);
  });
});
