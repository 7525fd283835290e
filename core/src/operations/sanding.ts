import { grainUm } from '../materials/grades.ts';
import { isBody, isSolid, labelOf } from '../materials/layer-kinds.ts';
import { cuttingMinutes, gradeChangeMinutes } from '../surface/ladder.ts';
import { sandedMaterial } from '../materials/sanded-material.ts';
import type { Reason } from '../wording/reason.ts';
import { lastGrade, type SandAct } from './act.ts';
import { changed } from './changed-area.ts';
import { figuresIn, ruleIn, type Context } from './context.ts';
import { reachedM2, reachedOn } from './extent.ts';
import { stripsTo } from './issues.ts';
import { areaMin, formFactor } from './labour.ts';
import {
  abraded,
  blockedUm,
  blockedZone,
  denibbed,
  depthsUm,
  scratchOf,
  scuffed,
  shaped,
} from './sanded-area.ts';
import {
  opReason,
  type Cautioned,
  type Cost,
  type Moment,
  type Operation,
  type OperationRow,
} from './operation.ts';
import { stripMinutes, strippedBare, strippingCautions } from './stripping.ts';
import {
  groundOf,
  isBare,
  isOpenBody,
  openedTo,
  soundNeighbour,
  topOf,
  type Layer,
  type PanelState,
  type ZoneState,
} from './state.ts';

/**
 * Everything that takes material off. A finer grade removes the scratch before it to its bottom; a block takes a
 * build down to the film that must stay or to the level of its sound neighbour; stripping takes layers off whole.
 */

const ABRASIVE_PER_M2_STEP = 1.4;
/** What the first grade of an act has to take off a zone, µm. */
export const firstCutUm = (zone: ZoneState, act: SandAct, panel: PanelState, context: Context): number =>
  SANDING[act.op].depthsUm(zone, act, panel, context)[0]!;

/** Films whose edge is cut open around an area: those that lie higher around it than in it. */
const filmsAround = (zone: ZoneState, panel: PanelState): number => {
  const ground = groundOf(zone, panel) ?? soundNeighbour(zone, panel);
  const films = (ground ?? zone).stack.filter(({ kind }) => !isSolid(kind) && !isBody(kind));
  return Math.max(1, films.length);
};

/** A surface of bare metal that has a grade already is freshened at that grade or refined from it. */
function metalMinutes(zone: ZoneState, act: SandAct, areaM2: number, context: Context): number {
  const isAgain = zone.surface.scratch?.grade === lastGrade(act);
  const rate = ruleIn(context, isAgain ? 'bloomMinPerM2' : 'metalAbradeMinPerM2').value;
  return rate * formFactor(context) * areaM2 * act.grades.length;
}

/** Minutes of cutting by the removal of each grade. */
function cuttingMin(zone: ZoneState, { act, panel, context }: Sanded): number {
  const { reach, depthsUm: depths } = SANDING[act.op];
  const areaM2 = reachedM2(reach, zone);
  if (act.op !== 'block' && isBare(zone)) return metalMinutes(zone, act, areaM2, context);
  const sanding = { areaM2, tool: act.tool, material: sandedMaterial(topOf(zone).kind) };
  const um = depths(zone, act, panel, context);
  return act.grades.reduce(
    (sum, grade, i) =>
      sum + formFactor(context) * cuttingMinutes(grade, um[i] ?? 0, sanding, figuresIn(context)),
    0,
  );
}

function featherMin(zone: ZoneState, { panel, context }: Sanded): number {
  const dullM2 = zone.patch ? zone.extent.reachM2 - zone.extent.openM2 : 0;
  const edgeMin = ruleIn(context, 'featherMinPerM').value * zone.extent.edgeM * filmsAround(zone, panel);
  return formFactor(context) * (edgeMin + ruleIn(context, 'dullMinPerM2').value * dullM2);
}

const ladderReason = (code: Reason['code'], facts: Reason['facts']): Reason => ({
  rule: 'ladder',
  code,
  facts,
  source: 'shop',
});

