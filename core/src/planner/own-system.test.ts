import { shopSchema, targetSchema } from '../survey/shop.ts';
import { panelOf } from '../testing/bench.ts';
import type { OwnSequence } from './act-input.ts';
import type { PlanTask } from './bench-of-task.ts';
import { standingsOf, stepsOnlyIn } from './compare-systems.ts';
import { makePlan } from './make-plan.ts';
import { withOwnLadder } from './own-ladder.ts';
import { OWN } from './stored-plan.ts';
import { openPlan } from './view-plan.ts';

/** A filled dent in a painted lid. */
const task: PlanTask = {
  panel: panelOf([
    {
      stack: 'steel/ecoat:20/old-finish:95',
      areaM2: 1.4,
      findings: [{ kind: 'low', depthMm: 2, sizeMm: 90 }],
    },
  ]),
  shop: shopSchema.parse({ celsius: 20, nightCelsius: 14 }),
  target: targetSchema.parse({}),
};
const planned = openPlan(makePlan(task));
const best = planned.view.systems[0]!;
const choices: OwnSequence['acts'] = planned
  .actsOf(best.id)
  .filter(({ op }) => op.startsWith('prime-') || ['strip-sand', 'fill', 'seal', 'hand-over'].includes(op));

const systemWith = (own: OwnSequence) => {
  const stored = makePlan({ ...task, own });
  return { stored, system: openPlan(stored).view.systems.find(({ id }) => id === OWN) };
};

test('a sequence of one’s own becomes a system: the work between is added, put into the shop’s hours', () => {
  const { system } = systemWith({ acts: choices, fillsIn: true });
  expect(system).toMatchObject({ verdict: 'ready', title: 'Yours: epoxy, filler, build, sealer' });
  expect(system!.steps.map(({ op }) => op)).toEqual(best.steps.map(({ op }) => op));
  expect(system!.totals.handsOnMin).toBe(best.totals.handsOnMin);
});

test('where a rule refuses it, it stands among the systems as far as it comes, and is not chosen', () => {
  const acts = choices.filter(({ op }) => op !== 'prime-epoxy' && op !== 'fill');
  const { stored, system } = systemWith({ acts, fillsIn: true });
  expect(system).toMatchObject({ verdict: 'refused' });
  expect(system!.refusedBy.length).toBeGreaterThan(0);
  expect(stored.chosen).not.toBe(OWN);
});

test.each<[string, OwnSequence['acts']]>([
  ['stops before the hand-over', choices.slice(0, -1)],
  ['hands over the zone and leaves its dent out', [{ op: 'hand-over', zones: ['A'] }]],
  ['names a zone that is gone', [{ op: 'wash', zones: ['Q'] }]],
])('one that %s is left out, and that is told', (_, acts) => {
  const { stored, system } = systemWith({ acts, fillsIn: true });
  expect(system).toBeUndefined();
  expect(openPlan(stored).view.warnings.map(({ code }) => code)).toContain('plan.own-lost');
});

test('a ladder of one’s own takes the place of a stretch of sanding', () => {
  const [run] = planned.sandingOf(best.id).runs.filter(({ kind }) => kind === 'filler');
  const acts = withOwnLadder(planned.actsOf(best.id), run!, [
    { grade: 'P80', tool: 'block' },
    { grade: 'P150', tool: 'block' },
    { grade: 'P240', tool: 'machine' },
  ]);
  const { system } = systemWith({ acts, fillsIn: true });
  const sanded = system!.steps.filter(
    ({ n }) => Math.abs(n - run!.steps[0]!) <= 1 && system!.steps[n - 1]!.grits,
  );
  expect(sanded.map(({ grits, tool }) => [grits, tool])).toEqual([
    [['P80', 'P150'], 'block'],
    [['P240'], 'machine'],
  ]);
  expect(stepsOnlyIn(system!, best, 'metric')).toEqual([
    expect.stringMatching(/: P80 › P150$/),
    expect.stringMatching(/: P240$/),
  ]);
});

test('systems say what they stand out by, and nothing that is true of all', () => {
  const standings = standingsOf(planned.view.systems);
  const ready = planned.view.systems.filter(({ verdict }) => verdict === 'ready');
  expect([...standings.keys()]).toEqual(ready.map(({ id }) => id));
  const least = ready.toSorted((a, b) => a.totals.handsOnMin - b.totals.handsOnMin)[0]!;
  expect(standings.get(least.id)).toContain('least work');
  expect(standingsOf([best]).get(best.id)).toEqual([]);
});
