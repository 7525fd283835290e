import { z } from 'zod';
import type { Sourced } from '../wording/reason.ts';
import { LABOUR_RULES } from './labour-rules.ts';
import { row, type RuleRow } from './rule-row.ts';
import { SANDING_RULES } from './sanding-rules.ts';
import { TIME_RULES } from './time-rules.ts';

/**
 * Every figure that a shop may set for itself: default, range, unit (in the name) and reason.
 * Order of authority: product sheet > shop rule > default > model.
 */

const BENCH_RULES = {
  dewMarginKelvin: row(3, 1, 10, 'surface above dew point before anything is sprayed'),
  bareSpotMm: row(50, 1, 100, 'largest rub-through that a sealer or build may cover'),
  bareSpotSharePercent: row(5, 0, 20, 'share of a panel that all rub-through spots may take together'),
  etchSharePercent: row(5, 0, 100, 'share of a panel that may be etch primed: spots only'),
  stripPanelSharePercent: row(20, 1, 100, 'unsound share of a panel from which the whole panel is stripped'),
  stripFilmUm: row(400, 100, 2000, 'film from which an old finish comes off'),
  fillerMaxUm: row(3000, 500, 10_000, 'cured filler thickness where the sheet gives none'),
  buildLowUm: row(
    100,
    0,
    300,
    'deepest low that build levels on sound finish: its maximum less what must stay and what sanding takes',
  ),
  glazeLowUm: row(
    500,
    0,
    1500,
    'deepest low that glaze takes out on sound finish; a deeper one is opened and filled',
  ),
  glazeMaxUm: row(500, 50, 2000, 'cured glaze thickness where the sheet gives none'),
  solubleMaxWetUm: row(125, 20, 400, 'wettest coat over isolated thinner-soft paint'),
  chipFeatherMm: row(12, 5, 60, 'slope of the feathered edge of chips up to 6 mm, all layers together'),
  featherMmPerLayer: row(15, 5, 60, 'slope of each layer at a feathered edge'),
  patchOpenMm: row(30, 5, 150, 'ground that is opened around a dent, a crack or rust, past what was found'),
  patchMostPercent: row(
    50,
    10,
    100,
    'share of a zone from which damage is the whole zone’s and no patch of it',
  ),
  primerTaperMm: row(
    150,
    50,
    600,
    'length over which the edge of a sprayed coat fades out (estimate: half a spray fan)',
  ),
  primerOverlapMm: row(50, 20, 300, 'reach of primer past the feather on to abraded old finish'),
  mustStayUm: row(40, 10, 200, 'build that stays over filler or metal where the sheet gives none'),
  brushMarksUm: row(30, 0, 200, 'what the marks of a brush stand up'),
  orangePeelUm: row(12, 0, 60, 'texture of freshly sprayed build (calibrated: 1.8 mm tip, booth)'),
  shapedFillerWavesUm: row(40, 0, 300, 'waves left by hand-shaped filler (calibrated: 400 mm board)'),
  shapedFillerWaveLengthMm: row(150, 20, 1000, 'length of those waves'),
  blockedLeftUm: row(5, 0, 30, 'unevenness that a good block leaves (estimate)'),
  largestJump: row(2.7, 1.3, 5, 'largest ratio of grains from one grade to the next'),
  ledgeEconomyUm: row(60, 5, 200, 'ledge that passes at economy quality (estimate, from standard)'),
  ledgeHiddenUm: row(
    150,
    5,
    300,
    'ledge that passes on edges, jambs and inside faces of economy quality: chips there are touched, not blocked',
  ),
  ledgeStandardUm: row(
    20,
    2,
    100,
    'ledge that passes at standard quality (estimate: over 100 mm, in raking light)',
  ),
  ledgeShowUm: row(8, 1, 60, 'ledge that passes at show quality (estimate, from standard)'),
  toneGapL: row(
    15,
    1,
    60,
    'gap in lightness (0 black to 100 white) between sealer and base from which hiding suffers',
  ),
  sprayTransferPercent: row(65, 20, 95, 'share of sprayed material that lands (HVLP gun)'),
  coatFilmPercent: row(100, 40, 200, 'film that a coat really has here, of what its sheet says, by the comb'),
  cupLossMl: row(60, 0, 500, 'left in cup, line and strainer of each mix'),
  smallCupLossMl: row(15, 0, 200, 'the same of the small gun'),
  brushLossMl: row(2, 0, 50, 'left in the brush and at the wall of its pot'),
  leastMixMl: row(80, 0, 500, 'least that is mixed of a sprayed two-pack: less is no measure in the cup'),
  leastSmallMixMl: row(40, 0, 300, 'the same for the small gun'),
  leastBrushMl: row(10, 0, 100, 'least that is mixed of a two-pack for the brush'),
  leastPartGrams: row(5, 0, 50, 'least of any part of a sprayed two-pack: the scale reads to 0.1 g'),
  leastFillerGrams: row(
    30,
    0,
    500,
    'least that is mixed of filler or repair paste, loss of the nozzle included',
  ),
  leastGlazeGrams: row(10, 0, 200, 'least that is mixed of glaze'),
  hardenerBeadMm: row(5, 2, 15, 'thickness of the line of hardener that the tube gives'),
  bakeCelsius: row(60, 30, 80, 'panel temperature under lamp or in the oven'),
  labourPerHour: row(55, 0, 1000, 'what an hour of hands-on work costs'),
} as const satisfies Record<string, RuleRow>;

/** Figures by group, as a shop finds them. */
export const SHOP_RULE_GROUPS = {
  bench: BENCH_RULES,
  times: TIME_RULES,
  labour: LABOUR_RULES,
  sanding: SANDING_RULES,
} as const;

export const SHOP_RULES = { ...BENCH_RULES, ...TIME_RULES, ...LABOUR_RULES, ...SANDING_RULES };

export type ShopRuleName = keyof typeof SHOP_RULES;
const names = Object.keys(SHOP_RULES) as ShopRuleName[];

const rangeOf = ({ from, to }: RuleRow): z.ZodType<number> =>
  z.number().min(from, `must be at least ${from}`).max(to, `must be at most ${to}`);

export const shopRulesSchema = z.looseObject(
  Object.fromEntries(names.map((name) => [name, rangeOf(SHOP_RULES[name]).optional()])) as Record<
    ShopRuleName,
    z.ZodOptional<z.ZodType<number>>
  >,
);

export type ShopRules = Partial<Record<ShopRuleName, number | undefined>>;

const DEFAULTS = Object.fromEntries(
  names.map((name) => [name, { value: SHOP_RULES[name].preset, source: 'default' }]),
) as Record<ShopRuleName, Sourced<number>>;

/** The figure in force and where it comes from: the shop's own setting, else the built-in default. */
export function shopRule(rules: ShopRules, name: ShopRuleName): Sourced<number> {
  const own = rules[name];
  return own === undefined ? DEFAULTS[name] : { value: own, source: 'shop' };
}
