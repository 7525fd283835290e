import { hasIssue } from '../operations/issues.ts';
import { familyOf, isBody, isMetal, isRawPlastic, type LayerKind } from '../materials/layer-kinds.ts';
import type { ProductSheet } from '../materials/sheet.ts';
import {
  COAT_OPS,
  isCoat,
  isLastOp,
  type Act,
  type BodyAct,
  type CoatAct,
  type CoatOp,
} from '../operations/act.ts';
import { tooLargeFor } from '../operations/applying.ts';
import { mayLieOn, sagOf } from '../operations/coating.ts';
import { lowWayOf } from '../operations/lows.ts';
import { ledgeLimit, schoolIn, type Context } from '../operations/context.ts';
import { isForPlastic } from '../materials/product-work.ts';
import { isEpoxySealer, productsFor } from '../operations/products.ts';
import {
  areasForBase,
  idsOf,
  isBare,
  isFoundFinish,
  isRawComposite,
  isUnprimedPlastic,
  takesCoats,
  topOf,
  zoneIdOf,
  zoneOf,
  type PanelState,
  type ZoneState,
} from '../operations/state.ts';
import { recoatWindow } from '../operations/windows.ts';
import { grindOut, strip } from '../rules/remedies.ts';
import { asBuiltOn, isSandableBuild, wantsMoreBuild } from '../rules/build.ts';
import { servingTone } from '../operations/undertone.ts';
import { baseLightness } from '../rules/seal.ts';
import { sideText } from '../survey/schools.ts';
import { coatsFor } from '../surface/budget.ts';
import type { Reason } from '../wording/reason.ts';
import { budgetsOf, filmOfUm } from './build-budget.ts';
import { openings, warmings } from './openings.ts';

/**
 * What a technician might do next: the choices of a plan. Everything in between is preparation (prepare.ts).
 * Offers are generous on purpose; the rules refuse what is wrong, and the refusals are shown.
 */

/** Coats that are offered; a promoter is laid where rule P4 asks for it. */
const COATS = COAT_OPS.filter((op) => op !== 'promote');
/** A coat goes over coats of a lower storey only; filler on top starts again. */
const STOREY: Partial<Record<LayerKind, number>> = {
  etch: 1,
  epoxy: 1,
  'plastic-primer': 1,
  dtm: 2,
  build: 2,
};
const LAST_STOREY = 3;

const schoolReason = (name: Parameters<typeof sideText>[0], context: Context): Reason => {
  const { side, source } = schoolIn(context, name);
  return { rule: 'school', code: 'school.reason', facts: { ...sideText(name, side) }, source };
};

const reason = (
  rule: string,
  code: Reason['code'],
  facts: Reason['facts'] = {},
  source: Reason['source'] = 'default',
): Reason => ({
  rule,
  code,
  facts,
  source,
});

/** Every act that is worth trying next, in a fixed order. What must come off comes off before anything is chosen. */
export function intents(panel: PanelState, context: Context): Act[] {
  const opening = openings(panel, context);
  if (opening.length > 0) return opening;
  const unchecked = panel.zones.filter((zone) => hasIssue(zone, 'found-body'));
  if (unchecked.length > 0) return foundFiller(unchecked, context);
  const handOver: Act = {
    op: 'hand-over',
    zones: areasForBase(panel),
    why: [reason('C1', 'plan.hand-over')],
  };
  const lacksLast = (zone: ZoneState): boolean => lacksLastCoat(zone, panel);
  if (panel.zones.some(isSealed) && !panel.zones.some(lacksLast)) return [handOver];
  return [
    ...warmings(panel.zones.filter(takesCoats)),
    ...strips(panel, context),
    ...fills(panel, context),
    ...coats(panel, context),
    handOver,
  ];
}

const isOpenSoluble = (zone: ZoneState): boolean => zone.isSoluble && isFoundFinish(zone) && takesCoats(zone);

