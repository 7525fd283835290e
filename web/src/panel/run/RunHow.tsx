import { checksOf, stepMeans, stepMix, type BodyOf, type Check, type Said } from '@blue-ledge/core';
import type { PlanOnScreen } from '../../api/opened-plan.ts';
import { CheckOutlined, CloseOutlined, WarningOutlined } from '../../shared/icons.tsx';
import { useFormat } from '../../state/units.ts';
import { useGunWords } from './use-gun-words.ts';
import type { RunStep } from './use-run.ts';

/** Ids of the trade's rules are a letter or two and a number: they say why a step is there. */
const isRule = (rule: string): boolean => /^[A-Z]{1,2}\d+$/.test(rule);

/** What is said in place of how to look. */
const OUTCOME_WORDS: Partial<Record<BodyOf<'check'>['outcome'], string>> = {
  fails: 'It failed when it was looked at last.',
  waived: 'It was waived: nobody looked.',
};

interface RunHowProps {
  readonly shown: RunStep;
  readonly plan: PlanOnScreen;
  readonly shopOfJob: string;
  readonly whyNot: readonly Said[];
  readonly onCheck: (check: Check, outcome: 'passes' | 'fails') => void;
}

/** With what, how, and the checks that end the step. */
export function RunHow({ shown: { step, isDone, checks }, plan, shopOfJob, whyNot, onCheck }: RunHowProps) {
  const { system, said, minutes } = useFormat();
  const means = stepMeans(step, system);
  const mix = stepMix(step, plan.opened.sheetOf(step.sheetId));
  const gun = useGunWords(step, plan, shopOfJob);
  const asked = checksOf(step);
  const why = step.why.find(({ rule }) => isRule(rule));
  return (
    <section className="pane run-how" aria-labelledby="run-how-head">
      {whyNot.length > 0 && (
        <div className="run-not" role="status">
          <b>
            <WarningOutlined /> Not now:
          </b>
          <ul>
            {whyNot.map((reason) => (
              <li key={reason.text}>{said(reason)}</li>
            ))}
          </ul>
        </div>
      )}
      <h3 id="run-how-head">With what, and how</h3>
      <ul className="run-means">
        {means && <li>{means}</li>}
        {mix && <li>{mix}</li>}
        {gun.map((words) => (
          <li key={words}>{words}</li>
        ))}
        {step.handsOnMin > 0 && <li>about {minutes(step.handsOnMin)} of hands-on work</li>}
        {step.waitMin > 0 && <li>waits {minutes(step.waitMin)}</li>}
      </ul>
      {why && <p className="run-why">{said(why)}</p>}
      {asked.length > 0 && (
        <>
          <h3>Check before you go on</h3>
          <ul className="run-checks">
            {asked.map((check) => {
              const outcome = checks.get(check.check);
              return (
                <li key={check.check} className={outcome ? `is-${outcome}` : ''}>
                  <button
                    type="button"
                    className="run-check"
                    aria-pressed={outcome === 'passes'}
                    disabled={isDone && outcome === 'passes'}
                    onClick={() => onCheck(check, 'passes')}
                  >
                    <span className="run-check-box">
                      {outcome === 'passes' ? (
                        <CheckOutlined />
                      ) : outcome === 'fails' ? (
                        <CloseOutlined />
                      ) : null}
                    </span>
                    <span>
                      <b>{check.title}</b>
                      <small>{OUTCOME_WORDS[outcome ?? 'passes'] ?? check.how}</small>
                    </span>
                  </button>
                  <button
                    type="button"
                    className="run-fails"
                    aria-label={`${check.title}: it does not`}
                    onClick={() => onCheck(check, 'fails')}
                  >
                    Fails
                  </button>
                </li>
              );
            })}
          </ul>
        </>
      )}
    </section>
  );
}