/** Grades of an act that the shop does not keep: what has to be bought for it. */
const missingGrades = ({ grades }: SandAct, { shop }: Context): Reason[] =>
  grades
    .filter((grade) => shop.stock && !shop.stock.includes(grade))
    .map((grit) => ladderReason('ladder.buy', { grit }));

/** Steps from one grade to the next that are wider than the shop allows, and that its grades cannot make smaller. */
function wideJumps(zones: readonly ZoneState[], { grades }: SandAct, context: Context): Reason[] {
  if (zones.every(isBare)) return [];
  const jump = ruleIn(context, 'largestJump').value;
  const from = zones.map(({ surface }) => surface.scratch?.grade).find((grade) => grade !== undefined);
  const way = from && grainUm(from) > grainUm(grades[0]) ? [from, ...grades] : grades;
  return way.flatMap((grade, i) => {
    const ratio = i === 0 ? 1 : grainUm(way[i - 1]!) / grainUm(grade);
    return ratio > jump + 1e-9
      ? [ladderReason('ladder.jump', { from: way[i - 1]!, grit: grade, ratio, jump })]
      : [];
  });
}

/** Largest place that is a dot: it is held and checked at one glance, mm (default). */
const DOT_MM = 10;

/** What a patch takes besides, where its shape is made or judged, on one part: a few dots less than a dent. */
function patchMin({ patch }: ZoneState, context: Context): number {
  if (!patch) return 0;
  const wholeMin = ruleIn(context, 'patchWorkMin').value;
  const { spots } = patch;
  if (!spots || spots.mm > DOT_MM) return wholeMin;
  return Math.min(wholeMin, spots.count * ruleIn(context, 'dotWorkMin').value);
}

/** What patches take besides, whatever their size, where their shape is made or judged; on all parts. */
export const shapingMin = (zones: readonly ZoneState[], context: Context): number =>
  context.panel.count * zones.reduce((sum, zone) => sum + patchMin(zone, context), 0);

/** An act of sanding with what surrounds it. */
interface Sanded {
  readonly act: SandAct;
  readonly panel: PanelState;
  readonly context: Context;
}

interface SandingRow extends OperationRow {
  /** Each grade that is taken up costs time by the area that it goes over. */
  readonly takesUpGrades?: true;
  /** Minutes of cutting on one area of one part, without what each grade costs to be taken up. */
  readonly minutesOn: (zone: ZoneState, sanded: Sanded) => number;
  /** It makes the shape of a patch, or judges it: that takes time whatever the size. */
  readonly isShaping?: (zone: ZoneState) => boolean;
  /** Why it cannot be done on an area. */
  readonly refuses?: (zone: ZoneState) => Reason[];
  /** What each grade takes off an area, µm. */
  readonly depthsUm?: (zone: ZoneState, act: SandAct, panel: PanelState, context: Context) => number[];
  readonly makes: (act: SandAct, moment: Moment) => (zone: ZoneState) => ZoneState;
  /** Where its numbers come from, besides grades that have to be bought. */
  readonly explains?: (zones: readonly ZoneState[], sanded: Sanded, minutes: number) => Reason[];
}

type SandingOperation = Operation<SandAct> & Pick<Required<SandingRow>, 'depthsUm'>;

const isAlways = (): boolean => true;
const byDepths: Required<SandingRow>['depthsUm'] = (zone, act, _, context) => depthsUm(zone, act, context);

/** Grades that go down, one finer than the other. */
function gradeOrder({ grades }: SandAct): Reason[] {
  const rising = grades.findIndex((grade, i) => i > 0 && grainUm(grade) >= grainUm(grades[i - 1]!));
  return rising > 0
    ? [opReason('op.grade-order', { grit: grades[rising]!, before: grades[rising - 1]! })]
    : [];
}

