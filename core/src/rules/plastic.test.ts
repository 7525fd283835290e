import type { OpenIssue } from '../survey/open-issue.ts';
import { withoutIssues } from '../operations/issues.ts';
import {
  at,
  benchOf,
  body,
  clean,
  coat,
  coated,
  saidBy,
  masked,
  plain,
  put,
  sand,
  scratched,
  soiled,
  verdictsOf,
  type Bench,
} from '../testing/bench.ts';

const settled =
  (...issues: OpenIssue[]) =>
  (zone: Bench['state']['zones'][number]) =>
    withoutIssues(zone, ...issues);

const rawPart = (findings: object[] = [], stack = 'plastic-olefin', panel: object = {}, shop: object = {}) =>
  benchOf([{ stack, findings }], { panel, shop });
/** Washed, wiped, dulled and masked: only what a test is about is left open. */
const ready = (bench: Bench = rawPart()) =>
  masked(
    put(bench, 'A', settled('static', 'hidden-edges', 'wax', 'dressing'), scratched('P500', 'hand'), clean),
  );
const promoted = (bench: Bench = ready(), closesAtMin = 30) =>
  put(bench, 'A', coated('promoter', 3, { closesAtMin, sandableAtMin: null }), clean);

describe('P1: soap, then the antistatic cleaner', () => {
  test('dressing is washed off once more', () => {
    const dressed = put(rawPart([{ kind: 'dressing' }]), 'A', soiled('grime'));
    expect(saidBy('P1', plain('antistatic-wipe', 'A'), dressed)[0]).toMatch(/washed off deep and twice/);
    expect(saidBy('P1', plain('antistatic-wipe', 'A'), rawPart())).toEqual([]);
  });
  test('static is wiped off before anything is sprayed', () => {
    expect(verdictsOf('P1', coat('promote', 'A'), put(rawPart(), 'A', clean))[0]).toMatchObject({
      level: 'must',
      remedy: { op: 'antistatic-wipe' },
    });
    expect(saidBy('P1', coat('promote', 'A'), ready())).toEqual([]);
  });
  test('solvent on raw plastic is a school', () => {
    expect(saidBy('P1', plain('degrease', 'A'), rawPart())[0]).toMatch(/^school A/);
    const bold = rawPart([], 'plastic-olefin', {}, { schools: { rawPlasticSolvent: 'yes' } });
    expect(saidBy('P1', plain('degrease', 'A'), bold)).toEqual([]);
  });
});

test('P2: a raw new moulding should be tempered before it is sanded', () => {
  const moulding = put(rawPart([], 'plastic-olefin', { new: true }), 'A', soiled('washed'));
  expect(verdictsOf('P2', sand('abrade', 'A', 'P320'), moulding)[0]).toMatchObject({
    level: 'should',
    remedy: { op: 'temper' },
  });
  expect(saidBy('P2', sand('abrade', 'A', 'P320'), rawPart())).toEqual([]);
});

describe('P3: the finish decides about sanding', () => {
  test('smooth plastic is dulled with a fine pad; without one in the shop it is keyed P320 and P500', () => {
    const shiny = (around = {}) =>
      put(ready(benchOf([{ stack: 'plastic-olefin' }], around)), 'A', (zone) => ({
        ...zone,
        surface: { ...zone.surface, scratch: null },
      }));
    expect(verdictsOf('P3', coat('promote', 'A'), shiny())[0]?.remedy).toMatchObject({ tool: 'pad-fine' });
    const shop = { tools: ['block', 'machine', 'hand'], stock: ['P180', 'P320', 'P400', 'P600'] };
    expect(verdictsOf('P3', coat('promote', 'A'), shiny({ shop }))[0]?.remedy).toMatchObject({
      op: 'abrade',
      grades: ['P320', 'P600'],
    });
    expect(saidBy('P3', coat('promote', 'A'), ready())).toEqual([]);
  });
  test('texture that stays is neither sanded nor built over', () => {
    const grained = ready(rawPart([{ kind: 'texture', want: 'keep' }]));
    expect(saidBy('P3', sand('abrade', 'A', 'P320'), grained)[0]).toMatch(/texture stays: no sanding/);
    expect(saidBy('P3', coat('prime-build', 'A'), grained)[0]).toMatch(/would fill the texture/);
    expect(saidBy('P3', sand('scuff', 'A', 'P400'), grained)).toEqual([]);
  });
});

describe('P4: promoter on low-energy plastic, and its window', () => {
  test('a coat on bare PP asks for promoter', () => {
    expect(verdictsOf('P4', coat('prime-plastic', 'A'), ready())[0]?.remedy).toMatchObject({ op: 'promote' });
  });
  test.each([
    ['inside the window', 20, 0],
    ['past it', 31, 1],
  ])('%s', (_, clockMin, n) => {
    const late = saidBy('P4', coat('prime-plastic', 'A'), at(promoted(), clockMin));
    expect(late).toHaveLength(n);
    if (n) expect(late[0]).toMatch(/window of 30 min has closed: promote again/);
  });
  test('rigid plastic needs none, unless a float or tape test says otherwise', () => {
    const rigid = (tests: object[], findings: object[] = []) =>
      saidBy('P4', coat('prime-plastic', 'A'), ready(benchOf([{ stack: 'plastic-rigid', tests, findings }])))
        .length;
    expect(rigid([])).toBe(0);
    expect(rigid([{ kind: 'float', outcome: 'floats' }])).toBe(1);
    expect(rigid([{ kind: 'moulding-mark', outcome: 'PP/EPDM' }])).toBe(1);
    expect(rigid([], [{ kind: 'unknown-plastic' }])).toBe(1);
    expect(rigid([{ kind: 'moulding-mark', outcome: 'ABS' }], [{ kind: 'unknown-plastic' }])).toBe(0);
  });
  test('a shop without promoter is told to add its sheet', () => {
    const bare = ready(benchOf([{ stack: 'plastic-olefin' }], { without: ['promoter'] }));
    expect(saidBy('P4', coat('prime-plastic', 'A'), bare)[0]).toMatch(/none on the shelf: add its sheet/);
  });
});