/** The last coat is on. */
const isSealed = (zone: ZoneState): boolean => topOf(zone).laid?.isLast === true;

/** The last coat is on, and is uneven or sanded, or has to be before base: another last coat may go on it. */
function isMarred(zone: ZoneState, { clockMin }: PanelState): boolean {
  const { laid } = topOf(zone);
  if (!laid?.isLast) return false;
  const isSpoiled = (['flaw', 'soft', 'tone'] as const).some((issue) => hasIssue(zone, issue));
  return isSpoiled || zone.surface.scratch !== null || clockMin > laid.recoat.closesAtMin;
}

/** A mishap opened it after the last coat was on, took that off again, or left it so that it may be sealed once more. */
const lacksLastCoat = (zone: ZoneState, panel: PanelState): boolean =>
  takesCoats(zone) && (isSealed(zone) ? isMarred(zone, panel) : !isFitForBase(zone));

/** Soluble finish may come off; isolating it is a coat like any other. */
function strips(panel: PanelState, context: Context): Act[] {
  const soluble = panel.zones.filter(isOpenSoluble);
  return soluble.length === 0 ? [] : [strip(soluble, context)([reason('O2', 'O2.strip')])];
}

const foundFiller = (zones: readonly ZoneState[], context: Context): Act[] => [
  { op: 'inspect', zones: idsOf(zones), why: [reason('F1', 'plan.keep-filler')] },
  grindOut(zones, context)([reason('F1', 'plan.refill'), schoolReason('filler', context)]),
];

const fillAct = (sheet: ProductSheet, zones: readonly ZoneState[], context: Context): BodyAct => ({
  op: 'fill',
  zones: idsOf(zones),
  sheetId: sheet.id,
  why: [reason('F1', 'plan.fill'), ...(isForPlastic(sheet) ? [] : [schoolReason('filler', context)])],
});

/** The preferred of these that fills the hollows to their depth on what is there, or the preferred one. */
function fillersToTry(
  sheets: readonly ProductSheet[],
  zones: readonly ZoneState[],
  { triesAll }: Context,
): readonly ProductSheet[] {
  if (triesAll) return sheets;
  const deepestUm = Math.max(...zones.map(({ surface }) => surface.lowUm));
  const fits = ({ over, film }: ProductSheet): boolean =>
    film.maxUm >= deepestUm && zones.every((zone) => topOf(zone).kind in over);
  return [sheets.find(fits) ?? sheets[0]!];
}

/** Hollows to be filled, metal and plastic with what is made for each. */
function fills(panel: PanelState, context: Context): Act[] {
  const low = panel.zones.filter(
    (zone) =>
      zone.surface.lowUm > 0 &&
      lowWayOf(zone, context) === 'fill' &&
      takesCoats(zone) &&
      !(isBody(topOf(zone).kind) && topOf(zone).laid),
  );
  return [true, false].flatMap((isOnPlastic) => {
    const group = low.filter((zone) => isRawPlastic(zone.stack[0]!.kind) === isOnPlastic);
    if (group.length === 0) return [];
    return productsFor('fill', context)
      .filter(([first]) => isForPlastic(first!) === isOnPlastic)
      .flatMap((sheets) => fillersToTry(sheets, group, context))
      .map((sheet) => fillAct(sheet, group, context));
  });
}

interface Around {
  readonly panel: PanelState;
  readonly context: Context;
}

/** An area that is open, or that something of ours was laid on to make it level. */
const isUnderRepair = (zone: ZoneState): boolean =>
  zone.edge !== 'sound' ||
  isBare(zone) ||
  isBody(topOf(zone).kind) ||
  isRawComposite(zone) ||
  isUnprimedPlastic(zone) ||
  isOpenSoluble(zone) ||
  zone.patch !== null;

/** Sound finish that base may go on as it is once it is sanded. */
const isFitForBase = (zone: ZoneState): boolean =>
  !zone.patch && isFoundFinish(zone) && topOf(zone).kind === 'old-finish' && !zone.isSoluble;

