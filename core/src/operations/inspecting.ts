import type { PanelPart } from '../survey/panel.ts';
import type { PlainAct } from './act.ts';
import { changed } from './changed-area.ts';
import type { Context } from './context.ts';
import { reachedOn } from './extent.ts';
import { settledBy, withIssue } from './issues.ts';
import { labourOn } from './labour.ts';
import { nothing, type Operation, type OperationRow } from './operation.ts';

/** Parts taken off, tests, looks, guide coat and hand-over: they show or settle something and move no material. */

const GUIDE_COST_PER_M2 = 0.6;

interface LookingRow extends OperationRow {
  readonly costPerM2?: number;
}

/** Work that is timed by area, and settles what its issues say. */
const looking = (
  row: Omit<LookingRow, 'wait'>,
  leaves: Operation<PlainAct>['apply'] = ({ op }) =>
    (zone) =>
      settledBy(zone, op),
): Operation<PlainAct> => ({
  ...row,
  wait: 'none',
  check: nothing,
  apply: leaves,
  cost: (zones, _, __, context) => ({
    handsOnMin: labourOn(row, zones, context),
    waitMin: 0,
    materialCost: (row.costPerM2 ?? 0) * reachedOn(row.reach, zones, context),
  }),
  explain: nothing,
});

/** Cutting a glued seal free and scraping its bed, for each part (default). */
const SCRAPE_MIN = 8;

/** Parts that come off before the work. */
export const comingOff = ({ panel }: Pick<Context, 'panel'>): PanelPart[] =>
  panel.parts.filter(({ plan }) => plan === 'remove');

/** Parts come off, their fasteners into labelled bags; `carryOut` notes it for the panel. */
const removingParts: Operation<PlainAct> = {
  label: 'take parts off',
  title: 'Take parts off',
  reach: 'as it lies',
  setOutMin: 5,
  turn: 'parts off',
  wait: 'none',
  mayStop: true,
  cautions: 'none',
  checks: { none: 'they are off or they are not' },
  check: nothing,
  // What a blade leaves of the glue comes off with the first wipe.
  apply: (_, { context }) => {
    const isGlued = comingOff(context).some(({ glued }) => glued);
    return (zone) => (isGlued ? withIssue(zone, 'glue') : zone);
  },
  cost: (_, __, ___, context) => ({
    handsOnMin: comingOff(context).reduce(
      (sum, { glued }) => sum + removingParts.setOutMin + (glued ? SCRAPE_MIN : 0),
      0,
    ),
    waitMin: 0,
    materialCost: 0,
  }),
  explain: nothing,
};

export const INSPECTING = {
  'remove-part': removingParts,
  /** Thinner on a cloth, tape on plastic: what it shows is for the technician to say; the plan goes on as if all were well. */
  test: looking({
    label: 'test',
    title: ({ why }) => (why.some(({ rule }) => rule === 'P7') ? 'Try masking tape' : 'Rub with thinner'),
    reach: 'as it lies',
    setOutMin: 4,
    rate: 'testMinPerM2',
    turn: 'test',
    mayStop: true,
    changesNothing: true,
    cautions: ['solvent', 'rags'],
    checks: { none: 'it is a check itself: what it shows is entered in the survey' },
  }),
  inspect: looking({
    label: 'inspect',
    title: ({ why }) =>
      why.some(({ rule }) => rule === 'GP3') ? 'Look for pinholes again' : 'Check the old filler',
    inSystem: 'filler kept on metal',
    onZone: null,
    reach: 'as it lies',
    setOutMin: 3,
    rate: 'inspectMinPerM2',
    turn: 'look',
    mayStop: true,
    changesNothing: true,
    cautions: 'none',
    checks: ['pinholes'],
  }),
  'guide-coat': looking(
    {
      label: 'guide coat',
      title: 'Guide coat',
      reach: 'reachM2',
      setOutMin: 1,
      rate: 'guideCoatMinPerM2',
      costPerM2: GUIDE_COST_PER_M2,
      turn: 'guide coat',
      mayStop: false,
      cautions: 'none',
      checks: { none: 'blocking shows where it lies' },
    },
    () => (zone) => changed(zone, { surface: { hasGuideCoat: true } }),
  ),
  'hand-over': looking({
    label: 'hand over to base',
    title: 'Hand over to base',
    reach: 'as it lies',
    setOutMin: 10,
    turn: 'chosen',
    mayStop: true,
    changesNothing: true,
    cautions: 'none',
    checks: ['raking-light', 'film'],
  }),
};
