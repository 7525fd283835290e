import { formatFact, type PracticePanel } from '@blue-ledge/core';
import { Button } from 'antd';
import { useFormat } from '../state/units.ts';
import type { Judged, Practice } from './use-practice.ts';

const PART_WORDS = { level: 'Level', film: 'Film left', scratch: 'Scratch', time: 'Time' } as const;

interface ScoreCardProps {
  readonly practice: Pick<Practice, 'seen' | 'judged' | 'judge'>;
  readonly panel: PracticePanel;
}

/** While the learner works, what is to be seen; once done, the points, what they are for and what to do otherwise. */
export function ScoreCard({ practice: { seen, judged, judge }, panel }: ScoreCardProps) {
  const { minutes, system } = useFormat();
  if (judged) return <Verdict judged={judged} panel={panel} />;
  if (!seen) return null;
  return (
    <section className="score" aria-label="Score">
      <p role="status">
        {seen.minutes === 0
          ? 'Nothing is blocked yet.'
          : `${minutes(seen.minutes)} of blocking; guide coat is left on ${formatFact('guidePercent', seen.guideLeftShare * 100, system)} of the panel.`}
      </p>
      <Button type="primary" className="ledge-button" disabled={seen.minutes === 0} onClick={judge}>
        I am done
      </Button>
    </section>
  );
}

function Verdict({ judged, panel }: { readonly judged: Judged; readonly panel: PracticePanel }) {
  const { quantity, minutes, block, system } = useFormat();
  const { score, outcome, used, story } = judged;
  const tools = used.map((tool) => `${block(tool.blockId)}, ${tool.grade} for ${minutes(tool.minutes)}`);
  return (
    <section className="score" aria-label="Score">
      <p className="score-points" role="status">
        <b>{score.points}</b> of 100
      </p>
      <ul className="score-advice">
        {score.advice.map((advice) => (
          <li key={advice}>{advice}</li>
        ))}
      </ul>
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
      {tools.length > 0 && (
        <>
          <h3>What you did</h3>
          <p>{tools.join('; then ')}.</p>
          {story.map((sentence) => (
            <p key={sentence}>{sentence}</p>
          ))}
        </>
      )}
      <p className="note">
        Unlevel {quantity('Um', outcome.unlevelUm)} over {quantity('Mm', 100)},{' '}
        {quantity('Um', panel.limitUm)} asked; film {quantity('Um', outcome.filmMeanUm)} of{' '}
        {quantity('Um', panel.filmUm)}; guide coat on{' '}
        {formatFact('guidePercent', outcome.guideLeftShare * 100, system)}; {minutes(judged.minutes)} of
        blocking. Model. Go on as you like: you are judged again when you are done.
      </p>
    </section>
  );
}
