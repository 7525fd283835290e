import { GENERIC_SHELF } from '../materials/generic-shelf.ts';
import type { ProductSheet } from '../materials/sheet.ts';
import { isLaying } from '../operations/act.ts';
import { contextFor, ledgeLimit, usualStartMin, type Context } from '../operations/context.ts';
import { keepsGrain, takesCoats, unlevelUm, zoneOf, type PanelState } from '../operations/state.ts';
import { surveyState } from '../operations/survey-state.ts';
import { contradictionsOf, qualityProblems } from '../survey/contradictions.ts';
import { findingWords } from '../survey/finding-words.ts';
import type { Panel } from '../survey/panel.ts';
import { surveyedZone } from '../survey/patches.ts';
import { withRoles } from '../survey/roles.ts';
import type { ShopRules } from '../survey/shop-rules.ts';
import { withTestsTaken } from '../survey/test-guide.ts';
import type { Zone } from '../survey/zone.ts';
import { roleOf } from '../survey/zone-facts.ts';
import { shapeProblems } from '../survey/regions.ts';
import type { Schools } from '../survey/schools.ts';
import type { Shop, Target } from '../survey/shop.ts';
import { tell, verbatim, type Stored } from '../wording/say.ts';
import { foundStacks } from './found.ts';
import { carryOutAll } from './judge-sequence.ts';
import type { ActInput } from './act-input.ts';
import type { Notice, PanelPlan, Said, Step, System } from './plan.ts';
import type { Performed } from './prepare.ts';
import { totalsOf } from './score.ts';
import {
  familyOfPath,
  searchSystems,
  type RefusedPath,
  type Searched,
  type SearchPath,
} from './search-systems.ts';
import { placesOf, refusalOf, saidOf, stepOf } from './steps.ts';
import { stopOf, type Stop } from './stops.ts';
import { refusedTitle, titleOf } from './titles.ts';

/** What a plan is made from. */
export interface PlanTask {
  readonly panel: Panel;
  readonly shop: Shop;
  readonly target: Target;
  /** The shop's own sheets; the generic shelf where there are none. A sheet replaces a generic one of its id. */
  readonly sheets?: readonly ProductSheet[];
  /** Sides of schools for this plan only, over the shop's. */
  readonly schools?: Schools;
  /** Minutes after midnight at which work starts; as the shop's day begins where it is left out. */
  readonly startMin?: number;
  /** What was already done, in order; the plan goes on from there. */
  readonly done?: readonly ActInput[];
}

/** Shelf in force: generic sheets, with the shop's own in their place or beside them. */
export const shelfOf = (sheets: readonly ProductSheet[] = []): ReadonlyMap<string, ProductSheet> =>
  new Map([...GENERIC_SHELF, ...sheets].map((sheet) => [sheet.id, sheet]));

/** What a task is planned on: its context, without what is stopped or planned apart. */
export interface BenchOfTask {
  readonly context: Context;
  readonly stopped: readonly Stop[];
  /** What a person should know of how the survey was taken. */
  readonly notes: readonly Notice[];
}

/** The bench that a task describes: tests taken in, roles settled, without zones that are stopped or planned apart. */
export function benchOfTask(task: PlanTask): BenchOfTask {
  const shop = { ...task.shop, schools: { ...task.shop.schools, ...task.schools } };
  const { panel, refinished } = withRoles(withTestsTaken(task.panel), shop.rules);
  const whole: Context = {
    panel,
    shop,
    target: task.target,
    shelf: shelfOf(task.sheets),
    startMin: task.startMin ?? usualStartMin({ shop }),
  };
  const misplaced = shapeProblems(panel).map((problem): Stop => ({ ...problem, rule: 'survey' }));
  const stopped = panel.zones.flatMap(
    (zone) => misplaced.find(({ zoneId }) => zoneId === zone.id) ?? stopOf(zone, whole) ?? [],
  );
  const zones = panel.zones.filter((zone) => !zone.apart && !stopped.some((stop) => stop.zoneId === zone.id));
  const notes = [
    ...refinished.map(({ zoneId, findings }) =>
      inZone(zoneId, tell('plan.no-longer-blend', { findings: findings.map(findingWords).join(', ') })),
    ),
    ...zones.flatMap((zone) => assumedSizes(zone, shop.rules)),
  ];
  return { context: { ...whole, panel: { ...panel, zones } }, stopped, notes };
}

