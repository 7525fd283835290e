import { benchOf, type ZoneSketch } from '../testing/bench.ts';
import { best, plan } from '../testing/planned.ts';
import type { PanelPlan, System } from './plan.ts';
import { searchSystems } from './search-systems.ts';

/** Plans of known panels. */

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

const ready = ({ systems }: PanelPlan): System[] => systems.filter(({ verdict }) => verdict === 'ready');
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
