import { GENERIC_SHELF } from '../materials/generic-shelf.ts';
import { DEFECTS } from '../operations/mishaps.ts';
import { makePlan } from '../planner/make-plan.ts';
import { openPlan } from '../planner/view-plan.ts';
import type { NewEntry } from '../record/entry.ts';
import { shopSchema, targetSchema } from '../survey/shop.ts';
import { panelOf } from '../testing/bench.ts';
import { defectCase } from '../testing/defect-cases.ts';
import { entriesAsPlanned, momentAt } from '../testing/record.ts';
import { seeded } from '../units/random.ts';
import { CAUSES_OF, type Cause } from './causes.ts';
import { diagnose } from './diagnose.ts';
import { reworkOf } from './rework.ts';

const SEEDS = 5;
const CASES = DEFECTS.flatMap((defect) =>
  defect === 'wrong-mix' ? [] : CAUSES_OF[defect].map((cause) => [defect, cause] as const),
);

test('over generated cases the true cause is among the first two in at least 80 %, and never left out', () => {
  const tried = CASES.flatMap(([defect, cause], nth) =>
    Array.from({ length: SEEDS }, (_, seed) => {
      const { task, record } = defectCase(defect, cause, seeded(1000 * nth + seed));
      const { causes } = diagnose(task, record)!;
      const place = causes.findIndex((ranked) => ranked.cause === cause);
      expect(place).toBeGreaterThanOrEqual(0);
      return { defect, cause, isFound: place < 2 };
    }),
  );
  const shareOf = (some: typeof tried): number => some.filter(({ isFound }) => isFound).length / some.length;
  expect(tried.length).toBeGreaterThanOrEqual(200);
  const missed = [
    ...new Set(tried.filter(({ isFound }) => !isFound).map(({ defect, cause }) => `${defect}: ${cause}`)),
  ];
  expect({ share: shareOf(tried) >= 0.8, missed: shareOf(tried) >= 0.8 ? [] : missed }).toEqual({
    share: true,
    missed: [],
  });
  // No defect is only guessed at.
  for (const defect of new Set(tried.map((each) => each.defect)))
    expect([defect, shareOf(tried.filter((each) => each.defect === defect)) >= 0.6]).toEqual([defect, true]);
});

test('nothing is certain: likelihoods sum to 1 and none is 0 or 1', () => {
  const { task, record } = defectCase('sag', 'wet-film-too-thick', seeded(1));
  const { causes } = diagnose(task, record)!;
  expect(causes.reduce((sum, { likelihood }) => sum + likelihood, 0)).toBeCloseTo(1);
  expect(causes.every(({ likelihood }) => likelihood > 0 && likelihood < 1)).toBe(true);
  expect(causes[0]!.for).toContain('the wet film was over what stays on this surface');
});

test('with an empty record it asks the three questions that part the causes best, and an answer moves them', () => {
  const { task } = defectCase('sag', 'cold', seeded(2));
  const asked = diagnose(task, [], 'sag')!;
  expect(asked.questions).toHaveLength(3);
  const { fact } = asked.questions[0]!;
  const told = diagnose(task, [], 'sag', { answers: { [fact]: true } })!;
  const before = new Map<Cause, number>(asked.causes.map(({ cause, likelihood }) => [cause, likelihood]));
  const [first] = told.causes;
  expect(first!.likelihood).toBeGreaterThan(before.get(first!.cause)!);
});

test('nothing is asked of promoter on steel, nor of filler where there is none', () => {
  const { task } = defectCase('sag', 'cold', seeded(3));
  const facts = (['peeling', 'dust-nibs', 'stain-through', 'sink-back'] as const).flatMap((defect) =>
    diagnose(task, [], defect)!.questions.map(({ fact }) => fact),
  );
  for (const fact of ['promoter-missed', 'static', 'much-hardener', 'filler-open', 'coarse-filler'] as const)
    expect(facts).not.toContain(fact);
});

test('a record without a defect has nothing to diagnose', () => {
  const { task, record } = defectCase('sag', 'cold', seeded(3));
  expect(diagnose(task, record.slice(0, -1))).toBeNull();
});

test('rework goes back no further than it must: a run in the sealer is sanded out, peeling takes the coats off', () => {
  const run = defectCase('sag', 'cold', seeded(4));
  const ofRun = reworkOf(run.task, run.record, null);
  expect(ofRun.steps.map(({ op }) => op)).toContain('abrade');
  expect(ofRun.removes).toEqual([]);
  const peeled = defectCase('peeling', 'contaminated', seeded(5));
  const ofPeeling = reworkOf(peeled.task, peeled.record, null);
  expect(ofPeeling.removes[0]!.kinds.length).toBeGreaterThan(0);
  expect(ofPeeling.steps.map(({ op }) => op)).toContain('strip-sand');
  expect(ofPeeling.steps.at(-1)!.op).toBe('hand-over');
});

test.each([60, 170, 400])(
  'a run in a sealer that was laid %i µm wet is sanded out, whatever hangs there',
  (wetUm) => {
    const task = {
      panel: panelOf(
        [
          {
            id: 'A',
            areaM2: 0.8,
            stack: 'steel/ecoat:22',
            findings: [{ kind: 'rub-through', spotMm: 12, count: 3 }],
          },
        ],
        { new: true },
      ),
      shop: shopSchema.parse({ celsius: 20, nightCelsius: 14 }),
      target: targetSchema.parse({ base: { color: '#20404a' } }),
      startOn: '2026-12-07',
      // Nothing else is there that a build could be laid with.
      sheets: GENERIC_SHELF.filter(({ id, kind }) => kind === 'cleaner' || id === 'epoxy-1-1-sealer'),
    };
    const { view, actsOf } = openPlan(makePlan(task));
    const { steps } = view.systems.find(({ id }) => id === view.chosen)!;
    const nth = steps.findIndex(({ op }) => op === 'seal');
    const done = entriesAsPlanned(steps, actsOf(view.chosen!)).slice(0, nth + 1);
    const laid = { ...done[nth]!, body: { ...done[nth]!.body, values: { wetUm } } } as NewEntry;
    const found: NewEntry = {
      id: 'run',
      at: momentAt(steps[nth]!.endMin + 5),
      by: 'Prep A',
      kind: 'defect',
      body: { defect: 'sag', zones: ['A'] },
    };
    const rework = reworkOf(task, [...done.slice(0, nth), laid, found], null);
    expect(rework.problems).toEqual([]);
    expect(rework.steps.map(({ op }) => op)).toContain('abrade');
    expect(rework.steps.at(-1)!.op).toBe('hand-over');
  },
);
