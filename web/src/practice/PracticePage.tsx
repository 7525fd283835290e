import { PRACTICE_PANELS } from '@blue-ledge/core';
import { useSearchParams } from 'react-router';
import { PageTitle } from '../shell/PageTitle.tsx';
import { PracticeBoard } from './PracticeBoard.tsx';
import { PracticeTabs } from './PracticeTabs.tsx';
import { usePracticeLog } from './practice-store.ts';
import './practice.css';

/** Practice: panels to block, easy ones first, and the one that is on the bench. */
export function PracticePage() {
  const [search, setSearch] = useSearchParams();
  const best = usePracticeLog((state) => state.best);
  const panel = PRACTICE_PANELS.find(({ id }) => id === search.get('panel')) ?? PRACTICE_PANELS[0]!;
  return (
    <main className="practice">
      <PageTitle name={`Practice: ${panel.name}`} />
      <div className="practice-head">
        <h1>Practice</h1>
        <PracticeTabs />
        <p className="note">
          Drag the block over the panel. The guide coat stays in the lows and goes first on the highs.
        </p>
      </div>
      <nav className="practice-panels" aria-label="Practice panels">
        {PRACTICE_PANELS.map((each, i) => (
          <button
            key={each.id}
            type="button"
            className={each.id === panel.id ? 'stepped-row active' : ''}
            aria-current={each.id === panel.id ? 'true' : undefined}
            onClick={() => setSearch({ panel: each.id }, { replace: true })}
          >
            <b>
              {i + 1}. {each.name}
            </b>
            <span className="note">
              {best[each.id] === undefined ? 'not tried yet' : `best ${best[each.id]} of 100`}
            </span>
          </button>
        ))}
      </nav>
      <PracticeBoard key={panel.id} panel={panel} />
    </main>
  );
}
