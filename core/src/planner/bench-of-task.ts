import { labelOf } from '../materials/layer-kinds.ts';
import type { ProductSheet } from '../materials/sheet.ts';
import type { Context, PastAir } from '../operations/context.ts';
import { dayBeginsMin } from '../operations/day.ts';
import { withRoles } from '../operations/roles.ts';
import { asSprayed } from '../operations/spraying.ts';
import { findingWords } from '../survey/finding.ts';
import type { Panel } from '../survey/panel.ts';
import { surveyedZone } from '../survey/patches.ts';
import { shapeProblems } from '../survey/regions.ts';
import type { Schools } from '../survey/schools.ts';
import type { ShopRules } from '../survey/shop-rules.ts';
import type { Shop, Target } from '../survey/shop.ts';
import { withTestsTaken } from '../survey/test-guide.ts';
import type { Zone } from '../survey/zone.ts';
import { tell, type Stored } from '../wording/say.ts';
import type { OwnSequence } from './act-input.ts';
import type { Happening } from './happening.ts';
import { assumedFilms } from './found.ts';
import type { Notice } from './plan.ts';
import { shelfOf, withPreference } from './shelf.ts';
import { stopOf, type Stop } from './stops.ts';

/** What a plan is made from. */
export interface PlanTask {
  readonly panel: Panel;
  readonly shop: Shop;
  readonly target: Target;
  /** The shop's own sheets; a generic one stands in for work that none of them does. */
  readonly sheets?: readonly ProductSheet[];
  /** Sides of schools for this plan only, over the shop's. */
  readonly schools?: Schools | undefined;
  /** Ids of products that are taken for this plan, whatever the shelf prefers. */
  readonly products?: readonly string[] | undefined;
  /** Minutes after midnight at which work starts; as the shop's day begins where it is left out. */
  readonly startMin?: number | undefined;
  /** The day on which it starts, ISO; without it every day is a working day. */
  readonly startOn?: string | undefined;
  /** Somebody chose that start: work does not begin before it. */
  readonly isStartFixed?: true | undefined;
  /** What already happened, in order; the plan goes on from there. */
  readonly done?: readonly Happening[] | undefined;
  /** Air as it was measured while that was done. */
  readonly airBefore?: readonly PastAir[] | undefined;
  /** Minute of the panel's clock from which it goes on; when the last work ended where it is left out. */
  readonly nowMin?: number | undefined;
  /** A system of the person's own: what comes after what is done, up to the hand-over. */
  readonly own?: OwnSequence | undefined;
}

/** What a task is planned on: its context, without what is stopped or planned apart. */
export interface BenchOfTask {
  readonly context: Context;
  readonly stopped: readonly Stop[];
  /** What a person should know of how the survey was taken. */
  readonly notes: readonly Notice[];
}

/** The shelf as its products are sprayed in a shop. */
const sprayedIn = (shop: Shop, shelf: Context['shelf']): Context['shelf'] =>
  new Map([...shelf].map(([id, sheet]) => [id, asSprayed(sheet, { shop })]));

/** The bench that a task describes: tests taken in, roles settled, without zones that are stopped or planned apart. */
export function benchOfTask(task: PlanTask): BenchOfTask {
  const shop = { ...task.shop, schools: { ...task.shop.schools, ...task.schools } };
  const { panel, refinished } = withRoles(withTestsTaken(task.panel), shop.rules);
  const whole = withPreference({
    panel,
    shop,
    target: task.target,
    shelf: sprayedIn(shop, shelfOf(task.sheets, shop.noneOf)),
    startMin: task.startMin ?? dayBeginsMin({ shop }),
    startOn: task.startOn,
    taken: task.products ?? [],
  });
  const misplaced = shapeProblems(panel).map((problem): Stop => ({ ...problem, rule: 'survey' }));
  const stopped = panel.zones.flatMap(
    (zone) => misplaced.find(({ zoneId }) => zoneId === zone.id) ?? stopOf(zone, whole) ?? [],
  );
  const zones = panel.zones.filter((zone) => !zone.apart && !stopped.some((stop) => stop.zoneId === zone.id));
  const notes = [
    ...refinished.flatMap(({ zoneId, because }) => because.map((said) => inZone(zoneId, said))),
    ...zones.flatMap((zone) => assumedSizes(zone, shop.rules)),
    ...assumedFilms({ zones }).map(({ zoneId, kind, um }) =>
      inZone(zoneId, tell('plan.assumed-film', { layer: labelOf(kind), filmUm: um })),
    ),
  ];
  return { context: { ...whole, panel: { ...panel, zones } }, stopped, notes };
}

/** What is said of one zone. */
export const inZone = (zoneId: string, said: Stored): Notice => ({ zoneId, ...said });

/** Sizes that nobody gave: how large each patch was taken to be. */
const assumedSizes = (zone: Zone, rules: ShopRules): Notice[] =>
  surveyedZone(zone, rules)
    .patches.filter(({ isAssumed }) => isAssumed)
    .map(({ finding, placeMm, count }) => {
      const times = count > 1 ? `, ${count} of them` : '';
      const facts = { finding: findingWords(finding), zone: zone.id, sizeMm: placeMm, times };
      return tell('plan.assumed-size', facts);
    });

/** Stops that the rest of the panel waits for: of zones that are not planned apart anyway. */
export const waitingStops = (stopped: readonly Stop[], panel: Panel): Stop[] =>
  stopped.filter(({ zoneId }) => !panel.zones.some(({ id, apart }) => apart && id === zoneId));