const inZone = (zoneId: string, said: Stored): Notice => ({ zoneId, ...said });

/** Sizes that nobody gave: how large each patch was taken to be. */
const assumedSizes = (zone: Zone, rules: ShopRules): Notice[] =>
  surveyedZone(zone, rules)
    .patches.filter(({ isAssumed }) => isAssumed)
    .map(({ finding, placeMm, count }) => {
      const times = count > 1 ? `, ${count} of them` : '';
      const facts = { finding: findingWords(finding), zone: zone.id, sizeMm: placeMm, times };
      return tell('plan.assumed-size', facts);
    });

/**
 * Plans one panel: the best different systems that get every zone ready for base, the systems that are refused with
 * the first rule they break, and the zones that must be stopped. Deterministic; bounded (see search-systems).
 */
export function planPanel(task: PlanTask): PanelPlan {
  const { context, stopped, notes } = benchOfTask(task);
  const { panel } = context;
  const schools = task.schools ? { schools: chosenSides(task.schools) } : {};
  const empty = {
    panelId: task.panel.id,
    found: foundStacks(task.panel, task.shop.rules),
    stopped: [...stopped],
    sheetVersions: {},
    warnings: [],
    ...schools,
    ...(task.done ? { done: [...task.done] } : {}),
  };
  const isAnyPlanned = panel.zones.some((zone) => roleOf(zone, panel) !== 'keep');
  if (!isAnyPlanned) {
    const kept = panel.zones.length > 0 ? [tell('survey.kept-all')] : [];
    return { ...empty, chosen: null, systems: [], warnings: kept };
  }
  const done = carryOutAll(surveyState(panel, context.shop.rules), task.done ?? [], context);
  const searched = searchSystems(done.panel, context);
  const write = stepWriter(context, done.steps);
  const ready = [...searched.ready]
    .sort((a, b) => a.cost - b.cost)
    .map((path) => readySystem(path, context, write));
  const waits = stopped.filter(
    ({ zoneId }) => !task.panel.zones.some(({ id, apart }) => apart && id === zoneId),
  );
  const refused = searched.refused.map((refusal) => refusedSystem(refusal, context, write));
  return {
    ...empty,
    // Nobody starts on the rest of a panel that goes back to the welder.
    chosen: waits.length > 0 ? null : (ready[0]?.id ?? null),
    systems: [...ready, ...refused],
    sheetVersions: sheetVersions([...searched.ready, ...searched.refused], context),
    warnings: [
      ...done.problems.map(verbatim),
      ...(waits.length > 0
        ? [tell('plan.stopped', { zones: waits.map(({ zoneId }) => zoneId).join(', ') })]
        : []),
      ...warningsOf(searched, refused),
      ...notes,
      ...surveyWarnings(panel, context),
    ],
  };
}

const chosenSides = (schools: Schools): Record<string, string> =>
  Object.fromEntries(Object.entries(schools).flatMap(([name, side]) => (side ? [[name, side]] : [])));

/** What contradicts itself in zones that are planned all the same. */
const surveyWarnings = (panel: Panel, { target }: Context): Notice[] =>
  panel.zones.flatMap((zone) =>
    [...contradictionsOf(zone), ...qualityProblems(zone, target)].map((said) => inZone(zone.id, said)),
  );

type Writer = (performed: readonly Performed[]) => Step[];

