import fc from 'fast-check';
import { GENERIC_SHELF } from '../materials/generic-shelf.ts';
import { isSolid } from '../materials/layer-kinds.ts';
import { workOf } from '../materials/product-work.ts';
import type { ProductSheet } from '../materials/sheet.ts';
import { mustStay } from '../operations/context.ts';
import { perform } from '../operations/perform.ts';
import { surveyState } from '../operations/survey-state.ts';
import { checkAct } from '../rules/check-act.ts';
import { impossibilitiesOf } from '../survey/contradictions.ts';
import { panelOf, type ZoneSketch } from '../testing/bench.ts';
import { runsOf } from '../testing/crossings.ts';
import { best, plan, taskOf } from '../testing/planned.ts';
import { makePlan } from './make-plan.ts';
import { jobPlanSchema } from './plan.ts';
import { planPanel } from './plan-panel.ts';
import { searchSystems } from './search-systems.ts';
import { shelfOf, withPreference } from './shelf.ts';
import { storedPlanOf, storedPlanSchema, type StoredPlan } from './stored-plan.ts';
import { strataOf } from './strata.ts';
import { openPlan } from './view-plan.ts';

/** What holds for the plan of any panel, whatever it is made of and whatever is found on it. */

const STACKS = [
  'steel',
  'steel/ecoat:20/old-finish:95',
  'steel/old-finish:140',
  'steel/ecoat:20',
  'steel/filler:700',
  'steel/filler:2500',
  'steel/epoxy:50/seam:1500',
  'zinc-steel',
  'fiberglass',
  'fiberglass/old-finish:100',
  'zinc-steel/old-finish:110',
  'aluminium/ecoat:20/old-finish:90',
  'steel/part-primer:30',
  'steel/old-finish-soluble:120',
  'steel/epoxy:60',
  'plastic-rigid',
  'plastic-olefin',
  'plastic-primed',
  'plastic-olefin/old-finish:90',
] as const;
const FINDINGS = [
  { kind: 'coarse-scratches', grit: 'P80' },
  { kind: 'pinholes' },
  { kind: 'waves', um: 50, wavelengthMm: 150 },
  { kind: 'peeling', share: 0.3 },
  { kind: 'chips', share: 0.002 },
  { kind: 'rust-surface' },
  { kind: 'orange-peel' },
  { kind: 'release-agent' },
  { kind: 'dressing' },
  { kind: 'overspray' },
  { kind: 'unknown-plastic' },
  { kind: 'texture', want: 'flatten' },
  { kind: 'crack', lengthMm: 40 },
  { kind: 'rub-through', spotMm: 20, count: 2 },
  { kind: 'low', depthMm: 1.2 },
  { kind: 'rust-pitted' },
  { kind: 'checked', share: 0.1 },
  { kind: 'reacted', share: 0.6 },
  { kind: 'glue-residue' },
  { kind: 'edge' },
  { kind: 'hole', lengthMm: 20 },
  { kind: 'rub-through', spotMm: 90, count: 1 },
];

/** A zone with findings that its material can have; the others are left out, not the zone. */
const sketch: fc.Arbitrary<ZoneSketch> = fc
  .record({
    stack: fc.constantFrom(...STACKS),
    areaM2: fc.integer({ min: 2, max: 200 }).map((n) => n / 100),
    findings: fc.subarray(FINDINGS, { maxLength: 4 }),
  })
  .map(({ findings, ...zone }) => ({
    ...zone,
    findings: findings.filter(
      (finding) => impossibilitiesOf(panelOf([{ ...zone, findings: [finding] }]).zones[0]!).length === 0,
    ),
  }));
const panels = fc.array(sketch, { minLength: 1, maxLength: 4 });
const facts = fc.record(
  {
    shape: fc.constantFrom('flat', 'crowned', 'sharp'),
    orientation: fc.constantFrom('vertical', 'horizontal'),
    role: fc.constantFrom('refinish', 'blend'),
    finish: fc.constantFrom('smooth', 'keep-texture'),
    offVehicle: fc.boolean(),
    new: fc.boolean(),
    bodyLines: fc.constantFrom(0, 2),
    borders: fc.constant([{ name: 'fender', plan: 'blend' }]),
    parts: fc.constant([{ name: 'handle', plan: 'remove' }]),
  },
  { requiredKeys: [] },
);
const schools = fc.record(
  {
    filler: fc.constantFrom('over-epoxy', 'on-metal'),
    ecoat: fc.constantFrom('leave', 'scuff'),
    pace: fc.constantFrom('overnight', 'same-day'),
    strip: fc.constantFrom('machine', 'chemical', 'blast'),
    plasticSystem: fc.constantFrom('promoter', 'plastic-mode'),
    rawPlasticSolvent: fc.constantFrom('no', 'yes'),
    epoxySealer: fc.constantFrom('wet-on-wet', 'cured'),
    build: fc.constantFrom('always', 'skip-if-straight'),
    guideCoat: fc.constantFrom('every-grit', 'eye'),
    finalSand: fc.constantFrom('machine-dry', 'hand-wet'),
    fillerFinish: fc.constantFrom('P180', 'P320'),
    sealerCoats: fc.constantFrom('one', 'two'),
  },
  { requiredKeys: [] },
);

