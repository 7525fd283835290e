import { withIssue } from '../operations/issues.ts';
import type { ZoneState } from '../operations/state.ts';
import { GENERIC_SHELF } from '../materials/generic-shelf.ts';
import {
  at,
  bareSince,
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
  body,
  verdictsOf,
} from '../testing/bench.ts';

const STEEL = [{ stack: 'steel' }];
const ready = (around = {}) =>
  put(benchOf(STEEL, around), 'A', clean, scratched('P180', 'machine'), bareSince(0));

describe('M1: bare metal gets a corrosion-resisting first coat', () => {
  const rubbed = (spotMm: number, count: number) =>
    put(
      benchOf([
        { stack: 'steel/old-finish:100', areaM2: 2, findings: [{ kind: 'rub-through', spotMm, count }] },
      ]),
      'all',
      clean,
      scratched('P400'),
    );
  const SPOTS = 'A/rub-through';
  test('epoxy may, and it is the default school', () => {
    expect(saidBy('M1', coat('prime-epoxy', 'A', 2), ready())).toEqual([]);
  });
  test('one coat where its sheet asks for two is said', () => {
    expect(saidBy('M1', coat('prime-epoxy', 'A'), ready())).toEqual([
      'should A: 1 of the 2 coats that the sheet of Epoxy primer 1:1 asks for: metal shows through until the next is on.',
    ]);
  });
  test('a reduced epoxy is a sealer: it protects small spots only', () => {
    const reduced = (zones: string) => coat('seal', zones, 1, { sheetId: 'epoxy-1-1-sealer' });
    expect(saidBy('M1', reduced('A'), ready())[0]).toMatch(/must A: .* of 20 µm is a sealer/);
    expect(saidBy('M1', reduced(SPOTS), rubbed(30, 3))).toEqual([]);
    expect(saidBy('M1', reduced(SPOTS), rubbed(60, 1))[0]).toMatch(/must .* is a sealer/);
  });
  test.each(['prime-build', 'seal'] as const)('%s may not', (op) => {
    expect(saidBy('M1', coat(op, 'A'), ready())[0]).toMatch(/must A: .* does not protect bare steel/);
  });
  test('direct-to-metal build may, as another school', () => {
    expect(saidBy('M1', coat('prime-dtm', 'A', 3), ready())[0]).toMatch(/school A: Not this shop’s way/);
    expect(
      saidBy('M1', coat('prime-dtm', 'A', 3), ready({ shop: { schools: { firstCoat: 'dtm' } } })),
    ).toEqual([]);
  });
  test('metal is never handed over bare', () => {
    expect(saidBy('M1', plain('hand-over', 'A'), ready())[0]).toMatch(/would be handed over bare/);
  });
  test('sealer covers small rub-through spots and no larger ones', () => {
    expect(saidBy('M1', coat('seal', SPOTS), rubbed(30, 3))).toEqual([]);
    expect(saidBy('M1', coat('seal', SPOTS), rubbed(60, 1))[0]).toMatch(
      /Rubbed through 60 mm wide \(1 in all/,
    );
  });
  test('many small spots together are too much', () => {
    expect(saidBy('M1', coat('seal', SPOTS), rubbed(50, 60))[0]).toMatch(
      /5.89 ?% of the panel|6% of the panel/,
    );
  });
});

describe('M1a: filler on bare metal leaves a rim of it', () => {
  const rimmed = (zone: ZoneState) => withIssue(zone, 'unprotected');
  const filled = (shapedMin: number) =>
    at(
      put(
        benchOf(STEEL),
        'A',
        clean,
        coated('filler', 900),
        rimmed,
        scratched('P180', 'block'),
        bareSince(0),
      ),
      shapedMin,
    );
  test('build and sealer do not go on it, epoxy and glaze may', () => {
    expect(saidBy('M1', coat('prime-build', 'A'), filled(10))[0]).toMatch(/must A: Around the filler a rim/);
    expect(saidBy('M1', coat('seal', 'A'), filled(10))[0]).toMatch(/must A: Around the filler a rim/);
    expect(saidBy('M1', coat('prime-epoxy', 'A', 2), filled(10))).toEqual([]);
  });
  test('its time runs from the shaping, and past it the rim is scuffed again', () => {
    expect(saidBy('M2', coat('prime-epoxy', 'A', 2), filled(30))).toEqual([]);
    expect(verdictsOf('M2', coat('prime-epoxy', 'A', 2), filled(70))[0]).toMatchObject({
      level: 'must',
      remedy: { op: 'abrade', grades: ['P180'] },
    });
  });
});

describe('M2: bare metal is coated within the exposure limit', () => {
  test('metal found bare is abraded fresh', () => {
    const [verdict] = verdictsOf('M2', coat('prime-epoxy', 'A'), put(benchOf(STEEL), 'A', clean));
    expect(verdict).toMatchObject({
      level: 'must',
      reason: { code: 'M2.found-bare' },
      remedy: { op: 'abrade', grades: ['P180'] },
    });
  });
  test.each([
    [40, []],
    [50, ['should A: Bare for 50 min of 1 h when the first coat goes on: little time to spare.']],
    [61, ['must A: Bare for 1 h 01, limit 1 h: abrade and clean again.']],
  ] as const)('%d min after abrading', (minutes, expected) => {
    expect(saidBy('M2', coat('prime-epoxy', 'A'), at(ready(), minutes))).toEqual(expected);
  });
  test('a longer limit of the shop holds in dry air only', () => {
    const shop = { rules: { bareMetalLimitMin: 240 } };
    expect(
      saidBy('M2', coat('prime-epoxy', 'A'), at(ready({ shop: { ...shop, relativeHumidity: 40 } }), 120)),
    ).toEqual([]);
    expect(
      saidBy('M2', coat('prime-epoxy', 'A'), at(ready({ shop: { ...shop, relativeHumidity: 60 } }), 120)),
    ).toHaveLength(1);
  });
});

describe('M3: nothing is sprayed near the dew point or outside the sheet’s climate', () => {
  const inAir = (celsius: number, relativeHumidity: number) =>
    saidBy('M3', coat('prime-epoxy', 'A'), ready({ shop: { celsius, relativeHumidity } }));
  test('20 °C and 50 % is fine', () => expect(inAir(20, 50)).toEqual([]));
  test('12 °C and 85 % is 2.5 °C above dew point', () =>
    expect(inAir(12, 85)[0]).toMatch(/Only 2\.4 °C|Only 2\.5 °C/));
  test('cold', () => expect(inAir(5, 40)[0]).toMatch(/sprayed from 13 °C to 35 °C; the shop is at 5 °C/));
  test('what is measured on the zone counts, not the air of the room', () => {
    const measured = (surfaceCelsius: number) =>
      saidBy(
        'M3',
        coat('prime-epoxy', 'A'),
        put(benchOf([{ stack: 'steel', tests: [{ kind: 'dew', surfaceCelsius }] }]), 'A', clean),
      );
    expect(measured(11)[0]).toMatch(/above dew point/);
    expect(measured(19)).toEqual([]);
  });
  test('humid', () => expect(inAir(25, 82)[0]).toMatch(/allows 80% humidity; the shop has 82%/));
});

describe('M4: steel is abraded to the grade its first coat wants', () => {
  const with_ = (grade: 'P80' | 'P180' | 'P320') =>
    put(benchOf(STEEL), 'A', clean, scratched(grade, 'machine'));
  test('P180 passes', () => expect(saidBy('M4', coat('prime-epoxy', 'A'), with_('P180'))).toEqual([]));
  test.each(['P80', 'P320'] as const)('%s does not', (grade) => {
    const [verdict] = verdictsOf('M4', coat('prime-epoxy', 'A'), with_(grade));
    expect(verdict).toMatchObject({ level: 'must', remedy: { op: 'abrade' } });
  });
  test('unsanded steel does not', () => {
    expect(saidBy('M4', coat('prime-epoxy', 'A'), put(benchOf(STEEL), 'A', clean))[0]).toMatch(
      /abraded P180 before/,
    );
  });
});

test('M5: rust comes off before anything goes on', () => {
  const rusty = put(
    benchOf([{ stack: 'steel', findings: [{ kind: 'rust-surface' }] }]),
    'A',
    clean,
    scratched('P180'),
  );
  expect(verdictsOf('M5', coat('prime-epoxy', 'A'), rusty)[0]).toMatchObject({
    level: 'must',
    remedy: { op: 'remove-rust' },
  });
  expect(saidBy('M5', coat('prime-epoxy', 'A'), ready())).toEqual([]);
});

describe('M6: acid etch on spots only, never with filler, always covered', () => {
  const spot = { id: 'A', stack: 'steel', areaM2: 0.02 };
  const rest = { id: 'B', stack: 'steel/old-finish:100', areaM2: 1 };
  const small = put(benchOf([spot, rest]), 'A', clean, scratched('P180'), bareSince(0));
  test('a spot may be etched', () => expect(saidBy('M6', coat('prime-etch', 'A'), small)).toEqual([]));
  test('a whole panel may not', () =>
    expect(saidBy('M6', coat('prime-etch', 'A'), ready())[0]).toMatch(/100% of the panel, limit 5%/));
  test('not over filler', () => {
    expect(
      saidBy('M6', coat('prime-etch', 'A'), put(benchOf([{ stack: 'steel/filler:800' }]), 'A', clean))[0],
    ).toMatch(/do not go together/);
  });
  test('no filler and no epoxy over it, and it is not left open', () => {
    const etched = put(small, 'A', coated('etch', 8));
    expect(saidBy('M6', body('fill', 'A'), etched)).toHaveLength(1);
    expect(saidBy('M6', coat('prime-epoxy', 'A'), etched)).toHaveLength(1);
    expect(saidBy('M6', plain('hand-over', 'A B'), etched)[0]).toMatch(/must be covered/);
    expect(saidBy('M6', coat('prime-build', 'A'), etched)).toEqual([]);
  });
});

test('what a sheet does not allow is refused in the sheet’s name', () => {
  const build = GENERIC_SHELF.find(({ id }) => id === 'build-4-1-1')!;
  expect(saidBy('sheet', coat('prime-build', 'A'), ready())[0]).toContain(build.name);
});

test('sanding metal starts its clock', () => {
  expect(saidBy('M2', sand('abrade', 'A', 'P180'), ready())).toEqual([]);
});

describe('aluminium and zinc', () => {
  const on = (stack: string, grade: 'P80' | 'P180' | 'P240') =>
    put(benchOf([{ stack }]), 'A', clean, scratched(grade, 'machine'), bareSince(0));
  test('M4: aluminium is abraded P180 with abrasives of its own', () => {
    expect(saidBy('M4', coat('prime-epoxy', 'A'), on('aluminium', 'P80'))[0]).toMatch(
      /abraded P180 with abrasives of its own/,
    );
    expect(saidBy('M4', coat('prime-epoxy', 'A'), on('aluminium', 'P180'))).toEqual([]);
  });
  test('M4: zinc is only keyed, P240', () => {
    expect(
      verdictsOf('M4', coat('prime-epoxy', 'A'), put(benchOf([{ stack: 'zinc-steel' }]), 'A', clean))[0],
    ).toMatchObject({ remedy: { grades: ['P240'] } });
    expect(saidBy('M4', coat('prime-epoxy', 'A'), on('zinc-steel', 'P240'))).toEqual([]);
  });
  test('M10: a coarse grade cuts through zinc, bare or under what is stripped', () => {
    expect(saidBy('M10', sand('abrade', 'A', 'P80'), on('zinc-steel', 'P240'))[0]).toMatch(
      /P80 cuts through the zinc; nothing coarser than P180/,
    );
    expect(
      saidBy('M10', sand('strip-sand', 'A', 'P80'), benchOf([{ stack: 'zinc-steel/old-finish:100' }])),
    ).toHaveLength(1);
    expect(
      saidBy('M10', sand('strip-sand', 'A', 'P180'), benchOf([{ stack: 'zinc-steel/old-finish:100' }])),
    ).toEqual([]);
    expect(saidBy('M10', sand('abrade', 'A', 'P80'), on('steel', 'P80'))).toEqual([]);
  });
  test('M10: filler on zinc only where its sheet says so', () => {
    const low = put(
      benchOf([{ stack: 'zinc-steel', findings: [{ kind: 'low', depthMm: 1 }] }]),
      'A',
      clean,
      scratched('P180'),
    );
    expect(saidBy('M10', body('fill', 'A'), low)[0]).toMatch(/does not allow filler on zinc/);
    const filler = GENERIC_SHELF.find(({ kind }) => kind === 'filler')!;
    const willing = {
      ...filler,
      over: { ...filler.over, 'zinc-steel': { coarsest: 'P80', finest: 'P180' } as const },
    };
    const allowed = put(
      benchOf([{ stack: 'zinc-steel', findings: [{ kind: 'low', depthMm: 1 }] }], { sheets: [willing] }),
      'A',
      clean,
    );
    expect(saidBy('M10', body('fill', 'A'), allowed)).toEqual([]);
    expect(saidBy('M10', plain('inspect', 'A'), benchOf([{ stack: 'zinc-steel/filler:500' }]))[0]).toMatch(
      /^should A/,
    );
  });
});

describe('stripping', () => {
  const FLAT = { panel: { shape: 'flat' } };
  const painted = (around = {}) => benchOf([{ stack: 'steel/old-finish:200', areaM2: 1.5 }], around);

  test('M7: a large flat panel is neither blasted nor sanded coarse without a remark', () => {
    expect(saidBy('M7', plain('strip-blast', 'A'), painted(FLAT))[0]).toMatch(
      /^should A: Blasting a large flat/,
    );
    expect(saidBy('M7', sand('strip-sand', 'A', 'P80'), painted(FLAT))[0]).toMatch(/^should A/);
    expect(saidBy('M7', sand('strip-sand', 'A', 'P80'), painted())).toEqual([]);
    expect(saidBy('M7', sand('strip-sand', 'A', 'P180'), painted(FLAT))).toEqual([]);
  });
  test('M8: scored, taped off, and neutralised afterwards', () => {
    const act = plain('strip-chemical', 'A');
    expect(verdictsOf('M8', act, painted())[0]?.remedy).toMatchObject({ op: 'abrade', grades: ['P80'] });
    const scored = put(painted(), 'A', scratched('P80', 'machine'));
    expect(verdictsOf('M8', act, scored)[0]?.remedy).toMatchObject({ op: 'mask' });
    expect(saidBy('M8', act, masked(scored))[0]).toMatch(/^note A: Lay it on thick, 25 mm off the edges/);
    const wet = put(painted(), 'A', (zone) => withIssue(zone, 'stripper'));
    expect(verdictsOf('M8', sand('abrade', 'A', 'P180'), wet)[0]?.remedy).toMatchObject({ op: 'wash' });
    expect(saidBy('M8', sand('abrade', 'A', 'P180'), painted())).toEqual([]);
  });
  test('M9: gloves from the clean on that bare metal gets', () => {
    expect(saidBy('M9', plain('degrease', 'A'), benchOf(STEEL))[0]).toMatch(/^note A: Gloves/);
    expect(saidBy('M9', plain('degrease', 'A'), painted())).toEqual([]);
  });
  test('M10: zinc is not blasted', () => {
    const zinc = benchOf([{ stack: 'zinc-steel/old-finish:100' }]);
    expect(saidBy('M10', plain('strip-blast', 'A'), zinc)[0]).toMatch(/takes the zinc off/);
    expect(saidBy('M10', plain('strip-blast', 'A'), painted())).toEqual([]);
  });
  test('M1: a joint that was stripped open is sealed again over the primer', () => {
    const open = put(benchOf(STEEL), 'A', clean, coated('epoxy', 50), (zone) => withIssue(zone, 'joint'));
    expect(verdictsOf('M1', coat('prime-build', 'A'), open)[0]?.remedy).toMatchObject({ op: 'seam-seal' });
    const none = benchOf(STEEL, { without: ['seam'] });
    const bare = put(none, 'A', clean, coated('epoxy', 50), (zone) => withIssue(zone, 'joint'));
    expect(saidBy('M1', coat('seal', 'A'), bare)[0]).toMatch(/no seam sealer on the shelf/);
  });
});
