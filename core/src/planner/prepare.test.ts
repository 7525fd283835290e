import { GENERIC_SHELF } from '../materials/generic-shelf.ts';
import type { Act } from '../operations/act.ts';
import {
  clean,
  benchOf,
  body,
  coat,
  edged,
  plain,
  put,
  sand,
  scratched,
  type Bench,
} from '../testing/bench.ts';
import { newMemo, prepare, type Prepared } from './prepare.ts';

const prepared = ({ state, context }: Bench, act: Act): Prepared => prepare(state, act, context);
const lines = ({ steps }: Prepared): string[] =>
  steps.map(({ act }) =>
    [act.op, act.zones.join(' '), 'grades' in act ? act.grades.join('-') : ''].join(' ').trim(),
  );

test('an act gets what its rules ask for, each step with the rule that asked', () => {
  const made = prepared(benchOf([{ stack: 'steel/ecoat:20' }]), coat('seal', 'A'));
  expect(made.ok).toBe(true);
  expect(lines(made)).toEqual(['wash A', 'degrease A', 'mask A', 'tack A', 'seal A']);
  expect(made.steps.slice(0, -1).map(({ act }) => act.why[0]!.rule)).toEqual(['C1', 'C1', 'C1', 'C1']);
});

test('each step begins where the one before it ended, and time only moves on', () => {
  const bench = benchOf([{ stack: 'steel' }, { stack: 'steel/old-finish:100', areaM2: 1 }]);
  const made = prepared(bench, coat('prime-epoxy', 'A', 2));
  made.steps.forEach(({ before, after }, i) => {
    expect(before).toBe(i === 0 ? bench.state : made.steps[i - 1]!.after);
    expect(after.clockMin).toBeGreaterThanOrEqual(before.clockMin);
  });
  expect(made.panel).toBe(made.steps.at(-1)!.after);
});

describe('zones share work', () => {
  test('that is the same to the last grade', () => {
    const two = put(
      benchOf([{ stack: 'steel' }, { stack: 'steel' }]),
      'all',
      clean,
      scratched('P80', 'machine'),
    );
    expect(lines(prepared(two, coat('prime-epoxy', 'A B', 2)))).toContain('abrade A B P180');
  });
  test('and no zone goes back to a coarser grade because another needs it', () => {
    const found = benchOf([{ stack: 'zinc-steel' }, { stack: 'steel' }]);
    const made = lines(prepared(put(found, 'all', clean), coat('prime-epoxy', 'A B', 2)));
    expect(made.filter((line) => line.startsWith('abrade'))).toEqual(
      expect.arrayContaining([expect.stringMatching(/^abrade A .*P240$/)]),
    );
    expect(made.filter((line) => /^abrade .*A.* P180$/.test(line))).toEqual([]);
  });
});

describe('what cannot be done', () => {
  test('a should that this shop cannot follow stays with the step as a remark', () => {
    const moulding = (profile: string) =>
      benchOf([{ stack: 'plastic-rigid' }], { panel: { new: true }, shop: { profile } });
    const [garage, booth] = ['garage', 'booth'].map((profile) =>
      prepared(moulding(profile), coat('prime-plastic', 'A', 2)),
    );
    expect(lines(booth!)).toContain('temper A');
    expect(lines(garage!)).not.toContain('temper A');
    expect(garage!.ok).toBe(true);
    expect(garage!.steps.flatMap(({ remarks }) => remarks).map(({ reason }) => reason.rule)).toContain('P2');
  });
  test('a must without a remedy refuses the act, and names it', () => {
    const made = prepared(benchOf([{ stack: 'steel' }]), coat('prime-build', 'A'));
    expect(made).toMatchObject({ ok: false, refused: { op: 'prime-build' }, steps: [] });
  });
  test('where what it needs is refused, that is named', () => {
    const paste = GENERIC_SHELF.find(({ id }) => id === 'plastic-repair-1-1')!;
    const inTheCold = { ...paste, climate: { ...paste.climate, maxCelsius: 10 } };
    const cracked = benchOf([{ stack: 'plastic-rigid', findings: [{ kind: 'crack', lengthMm: 40 }] }], {
      sheets: [inTheCold],
    });
    const made = prepared(cracked, coat('prime-plastic', 'A/crack', 2));
    expect(made).toMatchObject({ ok: false, refused: { op: 'plastic-repair' } });
    expect(!made.ok && made.refusals[0]!.reason.code).toBe('M3.temperature');
  });
});

test('a memory changes nothing in what is prepared', () => {
  const { state, context } = put(
    benchOf([{ stack: 'steel/filler:600' }, { stack: 'steel/old-finish:100', areaM2: 1 }]),
    'A',
    edged('feathered'),
  );
  const memo = newMemo();
  for (const act of [coat('prime-epoxy', 'A', 2), coat('prime-build', 'A', 3), plain('hand-over', 'A B')])
    for (let round = 0; round < 2; round++)
      expect(prepare(state, act, context, memo)).toEqual(prepare(state, act, context));
});

test('work that nothing asked for is prepared like any other', () => {
  const dent = benchOf([{ stack: 'steel', findings: [{ kind: 'low', depthMm: 1 }] }], {
    shop: { schools: { filler: 'on-metal' } },
  });
  expect(lines(prepared(dent, body('fill', 'A/low')))).toEqual([
    'wash A A/low',
    'degrease A A/low',
    'abrade A/low P80',
    'degrease A/low',
    'fill A/low',
  ]);
  expect(lines(prepared(dent, sand('abrade', 'A', 'P180')))).toEqual([
    'wash A A/low',
    'degrease A A/low',
    'abrade A P180',
  ]);
});
