import {
  SCHOOLS,
  SHOP_RULES,
  isSameJson,
  rulesInPlan,
  workWords,
  type Shop,
  type ShopInPlan,
} from '@blue-ledge/core';
import { SCHOOL_HEADS } from '../../shared/school-heads.ts';
import { TOOL_WORDS } from '../../shared/tool-words.ts';
import { figureReading } from '../../shop/figure-reading.ts';
import type { useFormat } from '../../state/units.ts';

/** What of the shop is different now from what a plan was made with: which setting, from what to what. */

type RuleName = keyof typeof SHOP_RULES;
type Format = Pick<ReturnType<typeof useFormat>, 'quantity' | 'system'>;

/** "temperature 20 °C, now 11 °C"; nothing where both say the same. */
const fromTo = (what: string, before: string, now: string): string[] =>
  before === now ? [] : [`${what} ${before}, now ${now}`];

const names = <T>(of: readonly T[] | undefined, nameOf: (each: T) => string): string =>
  of === undefined ? 'the usual' : of.map(nameOf).join(', ') || 'none';

const figure = (rules: Shop['rules'], name: RuleName, { system }: Format): string => {
  const { text } = figureReading(name, system);
  const value = rules[name];
  return typeof value === 'number' ? text(value) : `${text(SHOP_RULES[name].preset)} (default)`;
};

const school = ({ schools }: Shop, name: keyof typeof SCHOOLS): string => {
  const side = schools[name];
  const sides = SCHOOLS[name] as Readonly<Record<string, { readonly label: string }>>;
  return side === undefined ? 'the usual way' : (sides[side]?.label ?? side);
};

/** A row for each setting that a plan is made from. */
const ROWS: Readonly<Record<ShopInPlan, (before: Shop, now: Shop, format: Format) => string[]>> = {
  profile: (before, now) => fromTo('place', before.profile, now.profile),
  celsius: (before, now, { quantity }) =>
    fromTo('temperature', quantity('Celsius', before.celsius), quantity('Celsius', now.celsius)),
  relativeHumidity: (before, now, { quantity }) =>
    fromTo(
      'humidity',
      quantity('Percent', before.relativeHumidity),
      quantity('Percent', now.relativeHumidity),
    ),
  nightCelsius: (before, now, { quantity }) => {
    const night = ({ nightCelsius, celsius }: Shop): string => quantity('Celsius', nightCelsius ?? celsius);
    return fromTo('night', night(before), night(now));
  },
  usualDay: (before, now) =>
    isSameJson(before.usualDay, now.usualDay) ? [] : ['air by the hour of a usual day'],
  rules: (before, now, format) => {
    const [was, is] = [rulesInPlan(before), rulesInPlan(now)];
    const isKnown = (name: string): name is RuleName => name in SHOP_RULES;
    return [...new Set([...Object.keys(was), ...Object.keys(is)])]
      .filter(isKnown)
      .flatMap((name) =>
        fromTo(`${SHOP_RULES[name].about}:`, figure(was, name, format), figure(is, name, format)),
      );
  },
  schools: (before, now) =>
    (Object.keys(SCHOOLS) as (keyof typeof SCHOOLS)[]).flatMap((name) =>
      fromTo(`${SCHOOL_HEADS[name].toLowerCase()}:`, school(before, name), school(now, name)),
    ),
  stock: (before, now) => {
    const text = ({ stock }: Shop): string => names(stock, (grade) => grade);
    return fromTo('grits in stock:', text(before), text(now));
  },
  tools: (before, now) => {
    const text = ({ tools }: Shop): string => names(tools, (tool) => TOOL_WORDS[tool].long);
    return fromTo('tools:', text(before), text(now));
  },
  guns: (before, now) => things('guns', before.guns, now.guns),
  heaters: (before, now) => things('ovens and lamps', before.heaters, now.heaters),
  noneOf: (before, now) => {
    const text = ({ noneOf }: Shop): string => noneOf?.map(workWords).join(', ') || 'no kind';
    return fromTo('kinds of product that it lacks:', text(before), text(now));
  },
};

type Thing = { readonly id: string; readonly name: string };

/** Things that came, went or were changed, by their names. */
function things(
  what: string,
  before: readonly Thing[] | undefined,
  now: readonly Thing[] | undefined,
): string[] {
  if (isSameJson(before, now)) return [];
  const was = new Map(before?.map((each) => [each.id, each]));
  const is = new Map(now?.map((each) => [each.id, each]));
  const said = [
    ...[...is.values()].flatMap((each) => {
      const old = was.get(each.id);
      if (!old) return [`${each.name} is new`];
      return isSameJson(old, each) ? [] : [`${each.name} is set otherwise`];
    }),
    ...[...was.values()].flatMap(({ id, name }) => (is.has(id) ? [] : [`${name} is gone`])),
  ];
  return [said.length > 0 ? `${what}: ${said.join(', ')}` : `${what}: their order`];
}

export const shopChanges = (before: Shop, now: Shop, format: Format): string[] =>
  Object.values(ROWS).flatMap((row) => row(before, now, format));
