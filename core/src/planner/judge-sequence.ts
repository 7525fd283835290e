import { z } from 'zod';
import type { Context } from '../operations/context.ts';
import { carryOut } from '../operations/perform.ts';
import { areasForBase, type PanelState } from '../operations/state.ts';
import { decideAct } from '../rules/check-act.ts';
import type { Verdict } from '../rules/rule.ts';
import { actOf, type ActInput } from './act-input.ts';
import { refusalSchema, stepSchema } from './plan.ts';
import { prepare, type Performed } from './prepare.ts';
import { afterIdle } from './replay.ts';
import { refusalOf, stepOf } from './steps.ts';

/** The verdict on a sequence of a person's own, step by step. */

export const judgedStepSchema = z.object({
  /** added: the rules ask for it before the step that was typed. refused: it breaks a must rule. */
  verdict: z.enum(['allowed', 'remarked', 'added', 'refused']),
  /** Place in the typed sequence, from 0. */
  typed: z.number().int(),
  refusedBy: z.array(refusalSchema),
  step: stepSchema,
});
export const judgementSchema = z.object({
  steps: z.array(judgedStepSchema),
  /** Whether nothing was refused and it ends in the hand-over of all that base goes on. */
  isReady: z.boolean(),
  /** Areas that base goes on and that nothing hands over. */
  notHandedOver: z.array(z.string()),
  problems: z.array(z.object({ path: z.string(), message: z.string() })),
});
export type JudgedStep = z.infer<typeof judgedStepSchema>;
export type Judgement = z.infer<typeof judgementSchema>;

export interface JudgeOptions {
  /** Adds the work that the rules ask for between the typed steps; otherwise every step must be typed. */
  readonly fillsIn: boolean;
}

const isRemark = ({ level }: Verdict): boolean => level === 'should' || level === 'school';

/** An act of a sequence as it was done, or tried, and what speaks against it. */
export interface Walked {
  readonly performed: Performed;
  readonly typed: number;
  readonly verdict: JudgedStep['verdict'];
  readonly refusals: readonly Verdict[];
}

interface Walk {
  readonly walked: readonly Walked[];
  readonly problems: Judgement['problems'];
}

/**
 * Does acts one after the other, each in the state that the ones before it leave, without a pause. A refused act is still
 * carried out where that is physically possible, as a person at the bench would, so that the rest can be judged as well.
 */
export function walkSequence(
  start: PanelState,
  own: readonly ActInput[],
  context: Context,
  { fillsIn }: JudgeOptions,
): Walk {
  const walked: Walked[] = [];
  const problems: { path: string; message: string }[] = [];
  let panel = start;

  own.forEach((typedAct, typed) => {
    const read = actOf(typedAct, context, panel);
    if (!read.ok) return problems.push({ path: String(typed), message: read.message });
    const { act } = read;
    const prepared = fillsIn ? prepare(panel, act, context) : null;
    if (prepared?.ok) {
      prepared.steps.forEach((performed, i) => {
        const isLast = i === prepared.steps.length - 1;
        const kind = performed.remarks.some(isRemark) ? 'remarked' : 'allowed';
        walked.push({ performed, typed, verdict: isLast ? kind : 'added', refusals: [] });
      });
      panel = prepared.panel;
    } else {
      const verdicts = decideAct(act, panel, context);
      const broken = verdicts.filter(({ level }) => level === 'must');
      const refusals = prepared && !prepared.ok ? prepared.refusals : broken;
      const { panel: after, cost } = carryOut(panel, act, context);
      const remarks = verdicts.filter(({ level }) => level !== 'must');
      const verdict = refusals.length > 0 ? 'refused' : remarks.some(isRemark) ? 'remarked' : 'allowed';
      const isPossible = !refusals.some(({ reason }) => reason.rule === 'op');
      const performed = { act, before: panel, after: isPossible ? after : panel, cost, remarks };
      walked.push({ performed, typed, verdict, refusals });
      if (isPossible) panel = after;
    }
    panel = afterIdle(panel, typedAct.thenMin ?? 0);
  });
  return { walked, problems };
}

/** Areas that base goes on and that no step of a sequence hands over: a patch is an area of its own. */
export function notHandedOver(start: PanelState, walked: readonly Walked[]): string[] {
  const handed = new Set(
    walked.flatMap(({ performed: { act } }) => (act.op === 'hand-over' ? act.zones : [])),
  );
  return areasForBase(start).filter((area) => !handed.has(area));
}

/** The verdict on a sequence in words, step by step. */
export function judgeSequence(
  start: PanelState,
  own: readonly ActInput[],
  context: Context,
  options: JudgeOptions,
): Judgement {
  const { walked, problems } = walkSequence(start, own, { ...context, isUntimed: true }, options);
  const steps = walked.map(({ performed, typed, verdict, refusals }, i): JudgedStep => ({
    verdict,
    typed,
    refusedBy: refusals.map(refusalOf),
    step: stepOf(performed, i + 1, context),
  }));
  const isRefused = steps.some(({ verdict }) => verdict === 'refused');
  const ends = steps.at(-1)?.step.op === 'hand-over';
  const left = notHandedOver(start, walked);
  const isReady = problems.length === 0 && !isRefused && ends && left.length === 0;
  return { steps, isReady, notHandedOver: left, problems };
}
