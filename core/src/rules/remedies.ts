import { GRADES, isCoarser, type Grade } from '../materials/grades.ts';
import { isBody, isMetal, type LayerKind } from '../materials/layer-kinds.ts';
import type { ProductSheet } from '../materials/sheet.ts';
import {
  COAT_OPS,
  type Act,
  type BodyAct,
  type CleanAct,
  type PlainAct,
  type SandAct,
  type STRIP_OPS,
} from '../operations/act.ts';
import { figuresIn, ruleIn, schoolIn, sheetIn, type Context } from '../operations/context.ts';
import { cureMethodOf } from '../operations/waiting.ts';
import { isProductFor, turnOf, workedM2 } from '../operations/table.ts';
import { hasIssue } from '../operations/issues.ts';
import { TURNS } from '../operations/operation.ts';
import {
  idsOf,
  isBare,
  isOpenBody,
  isUnprimedPlastic,
  memoize,
  topOf,
  zoneOf,
  type PanelState,
  type ZoneState,
} from '../operations/state.ts';
import type { SandingFigures } from '../surface/figures.ts';
import { bestLadder, scratchOf } from '../surface/ladder.ts';
import { sandedMaterial } from '../materials/sanded-material.ts';
import type { Tool } from '../materials/tools.ts';
import type { Reason } from '../wording/reason.ts';
import { changed } from '../operations/changed-area.ts';

const GENTLE: ReadonlySet<LayerKind> = new Set([
  'zinc-steel',
  'fiberglass',
  'plastic-rigid',
  'plastic-olefin',
  'plastic-soft',
]);
/** Coarsest grade that leaves zinc whole (default). */
export const ZINC_GRADE: Grade = 'P180';

/** The work that rules ask for. Each maker waits for the reason, which becomes the act's `why`. */
export type Remedy = (why: readonly Reason[]) => Act;

const plain =
  (op: PlainAct['op'] | CleanAct['op'], zones: readonly string[]): Remedy =>
  (why) =>
    ({ op, zones, why }) as Act;

const all = (panel: PanelState, wanted: (zone: ZoneState) => boolean = () => true): string[] =>
  panel.zones.filter(wanted).map((zone) => zone.zone.id);

// Every area of a panel asks for the same of these; their lists are made once for a state of the panel.
const allAreas = memoize((panel: PanelState) => all(panel));
const grimy = memoize((panel: PanelState) =>
  all(panel, (zone) => zone.surface.soil === 'grime' && !isOpenBody(zone)),
);
const notClean = memoize((panel: PanelState) =>
  panel.zones.filter(({ surface }) => surface.soil === 'grime' || surface.soil === 'washed'),
);

/** The whole panel is washed, and degreased the first time, at once; later wipes go where the next coat goes. */
export const wash = (panel: PanelState): Remedy => plain('wash', grimy(panel));
/** Dressing is washed off twice; on other areas only the water that runs over them. */
export const washAgain = (zone: ZoneState, panel: PanelState): Remedy =>
  plain('wash', [...new Set([zone.zone.id, ...grimy(panel)])]);
/** What a zone is wiped with: raw plastic with the antistatic cleaner, by some schools after a solvent degrease. */
function wipeOf(zone: ZoneState, context: Context): 'degrease' | 'antistatic-wipe' {
  if (!isUnprimedPlastic(zone)) return 'degrease';
  const { side } = schoolIn(context, 'rawPlasticSolvent');
  return side === 'yes' && zone.surface.soil === 'washed' ? 'degrease' : 'antistatic-wipe';
}

export const wipe = (zone: ZoneState, panel: PanelState, context: Context): Remedy => {
  const op = wipeOf(zone, context);
  if (zone.surface.soil === 'dusty') return plain(op, [zone.zone.id]);
  const dirty = notClean(panel).filter((other) => wipeOf(other, context) === op);
  const wiped = dirty.includes(zone)
    ? dirty
    : panel.zones.filter((other) => other === zone || dirty.includes(other));
  return plain(
    op,
    wiped.map((other) => other.zone.id),
  );
};
export const mask = (panel: PanelState): Remedy => plain('mask', allAreas(panel));
export const tack = (zone: ZoneState): Remedy => plain('tack', [zone.zone.id]);
export const flash = (zone: ZoneState): Remedy => plain('flash', [zone.zone.id]);
export const guideCoat = (zone: ZoneState): Remedy => plain('guide-coat', [zone.zone.id]);

