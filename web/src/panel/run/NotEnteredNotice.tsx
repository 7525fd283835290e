import type { NotEntered } from '@blue-ledge/core';
import { Button } from 'antd';
import { shopTime } from '../../state/now.ts';

interface NotEnteredNoticeProps {
  readonly steps: readonly NotEntered[];
  readonly onAsk: () => void;
}

/** "Step 3" or "Steps 3 to 6" */
export const stepsText = (steps: readonly NotEntered[]): string =>
  steps.length === 1 ? `Step ${steps[0]!.n}` : `Steps ${steps[0]!.n} to ${steps.at(-1)!.n}`;

/** The time of some steps has passed in the bay, and nobody entered them: were they done? */
export function NotEnteredNotice({ steps, onAsk }: NotEnteredNoticeProps) {
  const last = steps.at(-1);
  if (!last) return null;
  return (
    <div className="plan-notice" role="status">
      <span>
        {stepsText(steps)} should be done by {shopTime(last.end, 0)}, and nobody entered{' '}
        {steps.length === 1 ? 'it' : 'them'}.
      </span>
      <Button type="primary" onClick={onAsk}>
        {steps.length === 1 ? 'Was it done?' : 'Were they done?'}
      </Button>
    </div>
  );
}
