import { z } from 'zod';
import { GRADES } from '../materials/grades.ts';
import type { Act, BodyOp, CoatOp, OpName, SandOp } from '../operations/act.ts';
import { BODY_OPS, COAT_OPS, OPS, SAND_OPS } from '../operations/act.ts';
import type { Context } from '../operations/context.ts';
import { cureMethodOf } from '../operations/waiting.ts';
import { isProductFor } from '../operations/products.ts';
import type { PanelState } from '../operations/state.ts';
import { TOOLS, type Tool } from '../materials/tools.ts';
import { gradeText } from '../survey/finding.ts';
import type { Step } from './plan.ts';

/** A sequence that a person puts together, or that was really done: acts in a form that can be typed and sent. */

const coats = z.number().int().min(1, 'must be at least 1 coat').max(8, 'must be at most 8 coats');

const areaIdSchema = z
  .string()
  .min(1, 'needs an id of at least one character')
  .max(125)
  .regex(/^[A-Za-z0-9._-]+(\/[a-z0-9-]+)?$/, 'must be a zone such as A, or a patch of it such as A/chips');

export const actInputSchema = z.object({
  op: z.enum(OPS, { error: 'is not an operation of the trade' }),
  /** Zones, or patches of them as `zone/patch`. */
  zones: z.array(areaIdSchema).min(1, 'needs at least one zone').max(120),
  sheetId: z.string().min(1).max(60).optional(),
  /** One number for all zones, or by zone. */
  coats: z.union([coats, z.record(areaIdSchema, coats)]).optional(),
  /** Coarse to fine. */
  grits: z.array(gradeText).min(1).max(GRADES.length).optional(),
  tool: z.enum(TOOLS).optional(),
  /** Minutes that pass after it, over what the act itself takes. */
  thenMin: z
    .number()
    .min(0)
    .max(60 * 24 * 60, 'must be at most 60 days')
    .optional(),
});
export const actInputsSchema = z.array(actInputSchema).max(120, 'must be at most 120 steps');
export type ActInput = z.infer<typeof actInputSchema>;

/** Whether an operation wants grades. */
export const isSandOp = (op: OpName): boolean => within(SAND_OPS, op);

export type ReadAct =
  { readonly ok: true; readonly act: Act } | { readonly ok: false; readonly message: string };

const within = <T extends string>(names: readonly T[], op: string): op is T =>
  (names as readonly string[]).includes(op);

const USUAL_TOOL: Partial<Record<SandOp, Tool>> = { block: 'block', scuff: 'pad-fine', denib: 'wet-hand' };

/** The act behind a typed one, or what is missing in it. */
export function actOf(own: ActInput, context: Context, panel: PanelState): ReadAct {
  const { op, zones } = own;
  const unknown = zones.find((id) => !panel.zones.some(({ zone }) => zone.id === id));
  if (unknown)
    return { ok: false, message: `zones: "${unknown}" is not a zone of this panel that is planned` };
  const base = { zones, why: [] };
  if (within(COAT_OPS, op) || within(BODY_OPS, op)) return laid(op, own, context);
  if (within(SAND_OPS, op)) {
    const [first, ...rest] = own.grits ?? [];
    if (!first) return { ok: false, message: `grits: ${op} needs at least one grade, for example P320` };
    return {
      ok: true,
      act: { ...base, op, grades: [first, ...rest], tool: own.tool ?? USUAL_TOOL[op] ?? 'machine' },
    };
  }
  if (op === 'cure') {
    const areas = panel.zones.filter(({ zone }) => zones.includes(zone.id));
    return { ok: true, act: { ...base, op, method: cureMethodOf(areas) } };
  }
  return { ok: true, act: { ...base, op } };
}

function laid(op: CoatOp | BodyOp, { zones, sheetId, coats: typed }: ActInput, { shelf }: Context): ReadAct {
  const sheet = shelf.get(sheetId ?? '');
  if (!sheet) {
    const message = sheetId ? `"${sheetId}" is not on the shelf` : `${op} needs a product of the shelf`;
    return { ok: false, message: `sheetId: ${message}` };
  }
  if (!isProductFor(op, sheet))
    return { ok: false, message: `sheetId: ${sheet.name} is no product for ${op}` };
  if (within(BODY_OPS, op)) return { ok: true, act: { op, zones, sheetId: sheet.id, why: [] } };
  const on = (id: string): number => (typeof typed === 'object' ? typed[id] : typed) ?? sheet.film.coats;
  const byZone = Object.fromEntries(zones.map((id) => [id, on(id)]));
  return { ok: true, act: { op, zones, sheetId: sheet.id, coats: byZone, why: [] } };
}

/** A step of a plan as an act that was done just so. */
export const doneAs = ({ op, areas, sheetId, coats: most, coatsByZone, grits, tool }: Step): ActInput => ({
  op,
  zones: [...areas],
  ...(sheetId ? { sheetId } : {}),
  ...(coatsByZone ? { coats: coatsByZone } : most === undefined ? {} : { coats: most }),
  ...(grits ? { grits } : {}),
  ...(tool ? { tool } : {}),
});
