import { filmHeightUm } from '../materials/layer-kinds.ts';
import type { Gun } from '../materials/equipment.ts';
import { formOf, readyVolumeSolids, type ProductSheet } from '../materials/sheet.ts';
import { isBody } from '../materials/layer-kinds.ts';
import { isCoat, isCoatOp, isLaying, isSandOp, isStripping, type Act } from '../operations/act.ts';
import { ruleIn, sheetIn, type Context } from '../operations/context.ts';
import { workAirAt } from '../operations/day.ts';
import { costOf } from '../operations/perform.ts';
import { zoneOf, type PanelState, type ZoneState } from '../operations/state.ts';
import { flashMin, movingAirRule } from '../operations/windows.ts';
import type { PlanTask } from '../planner/bench-of-task.ts';
import { shelfOf } from '../planner/shelf.ts';
import type { Performed } from '../planner/prepare.ts';
import { LABOUR_RULES } from '../survey/labour-rules.ts';
import type { ShopRuleName } from '../survey/shop-rules.ts';
import { minutesOfMoment } from '../units/moment.ts';
import { gunOfCoat } from './coat-gun.ts';
import { heldOf, type Holding } from './corrections.ts';
import type { NewEntry } from './entry.ts';
import { foldRecord, type Fold, type FoldOptions } from './fold.ts';
import type { ActEntry } from './happened.ts';

/**
 * What a record says of a shop's own figures. Each sample is the figure with which the models would have said what was really
 * written down: the model, solved for one of its constants at the state in which the work was done.
 */

export interface OwnSample {
  readonly rule: ShopRuleName;
  /** Gun whose own figure it is, where the shop has entered its guns. */
  readonly gunId?: string;
  readonly value: number;
  /** How much of the work the figure decided: minutes, coats. Small jobs say less. */
  readonly weight: number;
  /** Air in which it was, where the figure depends on it. */
  readonly celsius?: number;
}

/** What hands-on minutes depend on: a rate by area, or how fast sanding takes off. */
const TIMED_BY = [
  ...(Object.keys(LABOUR_RULES) as (keyof typeof LABOUR_RULES)[]).filter((name) => /MinPerM2?$/.test(name)),
  'removalCm3PerMin',
] as const satisfies readonly ShopRuleName[];
/** Figures by which minutes become fewer as they grow. */
const INVERSE: ReadonlySet<ShopRuleName> = new Set(['removalCm3PerMin']);
/** A step says something of a figure that decides at least this share of its minutes. */
const LEAST_SHARE = 0.3;
/** Nothing is quicker than this share of what is reckoned with. */
const QUICKEST_SHARE = 0.05;
/** Times are written in whole minutes: shorter work says little. */
const LEAST_MINUTES = 2;

const withRule = (context: Context, rule: ShopRuleName, value: number): Context => ({
  ...context,
  shop: { ...context.shop, rules: { ...context.shop.rules, [rule]: value } },
});

/** Minutes of an act that one figure decides, and all of them. */
interface Decided {
  readonly rule: ShopRuleName;
  readonly byRuleMin: number;
}

/** Minutes are a + b x figure, or a + b / figure: what doubling it changes is what it decides. */
function decidedBy(rule: ShopRuleName, step: Performed, plannedMin: number, context: Context): Decided {
  const doubled = withRule(context, rule, 2 * ruleIn(context, rule).value);
  const doubledMin = costOf(step.act, step.before, doubled).handsOnMin;
  return { rule, byRuleMin: INVERSE.has(rule) ? 2 * (plannedMin - doubledMin) : doubledMin - plannedMin };
}

