import type { Context } from '../operations/context.ts';
import { ruleIn, schoolIn } from '../operations/context.ts';
import type { Cost } from '../operations/operation.ts';
import type { Level, Verdict } from '../rules/rule.ts';
import type { Performed } from './prepare.ts';

/**
 * One number by which systems are ranked: minutes of work and what else counts, in minutes.
 * Weights are defaults with their reason; they change the order of systems, never what is allowed.
 */
/** A minute of waiting, in hands-on minutes: dear where the panel shall leave the same day. */
const WAIT_WEIGHT = { overnight: 0.02, 'same-day': 0.2 } as const;
/** A remark (a should rule) is worth avoiding at this much work. */
const REMARK_MIN = 30;
/** A shop's own school is followed unless the other side saves more than this, and more on a larger panel. */
const SCHOOL_MIN = 150;
const SCHOOL_MIN_PER_M2 = 60;
/** Share of risk that each remark and each deviation from a school adds. */
const REMARK_RISK = 0.15;
const SCHOOL_RISK = 0.05;

export interface Totals {
  readonly handsOnMin: number;
  readonly elapsedMin: number;
  readonly materialCost: number;
  /** 0 (nothing to remark) to 1. */
  readonly risk: number;
}

/** How many different things of a level are said of an act: once each, on however many areas it is done. */
const saidOnce = (remarks: readonly Verdict[], level: Level): number =>
  remarks.length === 0
    ? 0
    : new Set(remarks.flatMap((remark) => (remark.level === level ? [remark.reason.code] : []))).size;

/** A minute of waiting in minutes of work, by the shop's pace. */
export const waitWeight = (context: Context): number => WAIT_WEIGHT[schoolIn(context, 'pace').side];

/** Work, waiting and material in minutes of work. */
export function minutesOf({ handsOnMin, waitMin, materialCost }: Cost, context: Context): number {
  const perHour = Math.max(1, ruleIn(context, 'labourPerHour').value);
  return handsOnMin + waitMin * waitWeight(context) + (materialCost / perHour) * 60;
}

/** What a stretch of steps costs, in minutes; never negative, so that a search by it is sound. */
export function scoreOf(steps: readonly Performed[], context: Context): number {
  return steps.reduce((sum, { cost, remarks }) => {
    const schools = saidOnce(remarks, 'school');
    const shoulds = saidOnce(remarks, 'should');
    return (
      sum +
      minutesOf(cost, context) +
      schools * (SCHOOL_MIN + SCHOOL_MIN_PER_M2 * context.panel.areaM2) +
      shoulds * REMARK_MIN
    );
  }, 0);
}

/**
 * Work, waiting, material and remarks of a whole system in minutes of work. Schools do not count: to go the other way is
 * no mistake.
 */
export function systemMinutes(
  { handsOnMin, elapsedMin, materialCost }: Totals,
  remarks: readonly { readonly level: Level; readonly code: string }[],
  context: Context,
): number {
  const waitMin = Math.max(0, elapsedMin - handsOnMin);
  const shoulds = new Set(remarks.flatMap(({ level, code }) => (level === 'should' ? [code] : [])));
  return minutesOf({ handsOnMin, waitMin, materialCost }, context) + shoulds.size * REMARK_MIN;
}

/** The figures a person compares: from the first of these steps to the end of the last. */
export function totalsOf(steps: readonly Performed[]): Totals {
  const [first] = steps;
  const last = steps[steps.length - 1];
  const safe = steps.reduce(
    (product, { remarks }) =>
      product *
      (1 - SCHOOL_RISK) ** saidOnce(remarks, 'school') *
      (1 - REMARK_RISK) ** saidOnce(remarks, 'should'),
    1,
  );
  return {
    handsOnMin: steps.reduce((sum, { cost }) => sum + cost.handsOnMin, 0),
    elapsedMin: first && last ? last.after.clockMin - first.before.clockMin + (first.splitMin ?? 0) : 0,
    materialCost: steps.reduce((sum, { cost }) => sum + cost.materialCost, 0),
    risk: 1 - safe,
  };
}
