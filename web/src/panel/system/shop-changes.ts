import { isSameJson, type Shop } from '@blue-ledge/core';
import type { useFormat } from '../../state/units.ts';

/** What of the shop is different now from what a plan was made with: its climate in figures, the rest by name. */
export function shopChanges(
  before: Shop,
  now: Shop,
  { quantity }: Pick<ReturnType<typeof useFormat>, 'quantity'>,
): string[] {
  const night = ({ nightCelsius, celsius }: Shop): number => nightCelsius ?? celsius;
  const figures: readonly (readonly [words: string, before: string, now: string])[] = [
    ['temperature', quantity('Celsius', before.celsius), quantity('Celsius', now.celsius)],
    ['night', quantity('Celsius', night(before)), quantity('Celsius', night(now))],
    ['humidity', quantity('Percent', before.relativeHumidity), quantity('Percent', now.relativeHumidity)],
    ['place', before.profile, now.profile],
  ];
  const named = (
    [
      ['figures', before.rules, now.rules],
      ['ways of working', before.schools, now.schools],
      ['grades in stock', before.stock, now.stock],
      ['tools', before.tools, now.tools],
      ['guns', before.guns, now.guns],
      ['ovens and lamps', before.heaters, now.heaters],
    ] as const
  ).filter(([, a, b]) => !isSameJson(a, b));
  return [
    ...figures.filter(([, a, b]) => a !== b).map(([words, a, b]) => `${words} ${a}, now ${b}`),
    ...named.map(([words]) => words),
  ];
}
