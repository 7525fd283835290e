import { shopSchema, targetSchema } from '../survey/shop.ts';
import { panelOf, type ZoneSketch } from '../testing/bench.ts';
import { planPanel } from './plan-panel.ts';

/** A plan sands with the grades that the shop has, wherever what comes next bears one of them. */

const FINISH = 'steel/ecoat:20/old-finish:110';
const PANELS: readonly ZoneSketch[] = [
  { stack: FINISH, findings: [{ kind: 'low', depthMm: 1.5, sizeMm: 80 }] },
  { stack: FINISH, findings: [{ kind: 'low', depthMm: 0.3, sizeMm: 60 }] },
  { stack: FINISH, findings: [{ kind: 'chips', count: 3, sizeMm: 4 }] },
  { stack: 'zinc-steel/old-finish:110', findings: [{ kind: 'rust-surface', sizeMm: 60 }] },
  { stack: 'aluminium/old-finish:100', findings: [{ kind: 'low', depthMm: 1, sizeMm: 60 }] },
  { stack: 'fiberglass/old-finish:100', findings: [{ kind: 'crack', lengthMm: 60 }] },
  { stack: 'plastic-olefin/old-finish:90', findings: [{ kind: 'crack', lengthMm: 60 }] },
];
const STOCKS: readonly (readonly string[])[] = [
  ['P80', 'P180', 'P320', 'P600'],
  ['P80', 'P150', 'P240', 'P400', 'P800'],
  ['P60', 'P120', 'P220', 'P360', 'P600', 'P1000'],
];
const isPad = (tool: string | undefined): boolean => tool?.startsWith('pad') ?? false;

test.each(
  PANELS.flatMap((zone) => STOCKS.map((stock) => [zone.stack, stock.join(' '), zone, stock] as const)),
)('%s with %s', (_, __, zone, stock) => {
  const { systems, chosen } = planPanel({
    panel: panelOf([{ ...zone, areaM2: 1 }]),
    shop: shopSchema.parse({ celsius: 20, nightCelsius: 14, stock }),
    target: targetSchema.parse({}),
  });
  const { steps } = systems.find(({ id }) => id === chosen)!;
  const grits = steps.flatMap(({ grits: own, grit, tool }) => (isPad(tool) ? [] : (own ?? grit ?? [])));
  expect(grits.length).toBeGreaterThan(2);
  expect(grits.filter((grit) => !stock.includes(grit))).toEqual([]);
});