export const cure =
  (zone: ZoneState): Remedy =>
  (why) => ({ op: 'cure', zones: [zone.zone.id], method: cureMethodOf([zone]), why });

const sand =
  (op: SandAct['op'], zones: readonly string[], grades: readonly [Grade, ...Grade[]], tool: Tool): Remedy =>
  (why) => ({ op, zones, grades, tool, why });

export const block = (zone: ZoneState, grade: Grade): Remedy =>
  sand('block', [zone.zone.id], [grade], 'block');
/** Fine pad over hidden edges, recesses and backs that a primer goes on; ultra-fine where only clear or colour does. */
export const scuff = (zone: ZoneState, pad: 'fine' | 'ultra-fine' = 'fine'): Remedy =>
  sand(
    'scuff',
    [zone.zone.id],
    [pad === 'fine' ? 'P360' : 'P800'],
    pad === 'fine' ? 'pad-fine' : 'pad-ultra-fine',
  );

/** Edges and backs of an area: fine where a primer goes on them, ultra-fine where colour only fades out. */
export const padEdges = (zone: ZoneState): Remedy =>
  scuff(zone, zone.role === 'refinish' ? 'fine' : 'ultra-fine');

/** Whether the shop keeps fine pads: one that lists no tools has the usual ones. */
export const keepsPads = ({ shop }: Context): boolean => shop.tools?.includes('pad-fine') ?? true;

/** A fine pad soaked in cleaner over the face of smooth plastic. */
export const padded = (zone: ZoneState): Remedy => sand('abrade', [zone.zone.id], ['P360'], 'pad-fine');

/**
 * The grade that the shop sands with for a wanted one: the next finer that it has inside the range, else the next coarser
 * inside it; as wanted where it has neither, and then it is bought.
 * @param range what the next coat bears; without it only a finer grade does
 */
export function kept(
  wanted: Grade,
  { shop: { stock } }: Context,
  range: { readonly coarsest?: Grade; readonly finest?: Grade } = {},
): Grade {
  if (!stock || stock.includes(wanted)) return wanted;
  const { coarsest = wanted, finest } = range;
  const fit = GRADES.filter(
    (grade) => stock.includes(grade) && !isCoarser(grade, coarsest) && !(finest && isCoarser(finest, grade)),
  );
  return (
    fit.find((grade) => isCoarser(wanted, grade)) ??
    fit.findLast((grade) => isCoarser(grade, wanted)) ??
    wanted
  );
}

/** Grades of a feathered edge, where the shop keeps them; over zinc and glass it begins finer. */
const FEATHER = ['P120', 'P180', 'P320'] as const;
const GENTLE_FEATHER = ['P180', 'P240', 'P320'] as const;
export const feather = (zone: ZoneState, context: Context): Remedy => {
  const wanted = GENTLE.has(zone.stack[0]!.kind) ? GENTLE_FEATHER : FEATHER;
  return sand('feather', [zone.zone.id], stocked(wanted, context), 'machine');
};

/** Grade that strips to the substrate: P80, or what does not cut through zinc or into the cloth of a laminate. */
export const stripGrade = (zones: readonly ZoneState[], context: Context): Grade =>
  kept(zones.some((zone) => GENTLE.has(zone.stack[0]!.kind)) ? ZINC_GRADE : 'P80', context);
/** A flat thin panel of this size warps under heat and peening (rule M7), m². */
const LARGE_M2 = 0.8;
export const isLargeFlat = (zones: readonly ZoneState[], { panel }: Context): boolean =>
  panel.shape === 'flat' && zones.reduce((sum, { extent }) => sum + extent.openM2, 0) > LARGE_M2;

/** By the shop's school where the substrate bears it; large flat panels are stripped chemically where no school is set. */
function stripOp(zones: readonly ZoneState[], context: Context): (typeof STRIP_OPS)[number] {
  const { side, source } = schoolIn(context, 'strip');
  const isMetalAll = zones.every(({ stack }) => isMetal(stack[0]!.kind));
  const hasBody = zones.some(({ stack }) => stack.some(({ kind }) => isBody(kind)));
  const isLarge = isLargeFlat(zones, context);
  const warps = isLarge && (source === 'default' || side === 'blast');
  const wanted = warps ? 'chemical' : side;
  // A patch is opened where it is, whatever a whole panel would be stripped with.
  if (!isMetalAll || zones.every(({ patch }) => patch)) return 'strip-sand';
  if (wanted === 'chemical' && !hasBody) return 'strip-chemical';
  return wanted === 'blast' && mayBlast(zones, context) && !hasBody ? 'strip-blast' : 'strip-sand';
}