/** The figure by which a step would have taken the minutes that it really took. */
function timeSample(step: Performed, minutes: number, context: Context): OwnSample[] {
  const plannedMin = costOf(step.act, step.before, context).handsOnMin;
  if (plannedMin < LEAST_MINUTES) return [];
  const [most] = TIMED_BY.map((rule) => decidedBy(rule, step, plannedMin, context)).toSorted(
    (a, b) => b.byRuleMin - a.byRuleMin,
  );
  if (!most || most.byRuleMin < LEAST_SHARE * plannedMin) return [];
  const { rule, byRuleMin } = most;
  // Done sooner than setting out alone is reckoned with: it counts as quick work, or only slow work would be counted.
  const reallyMin = Math.max(minutes - (plannedMin - byRuleMin), QUICKEST_SHARE * byRuleMin);
  const { value } = ruleIn(context, rule);
  const ratio = reallyMin / byRuleMin;
  return [{ rule, value: INVERSE.has(rule) ? value / ratio : value * ratio, weight: byRuleMin }];
}

const timesOf = ({ steps, acts, context }: Fold): OwnSample[] =>
  steps.flatMap((step, i) => {
    const minutes = acts[i]?.body.minutes;
    return minutes === undefined || minutes <= 0 ? [] : timeSample(step, minutes, context);
  });

const meanOf = (all: readonly number[]): number => all.reduce((sum, one) => sum + one, 0) / all.length;
const listed = (um: number | readonly number[]): readonly number[] => (typeof um === 'number' ? [um] : um);

/** The shelf as its sheets have it, whatever figure of film is in force, and the guns of the shop. */
interface AsItsSheet {
  readonly shelf: ReadonlyMap<string, ProductSheet>;
  readonly guns: readonly Gun[];
}

/** Film of a coat by the comb against what its sheet says, in the gun that laid it. */
function filmSample({ body }: ActEntry, act: Act, { shelf, guns }: AsItsSheet): OwnSample[] {
  const { wetUm, reductionPercent = 0, tipMm } = body.values ?? {};
  if (wetUm === undefined || !isCoat(act)) return [];
  const sheet = shelf.get(act.sheetId);
  if (!sheet || formOf(sheet) !== 'sprayed' || sheet.film.perCoatUm <= 0) return [];
  const readings = listed(wetUm);
  const dryUm = (meanOf(readings) * readyVolumeSolids(sheet)) / (1 + reductionPercent / 100);
  const gun = gunOfCoat(guns, tipMm, sheet);
  return [
    {
      rule: 'coatFilmPercent',
      ...(gun ? { gunId: gun.id } : {}),
      value: (100 * dryUm) / sheet.film.perCoatUm,
      weight: readings.length,
    },
  ];
}

type Check = Extract<Holding, { kind: 'check' }>;

const areasMeet = (a: readonly string[], b: readonly string[] | undefined): boolean =>
  b === undefined || a.some((area) => b.includes(area));

/**
 * Minutes from the last pass of a coat until a gloved fingertip stayed clean, before anything else was done there. Where it
 * marked before, the truth lies between; else it is at most that. Undefined where nobody tried.
 */
function touchDryMin(
  laid: ActEntry,
  next: ActEntry | undefined,
  checks: readonly Check[],
): number | undefined {
  const laidMin = minutesOfMoment(laid.at);
  const untilMin = next ? minutesOfMoment(next.at) : Infinity;
  const tried = checks.flatMap(({ at, body: { check, zones, outcome } }) => {
    const atMin = minutesOfMoment(at);
    return check === 'fingertip' && areasMeet(laid.body.zones, zones) && atMin > laidMin && atMin <= untilMin
      ? [{ outcome, atMin }]
      : [];
  });
  const clean = tried.find(({ outcome }) => outcome === 'passes');
  if (!clean) return undefined;
  const marked = tried.findLast(({ outcome, atMin }) => outcome === 'fails' && atMin < clean.atMin);
  return (marked ? (marked.atMin + clean.atMin) / 2 : clean.atMin) - laidMin;
}