describe('P5: what bends', () => {
  test('gets the additive of the sheet, and no coat whose sheet has none', () => {
    expect(saidBy('P5', coat('prime-plastic', 'A'), promoted())[0]).toMatch(/^note A: A flexible part: 15%/);
    expect(saidBy('P5', coat('prime-epoxy', 'A'), ready())[0]).toMatch(
      /^must A: .*names no flexible additive/,
    );
    expect(saidBy('P5', coat('prime-epoxy', 'A'), benchOf([{ stack: 'steel' }]))).toEqual([]);
  });
  test('soft strip gets no rigid two-pack at all', () => {
    const strip = ready(benchOf([{ stack: 'plastic-soft' }]));
    expect(saidBy('P5', coat('prime-plastic', 'A'), strip)[0]).toMatch(/crack at the first bend/);
  });
});

test.each([
  ['P6', 'plastic-rigid', 60, 0],
  ['P6', 'plastic-rigid', 70, 1],
  ['GP4', 'fiberglass', 62, 1],
  ['GP4', 'fiberglass', 60, 0],
])('%s: heat on %s, baked at %d °C', (rule, stack, bakeCelsius, n) => {
  const bench = benchOf([{ stack }], { shop: { rules: { bakeCelsius } } });
  expect(saidBy(rule, { op: 'cure', zones: ['A'], method: 'bake', why: [] }, bench)).toHaveLength(n);
});

test('P7: unknown plastic is tried with tape; where tape slides off nothing is painted', () => {
  const unknown = (tests: object[]) =>
    put(benchOf([{ stack: 'plastic-rigid', findings: [{ kind: 'unknown-plastic' }], tests }]), 'A', clean);
  const act = coat('promote', 'A');
  expect(verdictsOf('P7', act, unknown([]))[0]?.remedy).toMatchObject({ op: 'test' });
  expect(saidBy('P7', act, unknown([{ kind: 'tape-hold', outcome: 'slides-off' }]))[0]).toMatch(
    /Do not paint/,
  );
  expect(saidBy('P7', act, unknown([{ kind: 'tape-hold', outcome: 'holds' }]))).toEqual([]);
});

test('P8: hidden edges are dulled, then sprayed first', () => {
  const open = put(rawPart(), 'A', clean);
  expect(verdictsOf('P8', coat('promote', 'A'), open)[0]?.remedy).toMatchObject({ op: 'scuff' });
  expect(saidBy('P8', coat('promote', 'A'), ready())[0]).toMatch(/^note A: Hidden sides first/);
});

describe('P9: a break is mended first', () => {
  const CRACK = 'A/crack';
  const cracked = put(ready(rawPart([{ kind: 'crack', lengthMm: 40 }])), CRACK, clean);
  test('before any coat, ground and promoted', () => {
    expect(verdictsOf('P9', coat('prime-plastic', CRACK), cracked)[0]?.remedy).toMatchObject({
      op: 'plastic-repair',
    });
    const ungrounded = verdictsOf('P9', body('plastic-repair', CRACK), cracked);
    expect(ungrounded[0]?.remedy).toMatchObject({ op: 'abrade', grades: ['P80'] });
    const ground = put(cracked, CRACK, scratched('P80', 'machine'));
    expect(saidBy('P9', body('plastic-repair', CRACK), ground)[0]).toMatch(
      /^note A\/crack: Loose material away/,
    );
    expect(verdictsOf('P4', body('plastic-repair', CRACK), ground)[0]?.remedy).toMatchObject({
      op: 'promote',
    });
    expect(saidBy('P9', coat('promote', CRACK), ground)).toEqual([]);
    // Promoter on the break alone is part of its repair; over the whole part it is not.
    expect(verdictsOf('P9', coat('promote', CRACK), cracked)[0]?.remedy).toMatchObject({ op: 'abrade' });
    expect(verdictsOf('P9', coat('promote', `A ${CRACK}`), cracked)[0]?.remedy).toMatchObject({
      op: 'plastic-repair',
    });
  });
  test('a sound part has nothing to mend', () => {
    expect(saidBy('P9', coat('prime-plastic', 'A'), ready())).toEqual([]);
  });
  test('without paste on the shelf it says what is missing', () => {
    const shop = ready(
      benchOf([{ stack: 'plastic-rigid', findings: [{ kind: 'hole', lengthMm: 30 }] }], {
        without: ['filler'],
      }),
    );
    expect(saidBy('P9', coat('prime-plastic', 'A/hole'), shop)[0]).toMatch(
      /hole of 30 mm needs a repair paste/,
    );
  });
});

test('P10: plastic mode says how, and is a school', () => {
  expect(saidBy('P10', coat('prime-wet-on-wet', 'A', 2), ready())).toEqual([
    expect.stringMatching(/^note A: Wet-on-wet in its plastic mode/),
    expect.stringMatching(/^school A/),
  ]);
  expect(saidBy('P10', coat('prime-plastic', 'A', 2), promoted())).toEqual([]);
});