/** Whether the shop blasts and the part bears it: no zinc, and no large flat skin. */
export const mayBlast = (zones: readonly ZoneState[], context: Context): boolean =>
  schoolIn(context, 'strip').side === 'blast' &&
  !isLargeFlat(zones, context) &&
  zones.every(({ stack }) => isMetal(stack[0]!.kind) && stack[0]!.kind !== 'zinc-steel');
export const blast = (zone: ZoneState): Remedy => plain('strip-blast', [zone.zone.id]);
export const condition = (zone: ZoneState): Remedy => plain('condition', [zone.zone.id]);
export const repairMetal = (zone: ZoneState): Remedy => plain('metal-repair', [zone.zone.id]);

export const strip = (zones: readonly ZoneState[], context: Context): Remedy => {
  const ids = idsOf(zones);
  const op = stripOp(zones, context);
  return op === 'strip-sand' ? sand(op, ids, [stripGrade(zones, context)], 'machine') : plain(op, ids);
};
/** Filler is ground out; neither stripper nor blasting takes it well. */
export const grindOut = (zones: readonly ZoneState[], context: Context): Remedy =>
  sand('strip-sand', idsOf(zones), [stripGrade(zones, context)], 'machine');
export const lookAgain = (zone: ZoneState): Remedy => plain('inspect', [zone.zone.id]);
export const rub = (zone: ZoneState): Remedy => plain('test', [zone.zone.id]);
export const temper = (panel: PanelState): Remedy =>
  plain(
    'temper',
    all(panel, (zone) => isUnprimedPlastic(zone) && hasIssue(zone, 'wax')),
  );
export const removeParts = (panel: PanelState): Remedy => plain('remove-part', allAreas(panel));
export const mendLaminate = (zone: ZoneState): Remedy => plain('laminate-repair', [zone.zone.id]);

export const promote = (zone: ZoneState, sheet: ProductSheet): Remedy => {
  const { id } = zone.zone;
  return (why) => ({ op: 'promote', zones: [id], sheetId: sheet.id, coats: { [id]: sheet.film.coats }, why });
};
/** One more coat of what lies on top: its window closed, and its sheet asks for it. */
export const coatAgain = (zone: ZoneState, context: Context): Remedy => {
  const { id } = zone.zone;
  const sheet = sheetIn(context, topOf(zone).laid!.sheetId);
  const op = COAT_OPS.find((name) => isProductFor(name, sheet))!;
  return (why) => ({ op, zones: [id], sheetId: sheet.id, coats: { [id]: 1 }, why });
};
export const removeRust = (zone: ZoneState, context: Context): Remedy =>
  sand('remove-rust', [zone.zone.id], [stripGrade([zone], context)], 'machine');

/** Grades as the shop keeps them, each once. */
export const stocked = <const G extends readonly Grade[]>(wanted: G, context: Context): [Grade, ...Grade[]] =>
  [...new Set(wanted.map((grade) => kept(grade, context)))] as [Grade, ...Grade[]];

/** Ladders that were worked out before: the same few are asked for at every step of a search. */
const KNOWN_LADDERS = new WeakMap<SandingFigures, Map<string, [Grade, ...Grade[]]>>();
const MOST_KNOWN = 4000;

function knownLadders(figures: SandingFigures): Map<string, [Grade, ...Grade[]]> {
  const known = KNOWN_LADDERS.get(figures) ?? new Map<string, [Grade, ...Grade[]]>();
  KNOWN_LADDERS.set(figures, known);
  return known;
}

