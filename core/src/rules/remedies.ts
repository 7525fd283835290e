import { isCoarser, type Grade } from '../materials/grades.ts';
import type { LayerKind } from '../materials/layer-kinds.ts';
import type { ProductSheet } from '../materials/sheet.ts';
import type { Act, OpName, SandAct } from '../operations/act.ts';
import { ruleIn, type Context } from '../operations/context.ts';
import { cureMethod } from '../operations/curing.ts';
import { topOf, type PanelState, type ZoneState } from '../operations/state.ts';
import { bestLadder } from '../surface/ladder.ts';
import { sandedMaterial, type Tool } from '../surface/scratch.ts';
import type { Reason } from '../wording/reason.ts';

const GENTLE: ReadonlySet<LayerKind> = new Set(['zinc-steel', 'fiberglass']);
/** Coarsest grade that leaves zinc whole (default). */
export const ZINC_GRADE: Grade = 'P180';

/** The work that rules ask for. Each maker waits for the reason, which becomes the act's `why`. */
type Remedy = (why: readonly Reason[]) => Act;

const plain =
  (
    op: 'test' | 'inspect' | 'flash' | 'guide-coat' | 'wash' | 'degrease' | 'mask' | 'tack',
    zones: readonly string[],
  ): Remedy =>
  (why) =>
    ({ op, zones, why }) as Act;

const all = (panel: PanelState, wanted: (zone: ZoneState) => boolean = () => true): string[] =>
  panel.zones.filter(wanted).map((zone) => zone.zone.id);

/** The whole panel is washed, and degreased the first time, at once; later wipes go where the next coat goes. */
export const wash = (panel: PanelState): Remedy =>
  plain(
    'wash',
    all(panel, (zone) => zone.surface.soil === 'grime'),
  );
export const degrease = (zone: ZoneState, panel: PanelState): Remedy =>
  plain(
    'degrease',
    zone.surface.soil === 'dusty'
      ? [zone.zone.id]
      : all(panel, (other) => other.surface.soil === 'grime' || other.surface.soil === 'washed'),
  );
export const mask = (panel: PanelState): Remedy => plain('mask', all(panel));
export const tack = (zone: ZoneState): Remedy => plain('tack', [zone.zone.id]);
export const flash = (zone: ZoneState): Remedy => plain('flash', [zone.zone.id]);
export const guideCoat = (zone: ZoneState): Remedy => plain('guide-coat', [zone.zone.id]);

export const cure =
  (zone: ZoneState, context: Context): Remedy =>
  (why) => ({ op: 'cure', zones: [zone.zone.id], method: cureMethod(context), why });

const sand =
  (op: SandAct['op'], zones: readonly string[], grades: readonly [Grade, ...Grade[]], tool: Tool): Remedy =>
  (why) => ({ op, zones, grades, tool, why });

export const block = (zone: ZoneState, grade: Grade): Remedy =>
  sand('block', [zone.zone.id], [grade], 'block');
export const feather = (zone: ZoneState): Remedy =>
  sand('feather', [zone.zone.id], ['P120', 'P180', 'P320'], 'machine');

/** Grade that strips to the substrate: P80, or what does not cut through zinc or into the cloth of a laminate. */
export const stripGrade = (zones: readonly ZoneState[]): Grade =>
  zones.some((zone) => GENTLE.has(zone.stack[0]!.kind)) ? ZINC_GRADE : 'P80';
export const strip = (zones: readonly ZoneState[]): Remedy =>
  sand(
    'strip-sand',
    zones.map((zone) => zone.zone.id),
    [stripGrade(zones)],
    'machine',
  );
export const lookAgain = (zone: ZoneState): Remedy => plain('inspect', [zone.zone.id]);
export const rub = (zone: ZoneState): Remedy => plain('test', [zone.zone.id]);
export const removeRust = (zone: ZoneState): Remedy =>
  sand('remove-rust', [zone.zone.id], ['P80'], 'machine');

/** Grades from the open scratch to a target, inside the shop's largest jump; the target alone where nothing is open. */
export function gradesTo(zone: ZoneState, target: Grade, tool: Tool, context: Context): [Grade, ...Grade[]] {
  const from = zone.surface.scratch?.grade;
  if (!from || !isCoarser(from, target)) return [target];
  const ladder = bestLadder({
    from,
    to: target,
    tool,
    areaM2: zone.zone.areaM2,
    material: sandedMaterial(topOf(zone).kind),
    largestJump: ruleIn(context, 'largestJump').value,
  });
  const grades = ladder?.steps.map((step) => step.grade) ?? [target];
  return grades as [Grade, ...Grade[]];
}

export const abrade = (zone: ZoneState, target: Grade, tool: Tool, context: Context): Remedy =>
  sand('abrade', [zone.zone.id], gradesTo(zone, target, tool, context), tool);

/** Freshly spread filler is cut at P80 before it is finished. */
export const shape = (zone: ZoneState, target: Grade, context: Context): Remedy => {
  const isFresh = zone.surface.scratch === null;
  const isFiller = topOf(zone).kind === 'filler';
  if (!isFresh || !isFiller) return abrade(zone, target, 'block', context);
  const opened = {
    ...zone,
    surface: { ...zone.surface, scratch: { grade: 'P80', tool: 'block', depthUm: 0 } },
  } as const;
  return sand('abrade', [zone.zone.id], ['P80', ...gradesTo(opened, target, 'block', context)], 'block');
};

export const glaze =
  (zone: ZoneState, sheet: ProductSheet): Remedy =>
  (why) => ({
    op: 'glaze',
    zones: [zone.zone.id],
    sheetId: sheet.id,
    why,
  });

/** In which order remedies are taken up when several are asked for: what makes dust before what takes it away. */
export const REMEDY_ORDER: readonly OpName[] = [
  'wash',
  'test',
  'strip-sand',
  'remove-rust',
  'cure',
  'flash',
  'inspect',
  'glaze',
  'feather',
  'guide-coat',
  'block',
  'abrade',
  'mask',
  'degrease',
  'tack',
];
