import {
  momentsOf,
  shopSchema,
  type Clock,
  type ClockStep,
  type ClockWork,
  type OpenedPlan,
  type Shop,
  type StartableClock,
} from '@blue-ledge/core';
import { doToClock } from '../outbox/clocks.ts';
import { announce } from '../state/announce.ts';
import { nowHere } from '../state/now.ts';
import { serverNow } from '../state/server-time.ts';

/** Starting clocks: seen at once, kept in the outbox until the server has them. */

function start(made: Omit<Clock, 'id' | 'startedMs'>, shop: Shop, startedMs = Math.round(serverNow())): void {
  const clock: Clock = { ...made, id: crypto.randomUUID(), startedMs };
  // As this screen reckons it; the server, which knows the air since then, says it anew.
  const moments = momentsOf(clock, shop, { start: nowHere() });
  doToClock(clock.id, clock.title, {
    kind: 'start',
    view: { clock, by: '', version: 0, endedMs: null, moments },
  });
  announce(`Started: ${clock.title}.`);
}

/** Where a clock belongs: the panel and the system that it is worked by. */
export interface ClockPanel extends Omit<ClockStep, 'n' | 'pot' | 'areas'> {
  readonly shop: Shop;
}

const MEASURES_COAT: ReadonlySet<ClockWork['kind']> = new Set(['coat', 'body', 'bare']);

const MINUTE_MS = 60_000;

/** Starts the clock of a step, now or as long ago as it really began. */
export function startStepClock(
  { n, areas, title, work, then }: StartableClock,
  { shop, ...panel }: ClockPanel,
  missedCostOf: OpenedPlan['missedCostOf'],
  agoMin = 0,
): void {
  const cost = MEASURES_COAT.has(work.kind) ? missedCostOf(panel.systemId, n) : null;
  start(
    {
      step: { ...panel, n, areas: [...areas] },
      title,
      work,
      ...(then ? { then } : {}),
      ...(cost ? { missedCostMin: cost } : {}),
    },
    shop,
    Math.round(serverNow()) - agoMin * MINUTE_MS,
  );
}

/** What the clock of a mix is called. */
export const mixTitle = (stepTitle: string): string => `Mix for ${stepTitle}`;

/** Starts the clock of a pot that was mixed for a step. */
export function startPotClock(
  { n, areas, title }: Pick<StartableClock, 'n' | 'areas' | 'title'>,
  { shop, ...panel }: ClockPanel,
  { sheet, pot }: { readonly sheet: Extract<ClockWork, { kind: 'mix' }>['sheet']; readonly pot: number },
): void {
  start(
    {
      step: { ...panel, n, areas: [...areas], pot },
      title: mixTitle(title),
      work: { kind: 'mix', sheet },
    },
    shop,
  );
}

/** Starts a clock of a person's own. */
export const startOwnClock = (title: string, minutes: number): void =>
  start({ title, work: { kind: 'minutes', minutes, source: 'shop' } }, shopSchema.parse({}));
