import { formatFact, type PracticePanel } from '@blue-ledge/core';
import { useFormat } from '../state/units.ts';
import type { Judged } from './use-practice.ts';

const PART_WORDS = { level: 'Level', film: 'Film left', scratch: 'Scratch', time: 'Time' } as const;

/** Points so far, what they are for, and what to do otherwise. */
export function ScoreCard({
  judged,
  panel,
}: {
  readonly judged: Judged | null;
  readonly panel: PracticePanel;
}) {
  const { quantity, minutes, system } = useFormat();
  if (!judged) return null;
  const { score, outcome } = judged;
  return (
    <section className="score" aria-label="Score" aria-live="polite">
      <p className="score-points">
        <b>{score.points}</b> of 100
      </p>
      <dl>
        {score.parts.map(({ name, points, of }) => (
          <div key={name}>
            <dt>{PART_WORDS[name]}</dt>
            <dd>
              <meter min={0} max={of} value={points} aria-label={PART_WORDS[name]} /> {points} of {of}
            </dd>
          </div>
        ))}
      </dl>
      <p className="note">
        Unlevel {quantity('Um', outcome.unlevelUm)} over {quantity('Mm', 100)},{' '}
        {quantity('Um', panel.limitUm)} asked; film {quantity('Um', outcome.filmMeanUm)} of{' '}
        {quantity('Um', panel.filmUm)}; guide coat on{' '}
        {formatFact('guidePercent', outcome.guideLeftShare * 100, system)}; {minutes(judged.minutes)} of
        blocking. Model.
      </p>
      <ul>
        {score.advice.map((advice) => (
          <li key={advice}>{advice}</li>
        ))}
      </ul>
    </section>
  );
}
