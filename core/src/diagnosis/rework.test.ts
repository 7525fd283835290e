import { DEFECTS, type Defect } from '../operations/mishaps.ts';
import { makePlan } from '../planner/make-plan.ts';
import { openPlan } from '../planner/view-plan.ts';
import { PRACTICE_CASES } from '../practice/cases.ts';
import type { NewEntry } from '../record/entry.ts';
import { sampleOf } from '../testing/crossings.ts';
import { entriesAsPlanned, momentAt } from '../testing/record.ts';
import { pastOf } from '../record/fold.ts';
import { reworkOf, type Rework } from './rework.ts';

/** What goes wrong at any step of any panel is put right: the practice cases, done as planned up to there. */

type DefectEntry = Extract<NewEntry, { kind: 'defect' }>;

const worked = new Map(
  PRACTICE_CASES.map(({ title, task }) => {
    const { view, actsOf } = openPlan(makePlan(task));
    const { steps } = view.systems.find(({ id }) => id === view.chosen)!;
    return [title, { task, steps, entries: entriesAsPlanned(steps, actsOf(view.chosen!)) }] as const;
  }),
);

/** A defect that is found on an area five minutes after a step, and the record up to there. */
function foundAfter(title: string, n: number, defect: Defect, area: string) {
  const { task, steps, entries } = worked.get(title)!;
  const at = momentAt(steps[n - 1]!.endMin + 5);
  const found: DefectEntry = {
    id: 'found',
    at,
    by: 'Prep A',
    kind: 'defect',
    body: { defect, zones: [area] },
  };
  return { task, record: entries.slice(0, n), found };
}

function reworkAfter(...where: Parameters<typeof foundAfter>): Rework {
  const { task, record, found } = foundAfter(...where);
  return reworkOf(task, record, found);
}

/** Number of the last step of an operation, from 1. */
const lastOf = (title: string, op: string): number =>
  worked.get(title)!.steps.findLastIndex((step) => step.op === op) + 1;

const lines = ({ steps }: Rework): string[] =>
  steps.map(({ op, areas, grit }) => [op, ...areas, grit ?? ''].join(' ').trim());

/** Steps after which defects are looked for: the last coat, the hand-over, and a coat by the panel's place in the list. */
function momentsOf(title: string, nth: number): number[] {
  const { steps } = worked.get(title)!;
  const coats = steps.flatMap(({ op, n }) => (/^(fill|prime|seal|promote)/.test(op) ? [n] : []));
  return [...new Set([steps.length, coats.at(-1) ?? 1, coats[nth % coats.length] ?? 1])];
}

test('every defect after any coat of any panel has a rework that ends with the hand-over', () => {
  const crossings = PRACTICE_CASES.flatMap(({ title }, nth) =>
    momentsOf(title, nth).flatMap((n) => DEFECTS.map((defect) => ({ title, n, defect }))),
  );
  const left = sampleOf(crossings, 6).flatMap(({ title, n, defect }) => {
    const area = worked.get(title)!.steps[n - 1]!.areas.at(-1)!;
    const rework = reworkAfter(title, n, defect, area);
    return rework.steps.at(-1)?.op === 'hand-over'
      ? []
      : [`${title}, step ${n}: ${defect} on ${area}: ${rework.problems.join(' ')}`];
  });
  expect(left).toEqual([]);
});

test('a panel that stands for days after any coat goes on from there to its hand-over', () => {
  const left = PRACTICE_CASES.flatMap(({ title }, nth) =>
    momentsOf(title, nth).flatMap((n) => {
      const { task, steps, entries } = worked.get(title)!;
      return [1, 3, 60].flatMap((days) => {
        const now = momentAt(steps[n - 1]!.endMin + days * 24 * 60);
        const { view } = openPlan(makePlan({ ...task, ...pastOf(entries.slice(0, n), { now }) }));
        return view.chosen ? [] : [`${title}, ${days} days after step ${n}`];
      });
    }),
  );
  expect(left).toEqual([]);
});

describe('a run in the sealer', () => {
  test('is sanded out where base hides the scratch', () => {
    const title = 'A dent in a painted door';
    const rework = reworkAfter(title, lastOf(title, 'seal'), 'sag', 'A/low');
    expect(lines(rework)).toEqual([
      'flash A/low',
      'abrade A/low P600',
      'degrease A/low',
      'hand-over A A/low',
    ]);
  });

  test('is sealed once more at show quality, where no scratch in a sealer stays invisible', () => {
    const title = 'A filled dent for show';
    const rework = reworkAfter(title, lastOf(title, 'seal'), 'sag', 'A/low');
    expect(lines(rework)).toEqual(
      expect.arrayContaining(['abrade A/low P600', 'seal A/low', 'hand-over A A/low']),
    );
  });
});

test('a wrong mix is not waited for: it comes off at once', () => {
  const title = 'A raw wheel-arch trim';
  const rework = reworkAfter(title, lastOf(title, 'prime-plastic'), 'wrong-mix', 'A');
  expect(rework.steps.map(({ op }) => op)).not.toContain('cure');
  expect(rework.removes).toEqual([{ area: 'A', kinds: ['promoter', 'plastic-primer'] }]);
  const stripped = rework.steps.find(({ op }) => op === 'strip-sand')!;
  expect(stripped.why[0]!.text).toMatch(/never cures: it is scraped off and washed off with its own thinner/);
  expect(stripped.cautions.join()).toMatch(/Uncured paint: gloves.*Solvent: ventilation, no ignition source/);
});

