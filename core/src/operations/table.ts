import type { ProductSheet } from '../materials/sheet.ts';
import { OPS, type Act, type OpName } from './act.ts';
import { BODYWORK, LAMINATE_REPAIR } from './bodywork.ts';
import { CLEANING } from './cleaning.ts';
import { COATING } from './coating.ts';
import type { Context } from './context.ts';
import { reachedM2, reachedOn } from './extent.ts';
import { INSPECTING } from './inspecting.ts';
import { areaMin } from './labour.ts';
import { METALWORK } from './metalwork.ts';
import { TURNS, type Operation, type OperationRow } from './operation.ts';
import { SANDING } from './sanding.ts';
import type { ZoneState } from './state.ts';
import { STRIPPING } from './stripping.ts';
import { CURING, FLASHING, TEMPERING } from './waiting.ts';

/** All operations by name, one row each, and what others derive from the rows. */
const OPERATIONS: { readonly [Name in OpName]: Operation<Extract<Act, { op: Name }>> } = {
  ...CLEANING,
  ...SANDING,
  ...BODYWORK,
  ...COATING,
  ...STRIPPING,
  ...METALWORK,
  ...INSPECTING,
  'laminate-repair': LAMINATE_REPAIR,
  flash: FLASHING,
  cure: CURING,
  temper: TEMPERING,
};

/** The row of an operation without what it does: words, minutes, place in time. */
export const rowOf = (op: OpName): OperationRow => OPERATIONS[op];

/** The row of an act; the cast is sound because the row was looked up by the act's own `op`. */
export const operationOf = (act: Act): Operation<Act> => OPERATIONS[act.op] as unknown as Operation<Act>;

/** What holds of each operation, in the order of their names. */
export const eachOp = <Value>(
  of: (row: OperationRow, op: OpName) => Value,
): Readonly<Record<OpName, Value>> =>
  Object.fromEntries(OPS.map((op) => [op, of(OPERATIONS[op], op)])) as Record<OpName, Value>;

/** Square metres of one part that an operation works on in an area. */
export const workedM2 = (op: OpName, state: ZoneState): number => reachedM2(OPERATIONS[op].reach, state);

/** Square metres of all areas of an act, on all parts of the batch. */
export const workedOn = (op: OpName, states: readonly ZoneState[], context: Pick<Context, 'panel'>): number =>
  reachedOn(OPERATIONS[op].reach, states, context);

/** Minutes of an operation that is timed by area, without setting out. */
export const minutesOfArea = (op: OpName, areaM2: number, context: Pick<Context, 'shop'>): number =>
  areaMin(OPERATIONS[op], areaM2, context);

const NTH_TURN = eachOp(({ turn }) => TURNS.indexOf(turn));
/** Place of an operation among others that are asked for at once; the lowest is taken up first. */
export const turnOf = (op: OpName): number => NTH_TURN[op];

const BEFORE_A_COAT: readonly OperationRow['turn'][] = ['mask', 'degrease', 'wipe', 'tack'];
/** Cleaning and masking for a coat: done in the same go as the coat. */
export const isJustBefore = (op: OpName): boolean => BEFORE_A_COAT.includes(OPERATIONS[op].turn);

/** It is done, and entered, when hands are off it: it sets alone. */
export const setsAlone = (op: OpName): boolean => OPERATIONS[op].wait.startsWith('sets');

/** Nobody has to stand by while it waits, over a night too. */
export const isLeftAlone = (op: OpName): boolean => ['away', 'sets long'].includes(OPERATIONS[op].wait);

/** Whether a product is meant for an operation: by the use that its sheet names, else by its kind. */
export const isProductFor = (op: OpName, { kind, use }: Pick<ProductSheet, 'kind' | 'use'>): boolean =>
  use === undefined ? kind === OPERATIONS[op].product : use === OPERATIONS[op].use;

/** What an operation is called where no step says more. */
export const OP_LABELS = eachOp(({ label }) => label);