/** Writes steps out, each once: paths that begin alike share their first steps. What was done comes first. */
function stepWriter(context: Context, done: readonly Performed[]): Writer {
  const written = new Map<Performed, Step>();
  const write = (step: Performed, n: number): Step => {
    const known = written.get(step) ?? stepOf(step, n, context);
    written.set(step, known);
    return known;
  };
  const before = done.map((step, i): Step => ({ ...write(step, i + 1), isDone: true }));
  return (performed) => [...before, ...performed.map((step, i) => write(step, before.length + i + 1))];
}

function remarksOf(steps: readonly Performed[]): System['remarks'] {
  const seen = new Map<string, System['remarks'][number]>();
  for (const { level, reason } of steps.flatMap(({ remarks }) => remarks)) {
    const said: Said = saidOf(reason);
    if (level === 'should' || level === 'school') seen.set(said.text, { ...said, level });
  }
  return [...seen.values()];
}

const rounded = (totals: System['totals']): System['totals'] => ({
  handsOnMin: Math.round(totals.handsOnMin),
  elapsedMin: Math.round(totals.elapsedMin),
  materialCost: Math.round(totals.materialCost),
  risk: Math.round(totals.risk * 100) / 100,
});

/** The largest ledge that is left, beside what its area allows; nothing where no area is asked for its level. */
function levelOf(panel: PanelState, context: Context): Pick<System, 'level'> {
  const judged = panel.zones.filter((zone) => takesCoats(zone) && !keepsGrain(zone, context));
  const levels = judged.map((zone) => ({
    ledgeUm: Math.round(unlevelUm(zone, panel)),
    limitUm: ledgeLimit(contextFor(zone, context)).value,
  }));
  if (levels.length === 0) return {};
  return { level: levels.reduce((a, b) => (b.ledgeUm / b.limitUm > a.ledgeUm / a.limitUm ? b : a)) };
}

function readySystem(path: SearchPath, context: Context, write: Writer): System {
  return {
    id: familyOfPath(path.choices.filter((act) => act.op !== 'hand-over')) || 'key-only',
    title: titleOf(path.choices),
    verdict: 'ready',
    refusedBy: [],
    remarks: remarksOf(path.steps),
    totals: rounded(totalsOf(path.steps)),
    ...levelOf(path.panel, context),
    steps: write(path.steps),
  };
}

function refusedSystem(refusal: RefusedPath, context: Context, write: Writer): System {
  const { refused, choices, steps, verdicts } = refusal;
  const sheetName = isLaying(refused) ? context.shelf.get(refused.sheetId)?.name : undefined;
  const before = familyOfPath(choices);
  return {
    id: `refused-${verdicts[0]!.reason.rule}-${before ? `${before}.` : ''}${refused.op}`,
    title: refusedTitle(choices, refused, zoneOf(refusal.panel, verdicts[0]!.zoneId)),
    verdict: 'refused',
    refusedBy: verdicts.map(refusalOf),
    refusedStep: { op: refused.op, ...placesOf(refused, refusal.panel), ...(sheetName ? { sheetName } : {}) },
    remarks: remarksOf(steps),
    totals: rounded(totalsOf(steps)),
    steps: write(steps),
  };
}

function sheetVersions(paths: readonly SearchPath[], context: Context): Record<string, number> {
  const used = paths.flatMap((path) => path.steps).flatMap(({ act }) => (isLaying(act) ? [act.sheetId] : []));
  return Object.fromEntries([...new Set(used)].sort().map((id) => [id, context.shelf.get(id)!.version]));
}

/** What a person should know of the plan as a whole; stopped zones speak for themselves. */
function warningsOf(searched: Searched, refused: readonly System[]): Notice[] {
  const gaveUp = searched.gaveUp ? [tell('plan.gave-up', { looked: searched.looked })] : [];
  if (searched.ready.length > 0) return gaveUp;
  const broken = refused[0]?.refusedBy[0];
  return [
    ...gaveUp,
    tell('plan.no-system'),
    broken
      ? { zoneId: broken.zoneId, code: broken.code, facts: broken.facts, text: broken.text }
      : tell('plan.no-coat'),
  ];
}
