import { isLaying } from '../operations/act.ts';
import type { Context } from '../operations/context.ts';
import { isBare, zoneOf } from '../operations/state.ts';
import type { TimeWindow } from '../operations/time-window.ts';
import { windowsOf } from '../operations/windows.ts';
import { newMemo, prepare, type Performed } from './prepare.ts';

const LIMITS: ReadonlySet<TimeWindow['kind']> = new Set(['recoat', 'promoter', 'exposure']);

const startsLimit = ({ act, after }: Performed): boolean =>
  isLaying(act) || act.zones.some((id) => isBare(zoneOf(after, id)));

/**
 * Hands-on minutes of what the rules ask for before the next coat, once the limits that a step started are past; null where
 * it started none, no coat follows on its areas, or nothing makes the coat right then. O(one preparation).
 * @param at place of the step among the steps as they were done
 */
export function missedCostMin(steps: readonly Performed[], at: number, context: Context): number | null {
  const step = steps[at];
  if (!step || !startsLimit(step)) return null;
  const closes = step.act.zones
    .flatMap((id) => windowsOf(zoneOf(step.after, id), context))
    .filter(({ kind, closesAtMin }) => LIMITS.has(kind) && Number.isFinite(closesAtMin));
  const user = steps
    .slice(at + 1)
    .find(
      ({ act }) =>
        (isLaying(act) || act.op === 'hand-over') && act.zones.some((id) => step.act.zones.includes(id)),
    );
  if (closes.length === 0 || !user) return null;
  const lateMin = Math.max(user.before.clockMin, ...closes.map(({ closesAtMin }) => closesAtMin + 1));
  const prepared = prepare({ ...user.before, clockMin: lateMin }, user.act, context, newMemo());
  if (!prepared.ok) return null;
  return prepared.steps.slice(0, -1).reduce((sum, { cost }) => sum + cost.handsOnMin, 0);
}