/** Flash as it really was against what is reckoned with, in the air that it had. */
function flashSamples({ steps, acts, context, happened: { zeroMin } }: Fold, checks: readonly Check[]) {
  const rule = movingAirRule(context.shop);
  return acts.flatMap((laid, i): OwnSample[] => {
    const { act } = steps[i]!;
    if (!isCoat(act)) return [];
    const next = acts
      .slice(i + 1)
      .find(({ body }) => isCoatOp(body.op) && areasMeet(body.zones, laid.body.zones));
    const reallyMin = touchDryMin(laid, next, checks);
    const sheet = sheetIn(context, act.sheetId);
    const endMin = minutesOfMoment(laid.at) - zeroMin;
    const plannedMin = flashMin(sheet.flash.beforeNextMin, sheet, context, endMin);
    if (reallyMin === undefined || plannedMin <= 0) return [];
    return [
      {
        rule,
        value: (ruleIn(context, rule).value * reallyMin) / plannedMin,
        weight: 1,
        celsius: workAirAt(endMin, context).celsius,
      },
    ];
  });
}

type Reading = Extract<Holding, { kind: 'reading' }>;

const isFilm = (entry: Holding): entry is Reading =>
  entry.kind === 'reading' &&
  entry.body.um !== undefined &&
  entry.body.kind !== 'wet' &&
  entry.body.kind !== 'wet-film';

/** Film that a sanding takes off a fresh build follows from its texture, or from the waves that shaped filler leaves. */
const takenBy = ({ stack }: ZoneState): ShopRuleName =>
  stack.some(({ kind, laid }) => laid && isBody(kind)) ? 'shapedFillerWavesUm' : 'orangePeelUm';

/** A block that goes on down to the level of its neighbour says nothing of texture and waves. */
const isByTexture = ({ before, after }: Performed, area: string): boolean => {
  const { wavesUm, peelUm } = zoneOf(before, area).surface;
  return filmUm(before, area) - filmUm(after, area) < wavesUm + peelUm + TEXTURE_UM;
};
const TEXTURE_UM = 1;

const isTakingOff = ({ op }: Act): boolean => isSandOp(op) && op !== 'feather' && op !== 'scuff';

/** Film that was really taken off between two readings of one kind in one place, with a block and nothing laid between. */
function blockSamples({ steps, acts, context }: Fold, readings: readonly Reading[]): OwnSample[] {
  const lastOf = new Map<string, Reading>();
  return readings.flatMap((reading): OwnSample[] => {
    const { zone, kind, um } = reading.body;
    const before = lastOf.get(`${zone} ${kind}`);
    lastOf.set(`${zone} ${kind}`, reading);
    if (!before) return [];
    const between = steps.filter(
      ({ act }, i) => act.zones.includes(zone) && acts[i]!.at > before.at && acts[i]!.at <= reading.at,
    );
    const blocked = between.find(({ act }) => act.op === 'block');
    if (!blocked || !isByTexture(blocked, zone)) return [];
    if (between.some(({ act }) => isLaying(act) || isStripping(act))) return [];
    const plannedUm = between
      .filter(({ act }) => isTakingOff(act))
      .reduce((sum, step) => sum + filmUm(step.before, zone) - filmUm(step.after, zone), 0);
    const takenUm = meanOf(listed(before.body.um!)) - meanOf(listed(um!));
    const rule = takenBy(zoneOf(blocked.before, zone));
    const value = ruleIn(context, rule).value + takenUm - plannedUm;
    return value >= 0 ? [{ rule, value, weight: 1 }] : [];
  });
}

const filmUm = (panel: PanelState, area: string): number => filmHeightUm(zoneOf(panel, area).stack);

/** What one panel's record says of the figures of its shop. O(entries x figures). */
export function ownSamples(
  task: PlanTask,
  record: readonly NewEntry[],
  options: FoldOptions = {},
): OwnSample[] {
  const fold = foldRecord(task, record, options);
  const { entries } = heldOf(record);
  const asItsSheet = { shelf: shelfOf(task.sheets), guns: task.shop.guns ?? [] };
  const checks = entries.filter((entry): entry is Check => entry.kind === 'check');
  return [
    ...timesOf(fold),
    ...fold.acts.flatMap((entry, i) => filmSample(entry, fold.steps[i]!.act, asItsSheet)),
    ...flashSamples(fold, checks),
    ...blockSamples(fold, entries.filter(isFilm)),
  ];
}
