import { GENERIC_SHELF } from '../materials/generic-shelf.ts';
import { BODY_OPS, CLEAN_OPS, OTHER_OPS, SAND_OPS, type Act, type OpName } from '../operations/act.ts';
import { GOVERNS } from '../operations/caution-words.ts';
import { cautionsOf } from './cautions.ts';

const act = (op: OpName): Act => ({ op, zones: ['A'], why: [] }) as unknown as Act;
const said = (op: OpName): string => cautionsOf(act(op), [], undefined).join(' ');

test.each<[OpName, RegExp]>([
  ['degrease', /no ignition source.*Rags .* closed metal bin/],
  ['antistatic-wipe', /static.*Rags/],
  ['test', /Solvent: ventilation.*Rags/],
  ['condition', /Acid conditioner: gloves and eye protection/],
  ['metal-repair', /No welding while solvent/],
  ['warm-out', /fumes and burns/],
  ['strip-chemical', /goggles.*chromate or lead/],
  ['strip-blast', /no silica sand/],
  ['laminate-repair', /peroxide.*Fiberglass dust/],
  ['block', /Sanding dust: extraction and P3 mask/],
])('%s carries its cautions and defers to the sheet', (op, words) => {
  expect(said(op)).toMatch(words);
  expect(said(op)).toMatch(new RegExp(`${GOVERNS}$`));
});

test('only work that hurts nobody is without a caution', () => {
  const silent = [...CLEAN_OPS, ...SAND_OPS, ...OTHER_OPS].filter((op) => said(op) === '');
  expect(silent).toEqual(['wash', 'mask', 'tack', 'remove-part', 'guide-coat', 'inspect', 'hand-over']);
});

test('whatever is laid from a sheet carries its hazards, rags and leftovers', () => {
  for (const sheet of GENERIC_SHELF) {
    const cautions = cautionsOf(act(BODY_OPS[0]), [], sheet).join(' ');
    expect(cautions).toMatch(/Rags .* closed metal bin.*Leftover two-pack/);
    if (sheet.hazards.includes('isocyanate')) expect(cautions).toContain('supplied-air');
  }
});
