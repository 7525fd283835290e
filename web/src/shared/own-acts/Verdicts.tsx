import {
  allowedIf,
  placeWords,
  stepMeans,
  stepTitle,
  type JudgedStep,
  type Judgement,
  type Reason,
} from '@blue-ledge/core';
import type { ReactNode } from 'react';
import { CheckOutlined, CloseSquareOutlined, PlusSquareOutlined, WarningOutlined } from '../icons.tsx';
import { useFormat } from '../../state/units.ts';
import './own-acts.css';

const WORDS: Record<JudgedStep['verdict'], readonly [icon: ReactNode, words: string]> = {
  allowed: [<CheckOutlined key="i" />, 'allowed'],
  remarked: [<WarningOutlined key="i" />, 'allowed, with a remark'],
  added: [<PlusSquareOutlined key="i" />, 'added: rules ask for it'],
  refused: [<CloseSquareOutlined key="i" />, 'refused'],
};

/** What the whole comes to. */
function headOf({ steps, isReady, notHandedOver }: Judgement): string {
  if (isReady) return 'Nothing is refused: this gets the panel ready for base.';
  if (steps.some(({ verdict }) => verdict === 'refused')) return 'Not like this.';
  return notHandedOver.length > 0
    ? `Nothing is refused so far; nothing hands over ${placeWords(notHandedOver)} yet.`
    : 'Nothing is refused so far; it does not end in the hand-over yet.';
}

/** The verdict on a sequence, step by step; each glyph with its word. */
export function Verdicts({ judgement }: { readonly judgement: Judgement }) {
  const { steps, problems } = judgement;
  return (
    <section aria-label="Verdict" className="verdicts">
      <div role="status">
        <h3>{headOf(judgement)}</h3>
      </div>
      {problems.map(({ path, message }) => (
        <p key={path} className="problem">
          Step {Number(path) + 1}, {message}
        </p>
      ))}
      <ol>
        {steps.map((judged, i) => (
          <JudgedRow key={i} judged={judged} />
        ))}
      </ol>
    </section>
  );
}

function JudgedRow({ judged: { verdict, step, refusedBy } }: { readonly judged: JudgedStep }) {
  const { system, said } = useFormat();
  const [icon, words] = WORDS[verdict];
  const means = stepMeans(step, system);
  const texts = [...new Map(refusedBy.map((refusal) => [refusal.text, refusal])).values()];
  return (
    <li className={`judged is-${verdict}`}>
      <span>
        {icon} <b>{stepTitle(step)}</b> {placeWords(step.areas)}
        {means && <span className="note"> {means}</span>}
      </span>
      <span className="note">{words}</span>
      {texts.length > 0 && (
        <ul>
          {texts.map((refusal) => {
            const allowed = allowedIf(refusal as Pick<Reason, 'code' | 'facts'>, system);
            return (
              <li key={refusal.text}>
                {said(refusal)}
                {allowed && <i> Allowed {allowed}.</i>} <span className="rule-id">{refusal.rule}</span>
              </li>
            );
          })}
        </ul>
      )}
    </li>
  );
}
