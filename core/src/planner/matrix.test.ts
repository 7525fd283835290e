import { FINDABLE_KINDS, isBody } from '../materials/layer-kinds.ts';
import { isLaying } from '../operations/act.ts';
import { ledgeLimit, type Context } from '../operations/context.ts';
import { notUnder } from '../operations/issues.ts';
import { topOf, zoneOf } from '../operations/state.ts';
import { surveyState } from '../operations/survey-state.ts';
import { RULES } from '../rules/all-rules.ts';
import type { Verdict } from '../rules/rule.ts';
import { impossibilitiesOf } from '../survey/contradictions.ts';
import { shopSchema, targetSchema } from '../survey/shop.ts';
import { panelOf, type ZoneSketch } from '../testing/bench.ts';
import { sampleOf } from '../testing/crossings.ts';
import { BESIDE, STACKS, crossings, usualCrossings } from '../testing/matrix.ts';
import { benchOfTask, type PlanTask } from './bench-of-task.ts';
import type { Performed } from './prepare.ts';
import { searchSystems } from './search-systems.ts';

/**
 * Laws over every stack crossed with every finding, size and role, and with every test outcome, on one zone of a panel:
 * each has systems that leave nothing open and cover nothing that must not be covered, or is stopped with what must come
 * first.
 */

const TESTS: readonly object[] = [
  { kind: 'solvent-rub', outcome: 'softens' },
  { kind: 'cross-cut', outcome: 3 },
  { kind: 'water-break', outcome: 'beads' },
  { kind: 'thumbnail', outcome: 'marks' },
  { kind: 'gauge', readingsUm: [1200, 1300, 1250] },
  { kind: 'gauge', readingsUm: [500, 520, 480] },
  { kind: 'float', outcome: 'floats' },
  { kind: 'straightedge', chordMm: 300, gapMm: 1.2 },
];

const taskOf = (zones: readonly ZoneSketch[]): PlanTask => ({
  panel: panelOf(zones, zones[0]!.tests ? { shape: 'flat' } : {}),
  shop: shopSchema.parse({ celsius: 20, nightCelsius: 14 }),
  target: targetSchema.parse({}),
});

/** What is left to be said against handing it over. */
const leftOpen = (zones: Performed['after']['zones'], context: Context): string[] =>
  zones.flatMap((zone) => [
    ...zone.openIssues,
    // As deep as the quality allows it is found neither by the finger nor by light.
    ...(zone.surface.lowUm > ledgeLimit(context).value ? ['hollow'] : []),
    ...(zone.surface.hasPinholes ? ['pinholes'] : []),
    ...(isBody(topOf(zone).kind) ? ['open body work'] : []),
  ]);

/** What lies under a coat or body work and must not. */
const covered = ({ act, before }: Performed): string[] =>
  isLaying(act)
    ? act.zones.flatMap((id) =>
        notUnder(act.op, zoneOf(before, id)).map((issue) => `${issue} under ${act.op}`),
      )
    : [];

const OTHERS_VOICES = new Set(['O0', 'op']);

/** Rules that spoke under another id than their own. */
const borrowed = ({ act, before }: Performed, context: Context): string[] =>
  RULES.filter(({ id, on }) => on.includes(act.op) && !OTHERS_VOICES.has(id)).flatMap((rule) =>
    act.zones.flatMap((id) =>
      rule
        .judge({ act, zone: zoneOf(before, id), panel: before, context }, [])
        .flatMap(({ reason }) => (reason.rule === rule.id ? [] : [`${rule.id} spoke as ${reason.rule}`])),
    ),
  );

const hasNoEnd = ({ reason }: Verdict): boolean => reason.code === 'op.no-end';

/** What is wrong with the systems of one zone; empty where every law holds. */
function broken(zones: readonly ZoneSketch[]): string[] {
  const { context, stopped } = benchOfTask(taskOf(zones));
  if (stopped.length > 0 || impossibilitiesOf(context.panel.zones[0]!).length > 0) return [];
  const { ready, refused } = searchSystems(surveyState(context.panel, context.shop.rules), context);
  if (ready.length === 0 && refused.every(({ verdicts }) => verdicts.some(hasNoEnd)))
    return ['no system, and no word why'];
  const wrong = ready.flatMap(({ panel, steps }) => [
    ...leftOpen(panel.zones, context),
    ...steps.flatMap(covered),
    ...steps.flatMap((step) => borrowed(step, context)),
  ]);
  return [...new Set(wrong)];
}

const nameOf = (zones: readonly ZoneSketch[]): string => {
  const { stack, areaM2, findings = [], tests = [], facts = {} } = zones[0]!;
  return `${areaM2} m² ${stack} ${JSON.stringify(facts)} ${JSON.stringify([...findings, ...tests])}`;
};

const faults = (panels: readonly (readonly ZoneSketch[])[]): string[] =>
  panels.flatMap((zones) => broken(zones).map((what) => `${nameOf(zones)}: ${what}`));

test('every layer that can be found lies in a stack of the matrix', () => {
  expect(
    FINDABLE_KINDS.filter((kind) => !STACKS.some((stack) => stack.split(/[:/]/).includes(kind))),
  ).toEqual([]);
});

test('whatever is found is settled before it is covered, or stops the zone', () => {
  expect(faults(sampleOf(crossings(), 40))).toEqual([]);
});

/** A panel that has neither a system nor a stop, and is none that cannot be. */
function isWithout(zones: readonly ZoneSketch[]): boolean {
  const { context, stopped } = benchOfTask(taskOf(zones));
  if (stopped.length > 0 || context.panel.zones.some((zone) => impossibilitiesOf(zone).length > 0))
    return false;
  return searchSystems(surveyState(context.panel, context.shop.rules), context).ready.length === 0;
}

test('what is found as it usually is has a system, or stops the zone, also where it was to be blended', () => {
  expect(sampleOf(usualCrossings(), 8).filter(isWithout).map(nameOf)).toEqual([]);
});

test.each(STACKS)('%s: whatever a test shows is settled, or stops it', (stack) => {
  const sketches = BESIDE.flatMap(({ facts, others }) =>
    TESTS.map((one) => [{ stack, areaM2: 1.2, tests: [one], facts }, ...others]),
  );
  const sampled = sampleOf(sketches, 4);
  expect(faults(sampled)).toEqual([]);
  expect(sampled.filter(isWithout).map(nameOf)).toEqual([]);
});
