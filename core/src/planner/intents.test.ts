import { withoutIssues } from '../operations/issues.ts';
import { isLaying } from '../operations/act.ts';
import { benchOf, clean, coated, edged, level, put, wavy, type Bench } from '../testing/bench.ts';
import { intents } from './intents.ts';

/** "op zones", and the product where it is not the usual one of its kind. */
const offers = ({ state, context }: Bench): string[] =>
  intents(state, context).map((act) => {
    const product = isLaying(act) && act.sheetId.endsWith('-sealer') ? ' with epoxy' : '';
    return `${act.op} ${act.zones.join(' ')}${product}`;
  });
const sealed = (kind: 'sealer' | 'epoxy') => coated(kind, 25, { isLast: true });

test('bare metal is offered every first coat, and the build that the rules will refuse', () => {
  expect(offers(benchOf([{ stack: 'steel' }]))).toEqual([
    'prime-epoxy A',
    'prime-etch A',
    'prime-dtm A',
    'prime-build A',
    'prime-wet-on-wet A',
    'seal A',
    'hand-over A',
  ]);
});

test('nobody asks for a metal primer on a panel that is all plastic', () => {
  const names = offers(benchOf([{ stack: 'plastic-olefin' }]));
  expect(names).toEqual(expect.arrayContaining(['prime-plastic A', 'prime-wet-on-wet A']));
  expect(names.filter((line) => /etch|dtm/.test(line))).toEqual([]);
});

test('first coats go on the bare metal, or on all that is under repair; a build also over all', () => {
  const door = put(
    benchOf([{ stack: 'steel/old-finish:100' }, { stack: 'steel' }, { stack: 'steel/filler:400' }]),
    'C',
    (zone) => withoutIssues(zone, 'found-body'),
  );
  const names = offers(door);
  expect(names.filter((line) => line.startsWith('prime-epoxy'))).toEqual([
    'prime-epoxy B',
    'prime-epoxy B C',
  ]);
  expect(names.filter((line) => line.startsWith('prime-build'))).toEqual([
    'prime-build B C',
    'prime-build A B C',
  ]);
});

test('filler that was found is checked or ground out before anything else', () => {
  expect(offers(benchOf([{ stack: 'steel' }, { stack: 'steel/filler:400' }]))).toEqual([
    'inspect B',
    'strip-sand B',
  ]);
});

test('what is low is filled, soluble finish may come off', () => {
  expect(offers(benchOf([{ stack: 'steel', findings: [{ kind: 'low', depthMm: 1 }] }]))).toContain(
    'fill A/low',
  );
  expect(offers(benchOf([{ stack: 'steel/old-finish-soluble:100' }]))[0]).toBe('strip-sand A');
});

test.each(['sealer', 'epoxy'] as const)('over a last coat of %s only base follows', (kind) =>
  expect(offers(put(benchOf([{ stack: 'steel/ecoat:20' }]), 'A', sealed(kind)))).toEqual(['hand-over A']),
);

describe('a build', () => {
  const built = (um: number, waves = 0) =>
    put(benchOf([{ stack: 'steel' }]), 'A', clean, level, wavy(waves), coated('build', um));
  test('that is too thin for its waves gets more build, one with enough does not', () => {
    expect(offers(built(60, 60))).toContain('prime-build A');
    expect(offers(built(150))).not.toContain('prime-build A');
  });
  test('over level, sound finish is there for one surface: no sealer over it', () => {
    const both = benchOf([{ stack: 'steel/old-finish:100' }, { stack: 'steel' }]);
    const repair = put(put(both, 'all', clean, level), 'B', edged('feathered'), coated('build', 150));
    expect(offers(repair)).toContain('seal A B');
    expect(offers(put(repair, 'A', coated('build', 150)))).not.toContain('seal A B');
    expect(offers(put(repair, 'A', wavy(80), coated('build', 150)))).toContain('seal A B');
  });
});

describe('epoxy seals', () => {
  const offered = (schools: object, findings: object[] = []) =>
    offers(benchOf([{ stack: 'steel/ecoat:20', findings }], { shop: { schools } })).includes(
      findings.length > 0 ? 'seal A A/rub-through with epoxy' : 'seal A with epoxy',
    );
  const through = [{ kind: 'rub-through', spotMm: 80, count: 1 }];
  test('where the school says so', () => {
    expect(offered({})).toBe(false);
    expect(offered({ epoxySealer: 'wet-on-wet' })).toBe(true);
  });
  test('and where metal shows through, unless the school is against it', () => {
    expect(offered({}, through)).toBe(true);
    expect(offered({ epoxySealer: 'cured' }, through)).toBe(false);
  });
});
