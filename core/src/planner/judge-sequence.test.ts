import { panelOf, type ZoneSketch } from '../testing/bench.ts';
import { shopSchema, targetSchema } from '../survey/shop.ts';
import { judgeTask } from './judge-task.ts';
import { actInputsSchema, type ActInput } from './act-input.ts';
import type { PlanTask } from './bench-of-task.ts';
import { makePlan } from './make-plan.ts';
import { planPanel } from './plan-panel.ts';
import type { Step } from './plan.ts';
import { openPlan } from './view-plan.ts';

const DOOR: readonly ZoneSketch[] = [
  { stack: 'steel/ecoat:20/old-finish:95', areaM2: 1.5 },
  { stack: 'steel', areaM2: 0.35, findings: [{ kind: 'coarse-scratches', grit: 'P80' }] },
];
const taskOf = (zones: readonly ZoneSketch[], more: Partial<PlanTask> = {}): PlanTask => ({
  panel: panelOf(zones),
  shop: shopSchema.parse({ nightCelsius: 14 }),
  target: targetSchema.parse({}),
  ...more,
});
const bestSteps = (task: PlanTask): Step[] => {
  const plan = planPanel(task);
  return plan.systems.find(({ id }) => id === plan.chosen)!.steps;
};
const bestActs = (task: PlanTask): ActInput[] => {
  const { chosen, ...plan } = makePlan(task);
  return openPlan({ ...plan, chosen }).actsOf(chosen!);
};
const judge = (own: readonly ActInput[], fillsIn: boolean, zones = DOOR) =>
  judgeTask(taskOf(zones), own, { fillsIn });

describe('why not...?', () => {
  const ETCH: ActInput = { op: 'prime-etch', zones: ['B'], sheetId: 'etch-1k' };
  const SEAL: ActInput = { op: 'seal', zones: ['A', 'B'], sheetId: 'sealer-3-1-1' };

  test('a refused step is named with its rule and with what would make it allowed', () => {
    const [first] = judge([ETCH], true).steps;
    expect(first).toMatchObject({ verdict: 'refused', typed: 0 });
    expect(first!.refusedBy[0]).toMatchObject({
      rule: 'M6',
      zoneId: 'B',
      allowedIf: 'if it stays on spots of at most 5% of the panel',
    });
  });
  test('a zone that is handed over without its dent is not ready: the dent is named', () => {
    const dented: readonly ZoneSketch[] = [
      {
        stack: 'steel/ecoat:20/old-finish:95',
        areaM2: 1.5,
        findings: [{ kind: 'low', depthMm: 2, sizeMm: 90 }],
      },
    ];
    const { isReady, notHandedOver, steps } = judge([{ op: 'hand-over', zones: ['A'] }], true, dented);
    expect(steps.some(({ verdict }) => verdict === 'refused')).toBe(false);
    expect({ isReady, notHandedOver }).toEqual({ isReady: false, notHandedOver: ['A/low'] });
  });
  test('what the rules ask for in between is added, and the end is said', () => {
    const own: ActInput[] = [
      { op: 'prime-epoxy', zones: ['B'], sheetId: 'epoxy-1-1' },
      { op: 'prime-build', zones: ['B'], sheetId: 'build-4-1-1', coats: 3 },
      SEAL,
      { op: 'hand-over', zones: ['A', 'B'] },
    ];
    const judged = judge(own, true);
    expect(judged.isReady).toBe(true);
    expect(judged.steps.filter(({ verdict }) => verdict !== 'added').map(({ step }) => step.op)).toEqual(
      own.map(({ op }) => op),
    );
    expect(
      judged.steps.filter(({ typed, verdict }) => typed === 2 && verdict === 'added').length,
    ).toBeGreaterThan(3);
    expect(judge(own.slice(0, 3), true).isReady).toBe(false);
    expect(judge(own.slice(0, 3), true).notHandedOver).toEqual(['A', 'B']);
  });
  test('step by step nothing is added: what was left out is held against the step', () => {
    const [seal] = judge([SEAL], false).steps;
    expect(seal!.refusedBy.map(({ rule }) => rule)).toEqual(expect.arrayContaining(['M1', 'K4', 'C1']));
  });
  test('every plan, typed in again, is allowed step by step', () => {
    for (const zones of [DOOR, [{ stack: 'plastic-olefin' }], [{ stack: 'fiberglass' }]] as const) {
      const task = taskOf(zones);
      const judged = judgeTask(task, bestActs(task), { fillsIn: false });
      expect(judged.steps.flatMap(({ refusedBy }) => refusedBy)).toEqual([]);
      expect(judged).toMatchObject({ isReady: true, problems: [] });
    }
  });
  test.each<[string, ActInput, RegExp]>([
    ['a zone that is not there', { op: 'wash', zones: ['Z'] }, /"Z" is not a zone/],
    ['no product', { op: 'seal', zones: ['A'] }, /seal needs a product of the shelf/],
    [
      'a product that is not on the shelf',
      { op: 'seal', zones: ['A'], sheetId: 'x' },
      /"x" is not on the shelf/,
    ],
    [
      'a product for something else',
      { op: 'prime-epoxy', zones: ['A'], sheetId: 'epoxy-1-1-sealer' },
      /reduced as sealer is no product for prime-epoxy/,
    ],
    ['no grade', { op: 'abrade', zones: ['A'] }, /needs at least one grade/],
  ])('%s is said, and the rest is judged', (_, wrong, message) => {
    const judged = judge([wrong, { op: 'wash', zones: ['A', 'B'] }], true);
    expect(judged.problems[0]!.message).toMatch(message);
    expect(judged.steps).toHaveLength(1);
    expect(judged.isReady).toBe(false);
  });
  test('what is typed is bounded', () => {
    expect(actInputsSchema.safeParse([{ op: 'polish', zones: ['A'] }]).success).toBe(false);
    expect(actInputsSchema.safeParse([{ op: 'seal', zones: ['A'], coats: 40 }]).success).toBe(false);
    expect(actInputsSchema.safeParse([{ op: 'abrade', zones: ['A'], grits: ['P7'] }]).success).toBe(false);
  });
});

