import { GENERIC_SHELF } from '../materials/generic-shelf.ts';
import type { Grade } from '../materials/grades.ts';
import type { LayerKind } from '../materials/layer-kinds.ts';
import type { ProductSheet } from '../materials/sheet.ts';
import type { Act, BodyAct, CleanAct, CoatAct, PlainAct, SandAct } from '../operations/act.ts';
import type { Context } from '../operations/context.ts';
import { zoneOf, type LaidCoat, type PanelState, type ZoneState } from '../operations/state.ts';
import { surveyState } from '../operations/survey-state.ts';
import { checkAct } from '../rules/check-act.ts';
import type { Verdict } from '../rules/rule.ts';
import { sandedMaterial } from '../materials/sanded-material.ts';
import { scratchDepthUm } from '../surface/scratch.ts';
import type { Tool } from '../materials/tools.ts';
import { panelOf, type ZoneSketch } from '../survey/sketch.ts';
import { shopSchema, targetSchema } from '../survey/shop.ts';
import { say } from '../wording/say.ts';

export { panelOf, type ZoneSketch };

/** Set-up that the tests of core share: a panel on the bench, put into any state, and what the rules say of an act. */

export interface Surroundings {
  readonly panel?: object;
  readonly shop?: object;
  readonly target?: object;
  /** Sheets in place of the generic ones of their id. */
  readonly sheets?: readonly ProductSheet[];
  /** Kinds that are not on the shelf. */
  readonly without?: readonly ProductSheet['kind'][];
}

export interface Bench {
  readonly context: Context;
  readonly state: PanelState;
}

/** The panel on the bench, as it came in. */
export function benchOf(sketches: readonly ZoneSketch[], around: Surroundings = {}): Bench {
  const panel = panelOf(sketches, around.panel);
  const shelf = [...GENERIC_SHELF, ...(around.sheets ?? [])].filter(
    ({ kind }) => !around.without?.includes(kind),
  );
  const context: Context = {
    panel,
    shop: shopSchema.parse(around.shop ?? {}),
    target: targetSchema.parse(around.target ?? {}),
    shelf: new Map(shelf.map((sheet) => [sheet.id, sheet])),
    startMin: 8 * 60,
  };
  return { context, state: surveyState(panel, context.shop.rules) };
}

type Change = (zone: ZoneState) => ZoneState;

/** The bench with one zone (or all) changed. */
export const put = ({ context, state }: Bench, id: string | 'all', ...changes: Change[]): Bench => ({
  context,
  state: {
    ...state,
    zones: state.zones.map((zone) =>
      id === 'all' || zone.zone.id === id ? changes.reduce((now, change) => change(now), zone) : zone,
    ),
  },
});

export const at = ({ context, state }: Bench, clockMin: number): Bench => ({
  context,
  state: { ...state, clockMin },
});
export const masked = ({ context, state }: Bench): Bench => ({
  context,
  state: { ...state, isMasked: true },
});

const surface =
  (change: Partial<ZoneState['surface']>): Change =>
  (zone) => ({ ...zone, surface: { ...zone.surface, ...change } });

/** Clean and tacked: nothing of rule C1 stands in the way. */
export const clean = surface({ soil: 'clean', isTacked: true });
export const soiled = (soil: ZoneState['surface']['soil']): Change => surface({ soil, isTacked: false });
export const level = surface({ wavesUm: 0, peelUm: 0, lowUm: 0 });
export const wavy = (wavesUm: number): Change => surface({ wavesUm });
export const dusted = surface({ hasGuideCoat: true });

export const scratched =
  (grade: Grade, tool: Tool = 'machine-soft'): Change =>
  (zone) => {
    const kind = zone.stack[zone.stack.length - 1]!.kind;
    const depthUm = scratchDepthUm(grade, tool, sandedMaterial(kind));
    return surface({ scratch: { grade, tool, depthUm } })(zone);
  };

export const edged =
  (edge: ZoneState['edge']): Change =>
  (zone) => ({ ...zone, edge });
export const bareSince =
  (bareSinceMin: number): Change =>
  (zone) => ({ ...zone, bareSinceMin });

