import fc from 'fast-check';
import { impossibilitiesOf } from '../survey/contradictions.ts';
import { GENERIC_SHELF } from '../materials/generic-shelf.ts';
import { isSolid } from '../materials/layer-kinds.ts';
import type { ProductSheet } from '../materials/sheet.ts';
import { mustStay } from '../operations/context.ts';
import { perform } from '../operations/perform.ts';
import { surveyState } from '../operations/survey-state.ts';
import { checkAct } from '../rules/check-act.ts';
import type { Panel } from '../survey/panel.ts';
import { shopSchema, targetSchema } from '../survey/shop.ts';
import { benchOf, panelOf, type ZoneSketch } from '../testing/bench.ts';
import type { PlanTask } from './bench-of-task.ts';
import { shelfOf } from './shelf.ts';
import { makePlan } from './make-plan.ts';
import { planPanel } from './plan-panel.ts';
import { storedPlanOf, storedPlanSchema, type StoredPlan } from './stored-plan.ts';
import { openPlan } from './view-plan.ts';
import { jobPlanSchema, type PanelPlan, type System } from './plan.ts';
import { searchSystems } from './search-systems.ts';
import { strataOf } from './strata.ts';

const DOOR: ZoneSketch[] = [
  { stack: 'steel/ecoat:20/old-finish:95', areaM2: 1.5 },
  { stack: 'steel', areaM2: 0.35, findings: [{ kind: 'coarse-scratches', grit: 'P80' }] },
  {
    stack: 'steel/filler:900',
    areaM2: 0.25,
    findings: [
      { kind: 'coarse-scratches', grit: 'P80' },
      { kind: 'waves', um: 60, wavelengthMm: 150 },
      { kind: 'pinholes' },
    ],
  },
];

interface Given {
  readonly shop?: object;
  readonly target?: object;
  readonly panel?: object;
}

const taskOf = (panel: Panel, { shop, target }: Given = {}): PlanTask => ({
  panel,
  shop: shopSchema.parse({ celsius: 20, nightCelsius: 14, ...shop }),
  target: targetSchema.parse(target ?? { base: { color: '#1b7f86' } }),
});
const plan = (zones: readonly ZoneSketch[], given: Given = {}): PanelPlan =>
  planPanel(taskOf(panelOf(zones, given.panel), given));
const ready = ({ systems }: PanelPlan): System[] => systems.filter(({ verdict }) => verdict === 'ready');
const best = (of: PanelPlan): System => of.systems.find(({ id }) => id === of.chosen)!;
const ops = ({ steps }: System): string => steps.map(({ op }) => op).join(' ');
const rulesAgainst = ({ systems }: PanelPlan): string[] =>
  systems.flatMap(({ refusedBy }) => (refusedBy[0] ? [refusedBy[0].rule] : []));

describe('the door', () => {
  const door = plan(DOOR);

  test('filler that is there and sound stays: pinholes glazed, built level, whatever the school of new work', () => {
    expect(best(door).title).toBe('Filler kept on metal, epoxy, build, sealer');
    expect(ops(best(door))).toMatch(
      /inspect .*glaze .*prime-epoxy .*prime-build .*block .*seal flash hand-over$/,
    );
  });

  test('taking it out is an alternative with its reason, and new filler lies over cured epoxy', () => {
    const out = ready(door).find(({ title }) => title.startsWith('Old filler out'))!;
    expect(out.steps.flatMap(({ why }) => why).map(({ code }) => code)).toContain('plan.refill');
    expect(ops(out)).toMatch(
      /strip-sand .*prime-epoxy cure abrade degrease fill abrade .*prime-build .*guide-coat block .*seal flash hand-over$/,
    );
  });

  test('what a technician would ask about is refused with the first rule that it breaks', () => {
    expect(new Set(rulesAgainst(door))).toEqual(new Set(['M6', 'K3', 'M1', 'B1', 'S1']));
    const straight = door.systems.find(({ title }) => title === 'Sealer straight on bare steel')!;
    expect(straight.refusedBy[0]!.text).toBe(
      'Sealer 3:1:1 does not protect bare steel; bare metal needs a corrosion-resisting first coat.',
    );
  });

  test('steps carry figures with their sources, reasons with rules, windows and cautions', () => {
    const seal = best(door).steps.find(({ op }) => op === 'seal')!;
    expect(seal).toMatchObject({
      coats: 1,
      filmUm: 25,
      toneL: 40,
      zones: ['A', 'B', 'C'],
      sources: { filmUm: 'sheet', coats: 'default' },
    });
    expect(seal.window).toMatchObject({ opensMin: 15, closesMin: 720 });
    expect(seal.cautions.join(' ')).toMatch(
      /Isocyanate.*safety sheet, local codes and licensed practice govern/,
    );
    for (const step of best(door).steps) expect(step.why.length).toBeGreaterThan(0);
  });

  test('the build is laid by its film budget and blocked level', () => {
    const build = best(door).steps.find(({ op }) => op === 'prime-build')!;
    expect(build.coatsByZone).toEqual({ B: 2, C: 4 });
    expect(build.why.map(({ text }) => text).join(' ')).toMatch(
      /Film budget: 115 µm stays, 40 µm waves, 12 µm peel/,
    );
    expect(best(door).level!.ledgeUm).toBeLessThanOrEqual(best(door).level!.limitUm);
  });

  test('a same-day shop bakes, a show car gets finer filler', () => {
    expect(best(plan(DOOR, { shop: { schools: { pace: 'same-day' } } })).totals.elapsedMin).toBeLessThan(900);
    const grits = best(plan(DOOR, { target: { quality: 'show' } })).steps.flatMap(({ tool, grits: all }) =>
      tool === 'block' ? (all ?? []) : [],
    );
    expect(grits).toContain('P320');
  });
});

