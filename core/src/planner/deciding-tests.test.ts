import { panelOf, type ZoneSketch } from '../testing/bench.ts';
import { shopSchema, targetSchema } from '../survey/shop.ts';
import { planWithTests } from './deciding-tests.ts';

const testsOn = (...zones: ZoneSketch[]) =>
  planWithTests({ panel: panelOf(zones), shop: shopSchema.parse({}), target: targetSchema.parse({}) }).tests!;

test('a maker’s primer: the rub decides between sealing and isolating', () => {
  expect(testsOn({ stack: 'steel/part-primer:30' })).toEqual([
    {
      zoneId: 'A',
      test: 'Solvent rub',
      outcomes: [
        { outcome: 'nothing comes off', leadsTo: 'Sealer' },
        { outcome: 'it softens', leadsTo: expect.not.stringMatching(/^Sealer$/) },
      ],
    },
  ]);
});

test('an unknown plastic: the float decides about promoter, the tape whether it is painted at all', () => {
  const unknown = testsOn({ stack: 'plastic-rigid', findings: [{ kind: 'unknown-plastic' }] });
  expect(unknown.map(({ outcomes }) => outcomes.map(({ leadsTo }) => leadsTo))).toEqual([
    ['Plastic primer', 'Promoter, plastic primer'],
    ['Promoter, plastic primer', expect.stringMatching(/^Tape slides off/)],
  ]);
});

test('what was tested, or is known, is not asked again', () => {
  const rubbed = [{ kind: 'solvent-rub', outcome: 'none' }];
  expect(testsOn({ stack: 'steel/old-finish:100', tests: rubbed }, { stack: 'steel' })).toEqual([]);
});

test('zones that are alike are asked about once', () => {
  const alike = { stack: 'steel/part-primer:30' };
  expect(testsOn(alike, alike).map(({ zoneId }) => zoneId)).toEqual(['A']);
});
