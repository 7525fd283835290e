import { isProductFor } from '../operations/table.ts';
import type { ActInput } from '../planner/act-input.ts';
import { makePlan } from '../planner/make-plan.ts';
import { openPlan } from '../planner/view-plan.ts';
import { isChosenWork } from '../operations/products.ts';
import { CASE_TOPICS, PRACTICE_CASES, type PracticeCase } from './cases.ts';
import { GENERIC_SHELF } from '../materials/generic-shelf.ts';
import type { OpName } from '../operations/act.ts';
import { SOLVED_POINTS, caseAreas, judgeCase } from './judge-case.ts';

const caseOf = (id: string): PracticeCase => PRACTICE_CASES.find((each) => each.id === id)!;
const bestActs = ({ task }: PracticeCase): readonly ActInput[] => {
  const { view, actsOf } = openPlan(makePlan(task));
  return actsOf(view.chosen!).map(({ idleMin: _idle, isSplit: _split, ...act }) => act);
};

test('cases rise in difficulty, every topic has its own, and no two are the same', () => {
  const levels = PRACTICE_CASES.map(({ level }) => level);
  expect(levels).toEqual(levels.toSorted());
  expect(PRACTICE_CASES.length).toBeGreaterThanOrEqual(15);
  expect(new Set(PRACTICE_CASES.map(({ topic }) => topic))).toEqual(new Set(Object.keys(CASE_TOPICS)));
  expect(new Set(PRACTICE_CASES.map(({ id }) => id)).size).toBe(PRACTICE_CASES.length);
});

describe.each(PRACTICE_CASES.map((each) => [each.id, each] as const))('%s', (_, practice) => {
  test('the planner’s own best, typed step by step, is full marks', () => {
    const { judgement, points } = judgeCase(practice.task, bestActs(practice));
    expect(judgement.steps.flatMap(({ refusedBy }) => refusedBy)).toEqual([]);
    expect(points).toBe(100);
  });

  test('what a person chooses of it is enough: rules ask for the rest', () => {
    const { points, judgement } = judgeCase(
      practice.task,
      bestActs(practice).filter(({ op }) => isChosenWork(op)),
    );
    expect(judgement.steps.flatMap(({ refusedBy }) => refusedBy)).toEqual([]);
    expect(points).toBeGreaterThanOrEqual(SOLVED_POINTS);
  });

  test('nothing at all is no system, unless the panel needs none', () => {
    const { own, points, best } = judgeCase(practice.task, []);
    const needsNone = !best.steps.some(({ sheetName }) => sheetName !== undefined);
    expect(own === null).toBe(!needsNone);
    expect(points).toBe(needsNone ? 100 : null);
  });
});

/** On all areas, with the first product of the shelf for it. */
const done = (op: OpName, { task }: PracticeCase): ActInput => {
  const sheet = GENERIC_SHELF.find((each) => isProductFor(op, each));
  return { op, zones: [...caseAreas(task)], ...(sheet ? { sheetId: sheet.id } : {}) };
};

test.each<[id: string, ops: readonly OpName[], rule: string]>([
  ['stripped-lid', ['seal'], 'M1'],
  ['new-corner', ['prime-etch'], 'M6'],
  ['wheel-arch', ['prime-epoxy', 'seal'], 'P5'],
  ['nose-cap', ['prime-etch', 'prime-build'], 'GP4'],
  ['soluble-lid', ['prime-build', 'seal'], 'O2'],
  ['zinc-sill', ['strip-blast', 'prime-epoxy'], 'M10'],
  ['dent-in-steel', ['fill', 'prime-build', 'seal'], 'M1'],
  ['third-peels', ['seal'], 'M1'],
])('%s: %j is refused by %s', (id, ops, rule) => {
  const asked = caseOf(id);
  const { judgement, points } = judgeCase(
    asked.task,
    ops.map((op) => done(op, asked)),
  );
  expect(judgement.steps.flatMap(({ refusedBy }) => refusedBy.map((refusal) => refusal.rule))).toContain(
    rule,
  );
  expect(points).toBeNull();
});

test('more than the panel needs gets fewer points', () => {
  const door = caseOf('sound-door');
  const { points } = judgeCase(door.task, [done('prime-build', door), done('seal', door)]);
  expect(points).toBeGreaterThan(0);
  expect(points).toBeLessThan(SOLVED_POINTS);
});

test('a step that cannot be read is said, and gives no points', () => {
  const { judgement, points } = judgeCase(caseOf('hatch').task, [{ op: 'wash', zones: ['Q'] }]);
  expect(judgement.problems[0]!.message).toMatch(/"Q" is not a zone/);
  expect(points).toBeNull();
});
