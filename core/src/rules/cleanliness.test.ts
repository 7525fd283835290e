import { costOf, perform } from '../operations/perform.ts';
import {
  benchOf,
  clean,
  coat,
  coated,
  saidBy,
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
  expect(saidBy('C1', plain('wash', 'A'), part)[0]).toMatch(/^note A: .*fit it on trial/);
});

describe('C1: parts', () => {
  const parts = [
    { name: 'handle', plan: 'remove', bag: '3' },
    { name: 'lamp', plan: 'mask' },
  ];
  const dressed = benchOf([{ stack: 'steel/ecoat:20' }], { panel: { parts } });
  test('come off before washing, fasteners into bags; what stays is masked', () => {
    expect(verdictsOf('C1', plain('wash', 'A'), dressed)[0]).toMatchObject({ remedy: { op: 'remove-part' } });
    expect(saidBy('C1', plain('wash', 'A'), dressed)[0]).toMatch(/handle \(bag 3\)/);
    // Open filler is never washed: parts come off before its first wipe all the same.
    expect(verdictsOf('C1', plain('degrease', 'A'), dressed)[0]).toMatchObject({
      remedy: { op: 'remove-part' },
    });
    const off = { ...dressed, state: perform(dressed.state, plain('remove-part', 'A'), dressed.context) };
    expect(saidBy('C1', plain('mask', 'A'), off)[0]).toMatch(/^note A: Stays on .* lamp/);
    expect(saidBy('C1', plain('wash', 'A'), benchOf([{ stack: 'steel' }]))).toEqual([]);
  });
});

test('C2, C3: said once, where base follows and where the gun is first taken up', () => {
  const panel = put(benchOf([{ stack: 'steel/ecoat:20' }]), 'A', clean);
  expect(saidBy('C2', plain('hand-over', 'A'), panel)[0]).toMatch(/never between clear coats/);
  expect(saidBy('C2', coat('seal', 'A'), panel)).toEqual([]);
  expect(saidBy('C3', coat('seal', 'A'), panel)[0]).toMatch(/^note A: Gun clean/);
  expect(saidBy('C3', coat('seal', 'A'), put(panel, 'A', coated('build', 80)))).toEqual([]);
});

test('C1: a glued seal is warmed, cut and scraped; its glue goes with the first wipe; it takes longer', () => {
  const withSeal = (glued: boolean) =>
    benchOf([{ stack: 'steel/old-finish:100' }], {
      panel: { parts: [{ name: 'seal', plan: 'remove', glued }] },
    });
  const [glued, clipped] = [withSeal(true), withSeal(false)];
  const off = plain('remove-part', 'A');
  expect(saidBy('C1', off, glued)[0]).toMatch(/^note A: Glued on: seal.*plastic blade/);
  expect(saidBy('C1', off, clipped)).toEqual([]);
  expect(costOf(off, glued.state, glued.context).handsOnMin).toBeGreaterThan(
    costOf(off, clipped.state, clipped.context).handsOnMin,
  );
  const scraped = perform(glued.state, off, glued.context);
  expect(scraped.zones[0]!.openIssues).toContain('glue');
  expect(perform(scraped, plain('degrease', 'A'), glued.context).zones[0]!.openIssues).not.toContain('glue');
});

test('C1: foam tape for edges and jambs, tape folded back where primer ends in the panel, off while it is soft', () => {
  const said = (sketch: object, panel: object = {}) =>
    saidBy(
      'C1',
      plain('mask', 'A'),
      benchOf([{ stack: 'steel/old-finish:100', ...sketch }], { panel }),
    ).join();
  expect(said({})).toMatch(/still soft/);
  expect(said({})).not.toMatch(/Foam|folded back on itself/);
  expect(said({ facts: { face: 'edge' } })).toMatch(/Foam tape/);
  expect(said({ facts: { face: 'edge' } }, { offVehicle: true })).not.toMatch(/Foam tape/);
  expect(said({ findings: [{ kind: 'low', depthMm: 1, sizeMm: 60 }] })).toMatch(/folded back on itself/);
});

test('C3: a test card before the first coat; a part with two sides hangs', () => {
  const said = (face: string, offVehicle: boolean) =>
    saidBy(
      'C3',
      coat('seal', 'A'),
      benchOf([{ stack: 'steel/ecoat:20', facts: { face } }], { panel: { offVehicle } }),
    );
  expect(said('outside', true).join()).toMatch(/test card first/);
  expect(said('inside', true).join()).toMatch(/both sides/);
  expect(said('inside', false).join()).not.toMatch(/both sides/);
});
