import { z } from 'zod';
import { GRADES } from '../materials/grades.ts';
import type { Act, BodyOp, CoatOp, OpName } from '../operations/act.ts';
import { BODY_OPS, COAT_OPS, OPS, SAND_OPS, isBodywork, isCoat, isSanding } from '../operations/act.ts';
import type { Context } from '../operations/context.ts';
import { cureMethodOf } from '../operations/waiting.ts';
import { isProductFor, rowOf } from '../operations/table.ts';
import type { PanelState } from '../operations/state.ts';
import { TOOLS } from '../materials/tools.ts';
import { gradeText } from '../materials/grade-text.ts';
import type { Reason } from '../wording/reason.ts';

/** Acts in a form that can be typed, sent and kept: what a person puts together, what was done, what a plan is made of. */

/** More areas and steps than any panel has. */
const MOST_AREAS = 2000;
const MOST_ACTS = 500;

const coats = z.number().int().min(1, 'must be at least 1 coat').max(8, 'must be at most 8 coats');

export const areaIdSchema = z
  .string()
  .min(1, 'needs an id of at least one character')
  .max(125)
  .regex(/^[A-Za-z0-9._-]+(\/[a-z0-9-]+)?$/, 'must be a zone such as A, or a patch of it such as A/chips')
  .refine((id) => id !== '__proto__', 'must be a zone such as A');

export const actInputSchema = z.object({
  op: z.enum(OPS, { error: 'is not an operation of the trade' }),
  /** Zones, or patches of them as `zone/patch`. */
  zones: z.array(areaIdSchema).min(1, 'needs at least one zone').max(MOST_AREAS),
  sheetId: z.string().min(1).max(60).optional(),
  /** One number for all zones, or by zone. */
  coats: z.union([coats, z.record(areaIdSchema, coats)]).optional(),
  /** Coarse to fine. */
  grits: z.array(gradeText).min(1).max(GRADES.length).optional(),
  tool: z.enum(TOOLS).optional(),
  /** The first coat is kept light. */
  isLightFirst: z.boolean().optional(),
  /** Lightness L* that a coat is mixed to. */
  toneL: z.number().min(0, 'must be 0 or more').max(100, 'must be at most 100').optional(),
  /** How a cure is done; as the shop does it where it is left out. */
  method: z.enum(['air', 'bake']).optional(),
  /** Minutes that pass before it: the shop is closed. */
  idleMin: z
    .number()
    .min(0)
    .max(60 * 24 * 60, 'must be at most 60 days')
    .optional(),
  /** It begins before these minutes and goes on after them. */
  isSplit: z.literal(true).optional(),
  /** Minutes that pass after it, over what the act itself takes. */
  thenMin: z
    .number()
    .min(0)
    .max(60 * 24 * 60, 'must be at most 60 days')
    .optional(),
});
export const actInputsSchema = z.array(actInputSchema).max(MOST_ACTS, `must be at most ${MOST_ACTS} steps`);
export type ActInput = z.infer<typeof actInputSchema>;

/** A sequence that a person put together, to be planned as a system beside the others. */
export const ownSequenceSchema = z.object({
  acts: actInputsSchema.min(1, 'needs at least one step'),
  /** Adds the work that the rules ask for in between. */
  fillsIn: z.boolean(),
});
export type OwnSequence = z.infer<typeof ownSequenceSchema>;

/** Whether an operation wants grades. */
export const isSandOp = (op: OpName): boolean => within(SAND_OPS, op);

export type ReadAct =
  { readonly ok: true; readonly act: Act } | { readonly ok: false; readonly message: string };

const within = <T extends string>(names: readonly T[], op: string): op is T =>
  (names as readonly string[]).includes(op);

/** An act that was planned says why it is there. */
type Explained = ActInput & { readonly why?: readonly Reason[] | undefined };

/** The act behind a typed or kept one, or what is missing in it. */
export function actOf(input: Explained, context: Context, panel: PanelState): ReadAct {
  const { op, zones, why = [] } = input;
  const unknown = zones.find((id) => !panel.zones.some(({ zone }) => zone.id === id));
  if (unknown)
    return { ok: false, message: `zones: "${unknown}" is not a zone of this panel that is planned` };
  if (within(COAT_OPS, op) || within(BODY_OPS, op)) return laid(op, input, context);
  if (within(SAND_OPS, op)) {
    const [first, ...rest] = input.grits ?? [];
    if (!first) return { ok: false, message: `grits: ${op} needs at least one grade, for example P320` };
    const tool = input.tool ?? rowOf(op).tool ?? 'machine';
    return { ok: true, act: { zones, why, op, grades: [first, ...rest], tool } };
  }
  if (op === 'cure') {
    const areas = panel.zones.filter(({ zone }) => zones.includes(zone.id));
    return { ok: true, act: { zones, why, op, method: input.method ?? cureMethodOf(areas) } };
  }
  return { ok: true, act: { zones, why, op } };
}

function laid(op: CoatOp | BodyOp, input: Explained, { shelf }: Context): ReadAct {
  const { zones, sheetId, coats: typed, isLightFirst, toneL, why = [] } = input;
  const sheet = shelf.get(sheetId ?? '');
  if (!sheet) {
    const message = sheetId ? `"${sheetId}" is not on the shelf` : `${op} needs a product of the shelf`;
    return { ok: false, message: `sheetId: ${message}` };
  }
  if (!isProductFor(op, sheet))
    return { ok: false, message: `sheetId: ${sheet.name} is no product for ${op}` };
  if (within(BODY_OPS, op)) return { ok: true, act: { op, zones, sheetId: sheet.id, why } };
  const on = (id: string): number => (typeof typed === 'object' ? typed[id] : typed) ?? sheet.film.coats;
  const byZone = Object.fromEntries(zones.map((id) => [id, on(id)]));
  const how = {
    ...(isLightFirst === undefined ? {} : { isLightFirst }),
    ...(toneL === undefined ? {} : { toneL }),
  };
  return { ok: true, act: { op, zones, sheetId: sheet.id, coats: byZone, why, ...how } };
}

/** An act in the form that is sent and kept; `actOf` makes the same act of it again. */
export function inputOf(act: Act): ActInput {
  const head = { op: act.op, zones: [...act.zones] };
  if (isCoat(act)) {
    const { sheetId, isLightFirst, toneL } = act;
    return {
      ...head,
      sheetId,
      coats: Object.fromEntries(act.zones.map((id) => [id, act.coats[id] ?? 1])),
      ...(isLightFirst === undefined ? {} : { isLightFirst }),
      ...(toneL === undefined ? {} : { toneL }),
    };
  }
  if (isBodywork(act)) return { ...head, sheetId: act.sheetId };
  if (isSanding(act)) return { ...head, grits: [...act.grades], tool: act.tool };
  return act.op === 'cure' ? { ...head, method: act.method } : head;
}