/** The areas of a panel by what may be meant for them. */
interface Areas {
  readonly all: readonly string[];
  readonly bare: readonly string[];
  readonly spots: readonly string[];
  readonly wide: readonly string[];
  readonly repair: readonly string[];
  readonly around: readonly string[];
  readonly primed: readonly string[];
  readonly plastic: readonly string[];
  /** More build goes where there is too little of it. */
  readonly thin: readonly string[];
  readonly unsealed: readonly string[];
  /** Where work went on unevenly, or stopped: what has not come as far as what lies beside it. */
  readonly behind: (storey: number) => string[];
  readonly hasSolid: boolean;
  /** Wet-on-wet is primer and sealer in one: over a coat of ours a sealer does the same. */
  readonly isUncoated: boolean;
  readonly isBuiltForOneSurface: boolean;
}

function areasOf({ panel, context }: Around): Areas {
  const areas = panel.zones.filter(takesCoats);
  const all = idsOf(areas);
  const bareAreas = areas.filter(isBare);
  const underRepair = areas.filter(isUnderRepair);
  const repaired = new Set(underRepair.map(zoneIdOf));
  const isSealedSomewhere = areas.some(isSealed);
  const unsealed = isSealedSomewhere ? areas.filter((zone) => lacksLastCoat(zone, panel)) : [];
  const isLate = (zone: ZoneState): boolean =>
    panel.clockMin > (topOf(zone).laid?.recoat.closesAtMin ?? Infinity);
  const left = [...new Set([...underRepair, ...unsealed, ...areas.filter(isLate)])];
  return {
    all,
    bare: idsOf(bareAreas),
    spots: idsOf(bareAreas.filter(({ patch }) => patch?.spots)),
    wide: idsOf(bareAreas.filter(({ patch }) => !patch?.spots)),
    repair: underRepair.length > 0 ? idsOf(underRepair) : all,
    around: idsOf(areas.filter((zone) => repaired.has(zoneIdOf(zone)))),
    primed: idsOf(areas.filter((zone) => !isFitForBase(zone))),
    plastic: idsOf(areas.filter(isUnprimedPlastic)),
    thin: idsOf(areas.filter((zone) => wantsMoreBuild(zone, panel, context))),
    unsealed: idsOf(unsealed),
    behind: (storey) => idsOf(left.filter((zone) => storeyOf(zone) < storey)),
    hasSolid: panel.zones.some(({ stack }) => familyOf(stack[0]!.kind) !== 'plastic'),
    isUncoated: panel.zones.every(({ stack }) => stack.every(({ laid, kind }) => !laid || isBody(kind))),
    isBuiltForOneSurface: panel.zones.some((zone) => isBuiltForOneSurface(zone, context)),
  };
}

/**
 * Areas that each coat may be meant for: the bare metal, what is under repair, that and the zones around it, the whole
 * panel. A sealer goes over all, or over what is primed. Nobody asks for a metal primer on a panel that is all plastic.
 */
const SETS: Readonly<Record<CoatOp, (areas: Areas, etchesSpots: boolean) => readonly (readonly string[])[]>> =
  {
    promote: () => [],
    'prime-plastic': ({ plastic }) => [plastic],
    'prime-wet-on-wet': ({ isUncoated, all, primed }) => (isUncoated ? [all, primed] : []),
    'prime-etch': ({ hasSolid, spots, bare }, etchesSpots) => (hasSolid ? [etchesSpots ? spots : bare] : []),
    'prime-epoxy': ({ wide, bare, repair }, etchesSpots) => [...(etchesSpots ? [wide] : []), bare, repair],
    'prime-dtm': ({ hasSolid, repair, all, behind }) => (hasSolid ? [repair, all, behind(STOREY.dtm!)] : []),
    'prime-build': ({ repair, around, all, thin, behind }) => [
      repair,
      around,
      all,
      thin,
      behind(STOREY.build!),
    ],
    seal: ({ isBuiltForOneSurface: isOne, all, primed, unsealed }) => (isOne ? [] : [all, primed, unsealed]),
  };

