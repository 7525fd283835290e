import { makePlan } from '../planner/make-plan.ts';
import { openPlan } from '../planner/view-plan.ts';
import { shopSchema, targetSchema } from '../survey/shop.ts';
import { panelOf, type ZoneSketch } from '../testing/bench.ts';
import { entriesAsPlanned, momentAt } from '../testing/record.ts';
import type { NewEntry } from './entry.ts';
import { foldRecord, whyNotNow } from './fold.ts';
import { trueState } from './true-state.ts';

const PANELS: Readonly<Record<string, readonly ZoneSketch[]>> = {
  'a painted door with a bare patch': [
    { id: 'A', areaM2: 0.8, stack: 'steel/ecoat:20/old-finish:95' },
    { id: 'B', areaM2: 0.3, stack: 'steel', findings: [{ kind: 'coarse-scratches', grit: 'P80' }] },
  ],
  'a dent in a painted door': [
    {
      id: 'A',
      areaM2: 1.2,
      stack: 'steel/ecoat:20/old-finish:95',
      findings: [
        { kind: 'low', depthMm: 2, sizeMm: 120 },
        { kind: 'chips', count: 12, sizeMm: 5 },
      ],
    },
  ],
  'a raw plastic trim': [{ id: 'A', areaM2: 0.3, stack: 'plastic-olefin' }],
  'an old soluble finish': [{ id: 'A', areaM2: 1, stack: 'steel/old-finish-soluble:120' }],
};

function planned(sketches: readonly ZoneSketch[]) {
  const task = {
    panel: panelOf(sketches),
    shop: shopSchema.parse({ celsius: 20, nightCelsius: 14 }),
    target: targetSchema.parse({}),
    startOn: '2026-12-07',
  };
  const { view, actsOf } = openPlan(makePlan(task));
  const { steps } = view.systems.find(({ id }) => id === view.chosen)!;
  const acts = actsOf(view.chosen!);
  return { task, steps, acts, entries: entriesAsPlanned(steps, acts) };
}

describe.each(Object.entries(PANELS))('%s', (_, sketches) => {
  const { task, steps, acts, entries } = planned(sketches);
  const standing = (nDone: number, minute: number) =>
    foldRecord(task, entries.slice(0, nDone), { now: momentAt(minute) });
  const isWait = (op: string): boolean => op === 'flash' || op === 'cure';

  test('no step of the plan is held up when its turn has come, and a wait is over when it is', () => {
    const held = steps.slice(1).flatMap((step, i) => {
      const minute = isWait(step.op) ? step.endMin : step.startMin;
      const why = whyNotNow(standing(i + 1, minute + 1), acts[i + 1]!);
      return why.map(({ text }) => `${step.n} ${step.op}: ${text}`);
    });
    expect(held).toEqual([]);
  });

  test('a wait that has just begun says how long it still takes', () => {
    const long = steps.filter(({ op, waitMin, n }) => isWait(op) && waitMin > 5 && n > 1);
    expect(long.length).toBeGreaterThan(0);
    for (const step of long) {
      const why = whyNotNow(standing(step.n - 1, step.startMin), acts[step.n - 1]!);
      expect(why).toHaveLength(1);
    }
  });

  test('an entry that nobody can read is said, and the rest counts', () => {
    const [first] = entries;
    const odd = { ...first!, id: 'odd', body: { op: 'wash', zones: ['Q'] } } as NewEntry;
    const { problems, steps: done } = trueState(task, [first!, odd]);
    expect(problems).toEqual(['step 2, zones: "Q" is not a zone of this panel that is planned']);
    expect(done).toHaveLength(1);
  });
});