describe('other panels of these substrates', () => {
  test('sound e-coat with small cut-throughs is cleaned and sealed, unsanded', () => {
    const corner = plan(
      [{ stack: 'steel/ecoat:22', findings: [{ kind: 'rub-through', spotMm: 12, count: 3 }] }],
      { panel: { shape: 'sharp' } },
    );
    // The bare spots are abraded like any metal, masked first so that their time is short; the e-coat is left alone.
    expect(ops(best(corner))).toBe('wash degrease mask abrade degrease tack seal flash hand-over');
    expect(best(corner).steps[3]!.areas).toEqual(['A/rub-through']);
    expect(best(corner).steps[6]!.why.map(({ rule }) => rule)).toContain('N1');
  });
  test('by the other school it is scuffed first', () => {
    expect(ops(best(plan([{ stack: 'steel/ecoat:22' }], { shop: { schools: { ecoat: 'scuff' } } })))).toMatch(
      /abrade .*seal/,
    );
  });
  test('a sound finish alone needs no primer', () => {
    expect(best(plan([{ stack: 'steel/old-finish:100' }])).title).toBe('Clean and key, no primer');
  });
  test('a widely peeling finish is stripped from the whole panel before it is primed', () => {
    const peeled = best(
      plan([{ stack: 'steel/old-finish:100', areaM2: 1, findings: [{ kind: 'peeling', share: 0.6 }] }]),
    );
    expect(ops(peeled)).toMatch(/strip-sand .*prime-(epoxy|dtm)/);
  });
  test('a hollow is filled, and rust goes first', () => {
    const dent = best(
      plan([{ stack: 'steel', findings: [{ kind: 'low', depthMm: 2 }, { kind: 'rust-surface' }] }]),
    );
    expect(ops(dent)).toMatch(/remove-rust .*fill /);
  });
  test('a zone that goes to the welder first stops the panel, unless it is planned apart', () => {
    const through = { stack: 'steel', areaM2: 0.1, findings: [{ kind: 'rust-through' }] };
    const held = plan([...DOOR.slice(0, 2), through]);
    expect(held).toMatchObject({ chosen: null, stopped: [{ zoneId: 'C', rule: 'M5' }] });
    expect(held.warnings[0]!.text).toMatch(/Nothing is chosen while a zone is stopped \(C\)/);
    expect(ready(held).length).toBeGreaterThan(0);
    const rotten = plan([...DOOR.slice(0, 2), { ...through, facts: { apart: true } }]);
    expect(rotten.stopped).toMatchObject([{ zoneId: 'C', rule: 'M5' }]);
    expect(best(rotten).steps.flatMap(({ zones }) => zones)).not.toContain('C');
    expect(plan([{ stack: 'steel', findings: [{ kind: 'low', depthMm: 5 }] }])).toMatchObject({
      chosen: null,
      stopped: [{ rule: 'F3' }],
    });
  });
  test('a shop that is too cold is told so, and gets no system', () => {
    const cold = plan(DOOR, { shop: { celsius: 4, relativeHumidity: 60 } });
    expect(cold.chosen).toBeNull();
    expect(cold.warnings[0]!.text).toMatch(/No system on this shelf/);
    expect(rulesAgainst(cold)).toContain('M3');
  });
  test('without sealer on the shelf, build beside finish is refused by S1 and nothing is sealed', () => {
    const { state, context } = benchOf(DOOR, { without: ['sealer'] });
    const { ready, refused } = searchSystems(state, context);
    expect(ready.flatMap(({ choices }) => choices).filter(({ op }) => op === 'seal')).toEqual([]);
    expect(refused.map(({ verdicts }) => verdicts[0]!.reason.rule)).toContain('S1');
  });
});

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
const CHECKED = { numRuns: 60, seed: 21 };

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
      CHECKED,
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
      CHECKED,
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
      { ...CHECKED, numRuns: 40 },
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
      CHECKED,
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
      const { ready } = searchSystems(surveyState(panel, shop.rules), {
        panel,
        shop,
        target,
        shelf: shelfOf(sheets),
        startMin: 480,
      });
      return Math.min(Infinity, ...ready.map(({ cost }) => cost));
    };
    const sheets = fc.constantFrom(...GENERIC_SHELF.filter(({ kind }) => kind !== 'cleaner'));
    fc.assert(
      fc.property(panels, sheets, (zones, sheet) => {
        expect(cheapest(zones, [better(sheet)])).toBeLessThanOrEqual(cheapest(zones, []) + 1e-6);
      }),
      { ...CHECKED, numRuns: 25 },
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
      { ...CHECKED, numRuns: 15 },
    );
  });
});
