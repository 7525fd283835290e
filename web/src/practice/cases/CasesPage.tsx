import {
  CASE_TOPICS,
  PRACTICE_CASES,
  SOLVED_POINTS,
  type CaseTopic,
  type PracticeCase,
} from '@blue-ledge/core';
import { useState } from 'react';
import { useSearchPut } from '../../shared/use-search-put.ts';
import { CheckOutlined } from '../../shared/icons.tsx';
import { PageTitle } from '../../shell/PageTitle.tsx';
import { PracticeTabs } from '../PracticeTabs.tsx';
import { CaseBench } from './CaseBench.tsx';
import { NOT_TRIED, useCaseLogs, type CaseLog } from './case-store.ts';
import '../practice.css';
import './cases.css';

const isSolved = ({ best }: CaseLog): boolean => best !== null && best >= SOLVED_POINTS;

/** Cases: "what would you put here?", easy ones first, with what was learned of each topic. */
export function CasesPage() {
  const [search, put] = useSearchPut();
  const logs = useCaseLogs(({ byCase }) => byCase);
  const logOf = ({ id }: PracticeCase): CaseLog => logs[id] ?? NOT_TRIED;
  const unsolved = (except?: string): PracticeCase | undefined =>
    PRACTICE_CASES.find((each) => each.id !== except && !isSolved(logOf(each)));
  // The case that came up first stays, solved or not, until another one is asked for.
  const [first] = useState(() => unsolved() ?? PRACTICE_CASES[0]!);
  const shown = PRACTICE_CASES.find(({ id }) => id === search.get('case')) ?? first;
  const next = unsolved(shown.id);
  return (
    <main className="cases">
      <PageTitle name={`Practice: ${shown.title}`} />
      <div className="practice-head">
        <h1>What would you put here?</h1>
        <PracticeTabs />
      </div>
      <nav className="case-list" aria-label="Cases">
        <Progress solved={(topic) => countOf(topic, (each) => isSolved(logOf(each)))} />
        <ol>
          {PRACTICE_CASES.map((each, i) => {
            const log = logOf(each);
            return (
              <li key={each.id}>
                <button
                  type="button"
                  className={each === shown ? 'stepped-row active' : ''}
                  aria-current={each === shown ? 'true' : undefined}
                  onClick={() => put({ case: each.id })}
                >
                  <b>
                    {i + 1}. {each.title}
                  </b>
                  <span className="note">
                    {CASE_TOPICS[each.topic]}, level {each.level}
                    {log.tries > 0 && (
                      <>
                        {' · '}
                        {isSolved(log) && <CheckOutlined />}
                        {log.best === null ? ' not ready yet' : ` ${log.best} of 100`}
                      </>
                    )}
                  </span>
                </button>
              </li>
            );
          })}
        </ol>
      </nav>
      <CaseBench
        key={shown.id}
        practice={shown}
        log={logOf(shown)}
        {...(isSolved(logOf(shown)) && next ? { onNext: () => put({ case: next.id }) } : {})}
      />
    </main>
  );
}

const countOf = (topic: CaseTopic, counts: (each: PracticeCase) => boolean): number =>
  PRACTICE_CASES.filter((each) => each.topic === topic && counts(each)).length;

/** How many cases of each topic are solved. */
function Progress({ solved }: { readonly solved: (topic: CaseTopic) => number }) {
  const topics = Object.keys(CASE_TOPICS) as CaseTopic[];
  const all = topics.reduce((sum, topic) => sum + solved(topic), 0);
  return (
    <details className="case-progress">
      <summary>
        {all} of {PRACTICE_CASES.length} solved <span>by topic</span>
      </summary>
      <ul>
        {topics.map((topic) => (
          <li key={topic}>
            {CASE_TOPICS[topic]}
            <b>
              {solved(topic)} of {countOf(topic, () => true)}
            </b>
          </li>
        ))}
      </ul>
    </details>
  );
}