interface LaidSketch extends Pick<Partial<LaidCoat>, 'isLast' | 'toneL'> {
  readonly flashedAtMin?: number;
  /** Null for a coat that is not sanded. */
  readonly sandableAtMin?: number | null;
  readonly closesAtMin?: number;
  readonly forbidden?: NonNullable<LaidCoat['recoat']['forbidden']>;
}

/** Lays a coat that flashed and cured long ago and whose window is open, unless said otherwise. */
export const coated =
  (kind: LayerKind, um: number, { flashedAtMin = 0, sandableAtMin = 0, ...more }: LaidSketch = {}): Change =>
  (zone) => {
    const { id, recoat } = GENERIC_SHELF.find((sheet) => sheet.kind === kind)!;
    const open = { source: 'sheet', closesAtMin: 1e6, whenMissed: 'wait' } as const;
    const { closesAtMin = 1e6, forbidden, ...laid } = more;
    const coat: LaidCoat = {
      sheetId: id,
      flash: { ...open, kind: 'flash', rule: 'B2', opensAtMin: flashedAtMin },
      recoat: {
        ...open,
        kind: kind === 'promoter' ? 'promoter' : 'recoat',
        rule: 'S3',
        opensAtMin: flashedAtMin,
        closesAtMin,
        whenMissed: recoat.past,
        ...(forbidden ? { forbidden } : {}),
      },
      cure:
        sandableAtMin === null
          ? null
          : { ...open, kind: 'cure', rule: 'B3', opensAtMin: sandableAtMin, method: 'air', night: null },
      ...laid,
    };
    return {
      ...zone,
      stack: [...zone.stack, { kind, um, laid: coat }],
      surface: { ...zone.surface, scratch: null },
    };
  };

const SHEET_OF: Record<CoatAct['op'] | BodyAct['op'], string> = {
  'prime-epoxy': 'epoxy-1-1',
  'prime-etch': 'etch-1k',
  'prime-dtm': 'dtm-4-1-05',
  'prime-build': 'build-4-1-1',
  seal: 'sealer-3-1-1',
  promote: 'promoter-1k',
  'prime-plastic': 'plastic-primer-4-1',
  'prime-wet-on-wet': 'wet-on-wet-3-1-1',
  fill: 'filler-2pc',
  glaze: 'glaze-2pc',
  'plastic-repair': 'plastic-repair-1-1',
  'seam-seal': 'seam-1k',
  'texture-coat': 'chip-guard-1k',
};

/** A coat by its generic sheet on some zones ("A B"), the same number of coats on each. */
export function coat(op: CoatAct['op'], zones: string, coats = 1, more: Partial<CoatAct> = {}): CoatAct {
  const ids = zones.split(' ');
  return {
    op,
    sheetId: SHEET_OF[op],
    zones: ids,
    coats: Object.fromEntries(ids.map((id) => [id, coats])),
    why: [],
    ...more,
  };
}

export const body = (op: BodyAct['op'], zones: string): BodyAct => ({
  op,
  sheetId: SHEET_OF[op],
  zones: zones.split(' '),
  why: [],
});

export const sand = (op: SandAct['op'], zones: string, grade: Grade, tool: Tool = 'machine'): SandAct => ({
  op,
  zones: zones.split(' '),
  grades: [grade],
  tool,
  why: [],
});

export const plain = (op: PlainAct['op'] | CleanAct['op'], zones: string): Act =>
  ({ op, zones: zones.split(' '), why: [] }) as Act;

/** What one rule says of an act in this state. */
export const verdictsOf = (rule: string, act: Act, { state, context }: Bench): Verdict[] =>
  checkAct(act, state, context).filter(({ reason }) => reason.rule === rule);

/** The same in words, as "must A: sentence", for tests that a technician can read. */
export const saidBy = (rule: string, act: Act, bench: Bench): string[] =>
  verdictsOf(rule, act, bench).map(
    ({ level: weight, zoneId, reason }) => `${weight} ${zoneId}: ${say(reason)}`,
  );

export const zoneIn = ({ state }: Bench, id: string): ZoneState => zoneOf(state, id);
