import { DEFECT_WORDS } from '@blue-ledge/core';
import { Button } from 'antd';
import type { Run } from './use-run.ts';

interface MishapNoticeProps {
  readonly mishaps: Run['mishaps'];
  /** Entries are still on their way: a plan would not know of them. */
  readonly isWaiting: boolean;
  readonly isPlanning: boolean;
  readonly onWhy: () => void;
  readonly onPlanOn: () => void;
}

/** Something went wrong since the plan was made: why, and the rest from what is really there. */
export function MishapNotice({ mishaps, isWaiting, isPlanning, onWhy, onPlanOn }: MishapNoticeProps) {
  if (mishaps.length === 0) return null;
  const words = mishaps.map(({ body }) => DEFECT_WORDS[body.defect].title.toLowerCase());
  return (
    <div className="plan-notice" role="status">
      <span>
        <b>The panel is not as planned any more:</b> {[...new Set(words)].join(', ')}. Plan the rest from what
        is really there.
      </span>
      <span className="run-notice-acts">
        <Button onClick={onWhy}>Why, and how it is put right…</Button>
        <Button type="primary" loading={isPlanning} disabled={isWaiting} onClick={onPlanOn}>
          {isWaiting ? 'Waits for the server' : 'Plan on from here'}
        </Button>
      </span>
    </div>
  );
}
