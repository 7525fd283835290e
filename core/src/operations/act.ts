import type { Grade } from '../materials/grades.ts';
import type { Reason } from '../wording/reason.ts';
import type { Tool } from '../materials/tools.ts';

/** An act is one operation on some zones, as plain data: what a plan is made of and what a record will hold. */

export const COAT_OPS = [
  'promote',
  'prime-epoxy',
  'prime-etch',
  'prime-dtm',
  'prime-build',
  'prime-plastic',
  'prime-wet-on-wet',
  'seal',
] as const;
export const SAND_OPS = [
  'abrade',
  'scuff',
  'block',
  'denib',
  'feather',
  'strip-sand',
  'remove-rust',
] as const;
export const CLEAN_OPS = ['wash', 'degrease', 'antistatic-wipe', 'mask', 'tack'] as const;
export const BODY_OPS = ['fill', 'glaze', 'plastic-repair', 'seam-seal', 'texture-coat'] as const;
export const WAIT_OPS = ['flash', 'cure'] as const;
export const OTHER_OPS = [
  'remove-part',
  'temper',
  'test',
  'strip-chemical',
  'strip-blast',
  'laminate-repair',
  'metal-repair',
  'condition',
  'warm-out',
  'guide-coat',
  'inspect',
  'hand-over',
] as const;
export const OPS = [...CLEAN_OPS, ...SAND_OPS, ...BODY_OPS, ...COAT_OPS, ...WAIT_OPS, ...OTHER_OPS] as const;
/** Coats that base goes on without sanding between. */
export const LAST_OPS = ['seal', 'prime-wet-on-wet'] as const;
/** What takes a stack down to its substrate. */
export const STRIP_OPS = ['strip-sand', 'strip-chemical', 'strip-blast'] as const;

export const LAYING_OPS = [...COAT_OPS, ...BODY_OPS] as const;

export type CoatOp = (typeof COAT_OPS)[number];
export type SandOp = (typeof SAND_OPS)[number];
export type BodyOp = (typeof BODY_OPS)[number];
export type LayingOp = CoatOp | BodyOp;
export type OpName = (typeof OPS)[number];

interface ActBase {
  readonly zones: readonly string[];
  /** Why this act is here: the rules that ask for it, and where its numbers come from. */
  readonly why: readonly Reason[];
}

export interface CleanAct extends ActBase {
  readonly op: (typeof CLEAN_OPS)[number];
}

export interface SandAct extends ActBase {
  readonly op: SandOp;
  /** Coarse to fine, as they are used. */
  readonly grades: readonly [Grade, ...Grade[]];
  readonly tool: Tool;
}

export interface BodyAct extends ActBase {
  readonly op: BodyOp;
  readonly sheetId: string;
}

export interface CoatAct extends ActBase {
  readonly op: CoatOp;
  readonly sheetId: string;
  /** Coats on each zone. */
  readonly coats: Readonly<Record<string, number>>;
  /** First coat is kept light: feathered edges lift first. */
  readonly isLightFirst?: boolean;
  /** Lightness L* that the coat is mixed to. */
  readonly toneL?: number;
}

export interface CureAct extends ActBase {
  readonly op: 'cure';
  readonly method: 'air' | 'bake';
}

export interface PlainAct extends ActBase {
  readonly op: 'flash' | (typeof OTHER_OPS)[number];
}

export type Act = CleanAct | SandAct | BodyAct | CoatAct | CureAct | PlainAct;

const among = <T extends string>(names: readonly T[]): ((op: string) => op is T) => {
  const set = new Set<string>(names);
  return (op): op is T => set.has(op);
};

const stripOp = among(STRIP_OPS);
export const isLastOp = among(LAST_OPS);
export const isCoatOp = among(COAT_OPS);
export const isSandOp = among(SAND_OPS);
export const isBodyOp = among(BODY_OPS);
const isWaitOp = among(WAIT_OPS);

export const isCoat = (act: Act): act is CoatAct => isCoatOp(act.op);
export const isSanding = (act: Act): act is SandAct => isSandOp(act.op);
export const isBodywork = (act: Act): act is BodyAct => isBodyOp(act.op);
/** Nothing is done but wait until what lies there is ready. */
export const isWait = ({ op }: Pick<Act, 'op'>): boolean => isWaitOp(op);
/** Anything laid on the panel: coats and bodywork. */
export const isLaying = (act: Act): act is CoatAct | BodyAct => isCoat(act) || isBodywork(act);

export const isStripping = ({ op }: Pick<Act, 'op'>): boolean => stripOp(op);
/** The last coat before base: it is not sanded, and base goes on inside its window. */
export const isLastCoat = (act: Act): act is CoatAct => isLastOp(act.op);
/** Base follows this act: the last coat, or the hand-over itself. */
export const leadsToBase = (act: Act): boolean => isLastCoat(act) || act.op === 'hand-over';

/** With what an act is done; acts of one operation that are done alike say the same. */
export const meansOf = (act: Act): string =>
  isCoat(act) ? `${handledAs(act)} ${Object.values(act.coats).join()}` : handledAs(act);

/** The same but for how many coats each area gets. */
export function handledAs(act: Act): string {
  if (isSanding(act)) return `${act.grades.join()} ${act.tool}`;
  if (isCoat(act)) return `${act.sheetId} ${act.isLightFirst} ${act.toneL}`;
  if (isLaying(act)) return act.sheetId;
  return act.op === 'cure' ? act.method : '';
}

/** Last grade of a sanding act: the scratch it leaves. */
export const lastGrade = (act: SandAct): Grade => act.grades[act.grades.length - 1]!;