/** Dust of what is sanded. */
const dustOf = ({ zones }: Cautioned) => {
  const has = (is: (kind: Layer['kind']) => boolean): boolean =>
    zones.some(({ stack }) => stack.some(({ kind }) => is(kind)));
  return [
    has((kind) => kind === 'fiberglass') ? ('glassDust' as const) : ('sandingDust' as const),
    ...(has((kind) => kind.startsWith('old-finish')) ? (['oldFinish'] as const) : []),
  ];
};

const sanding = ({
  refuses = () => [],
  isShaping = () => false,
  explains = () => [],
  depthsUm: depths = byDepths,
  ...row
}: Omit<SandingRow, 'wait' | 'cautions'> & Partial<Pick<SandingRow, 'cautions'>>): SandingOperation => {
  const minutesOf = (zones: readonly ZoneState[], sanded: Sanded): number => {
    const { act, context } = sanded;
    const perGrade = row.takesUpGrades
      ? gradeChangeMinutes(reachedOn(row.reach, zones, context), figuresIn(context))
      : 0;
    const besidesMin = shapingMin(zones.filter(isShaping), context);
    const cutMin = context.panel.count * zones.reduce((sum, zone) => sum + row.minutesOn(zone, sanded), 0);
    return row.setOutMin + perGrade * act.grades.length + besidesMin + cutMin;
  };
  return {
    cautions: dustOf,
    ...row,
    wait: 'none',
    depthsUm: depths,
    check: (zone, act) => [...refuses(zone), ...gradeOrder(act)],
    apply: row.makes,
    cost: (zones, act, panel, context): Cost => ({
      handsOnMin: minutesOf(zones, { act, panel, context }),
      waitMin: 0,
      materialCost: ABRASIVE_PER_M2_STEP * reachedOn(row.reach, zones, context) * act.grades.length,
    }),
    explain: (zones, act, panel, context) => {
      const sanded = { act, panel, context };
      return explains(zones, sanded, minutesOf(zones, sanded));
    },
  };
};

/** Minutes of a grade, and what it takes off at most. */
function gradeReasons(
  zones: readonly ZoneState[],
  { act, panel, context }: Sanded,
  handsOnMin: number,
): Reason[] {
  const takenUm = Math.max(...zones.flatMap((zone) => SANDING[act.op].depthsUm(zone, act, panel, context)));
  const code = zones.every(isBare) ? 'sand.metal' : 'sand.minutes';
  const facts = { grit: act.grades.join(' › '), takenUm, handsOnMin };
  return [{ rule: 'ladder', code, facts, source: 'model' }, ...missingGrades(act, context)];
}

const bought: SandingRow['explains'] = (_, { act, context }) => missingGrades(act, context);

type SandRows = { readonly [Op in SandAct['op']]: SandingOperation };

