import { isCoat, isLaying, type Act } from '../operations/act.ts';
import { carryOut } from '../operations/perform.ts';
import { isBare, topOf, zoneOf, type PanelState } from '../operations/state.ts';
import { isBody } from '../materials/layer-kinds.ts';
import { WHEN_MISSED, type TimeWindow } from '../operations/time-window.ts';
import { windowsOf } from '../operations/windows.ts';
import { inputOf } from '../planner/act-input.ts';
import { asOfNow } from '../planner/into-hours.ts';
import { newMemo, prepare } from '../planner/prepare.ts';
import { afterIdle } from '../planner/replay.ts';
import { decideAct } from '../rules/check-act.ts';
import type { Verdict } from '../rules/rule.ts';
import type { ChainAct, PanelWork } from './panel-work.ts';
import type { PlacedStep } from './placed.ts';

/**
 * The last word on a placement: the panel's acts are done at their hours by the operations themselves, and the trade's
 * rules are asked each time. What they refuse is mended by the work that they ask for, which is put in and placed too.
 */

/** A limit as it was kept; minutes of the axis. */
export interface KeptWindow {
  readonly kind: TimeWindow['kind'];
  readonly rule: string;
  /** Step that started it. */
  readonly n: number;
  readonly usedByN: number;
  readonly areas: readonly string[];
  readonly opensMin: number;
  readonly closesMin: number;
  readonly usedMin: number;
  readonly thenWhat: string;
}

export interface Settled {
  /** Acts to place instead, where something has to be put in or takes longer at its hour; null where all holds. */
  readonly again: readonly ChainAct[] | null;
  readonly windows: readonly KeptWindow[];
  /** Limits that nothing mends: said, never silent. */
  readonly broken: readonly { readonly n: number; readonly verdict: Verdict }[];
  /** Until when base may go on, once the panel is handed over; Infinity where nothing closes. */
  readonly baseByMin: number;
}

const NEXT: ReadonlySet<TimeWindow['kind']> = new Set(['recoat', 'promoter', 'exposure']);

/** The limits that an act keeps on its areas at its hour. */
function windowsKept(act: Act, panel: PanelState, { work, at }: Moment): KeptWindow[] {
  const { context, offsetMin, steps } = work;
  const isNext = isCoat(act) || act.op === 'hand-over';
  const kept = new Map<string, KeptWindow>();
  for (const id of act.zones) {
    const area = zoneOf(panel, id);
    for (const window of windowsOf(area, context)) {
      if (!NEXT.has(window.kind) || window.closesAtMin === Infinity) continue;
      const isExposure = window.kind === 'exposure';
      if (
        isExposure
          ? !(isLaying(act) && isBare(area))
          : !isNext || isBody(topOf(area).kind) || area.surface.scratch
      )
        continue;
      const lag = steps[at]!.lags.find((each) => each.kind === window.kind);
      const since = typeof lag?.since === 'number' ? steps[lag.since]!.n : 0;
      const key = `${window.kind} ${since} ${Math.round(window.closesAtMin)}`;
      const known = kept.get(key);
      kept.set(key, {
        kind: window.kind,
        rule: window.rule,
        n: since,
        usedByN: steps[at]!.n,
        areas: [...(known?.areas ?? []), id],
        opensMin: window.opensAtMin - offsetMin,
        closesMin: window.closesAtMin - offsetMin,
        usedMin: panel.clockMin - offsetMin,
        thenWhat: WHEN_MISSED[window.whenMissed],
      });
    }
  }
  return [...kept.values()];
}

interface Moment {
  readonly work: PanelWork;
  readonly at: number;
}

/** Time that is lost by clocks of whole minutes is none. */
const SLIP_MIN = 1e-6;
const isMust = ({ level }: Verdict): boolean => level === 'must';

const chainOf = ({ steps }: PanelWork, acts: readonly ChainAct[]): readonly ChainAct[] =>
  steps.map((_, i) => acts[i]!);

/** What goes before an act so that its rules allow it; null where nothing does. */
function mendingOf(act: Act, panel: PanelState, { work, at }: Moment): ChainAct[] | null {
  const prepared = prepare(panel, act, work.context, newMemo());
  if (!prepared.ok) return null;
  return prepared.steps
    .slice(0, -1)
    .map(({ act: more }) => ({ n: work.steps[at]!.n, kept: inputOf(more), insertedFor: more.why }));
}

/** Earliest base-by of all areas once the work is done. */
function baseBy({ zones }: PanelState, { context, offsetMin }: PanelWork): number {
  const closes = zones.flatMap((area) =>
    topOf(area).laid?.isLast && !area.surface.scratch
      ? windowsOf(area, context).flatMap(({ kind, closesAtMin }) => (kind === 'recoat' ? [closesAtMin] : []))
      : [],
  );
  return Math.min(Infinity, ...closes) - offsetMin;
}

/**
 * Does the acts of a panel at the hours of a placement. O(acts x areas x rules).
 * @param acts of the chain, as they were placed
 */
export function settle(work: PanelWork, acts: readonly ChainAct[], placed: readonly PlacedStep[]): Settled {
  const { context, offsetMin, steps } = work;
  const chain = chainOf(work, acts);
  const windows: KeptWindow[] = [];
  const broken: { n: number; verdict: Verdict }[] = [];
  let panel = work.start;
  for (let at = 0; at < placed.length; at++) {
    const step = steps[at]!;
    const { startMin, endMin, pieces } = placed[at]!;
    const early = carryOut(afterIdle(panel, 0), step.act, context).cost;
    const beginMin = pieces ? endMin - early.handsOnMin - early.waitMin : startMin;
    const idleMin = beginMin + offsetMin - panel.clockMin;
    if (idleMin < -SLIP_MIN && at > 0) {
      const extraMin = (chain[at - 1]!.extraMin ?? 0) + Math.ceil(-idleMin);
      return {
        again: chain.with(at - 1, { ...chain[at - 1]!, extraMin }),
        windows,
        broken,
        baseByMin: Infinity,
      };
    }
    const before = afterIdle(panel, Math.max(0, idleMin));
    const act = asOfNow(step.act, before);
    const verdict = decideAct(act, before, context).find(isMust);
    if (verdict) {
      const mending = mendingOf(act, before, { work, at });
      if (mending && mending.length > 0) {
        const again = [...chain.slice(0, at), ...mending, ...chain.slice(at)];
        return { again, windows, broken, baseByMin: Infinity };
      }
      broken.push({ n: step.n, verdict });
    }
    windows.push(...windowsKept(act, before, { work, at }));
    panel = carryOut(before, act, context).panel;
  }
  return { again: null, windows, broken, baseByMin: baseBy(panel, work) };
}
