import type { PlainAct } from './act.ts';
import { workedOn } from './extent.ts';
import { fixedMin, labourOn } from './labour.ts';
import { nothing, type Operation } from './operation.ts';
import { withIssue, withoutIssues } from './state.ts';
import type { PanelPart } from '../survey/panel.ts';
import type { Context } from './context.ts';
import { changed } from './changed-area.ts';

/** Guide coat, inspection and hand-over: they show or settle something and move no material. */

const GUIDE_COST_PER_M2 = 0.6;

export const guideCoating: Operation<PlainAct> = {
  check: nothing,
  apply: () => (zone) => changed(zone, { surface: { hasGuideCoat: true } }),
  cost: (zones, act, _, context) => ({
    handsOnMin: labourOn(act.op, zones, context),
    waitMin: 0,
    materialCost: GUIDE_COST_PER_M2 * workedOn(act.op, zones, context),
  }),
  explain: nothing,
};

/** Thinner on a cloth, tape on plastic: what it shows is for the technician to say; the plan goes on as if all were well. */
export const testing: Operation<PlainAct> = {
  check: nothing,
  apply: () => (zone) => withoutIssues(zone, 'rub', 'tape'),
  cost: (zones, act, _, context) => ({
    handsOnMin: labourOn(act.op, zones, context),
    waitMin: 0,
    materialCost: 0,
  }),
  explain: nothing,
};

export const inspecting: Operation<PlainAct> = {
  check: nothing,
  apply: () => (zone) => withoutIssues(zone, 'found-body', 'look'),
  cost: (zones, act, _, context) => ({
    handsOnMin: labourOn(act.op, zones, context),
    waitMin: 0,
    materialCost: 0,
  }),
  explain: nothing,
};

/** Parts come off, their fasteners into labelled bags; `carryOut` notes it for the panel. */
/** Cutting a glued seal free and scraping its bed, for each part (default). */
const SCRAPE_MIN = 8;

/** Parts that come off before the work. */
export const comingOff = ({ panel }: Pick<Context, 'panel'>): PanelPart[] =>
  panel.parts.filter(({ plan }) => plan === 'remove');

export const removingParts: Operation<PlainAct> = {
  check: nothing,
  // What a blade leaves of the glue comes off with the first wipe.
  apply: (_, { context }) => {
    const isGlued = comingOff(context).some(({ glued }) => glued);
    return (zone) => (isGlued ? withIssue(zone, 'glue') : zone);
  },
  cost: (_, act, __, context) => ({
    handsOnMin: comingOff(context).reduce(
      (sum, { glued }) => sum + fixedMin(act.op) + (glued ? SCRAPE_MIN : 0),
      0,
    ),
    waitMin: 0,
    materialCost: 0,
  }),
  explain: nothing,
};

export const handingOver: Operation<PlainAct> = {
  check: nothing,
  apply: () => (zone) => zone,
  cost: (_, act) => ({ handsOnMin: fixedMin(act.op), waitMin: 0, materialCost: 0 }),
  explain: nothing,
};