test('filler that stains what lies on it is ground out and filled again', () => {
  const title = 'A dent in a painted door';
  const rework = reworkAfter(title, lastOf(title, 'prime-build'), 'stain-through', 'A/low');
  expect(rework.removes).toEqual([{ area: 'A/low', kinds: ['epoxy', 'filler', 'build'] }]);
  expect(rework.steps.map(({ op }) => op)).toEqual(
    expect.arrayContaining(['strip-sand', 'fill', 'prime-build']),
  );
});

test('uneven tone gets one more last coat: on its area, or on all where the step would show', () => {
  const show = 'A filled dent for show';
  expect(lines(reworkAfter(show, lastOf(show, 'seal'), 'uneven-tone', 'A'))).toContain('seal A');
  const patched = 'A stripped patch in a sound door';
  const rework = reworkAfter(patched, lastOf(patched, 'seal'), 'uneven-tone', 'B');
  expect(lines(rework)).toContain('seal A B');
});

test('a popped build is sanded out before more of it goes on', () => {
  const title = 'A dent in a zinc-coated sill';
  const rework = reworkAfter(title, lastOf(title, 'prime-build'), 'solvent-pop', 'A/low');
  const ops = rework.steps.map(({ op }) => op);
  expect(ops.indexOf('abrade')).toBeLessThan(ops.indexOf('prime-build'));
  expect(rework.steps.find(({ op }) => op === 'prime-build')!.areas).toEqual(['A/low']);
});

test('promoter that would close meanwhile is repeated with the area that is reworked, once', () => {
  const title = 'A cracked bumper cover';
  const rework = reworkAfter(title, lastOf(title, 'promote'), 'sag', 'A/crack');
  expect(lines(rework).filter((line) => line.startsWith('promote'))).toEqual(['promote A A/crack']);
});

test('a blend door whose finish peels at work is refinished, and the plan says so', () => {
  const { task, record, found } = foundAfter('One rub-through in a blend door', 1, 'peeling', 'A');
  const rework = reworkOf(task, record, found);
  expect(lines(rework)).toContain('strip-sand A P80');
  expect(rework.becomes.map(({ zoneId }) => zoneId)).toEqual(['A']);
  const { view } = openPlan(makePlan({ ...task, ...pastOf([...record, found]) }));
  expect(view.warnings.map(({ text }) => text).join()).toMatch(
    /No longer a blend area: what was found at work/,
  );
});

test('finish that peels over much of a panel leaves the area that only gets clear as it is', () => {
  const title = 'A quarter that only gets clear above';
  const rework = reworkAfter(title, lastOf(title, 'prime-build'), 'peeling', 'B');
  expect(rework.steps.find(({ op }) => op === 'strip-sand')!.areas).not.toContain('A');
});

test('an area that is stripped beside a sealed one is built up until both are level', () => {
  const title = 'A stripped patch in a sound door';
  const rework = reworkAfter(title, lastOf(title, 'seal'), 'peeling', 'A');
  expect(lines(rework)).toEqual(expect.arrayContaining(['prime-epoxy A', 'prime-build A', 'seal A']));
});

test('filler that is rubbed through before its sanding is entered has its shape', () => {
  const title = 'A dent in a painted door';
  const rework = reworkAfter(title, lastOf(title, 'fill'), 'rub-through', 'A/low');
  expect(rework.problems).toEqual([]);
  expect(rework.steps.find(({ op }) => op === 'prime-build')!.areas).toEqual(['A/low', 'A/rub-through']);
});

test.each(['A dent in a painted door', 'A stripped patch in a sound door'])(
  '%s, sanded through to steel at the end: the spot is protected before it is sealed, and nothing else is done again',
  (title) => {
    const { steps } = worked.get(title)!;
    const n = lastOf(title, 'block') + 2;
    const area = steps[lastOf(title, 'block') - 1]!.areas.at(-1)!;
    const { task, record, found } = foundAfter(title, n, 'rub-through', area);
    const body = { ...found.body, shows: 'steel', spotMm: 15, count: 1 } as const;
    const rework = reworkOf(task, record, { ...found, body });
    expect(rework.problems).toEqual([]);
    const coats = rework.steps.filter(({ op }) => /^(prime|seal)/.test(op));
    const spot = `${area.split('/')[0]!}/rub-through`;
    expect(coats.map(({ op, areas }) => `${op} ${areas.includes(spot) ? 'spot' : 'rest'}`)).toEqual([
      'prime-epoxy spot',
      'seal spot',
    ]);
    expect(coats[0]!.areas).toEqual([spot]);
  },
);

test('films that come off filler leave it as it was shaped: it is built and blocked again', () => {
  const title = 'A dent in bare steel';
  const rework = reworkAfter(title, lastOf(title, 'prime-build'), 'lifting', 'A/low');
  expect(rework.removes).toEqual([{ area: 'A/low', kinds: ['build'] }]);
  expect(rework.steps.map(({ op }) => op)).toEqual(expect.arrayContaining(['prime-build', 'block']));
});

test('dressing is wiped off open paste on plastic, where nothing is washed', () => {
  const title = 'A cracked bumper cover';
  const rework = reworkAfter(title, lastOf(title, 'plastic-repair'), 'fisheye', 'A/crack');
  expect(rework.problems).toEqual([]);
  expect(lines(rework)).not.toContain('wash A/crack');
});
