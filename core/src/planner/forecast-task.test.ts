import { BLOCKS, blockOf, ownBlock } from '../blocking/block.ts';
import { blocksFor } from '../blocking/forecast.ts';
import { shopSchema, targetSchema } from '../survey/shop.ts';
import { panelOf } from '../testing/bench.ts';
import { forecastTaskOf } from './forecast-task.ts';
import { makePlan } from './make-plan.ts';
import { openPlan } from './view-plan.ts';

test('a shop’s own blocks are tried in place of the usual ones, as soft and as bending as they are', () => {
  const rigid = { id: 'own', name: 'Own', lengthMm: 200, widthMm: 70, pad: 'hard' } as const;
  const { id: _own, name: _name, ...measured } = ownBlock(rigid);
  const { id: _mid, name: _called, ...usual } = blockOf('mid');
  expect(measured).toEqual(usual);
  const limp = ownBlock({ ...rigid, sagMm: 40 }).bendingNMm2;
  expect(limp).toBeLessThan(ownBlock({ ...rigid, sagMm: 4 }).bendingNMm2);
  expect(ownBlock({ ...rigid, pad: 'soft' }).padNPerMm3).toBeLessThan(usual.padNPerMm3);
  const panel = panelOf([
    { stack: 'steel/filler:900', findings: [{ kind: 'waves', um: 60, wavelengthMm: 150 }] },
  ]);
  const asked = { panel, target: targetSchema.parse({}), sheets: [] };
  const tried = (blocks: object[]): readonly string[] => {
    const inputs = { ...asked, shop: shopSchema.parse({ blocks }) };
    const plan = makePlan(inputs);
    const [build] = openPlan(plan).sandingOf(plan.chosen!).builds;
    return blocksFor(forecastTaskOf(build!, inputs)).map(({ id }) => id);
  };
  expect(tried([rigid])).toEqual(['own']);
  expect(tried([])).toEqual(BLOCKS.map(({ id }) => id));
});