describe('going on from what was really done', () => {
  const planned = bestSteps(taskOf(DOOR));
  const acts = bestActs(taskOf(DOOR));
  const upTo = (op: Step['op']): ActInput[] => acts.slice(0, acts.findIndex((act) => act.op === op) + 1);

  test('as planned: the rest of the plan stays what it was', () => {
    const again = bestSteps(taskOf(DOOR, { done: upTo('prime-build') }));
    expect(again.map(({ op, zones }) => [op, zones])).toEqual(planned.map(({ op, zones }) => [op, zones]));
    expect(again.filter(({ isDone }) => isDone)).toHaveLength(upTo('prime-build').length);
  });
  test('one coat of build instead of three and left for a day: abraded, and built again', () => {
    const done = upTo('prime-build');
    const short = [...done.slice(0, -1), { ...done.at(-1)!, coats: 1, thenMin: 2000 }];
    const rest = bestSteps(taskOf(DOOR, { done: short })).filter(({ isDone }) => !isDone);
    expect(rest.map(({ op }) => op).join(' ')).toMatch(/abrade .*prime-build .*block/);
  });
  test.each([1, 2, 3, 4])('%d coats of build on a dent and a patch alike: the plan goes on', (coats) => {
    const dented = [...DOOR, { stack: 'steel', areaM2: 0.25, findings: [{ kind: 'low', depthMm: 0.9 }] }];
    const dentedActs = bestActs(taskOf(dented));
    const at = dentedActs.findIndex(({ op }) => op === 'prime-build');
    const done = dentedActs.slice(0, at + 1);
    const really = [...done.slice(0, -1), { ...done.at(-1)!, coats }];
    const again = planPanel(taskOf(dented, { done: really }));
    expect(again.systems.find(({ id }) => id === again.chosen)?.steps.at(-1)?.op).toBe('hand-over');
  });
  test('what cannot be read is warned of', () => {
    expect(planPanel(taskOf(DOOR, { done: [{ op: 'seal', zones: ['A'] }] })).warnings[0]!.text).toMatch(
      /^step 1, sheetId: seal needs a product/,
    );
  });
});
