import { SHOP_RULES } from '@blue-ledge/core';
import { unitOf } from './unit-of.ts';

test.each([
  ['glossShowUm', 'µm'],
  ['removalCm3PerMin', 'cm³/min'],
  ['gradeChangeMinPerM2', 'min/m²'],
  ['discLifeMin', 'min'],
  ['largestJump', ''],
])('%s is in "%s"', (name, unit) => expect(unitOf(name)).toBe(unit));

test('nearly every figure of the shop shows a unit', () => {
  const without = Object.keys(SHOP_RULES).filter((name) => unitOf(name) === '');
  expect(without.sort()).toEqual(['discPrice', 'largestJump', 'removalGrainExponent', 'toneGapL']);
});
