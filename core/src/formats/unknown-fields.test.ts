import { z } from 'zod';
import { findingSchema } from '../survey/finding.ts';
import { newFinding } from '../survey/finding.ts';
import { FINDING_KINDS, findingRow } from '../survey/findings.ts';
import { panelSchema } from '../survey/panel.ts';
import { TEST_FORMS, TEST_KINDS, withTest, type ZoneTest } from '../survey/test-guide.ts';
import { zoneSchema } from '../survey/zone.ts';
import { shopSchema } from '../survey/shop.ts';
import { panelOf } from '../testing/bench.ts';
import { sizeOfFields, unknownFields } from './unknown-fields.ts';

const schema = z.looseObject({
  id: z.string(),
  list: z.array(z.looseObject({ n: z.number() })).optional(),
  either: z
    .discriminatedUnion('kind', [
      z.looseObject({ kind: z.literal('a'), x: z.number() }),
      z.looseObject({ kind: z.literal('b'), y: z.number() }),
    ])
    .optional(),
  by: z.record(z.string(), z.looseObject({ v: z.number() })).optional(),
  any: z.looseObject({}).optional(),
  trimmed: z.string().transform(Number).optional(),
});

test.each([
  [{ id: 'x' }, []],
  [{ id: 'x', more: 1 }, ['more']],
  [{ id: 'x', list: [{ n: 1 }, { n: 2, m: { deep: 1 } }] }, ['list.1.m']],
  [{ id: 'x', either: { kind: 'b', y: 1, x: 2 } }, ['either.x']],
  [{ id: 'x', by: { first: { v: 1, w: 2 } } }, ['by.first.w']],
  [{ id: 'x', any: { thing: 1 }, trimmed: '3' }, []],
])('%j has unknown %j', (value, paths) => {
  expect(unknownFields(schema, value)).toEqual(paths);
});

test('of two sides, what neither knows', () => {
  const both = z.looseObject({ a: z.number() }).and(z.looseObject({ b: z.looseObject({ c: z.number() }) }));
  expect(unknownFields(both, { a: 1, b: { c: 1, d: 2 }, e: 3 })).toEqual(['e', 'b.d']);
});

test('a panel of the survey and a shop have none; what is put into them is found at any depth', () => {
  const panel = panelOf([
    { stack: 'steel', areaM2: 1, findings: [{ kind: 'coarse-scratches', grit: 'P80' }] },
  ]);
  expect(unknownFields(panelSchema, panel)).toEqual([]);
  expect(unknownFields(shopSchema, shopSchema.parse({ celsius: 18, rules: { labourPerHour: 70 } }))).toEqual(
    [],
  );
  const [zone] = panel.zones;
  const odd = { ...panel, note: 'x', zones: [{ ...zone, findings: [{ ...zone!.findings[0], shade: 'y' }] }] };
  expect(unknownFields(panelSchema, odd)).toEqual(['zones.0.findings.0.shade', 'note']);
  expect(sizeOfFields(odd, ['note', 'zones.0.findings.0.shade'])).toBe(
    'note'.length + 3 + 'zones.0.findings.0.shade'.length + 3,
  );
});

test('whatever a test of the survey showed, what is written of it is known', () => {
  const [zone] = panelOf([{ stack: 'steel/old-finish:90', areaM2: 1 }]).zones;
  const seen: ZoneTest[] = TEST_KINDS.flatMap((kind) => {
    const { outcomes } = TEST_FORMS[kind];
    return Array.isArray(outcomes) ? outcomes.map(({ value }) => ({ kind, outcome: value }) as ZoneTest) : [];
  });
  expect(seen.length).toBeGreaterThan(8);
  const measured: ZoneTest[] = [
    { kind: 'gauge', readingsUm: [90, 95] },
    { kind: 'straightedge', chordMm: 500, gapMm: 2 },
    { kind: 'dew', surfaceCelsius: 12 },
    { kind: 'moulding-mark', outcome: 'PP/EPDM' },
  ];
  for (const test of [...seen, ...measured])
    expect([test.kind, unknownFields(zoneSchema, withTest(zone!, test))]).toEqual([test.kind, []]);
});

test('every figure of a finding that a form asks for is known', () => {
  for (const kind of FINDING_KINDS) {
    const blank = newFinding(kind);
    const { fields } = findingRow(kind);
    const filled = { ...blank, ...Object.fromEntries(fields.map(({ name }) => [name, 1])), atMm: [1, 2] };
    const asked = { ...filled, ...(fields.some(({ name }) => name === 'grit') ? { grit: 'P80' } : {}) };
    expect([kind, unknownFields(findingSchema, { ...asked, ...blank })]).toEqual([kind, []]);
  }
});
