import { GENERIC_SHELF } from '../materials/generic-shelf.ts';
import { DEFAULT_FIGURES } from '../surface/figures.ts';
import { bestLadder, ladderOf } from '../surface/ladder.ts';
import { shopSchema, targetSchema } from '../survey/shop.ts';
import { panelOf, type ZoneSketch } from '../testing/bench.ts';
import { showingOf } from './ladder-verdict.ts';
import type { PlanTask } from './bench-of-task.ts';
import { makePlan } from './make-plan.ts';
import { sandingRunLabel, underLabel, type SandingRun } from './sanding-of-plan.ts';
import { openPlan } from './view-plan.ts';

const DOOR: ZoneSketch[] = [
  { stack: 'steel/ecoat:20/old-finish:95', areaM2: 1.5 },
  { stack: 'steel', areaM2: 0.35, findings: [{ kind: 'coarse-scratches', grit: 'P80' }] },
  { stack: 'steel', areaM2: 0.25, findings: [{ kind: 'low', depthMm: 0.9 }] },
];

function sandingOf(zones: readonly ZoneSketch[], facts: object = {}, shop: object = {}) {
  const task: PlanTask = {
    panel: panelOf(zones, facts),
    shop: shopSchema.parse({ celsius: 20, ...shop }),
    target: targetSchema.parse({}),
  };
  const plan = openPlan(makePlan(task));
  const system = plan.view.systems.find(({ id }) => id === plan.view.chosen)!;
  return { task, system, ...plan.sandingOf(system.id) };
}

describe('the sanding of the door', () => {
  const door = sandingOf(DOOR);
  const of = (zone: string, kind: SandingRun['kind']): SandingRun =>
    door.runs.find((run) => run.zoneId === zone && run.kind === kind)!;
  const own = (run: SandingRun) => ladderOf(run.task.start, run.planned, run.task);

  test('every sanding step of the plan is in one stretch, with the plan’s own grades', () => {
    for (const { zoneId, steps, planned } of door.runs) {
      const written = steps.map((n) => door.system.steps[n - 1]!);
      expect(written.every(({ op, areas }) => /abrade|block/.test(op) && areas.includes(zoneId))).toBe(true);
      expect(planned.map(({ grade }) => grade)).toEqual(written.flatMap(({ grits }) => grits));
    }
  });

  test('the best ladder for all of the plan’s tools is never slower than the plan', () => {
    for (const run of door.runs) {
      const best = bestLadder(run.task)!;
      expect([run.id, best.minutes <= own(run).minutes + 1e-9]).toEqual([run.id, true]);
      expect(best.steps.at(-1)).toMatchObject({ grade: run.task.to, tool: run.task.lastTool });
    }
  });

  test('filler is buried under build and may sink back; the last scratch of build shows through the coats to come', () => {
    expect(of('C/low', 'filler').over).toMatchObject({ kind: 'buried' });
    expect(of('C/low', 'build').over).toMatchObject({ kind: 'shows', coats: { sealerCoats: 1 } });
    expect(of('A', 'old-finish').over.kind).toBe('shows');
    expect([...new Set(door.runs.map(sandingRunLabel))]).toEqual(
      expect.arrayContaining(['Filler', 'Build', 'Bare metal']),
    );
  });

  test('what the rules let through passes here too, and what they would not shows', () => {
    const bench = { target: door.task.target, figures: DEFAULT_FIGURES };
    const build = of('C/low', 'build');
    expect(showingOf(build, own(build), { celsius: 20 }, bench).verdict).not.toBe('shows');
    expect(showingOf(build, own(build), { celsius: 20, grade: 'P180' }, bench).verdict).toBe('shows');
    expect(
      showingOf(build, own(build), { celsius: 20, grade: 'P280', sealerCoats: 2 }, bench).grooves,
    ).toHaveLength(7);
    const filler = of('C/low', 'filler');
    const cured = showingOf(filler, own(filler), { celsius: 20 }, bench);
    const hasty = showingOf(filler, own(filler), { celsius: 20, hours: 0.5 }, bench);
    const cold = showingOf(filler, own(filler), { celsius: 5, hours: 4 }, bench);
    const warm = showingOf(filler, own(filler), { celsius: 25, hours: 4 }, bench);
    expect(cured.grooveUm).toBeCloseTo(0.32, 2);
    expect(hasty).toMatchObject({ verdict: 'shows', plane: 'sink-back' });
    expect(cold.grooveUm).toBeGreaterThan(warm.grooveUm);
  });

  test('each build carries the budget that its coats were reckoned from', () => {
    for (const build of door.builds) {
      const step = door.system.steps[build.step - 1]!;
      expect(step.coatsByZone?.[build.zoneId] ?? step.coats).toBe(build.coats);
      expect(build.appliedUm).toBeGreaterThanOrEqual(build.budget.neededUm);
      expect(build.cycles.way).toBe('one');
      expect(underLabel(build)).not.toBe('');
    }
    expect(door.builds.find(({ zoneId }) => zoneId === 'C/low')!.underUm).toBeGreaterThan(900);
  });
});

test('the shop’s own stock and tools bound the best ladder', () => {
  const { runs } = sandingOf(DOOR, {}, { stock: ['P80', 'P180', 'P320', 'P400'], tools: ['block'] });
  const filler = runs.find(({ kind }) => kind === 'filler')!;
  const best = bestLadder(filler.task)!;
  expect(
    best.steps.every(({ grade }) => ['P80', 'P180', 'P320', 'P400', filler.task.to].includes(grade)),
  ).toBe(true);
});

test('a blend panel is sanded as a blend area', () => {
  const { runs } = sandingOf([{ stack: 'steel/ecoat:20/old-finish:95' }], { role: 'blend' });
  expect(runs.map(({ kind }) => kind)).toEqual(['blend']);
});

test('a stopped panel has no sanding, and neither has a system that is not there', () => {
  const task: PlanTask = {
    panel: panelOf([{ stack: 'steel', findings: [{ kind: 'rust-through' }] }]),
    shop: shopSchema.parse({}),
    target: targetSchema.parse({}),
    sheets: [...GENERIC_SHELF],
  };
  const none = { runs: [], builds: [] };
  expect(openPlan(makePlan(task)).sandingOf('any')).toEqual(none);
  expect(openPlan(makePlan({ ...task, panel: panelOf(DOOR) })).sandingOf('no such system')).toEqual(none);
});
