import { panelOf } from '../testing/bench.ts';
import { findingOf, findingSchema, newFinding } from './finding.ts';
import { FINDING_KINDS, findingRow } from './findings.ts';
import { areaProblem } from './panel.ts';
import { areaOfPolygonM2 } from './polygon.ts';
import { SCHOOLS, schoolOf, type SchoolName } from './schools.ts';
import { SHOP_RULES, shopRule, shopRulesSchema, type ShopRuleName } from './shop-rules.ts';
import { withLayers } from './zone.ts';

describe('finding forms', () => {
  test.each(FINDING_KINDS)('%s: a new one is valid, and its fields are those that it has', (kind) => {
    const blank = newFinding(kind);
    const { fields } = findingRow(kind);
    expect(findingSchema.parse(blank)).toEqual(blank);
    const asked = fields.filter(({ name, isOptional }) => !isOptional || name in blank);
    expect(Object.keys(blank).sort()).toEqual(['kind', ...asked.map(({ name }) => name)].sort());
  });

  test('the limits of a field are taken by the schema, what is over them is not', () => {
    for (const kind of FINDING_KINDS)
      for (const field of findingRow(kind).fields) {
        if (field.kind !== 'number') continue;
        const valid = (value: number): boolean =>
          findingSchema.safeParse({ ...newFinding(kind), [field.name]: value }).success;
        expect([kind, valid(field.least), valid(field.most), valid(field.most * 2)]).toEqual([
          kind,
          true,
          true,
          false,
        ]);
      }
  });

  test('the first finding of a kind is found, typed', () => {
    expect(findingOf([{ kind: 'pinholes' }, { kind: 'low', depthMm: 2 }], 'low')?.depthMm).toBe(2);
    expect(findingOf([], 'low')).toBeUndefined();
  });
});

describe('schools and shop rules', () => {
  test.each(Object.keys(SCHOOLS) as SchoolName[])(
    '%s: the first side is the default, each side gives its reason',
    (name) => {
      const sides = Object.entries(SCHOOLS[name]);
      expect(sides.length).toBeGreaterThan(1);
      expect(schoolOf({}, name)).toEqual({ side: sides[0]![0], source: 'default' });
      for (const [, { label, reason }] of sides) expect(label.length * reason.length).toBeGreaterThan(0);
    },
  );

  test.each(Object.keys(SHOP_RULES) as ShopRuleName[])(
    '%s: the default is inside its own range, and a shop may set it',
    (name) => {
      const { preset, from, to } = SHOP_RULES[name];
      expect(preset).toBeGreaterThanOrEqual(from);
      expect(preset).toBeLessThanOrEqual(to);
      expect(shopRule({ [name]: to }, name)).toEqual({ value: to, source: 'shop' });
      expect(shopRulesSchema.safeParse({ [name]: to + 1 }).success).toBe(false);
    },
  );
});

describe('areas', () => {
  test('of an outline, whichever way round it is drawn', () => {
    const square: [number, number][] = [
      [0, 0],
      [1000, 0],
      [1000, 1000],
      [0, 1000],
    ];
    expect(areaOfPolygonM2(square)).toBe(1);
    expect(areaOfPolygonM2(square.toReversed())).toBe(1);
  });
  test('zones may overrun their panel by the rounding of a tape measure only', () => {
    expect(areaProblem(2, [{ areaM2: 1 }, { areaM2: 1.03 }])).toBeNull();
    expect(areaProblem(2, [{ areaM2: 1 }, { areaM2: 1.05 }])).toMatch(
      /together cover 2\.05 m², more than the panel's 2\.00 m²/,
    );
  });
});

test('what lies on top is the zone’s substrate', () => {
  const [zone] = panelOf([{ stack: 'steel/old-finish:100' }]).zones;
  expect(withLayers(zone!, [{ kind: 'steel' }]).substrate).toBe('steel');
  expect(withLayers(zone!, [{ kind: 'steel' }, { kind: 'epoxy', um: 40 }]).substrate).toBe('old-finish');
});

test('a shop figure that is calibrated says against what', () => {
  const words = Object.values(SHOP_RULES).map(({ about }) => about);
  expect(words.filter((about) => /calibrated(?!: )/.test(about))).toEqual([]);
});