describe('any panel of these substrates', () => {
  test('no step breaks a must rule when it is replayed, and the replay ends where the plan says', () => {
    fc.assert(
      fc.property(panels, facts, schools, (zones, known, chosen) => {
        const { panel, shop, target } = taskOf(panelOf(zones, known), { shop: { schools: chosen } });
        const context = { panel, shop, target, shelf: shelfOf(), startMin: 480 };
        for (const way of searchSystems(surveyState(panel, shop.rules), context).ready) {
          let state = surveyState(panel, shop.rules);
          for (const { act } of way.steps) {
            expect(checkAct(act, state, context).filter(({ level }) => level === 'must')).toEqual([]);
            state = perform(state, act, context);
          }
          expect(state).toEqual(way.panel);
          for (const { kind, um, laid } of state.zones.flatMap(({ stack }) => stack))
            if (laid && (kind === 'build' || kind === 'dtm'))
              expect(um).toBeGreaterThanOrEqual(mustStay(context, laid.sheetId).value - 0.5);
        }
      }),
      runsOf(60),
    );
  });

  test('every zone is handed over or stopped, or the plan says why nothing fits; and the plan has its published shape', () => {
    fc.assert(
      fc.property(panels, facts, (zones, known) => {
        const made = plan(zones, { panel: known });
        expect(JSON.parse(JSON.stringify(made))).toEqual(made);
        jobPlanSchema.parse({ panels: [made], warnings: [] });
        if (made.chosen === null)
          return expect(made.warnings.length + made.stopped.length).toBeGreaterThan(0);
        const last = best(made).steps.at(-1)!;
        expect(last.op).toBe('hand-over');
        expect([...last.areas].sort()).toEqual(Object.keys(made.found).sort());
      }),
      runsOf(60),
    );
  });

  test('a plan that is kept and read again shows the same, and so does one that goes on after a pause', () => {
    const again = (stored: StoredPlan): StoredPlan =>
      storedPlanOf(storedPlanSchema.parse(JSON.parse(JSON.stringify(stored))))!;
    fc.assert(
      fc.property(panels, facts, schools, fc.nat(), (zones, known, chosen, at) => {
        const task = taskOf(panelOf(zones, known), { shop: { schools: chosen } });
        const stored = makePlan(task);
        expect(openPlan(again(stored)).view).toEqual(openPlan(stored).view);
        if (stored.chosen === null) return;
        const acts = openPlan(stored).actsOf(stored.chosen);
        const done = acts.slice(0, at % acts.length).map((act) => ({ ...act, thenMin: at % 3000 }));
        const rest = makePlan({ ...task, done });
        const { view } = openPlan(again(rest));
        expect(view).toEqual(openPlan(rest).view);
        for (const { steps, totals } of view.systems) {
          const left = steps.filter(({ isDone }) => !isDone);
          const took = (left.at(-1)?.endMin ?? 0) - (left[0]?.startMin ?? 0);
          expect(Math.abs(totals.elapsedMin - took)).toBeLessThan(1);
          steps.forEach(({ startMin, endMin }, i) => {
            expect(endMin).toBeGreaterThanOrEqual(startMin);
            if (i > 0) expect(startMin).toBeGreaterThanOrEqual(steps[i - 1]!.endMin);
          });
        }
      }),
      runsOf(40),
    );
  });

  test('the plan is the same for the same input, and does not hang on the order of zones', () => {
    fc.assert(
      fc.property(panels, (zones) => {
        const panel = panelOf(zones);
        const again = planPanel(taskOf(panel));
        expect(planPanel(taskOf(structuredClone(panel)))).toEqual(again);
        const turned = planPanel(taskOf({ ...panel, zones: panel.zones.toReversed() }));
        expect(turned.systems.map(({ id, totals }) => [id, totals])).toEqual(
          again.systems.map(({ id, totals }) => [id, totals]),
        );
      }),
      runsOf(60),
    );
  });

  test('a better sheet on the shelf never makes the best system dearer', () => {
    const better = (sheet: ProductSheet): ProductSheet => ({
      ...sheet,
      id: `${sheet.id}-better`,
      pricePerLitre: sheet.pricePerLitre / 2,
      sandAfterMin: sheet.sandAfterMin === null ? null : sheet.sandAfterMin / 2,
    });
    const cheapest = (zones: readonly ZoneSketch[], sheets: readonly ProductSheet[]): number => {
      const { panel, shop, target } = taskOf(panelOf(zones));
      const context = withPreference({ panel, shop, target, shelf: shelfOf(sheets), startMin: 480 });
      const { ready } = searchSystems(surveyState(panel, shop.rules), context);
      return Math.min(Infinity, ...ready.map(({ cost }) => cost));
    };
    const sheets = fc.constantFrom(...GENERIC_SHELF.filter(({ kind }) => kind !== 'cleaner'));
    fc.assert(
      fc.property(panels, sheets, (zones, sheet) => {
        // A shop's own product takes the place of all built-in ones for its work: the others are the shop's as well.
        const others = GENERIC_SHELF.filter((other) => other !== sheet && workOf(other) === workOf(sheet));
        const own = [better(sheet), ...others];
        expect(cheapest(zones, own)).toBeLessThanOrEqual(cheapest(zones, []) + 1e-6);
      }),
      runsOf(25),
    );
  });

  test('strata step by step end in the stacks that the steps carry', () => {
    fc.assert(
      fc.property(panels, (zones) => {
        const made = plan(zones);
        for (const system of made.systems) {
          const strata = strataOf(made.found, system.steps);
          expect(strata).toHaveLength(system.steps.length + 1);
          for (const step of system.steps)
            for (const [id, stack] of Object.entries(step.stacks))
              expect(strata[step.n]!.zones[id]!.map(({ um }) => um)).toEqual(
                stack.filter(({ kind }) => !isSolid(kind)).map(({ um }) => um),
              );
        }
      }),
      runsOf(15),
    );
  });
});
