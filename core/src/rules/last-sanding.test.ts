import { withoutIssues } from '../operations/issues.ts';
import { costOf, perform } from '../operations/perform.ts';
import { zoneOf } from '../operations/state.ts';
import {
  benchOf,
  clean,
  coat,
  coated,
  dusted,
  saidBy,
  level,
  plain,
  put,
  sand,
  scratched,
  soiled,
  verdictsOf,
  wavy,
} from '../testing/bench.ts';

const built = (um: number, around = {}) =>
  put(benchOf([{ stack: 'steel' }], around), 'A', clean, level, coated('build', um));

test('K1: an experienced eye does without guide coat between grades, not before the first block', () => {
  const byEye = put(built(100, { shop: { schools: { guideCoat: 'eye' } } }), 'A', scratched('P240', 'block'));
  expect(saidBy('K1', sand('abrade', 'A', 'P400', 'machine-soft'), byEye)).toEqual([]);
  expect(saidBy('K1', sand('block', 'A', 'P240', 'block'), byEye)).toHaveLength(1);
});

describe('K1: guide coat before each round', () => {
  test('before the first block', () => {
    expect(verdictsOf('K1', sand('block', 'A', 'P240', 'block'), built(100))[0]).toMatchObject({
      level: 'must',
      remedy: { op: 'guide-coat' },
    });
    expect(saidBy('K1', sand('block', 'A', 'P240', 'block'), put(built(100), 'A', dusted))).toEqual([]);
  });
  test('and before the finer grit that follows a block', () => {
    const blocked = put(built(100), 'A', scratched('P240', 'block'));
    expect(saidBy('K1', sand('abrade', 'A', 'P400', 'machine-soft'), blocked)[0]).toMatch(
      /again before the finer grit/,
    );
    expect(saidBy('K1', sand('abrade', 'A', 'P400', 'machine-soft'), put(blocked, 'A', dusted))).toEqual([]);
  });
});

test('K2: a block blocks, fingertips do not', () => {
  expect(saidBy('K2', sand('block', 'A', 'P240', 'hand'), built(100))[0]).toMatch(/not by hand/);
  expect(saidBy('K2', sand('block', 'A', 'P240', 'block'), built(100))).toEqual([]);
});

describe('K3: blocking stops at the film that must stay', () => {
  test('film that is less than what must stay refuses the block', () => {
    expect(saidBy('K3', sand('block', 'A', 'P240', 'block'), put(built(50), 'A', wavy(60)))[0]).toMatch(
      /would leave 34 µm, 40 µm must stay/,
    );
  });
  test('waves deeper than the film: the block stops where film must stay, and leaves the rest of them', () => {
    const { state, context } = put(built(80), 'A', wavy(60));
    const { stack, surface } = zoneOf(perform(state, sand('block', 'A', 'P240', 'block'), context), 'A');
    expect(stack.at(-1)!.um).toBe(40 + state.lastSandUm);
    expect(surface.wavesUm).toBeGreaterThan(20);
  });
  test('enough film passes', () =>
    expect(saidBy('K3', sand('block', 'A', 'P240', 'block'), put(built(120), 'A', wavy(60)))).toEqual([]));
  test('a hollow deeper than the build is filled first', () => {
    const hollow = put(
      benchOf([{ stack: 'steel', findings: [{ kind: 'low', depthMm: 0.9 }] }]),
      'all',
      clean,
      coated('epoxy', 50),
    );
    expect(saidBy('K3', coat('prime-build', 'A/low'), hollow)[0]).toMatch(
      /dent of 0\.9 mm is deeper than build can level \(100 µm\)/,
    );
  });
});

describe('K4: the last grit, and no shine', () => {
  const finish = (around = {}) => put(benchOf([{ stack: 'steel/old-finish:100' }], around), 'A', clean);
  test('shine under a sealer', () => {
    expect(verdictsOf('K4', coat('seal', 'A'), finish())[0]).toMatchObject({
      level: 'must',
      reason: { code: 'K4.shine' },
      remedy: { op: 'abrade', tool: 'machine-soft' },
    });
  });
  test.each([
    ['P220', 1],
    ['P360', 0],
  ] as const)('%s on build under sealer breaks it %d times', (grade, n) => {
    expect(saidBy('K4', coat('seal', 'A'), put(built(100), 'A', scratched(grade)))).toHaveLength(n);
  });
  test('metallic without sealer wants a finer scratch than solid under sealer', () => {
    const target = { quality: 'standard', base: { carrier: 'solvent', effect: 'metallic' } };
    expect(
      saidBy('K4', plain('hand-over', 'A'), put(built(100, { target }), 'A', scratched('P400'))),
    ).toHaveLength(1);
    expect(
      saidBy('K4', plain('hand-over', 'A'), put(built(100, { target }), 'A', scratched('P600'))),
    ).toEqual([]);
  });
  test('sound finish is keyed for a primer', () => {
    expect(verdictsOf('K4', coat('prime-epoxy', 'A'), finish())[0]).toMatchObject({
      reason: { code: 'K4.key' },
      remedy: { op: 'abrade', grades: ['P320'] },
    });
  });
  test('an epoxy inside its window takes the next coat unsanded', () => {
    expect(
      saidBy('K4', coat('seal', 'A'), put(benchOf([{ stack: 'steel' }]), 'A', clean, coated('epoxy', 50))),
    ).toEqual([]);
  });
});