/** Grades from the open scratch to a target, inside the shop's largest jump; the target alone where nothing is open. */
export function gradesTo(zone: ZoneState, target: Grade, tool: Tool, context: Context): [Grade, ...Grade[]] {
  const start = zone.surface.scratch;
  if (!start || !isCoarser(start.grade, target)) return [target];
  const material = sandedMaterial(topOf(zone).kind);
  const largestJump = ruleIn(context, 'largestJump').value;
  const areaM2 = workedM2('abrade', zone);
  const figures = figuresIn(context);
  const known = knownLadders(figures);
  const { stock } = context.shop;
  const name = `${start.grade} ${start.depthUm} ${target} ${tool} ${topOf(zone).kind} ${areaM2} ${largestJump} ${stock?.join() ?? ''}`;
  const before = known.get(name);
  if (before) return before;
  // Zinc and glass are never cut by a step on the way either.
  const gentle =
    GENTLE.has(topOf(zone).kind) && !isCoarser(target, ZINC_GRADE) ? { coarsest: ZINC_GRADE } : {};
  const task = { start, to: target, tools: [tool], areaM2, material, largestJump, ...gentle };
  // A stock that cannot bridge the gap has to be bought for it.
  const ladder = bestLadder({ ...task, ...(stock ? { stock } : {}) }, figures) ?? bestLadder(task, figures);
  const grades = (ladder?.steps.map((step) => step.grade) ?? [target]) as [Grade, ...Grade[]];
  if (known.size >= MOST_KNOWN) known.clear();
  known.set(name, grades);
  return grades;
}

export const abrade = (zone: ZoneState, target: Grade, tool: Tool, context: Context): Remedy =>
  sand('abrade', [zone.zone.id], gradesTo(zone, kept(target, context), tool, context), tool);

/** Grade that opens a last coat again, and that cuts its nibs (rules S3 and S5). */
const LAST_COAT_GRADE: Grade = 'P600';
const NIB_GRADE: Grade = 'P800';
const FLAW_GRADE: Grade = 'P320';

/** A flaw in a coat is sanded flat: finer where only base goes over it. */
export const sandOut = (zone: ZoneState, context: Context): Remedy => {
  const isLast = topOf(zone).laid?.cure === null;
  return abrade(zone, isLast ? LAST_COAT_GRADE : FLAW_GRADE, isLast ? 'wet-hand' : 'machine', context);
};
/** Nibs are cut off at their spots, wet and by hand. */
export const denib = (zone: ZoneState, context: Context): Remedy =>
  sand('denib', [zone.zone.id], [kept(NIB_GRADE, context)], 'wet-hand');

/** Freshly spread filler is cut at P80 before it is finished. */
export const shape = (zone: ZoneState, target: Grade, context: Context): Remedy => {
  const isFresh = zone.surface.scratch === null;
  const isFiller = topOf(zone).kind === 'filler';
  if (!isFresh || !isFiller) return abrade(zone, target, 'block', context);
  const cut = { grade: kept('P80', context), tool: 'block' } as const;
  const { depthUm } = scratchOf(cut, 'filler', figuresIn(context));
  const opened = changed(zone, { surface: { scratch: { ...cut, depthUm } } });
  const grades = gradesTo(opened, kept(target, context), 'block', context);
  return sand('abrade', [zone.zone.id], [...new Set([cut.grade, ...grades])] as [Grade, ...Grade[]], 'block');
};

/** Body work with a sheet on one zone. */
export const bodyWork =
  (op: BodyAct['op'], zone: ZoneState, sheet: ProductSheet): Remedy =>
  (why) => ({ op, zones: [zone.zone.id], sheetId: sheet.id, why });

/** The first cleaning comes before everything that it would wet or that grease would be rubbed in by. */
const isFirstWipe = ({ op, why }: Act): boolean =>
  (op === 'degrease' || op === 'antistatic-wipe') && why[0]?.code === 'C1.degrease';

/** The time of bare metal starts when it is sanded: what is around it is covered first. */
const isLastSanding = ({ op, zones }: Act, panel: PanelState): boolean =>
  op === 'abrade' && zones.some((id) => isBare(zoneOf(panel, id)));

/** Filler gets its shape with the coarse grit first; then the edges around it are feathered. */
const isShaping = ({ op, zones }: Act, panel: PanelState): boolean =>
  op === 'abrade' &&
  zones.some((id) => {
    const zone = zoneOf(panel, id);
    return isOpenBody(zone) && zone.surface.scratch === null;
  });

const FIRST_WIPE = TURNS.indexOf('first wipe');
const BARE_METAL = TURNS.indexOf('bare metal');
const BEFORE_EDGES = TURNS.indexOf('edges') - 0.5;

/** Place of a remedy among others that are asked for at once; the lowest is taken up first. */
export function remedyRank(act: Act, panel: PanelState): number {
  if (isFirstWipe(act)) return FIRST_WIPE;
  if (isShaping(act, panel)) return BEFORE_EDGES;
  return isLastSanding(act, panel) ? BARE_METAL : turnOf(act.op);
}
