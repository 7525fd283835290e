import {
  benchOf,
  clean,
  coat,
  coated,
  heard,
  masked,
  plain,
  put,
  scratched,
  soiled,
  verdictsOf,
} from '../testing/bench.ts';

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

test('C1: a new part is fitted on trial first', () => {
  const part = benchOf([{ stack: 'steel/ecoat:20' }], { panel: { new: true } });
  expect(heard('C1', plain('wash', 'A'), part)[0]).toMatch(/^note A: .*fit it on trial/);
});

describe('C1: parts', () => {
  const parts = [
    { name: 'handle', plan: 'remove', bag: '3' },
    { name: 'lamp', plan: 'mask' },
  ];
  const dressed = benchOf([{ stack: 'steel/ecoat:20' }], { panel: { parts } });
  test('come off before washing, fasteners into bags; what stays is masked', () => {
    expect(verdictsOf('C1', plain('wash', 'A'), dressed)[0]).toMatchObject({ remedy: { op: 'remove-part' } });
    expect(heard('C1', plain('wash', 'A'), dressed)[0]).toMatch(/handle \(bag 3\)/);
    expect(heard('C1', plain('mask', 'A'), dressed)[0]).toMatch(/^note A: Stays on .* lamp/);
    expect(heard('C1', plain('wash', 'A'), benchOf([{ stack: 'steel' }]))).toEqual([]);
  });
});

test('C2, C3: said once, where base follows and where the gun is first taken up', () => {
  const panel = put(benchOf([{ stack: 'steel/ecoat:20' }]), 'A', clean);
  expect(heard('C2', plain('hand-over', 'A'), panel)[0]).toMatch(/never between clear coats/);
  expect(heard('C2', coat('seal', 'A'), panel)).toEqual([]);
  expect(heard('C3', coat('seal', 'A'), panel)[0]).toMatch(/^note A: Gun clean/);
  expect(heard('C3', coat('seal', 'A'), put(panel, 'A', coated('build', 80)))).toEqual([]);
});
