import { isBody } from '../materials/layer-kinds.ts';
import { topOf } from '../operations/state.ts';
import { surveyState } from '../operations/survey-state.ts';
import { shopSchema, targetSchema } from '../survey/shop.ts';
import { sampleOf } from '../testing/crossings.ts';
import { panelOf } from '../testing/bench.ts';
import { benchOfTask, type PlanTask } from './bench-of-task.ts';
import { searchSystems } from './search-systems.ts';

/**
 * Every stack crossed with every finding and with every test outcome, on one zone of a panel: each has a system that
 * leaves nothing open, or is stopped with what must come first.
 */

const STACKS = [
  'steel',
  'zinc-steel',
  'aluminium',
  'steel/ecoat:20',
  'steel/ecoat:20/old-finish:95',
  'zinc-steel/old-finish:110',
  'aluminium/ecoat:20/old-finish:90',
  'steel/part-primer:30',
  'steel/old-finish-soluble:120',
  'steel/epoxy:60',
  'steel/epoxy:50/build:100',
  'steel/filler:700',
  'zinc-steel/filler:800',
  'steel/filler:900/old-finish:110',
  'steel/old-finish:100/filler:800/old-finish:100',
  'steel/etch:8/filler:500',
  'steel/epoxy:40/seam:1500',
  'steel/epoxy:40/seam:1500/old-finish:100',
  'steel/epoxy:50/texture:600',
  'fiberglass',
  'fiberglass/old-finish:100',
  'fiberglass/filler:500',
  'plastic-rigid',
  'plastic-olefin',
  'plastic-primed',
  'plastic-olefin/old-finish:90',
] as const;

const FINDINGS: readonly (readonly object[])[] = [
  [{ kind: 'coarse-scratches', grit: 'P80' }],
  [{ kind: 'coarse-scratches', grit: 'P80', areaM2: 0.05 }],
  [{ kind: 'low', depthMm: 1.5 }],
  [{ kind: 'low', depthMm: 0.2, sizeMm: 60 }],
  [{ kind: 'high', heightMm: 1 }],
  [{ kind: 'waves', um: 60, wavelengthMm: 150 }],
  [{ kind: 'rub-through', spotMm: 15, count: 3 }],
  [{ kind: 'rub-through', spotMm: 90, count: 1 }],
  [{ kind: 'texture', want: 'keep' }],
  [{ kind: 'texture', want: 'flatten' }],
  [{ kind: 'crack', lengthMm: 60 }],
  [{ kind: 'hole', lengthMm: 20 }],
  [{ kind: 'peeling' }],
  [{ kind: 'peeling', share: 0.05 }],
  [{ kind: 'checked', share: 0.1 }],
  [{ kind: 'reacted', share: 0.6 }],
  [{ kind: 'chips' }],
  [{ kind: 'chips', share: 0.02 }],
  [{ kind: 'pinholes' }],
  [{ kind: 'rust-surface' }],
  [{ kind: 'rust-pitted', sizeMm: 60 }],
  [{ kind: 'rust-through' }],
  [{ kind: 'orange-peel' }],
  [{ kind: 'release-agent' }],
  [{ kind: 'dressing' }],
  [{ kind: 'glue-residue' }],
  [{ kind: 'overspray' }],
  [{ kind: 'edge' }],
  [{ kind: 'open-joint' }],
  [{ kind: 'unknown-plastic' }],
  [{ kind: 'low', depthMm: 1 }, { kind: 'rust-surface' }],
  [{ kind: 'chips' }, { kind: 'low', depthMm: 2 }, { kind: 'orange-peel' }],
];

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

const taskOf = (stack: string, findings: readonly object[], tests: readonly object[]): PlanTask => ({
  panel: panelOf([{ stack, areaM2: 1.2, findings, tests }], tests.length > 0 ? { shape: 'flat' } : {}),
  shop: shopSchema.parse({ celsius: 20, nightCelsius: 14 }),
  target: targetSchema.parse({}),
});

/** What is left to be said against handing it over, in words; empty where all is settled. */
function leftOpen(task: PlanTask): string[] {
  const { context, stopped } = benchOfTask(task);
  if (stopped.length > 0) return [];
  const { ready } = searchSystems(surveyState(context.panel, context.shop.rules), context);
  if (ready.length === 0) return ['no system'];
  return ready.flatMap(({ panel }) =>
    panel.zones.flatMap((zone) => [
      ...zone.openIssues,
      ...(zone.surface.lowUm > 0 ? ['hollow'] : []),
      ...(zone.surface.hasPinholes ? ['pinholes'] : []),
      ...(isBody(topOf(zone).kind) ? ['open body work'] : []),
    ]),
  );
}

const nameOf = (kinds: readonly object[]): string =>
  kinds.map((one) => (one as { kind: string }).kind).join(' ');

test.each(STACKS)('%s: whatever is found on it is settled, or stops it', (stack) => {
  const crossings = [
    ...FINDINGS.map((findings) => ({ findings, tests: [] as object[] })),
    ...TESTS.map((one) => ({ findings: [], tests: [one] })),
  ];
  const open = sampleOf(crossings, 4).flatMap(({ findings, tests }) => {
    const name = `${stack} ${nameOf([...findings, ...tests])}`;
    const left = leftOpen(taskOf(stack, findings, tests));
    return left.length > 0 ? [`${name}: ${[...new Set(left)].join(', ')}`] : [];
  });
  expect(open).toEqual([]);
});