/** The sets of areas of a coat, each once. */
function areaSets(op: CoatOp, areas: Areas, context: Context): (readonly string[])[] {
  const etchesSpots = schoolIn(context, 'firstCoat').side === 'etch-spots' && areas.spots.length > 0;
  const seen = new Set<string>();
  return SETS[op](areas, etchesSpots).filter(
    (set) => set.length > 0 && !seen.has(set.join()) && seen.add(set.join()),
  );
}

/** Level, sound finish under a build of ours: whoever builds over that wants one surface that needs no sealer. */
const isBuiltForOneSurface = (zone: ZoneState, context: Context): boolean => {
  const [found] = zone.stack.slice(-2);
  return (
    !zone.patch &&
    zone.edge === 'sound' &&
    isSandableBuild(zone) &&
    familyOf(found!.kind) === 'finish' &&
    found!.laid === undefined &&
    zone.surface.wavesUm <= ledgeLimit(context).value
  );
};

const storeyOf = (zone: ZoneState): number => {
  const { kind, laid } = topOf(zone);
  if (!laid) return 0;
  return laid.isLast ? LAST_STOREY : (STOREY[kind] ?? 0);
};

const storeyFor = (op: CoatOp, { kind }: ProductSheet): number =>
  isLastOp(op) ? LAST_STOREY : (STOREY[kind as LayerKind] ?? 0);

/** A coat goes over a lower storey; a build also over a build that is too thin to be blocked level, a sealer over one that was sanded. */
function mayTake(op: CoatOp, sheet: ProductSheet, zone: ZoneState, { panel, context }: Around): boolean {
  const storey = storeyFor(op, sheet);
  if (storeyOf(zone) < storey) return true;
  const onto = asBuiltOn(zone, sheet, panel, context);
  const hasRoom = filmOfUm(onto, sheet) + sheet.film.perCoatUm <= sheet.film.maxUm;
  // Sealed once more together with what is marred: a step of one coat beside it would be seen.
  if (op === 'seal' && storeyOf(zone) === storey)
    return hasRoom && panel.zones.some((other) => isMarred(other, panel));
  const isBuild = op === 'prime-build' && storeyOf(zone) === storey;
  return isBuild && hasRoom && wantsMoreBuild(zone, panel, context);
}

/** Epoxy seals where the shop says that it does, and where bare metal shows through that a sealer may be too little for. */
const mayEpoxySeal = (panel: PanelState, context: Context): boolean => {
  const { side, source } = schoolIn(context, 'epoxySealer');
  if (source !== 'default') return side === 'wet-on-wet';
  return panel.zones.some((zone) => zone.patch?.spots && isBare(zone));
};

function coats(panel: PanelState, context: Context): Act[] {
  const around = { panel, context };
  const areas = areasOf(around);
  const sealsWithEpoxy = mayEpoxySeal(panel, context);
  return COATS.flatMap((op) =>
    productsFor(op, context)
      .filter(([first]) => sealsWithEpoxy || !isEpoxySealer(first!))
      .flatMap((sheets) =>
        areaSets(op, areas, context).flatMap((ids) => {
          const zones = ids.map((id) => zoneOf(panel, id));
          return coatsToTry(op, sheets, zones, around).map((sheet) => coatAct(op, sheet, zones, around));
        }),
      ),
  );
}

/**
 * Which of the products for one kind of coat are worth trying on these areas. The kind is chosen by the search, the
 * product by preference: the first that may lie there, else the first.
 */