test('K5: sound areas are sanded before primed ones', () => {
  const both = put(benchOf([{ stack: 'steel/old-finish:100' }, { stack: 'steel' }]), 'all', clean);
  const dusty = put(both, 'B', coated('build', 100));
  const first = verdictsOf('K5', sand('block', 'B', 'P240', 'block'), dusty)[0];
  expect(first).toMatchObject({ level: 'must', remedy: { op: 'abrade', zones: ['A'] } });
  const shiny = put(dusty, 'A', scratched('P600'), soiled('dusty'));
  const remedyOn = (panel: typeof shiny) =>
    verdictsOf('K5', sand('block', 'B', 'P240', 'block'), panel)[0]?.remedy;
  expect(remedyOn(shiny)).toMatchObject({ op: 'scuff', zones: ['A'], tool: 'pad-fine' });
  const sanded = put(shiny, 'A', (zone) => withoutIssues(zone, 'hidden-edges'));
  expect(remedyOn(sanded)).toMatchObject({ op: 'degrease', zones: ['A'] });
  expect(saidBy('K5', sand('block', 'B', 'P240', 'block'), put(sanded, 'A', clean))).toEqual([]);
  expect(saidBy('K5', sand('abrade', 'A B', 'P400'), dusty)).toEqual([
    expect.stringMatching(/^note A: In this step A first, wiped and covered, then B/),
  ]);
  expect(saidBy('K5', sand('abrade', 'B', 'P400'), dusty)).toEqual([]);
});

describe('what borders the panel', () => {
  const borders = [
    { name: 'fender', plan: 'blend' },
    { name: 'roof', plan: 'keep' },
    { name: 'hood', plan: 'refinish' },
  ];
  const among = (facts: object = {}) => built(100, { panel: { borders, ...facts } });
  test('a blended neighbour is covered before primer dust, and named where base follows', () => {
    expect(saidBy('K5', sand('block', 'A', 'P240', 'block'), among())).toEqual([
      expect.stringMatching(/^note A: Sanded, wiped and covered before this: fender\./),
    ]);
    expect(saidBy('K7', plain('hand-over', 'A'), among())[0]).toMatch(/Colour fades out in fender/);
  });
  test('panels painted together get one tone, and all of them are covered by the mask', () => {
    expect(saidBy('S4', coat('seal', 'A'), among())[0]).toMatch(/together with hood/);
    expect(saidBy('C1', plain('mask', 'A'), among())[0]).toMatch(/fender, hood, roof\.$/);
  });
  test('nothing borders a panel off the vehicle, and its mask is half the work', () => {
    const off = among({ offVehicle: true });
    expect(saidBy('K5', sand('block', 'A', 'P240', 'block'), off)).toEqual([]);
    expect(saidBy('C1', plain('mask', 'A'), off)[0]).toMatch(/Off the vehicle/);
    const minutes = ({ state, context }: typeof off) => costOf(plain('mask', 'A'), state, context).handsOnMin;
    expect(minutes(off)).toBeCloseTo(minutes(among()) / 2, 9);
  });
});

test('K6: a sand-through is primed again', () => {
  const through = put(
    benchOf([
      { stack: 'steel/filler:900/old-finish:100', findings: [{ kind: 'rub-through', spotMm: 20, count: 2 }] },
    ]),
    'all',
    clean,
  );
  expect(saidBy('K6', coat('seal', 'A/rub-through'), through)[0]).toMatch(
    /Sanded through to filler \(2 in all/,
  );
  expect(saidBy('K6', coat('prime-build', 'A/rub-through'), through)).toEqual([]);
});

test('K2: a drawn line names the zones that it runs through', () => {
  const outline = [
    [0, 0],
    [1000, 0],
    [1000, 500],
    [0, 500],
  ];
  const lined = (y: number) =>
    built(100, {
      panel: {
        outline,
        bodyLines: [
          [
            [0, y],
            [1000, y],
          ],
        ],
      },
    });
  expect(saidBy('K2', sand('block', 'A', 'P240', 'block'), lined(250))[0]).toMatch(
    /^note A: A body line runs through A/,
  );
  expect(saidBy('K2', sand('block', 'A', 'P240', 'block'), lined(900))).toEqual([]);
});

test('K2: blocking stops at a body line, from each side', () => {
  const lined = (bodyLines: number) => built(100, { panel: { bodyLines } });
  expect(saidBy('K2', sand('block', 'A', 'P240', 'block'), lined(2))[0]).toMatch(/^note A: Body lines: 2/);
  expect(saidBy('K2', sand('block', 'A', 'P240', 'block'), lined(0))).toEqual([]);
});

describe('K7: a blend panel', () => {
  const blend = (carrier = 'waterborne') =>
    put(
      benchOf([{ stack: 'steel/old-finish:110' }], {
        panel: { role: 'blend' },
        target: { base: { carrier } },
      }),
      'A',
      clean,
    );
  const act = plain('hand-over', 'A');
  test.each([
    ['P600', 'waterborne', 'abrade'],
    ['P600', 'solvent', 'scuff'],
    ['P800', 'waterborne', 'scuff'],
  ] as const)('sanded %s under a %s base asks for %s', (grade, carrier, op) => {
    expect(verdictsOf('K7', act, put(blend(carrier), 'A', scratched(grade)))[0]?.remedy).toMatchObject({
      op,
    });
  });
  test('with its edges dulled it is ready, and nothing stands in for the sanding', () => {
    const dulled = put(blend(), 'A', scratched('P800'), (zone) => withoutIssues(zone, 'hidden-edges'));
    expect(saidBy('K7', act, dulled)).toEqual([
      'note A: No promoter and no wet bed stands in for sanding a blend panel.',
    ]);
    expect(saidBy('K7', act, benchOf([{ stack: 'steel/old-finish:110' }]))).toEqual([]);
  });
});