export const SANDING: SandRows = {
  abrade: sanding({
    label: 'abrade',
    title: ({ tool }) =>
      tool === 'block'
        ? 'Shape and finish the filler'
        : tool === 'machine-soft' || tool === 'wet-hand'
          ? 'Final sand'
          : 'Abrade',
    reach: 'as it lies',
    setOutMin: 0,
    takesUpGrades: true,
    sands: 'face',
    tool: 'machine',
    turn: 'sand',
    mayStop: true,
    checks: ({ tool }) => (tool === 'block' ? ['edges-flat', 'pinholes', 'scratch-even'] : ['scratch-even']),
    isShaping: isOpenBody,
    minutesOn: cuttingMin,
    makes: (act, moment) => (zone) => abraded(shaped(zone, moment.context), act, moment),
    explains: (zones, sanded, minutes) => [
      ...gradeReasons(zones, sanded, minutes),
      ...wideJumps(zones, sanded.act, sanded.context),
    ],
  }),
  scuff: sanding({
    label: 'scuff by pad',
    title: 'Dull edges and backs by pad',
    reach: 'as it lies',
    setOutMin: 3,
    sands: 'edges',
    tool: 'pad-fine',
    turn: 'dull',
    mayStop: true,
    checks: ['key'],
    minutesOn: (zone, { context }) => ruleIn(context, 'scuffMinPerM').value * zone.extent.edgeM,
    makes: () => scuffed,
  }),
  block: sanding({
    label: 'block',
    title: 'Block the build',
    reach: 'reachM2',
    setOutMin: 0,
    takesUpGrades: true,
    sands: 'face',
    tool: 'block',
    turn: 'block',
    mayStop: true,
    readAs: 'blocked',
    checks: ['dust-gone', 'raking-light', 'film'],
    isShaping: isAlways,
    refuses: (zone) => (topOf(zone).laid ? [] : [opReason('op.nothing-to-block')]),
    depthsUm: (zone, _, panel, context) => [topOf(zone).um - blockedUm(zone, panel, context)],
    minutesOn: cuttingMin,
    makes: (act, { panel, context }) => {
      return (zone) => blockedZone(zone, scratchOf(zone, act, context), panel, context);
    },
    explains: (zones, sanded, minutes) => {
      const jump = ruleIn(sanded.context, 'largestJump').value;
      const grade = { grit: sanded.act.grades[0], jump };
      return [
        { rule: 'ladder', code: 'block.grade', facts: grade, source: 'model' },
        ...gradeReasons(zones, sanded, minutes),
      ];
    },
  }),
  denib: sanding({
    label: 'denib',
    title: 'Take off the nibs',
    reach: 'reachM2',
    setOutMin: 3,
    sands: 'off',
    tool: 'wet-hand',
    turn: 'sand',
    mayStop: true,
    checks: ['no-nibs'],
    minutesOn: (zone) => zone.extent.reachM2,
    makes: () => denibbed,
    explains: bought,
  }),
  feather: sanding({
    label: 'feather the edges',
    title: 'Feather the edges',
    reach: 'featherM2',
    setOutMin: 3,
    sands: 'edges',
    tool: 'machine',
    turn: 'edges',
    mayStop: true,
    checks: ['edges-flat'],
    isShaping: isAlways,
    minutesOn: featherMin,
    makes: () => (zone) => changed(zone, { edge: 'feathered', surface: { soil: 'dusty', isTacked: false } }),
    explains: (_, { act, context }) => missingGrades(act, context),
  }),
  'strip-sand': sanding({
    label: 'strip by machine',
    title: 'Sand down to the substrate',
    inSystem: 'stripped',
    reach: 'openM2',
    setOutMin: 0,
    takesUpGrades: true,
    sands: 'off',
    tool: 'machine',
    turn: 'strip',
    mayStop: true,
    cautions: (cautioned) => [...dustOf(cautioned), ...strippingCautions(cautioned)],
    checks: ['edges-flat'],
    isShaping: isAlways,
    minutesOn: (zone, { act, context }) => stripMinutes(zone, act, reachedM2('openM2', zone), context),
    makes: (act, moment) => (zone) => {
      const opened = changed(zone, { stack: openedTo(zone.stack, stripsTo(zone)) });
      return strippedBare(zone, scratchOf(opened, act, moment.context), act, moment);
    },
    explains: (_, { act, context }, handsOnMin) => [
      { rule: 'ladder', code: 'strip.minutes', facts: { handsOnMin }, source: 'model' },
      ...missingGrades(act, context),
    ],
  }),
  'remove-rust': sanding({
    label: 'take off rust',
    title: 'Take off the rust',
    reach: 'openM2',
    setOutMin: 6,
    rate: 'removeRustMinPerM2',
    sands: 'off',
    tool: 'machine',
    turn: 'rust',
    mayStop: true,
    checks: ['bright-metal'],
    refuses: (zone) =>
      isBare(zone) ? [] : [opReason('op.rust-under', { layer: labelOf(topOf(zone).kind) })],
    minutesOn: (zone, { context }) =>
      areaMin({ rate: 'removeRustMinPerM2' }, reachedM2('openM2', zone), context),
    makes: (act, moment) => (zone) => abraded(zone, act, moment),
    explains: bought,
  }),
};
