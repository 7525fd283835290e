import { panelOf } from '../testing/bench.ts';
import { shopSchema, targetSchema } from '../survey/shop.ts';
import { measuredFilmUm } from './measured-film.ts';
import { planPanel } from './plan-panel.ts';

const panel = panelOf([
  { stack: 'steel/old-finish:100', areaM2: 1, tests: [{ kind: 'gauge', readingsUm: [98, 100, 102] }] },
  { stack: 'steel' },
]);
const [finish, patch] = panel.zones;
const { systems } = planPanel({ panel, shop: shopSchema.parse({}), target: targetSchema.parse({}) });
const { steps } = systems[0]!;
const after = (op: string): number => steps.find((step) => step.op === op)!.n;
const readings = [
  { after: 'build', um: 196 },
  { after: 'build', um: 200 },
  { after: 'blocked', um: 131 },
] as const;

test('what the gauge said as found holds until the film changes', () => {
  const measured = measuredFilmUm(finish!, steps);
  expect(measured).toHaveLength(steps.length + 1);
  expect(measured[0]).toBe(100);
  const touched = steps.find((step) => step.stacks[finish!.id])!.n;
  expect(measured.slice(0, touched)).toEqual(Array.from({ length: touched }, () => 100));
  expect(measured[touched]).toBeNull();
});

test('readings of a build stand from its coats to the block, those of the block until it is sanded on', () => {
  const measured = measuredFilmUm({ ...patch!, readings: [...readings] }, steps);
  expect(measured[0]).toBeNull();
  expect(measured[after('prime-build') - 1]).toBeNull();
  const standing = measured.slice(after('prime-build'), after('block'));
  expect(standing).toEqual(standing.map(() => 198));
  expect(measured[after('block')]).toBe(131);
  expect(measured.at(-1)).toBeNull();
});

test('a zone that nobody measured has nothing to show', () =>
  expect(measuredFilmUm(patch!, steps).every((um) => um === null)).toBe(true));