function coatsToTry(
  op: CoatOp,
  sheets: readonly ProductSheet[],
  zones: readonly ZoneState[],
  around: Around,
): readonly ProductSheet[] {
  const [preferred] = sheets;
  const takes = (sheet: ProductSheet): boolean => zones.every((zone) => mayTake(op, sheet, zone, around));
  const isTopped = zones.some((zone) => storeyOf(zone) >= storeyFor(op, preferred!));
  // A build goes on as it was begun: another product of its kind on it would be a film of its own.
  const begun = zones.find((zone) => isTopped && topOf(zone).kind === preferred!.kind);
  if (begun) return sheets.filter(({ id }) => id === topOf(begun).laid?.sheetId).filter(takes);
  if (isTopped && !takes(preferred!)) return [];
  if (around.context.triesAll) return sheets;
  const { context } = around;
  const mayGo = (sheet: ProductSheet): boolean =>
    zones.every((zone) => mayLieOn(sheet, zone) && tooLargeFor(sheet, zone, context) === null);
  return [sheets.find(mayGo) ?? preferred!];
}

/**
 * The same act with another product: its coats, film and reasons are those of that product.
 * @returns null where these areas do not want such a coat any more
 */
export function withProduct(
  act: CoatAct | BodyAct,
  sheet: ProductSheet,
  panel: PanelState,
  context: Context,
): CoatAct | BodyAct | null {
  const zones = act.zones.map((id) => zoneOf(panel, id));
  if (!isCoat(act)) return { ...act, sheetId: sheet.id };
  const around = { panel, context };
  return zones.every((zone) => mayTake(act.op, sheet, zone, around))
    ? coatAct(act.op, sheet, zones, around)
    : null;
}

function coatAct(op: CoatOp, sheet: ProductSheet, zones: readonly ZoneState[], around: Around): CoatAct {
  const count =
    op === 'seal'
      ? sealerCoats(sheet, around)
      : op === 'prime-build' || op === 'prime-dtm'
        ? buildCoats(sheet, zones, around)
        : usualCoats(op, sheet, around);
  const isLightFirst = zones.some((zone) => zone.edge !== 'sound');
  const light = isLightFirst && op !== 'seal' ? [reason('O5', 'O5.light')] : [];
  return {
    op,
    sheetId: sheet.id,
    zones: idsOf(zones),
    coats: Object.fromEntries(zones.map((zone, i) => [zone.zone.id, count.on(zone, i)])),
    isLightFirst,
    why: [...purposeOf(op, sheet, zones, around), ...count.why, ...light],
    ...(count.toneL === undefined ? {} : { toneL: count.toneL }),
  };
}

function purposeOf(
  op: CoatOp,
  sheet: ProductSheet,
  zones: readonly ZoneState[],
  { panel, context }: Around,
): Reason[] {
  if (op === 'seal') {
    const closesMin = recoatWindow(sheet, 0, context).closesAtMin;
    const asSealer = isEpoxySealer(sheet) ? [reason('S8', 'S8.as-sealer', { closesMin }, 'sheet')] : [];
    const leaves = zones.some((zone) => topOf(zone).kind === 'ecoat' && !zone.surface.scratch);
    const left =
      leaves && schoolIn(context, 'ecoat').side === 'leave'
        ? [reason('N1', 'N1.leave', {}, schoolIn(context, 'ecoat').source)]
        : [];
    const isAll = zones.length === panel.zones.filter(takesCoats).length;
    return [...asSealer, reason('S1', isAll ? 'S1.seal' : 'S1.seal-primed'), ...left];
  }
  if (op === 'prime-plastic')
    return [reason('P3', 'plan.plastic-primer'), schoolReason('plasticSystem', context)];
  if (op === 'prime-wet-on-wet') return [reason('S7', 'plan.wet-on-wet')];
  if (op === 'prime-build') return [reason('B1', 'plan.build')];
  const onMetal = zones.every((zone) => isMetal(topOf(zone).kind));
  const purpose = onMetal ? reason('M1', 'plan.first-coat') : reason('M1', 'plan.isolate');
  return op === 'prime-dtm' ? [purpose, reason('B1', 'plan.build')] : [purpose];
}

