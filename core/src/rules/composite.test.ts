import { withIssue, withoutIssues } from '../operations/issues.ts';
import {
  benchOf,
  clean,
  coat,
  coated,
  saidBy,
  masked,
  plain,
  put,
  sand,
  scratched,
  verdictsOf,
} from '../testing/bench.ts';

const raw = (findings: object[] = []) => benchOf([{ stack: 'fiberglass', findings }]);

test('GP1: release wax is degreased off before sanding', () => {
  const waxed = put(raw([{ kind: 'release-agent' }]), 'A', clean);
  expect(verdictsOf('GP1', sand('abrade', 'A', 'P320'), waxed)[0]).toMatchObject({
    level: 'must',
    remedy: { op: 'degrease' },
  });
  expect(saidBy('GP1', sand('abrade', 'A', 'P320'), put(raw(), 'A', clean))).toEqual([]);
});

describe('GP2: never into the cloth', () => {
  test.each([
    ['P80', 1],
    ['P180', 0],
    ['P320', 0],
  ] as const)('%s on bare fiberglass breaks it %d times', (grade, n) => {
    expect(saidBy('GP2', sand('abrade', 'A', grade), put(raw(), 'A', clean))).toHaveLength(n);
  });
  test('nor through a finish that is stripped', () => {
    expect(
      saidBy('GP2', sand('strip-sand', 'A', 'P80'), benchOf([{ stack: 'fiberglass/old-finish:120' }])),
    ).toHaveLength(1);
    expect(
      saidBy('GP2', sand('strip-sand', 'A', 'P180'), benchOf([{ stack: 'fiberglass/old-finish:120' }])),
    ).toEqual([]);
  });
});

test('GP2: a broken laminate is mended before any coat', () => {
  const broken = benchOf([{ stack: 'fiberglass', findings: [{ kind: 'hole', lengthMm: 60 }] }]);
  expect(verdictsOf('GP2', coat('prime-epoxy', 'A/hole'), broken)[0]?.remedy).toMatchObject({
    op: 'laminate-repair',
  });
  expect(saidBy('GP2', coat('prime-epoxy', 'A'), raw())).toEqual([]);
});

test('GP5: skin cover where glass is sanded, and only there', () => {
  expect(saidBy('GP5', sand('abrade', 'A', 'P320'), raw())[0]).toMatch(/^note A: Glass dust/);
  expect(saidBy('GP5', sand('abrade', 'A', 'P320'), benchOf([{ stack: 'steel' }]))).toEqual([]);
});

test('GP3: pinholes are looked for again under the first primer', () => {
  const primed = put(raw(), 'A', clean, coated('epoxy', 50), (zone) => withIssue(zone, 'look'));
  expect(verdictsOf('GP3', coat('prime-build', 'A'), primed)[0]).toMatchObject({
    level: 'must',
    remedy: { op: 'inspect' },
  });
  const looked = put(primed, 'A', (zone) => withoutIssues(zone, 'look'));
  expect(saidBy('GP3', coat('prime-build', 'A'), looked)).toEqual([]);
});

test('GP4: no etch on fiberglass', () => {
  const ready = masked(put(raw(), 'A', clean, scratched('P320', 'machine')));
  expect(saidBy('GP4', coat('prime-etch', 'A'), ready)[0]).toMatch(/No acid etch on fiberglass/);
  expect(saidBy('GP4', coat('prime-etch', 'A'), benchOf([{ stack: 'steel' }]))).toEqual([]);
});

test('S1: bare gelcoat is no surface for base', () => {
  expect(saidBy('S1', plain('hand-over', 'A'), raw())[0]).toMatch(/Fiberglass is not a surface for base/);
});