interface Count {
  /** @param nth place of the area among those that were counted for */
  readonly on: (zone: ZoneState, nth: number) => number;
  readonly why: readonly Reason[];
  readonly toneL?: number;
}

/** Tone of the sheet that serves the base best; undefined where there is no choice or no colour yet. */
function nearestTone(sheet: ProductSheet, context: Context): { toneL: number; why: Reason } | undefined {
  const baseL = baseLightness(context);
  if (baseL === null || sheet.tonesL.length === 0) return undefined;
  const serving = servingTone(sheet.tonesL, context.target);
  if (serving?.coats) {
    const { toneL, coats } = serving;
    return { toneL, why: reason('S4', 'coat.tone-hides', { toneL, coats }, 'model') };
  }
  const toneL = sheet.tonesL.reduce((best, tone) =>
    Math.abs(tone - baseL) < Math.abs(best - baseL) ? tone : best,
  );
  return { toneL, why: reason('S4', 'coat.tone', { toneL, baseL: Math.round(baseL) }, 'model') };
}

/** Tone of a first coat by the shop's school: dark to show dents, or near the topcoat. */
function firstTone(sheet: ProductSheet, context: Context): { toneL: number; why: Reason } | undefined {
  if (schoolIn(context, 'firstTone').side === 'near-topcoat') return nearestTone(sheet, context);
  return sheet.tonesL.length === 0
    ? undefined
    : { toneL: Math.min(...sheet.tonesL), why: schoolReason('firstTone', context) };
}

function usualCoats(op: CoatOp, sheet: ProductSheet, { context }: Around): Count {
  const { coats } = sheet.film;
  const tone = op === 'prime-epoxy' ? firstTone(sheet, context) : nearestTone(sheet, context);
  const why = [reason('B1', 'coat.usual', { coats }, 'sheet'), ...(tone ? [tone.why] : [])];
  return { on: () => coats, why, ...(tone ? { toneL: tone.toneL } : {}) };
}

function sealerCoats(sheet: ProductSheet, { context }: Around): Count {
  const { side, source } = schoolIn(context, 'sealerCoats');
  const nCoats = side === 'two' ? 2 : 1;
  const probe: CoatAct = { op: 'seal', sheetId: sheet.id, zones: [], coats: {}, why: [] };
  const { wetUm, limitUm } = sagOf(probe, context);
  const why = [
    Number.isFinite(limitUm)
      ? reason('S2', 'coat.sealer-coats', { coats: nCoats, wetUm, limitUm }, source)
      : reason('S2', 'coat.sealer-level', { coats: nCoats }, source),
  ];
  const tone = nearestTone(sheet, context);
  if (!tone) return { on: () => nCoats, why };
  return { on: () => nCoats, why: [...why, tone.why], toneL: tone.toneL };
}

function buildCoats(sheet: ProductSheet, found: readonly ZoneState[], { panel, context }: Around): Count {
  const zones = found.map((zone) => asBuiltOn(zone, sheet, panel, context));
  const budgets = budgetsOf(sheet, zones, { panel, context });
  const roomOn = (zone: ZoneState) => ({
    ...sheet.film,
    maxUm: sheet.film.maxUm - filmOfUm(zone, sheet),
  });
  const largest = budgets.reduce((a, b) => (b.budget.neededUm > a.budget.neededUm ? b : a));
  const room = roomOn(largest.zone);
  const most = coatsFor(largest.budget.neededUm, room);
  const facts = { ...largest.budget, coats: most.coats, perCoatUm: room.perCoatUm, maxUm: room.maxUm };
  return {
    on: (_, nth) => coatsFor(budgets[nth]!.budget.neededUm, roomOn(zones[nth]!)).coats,
    why: [reason('B1', most.suffices ? 'coat.budget' : 'coat.budget-short', { ...facts }, 'model')],
  };
}
