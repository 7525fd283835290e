import type { System } from '@blue-ledge/core';
import { Button, Spin } from 'antd';
import { useState } from 'react';
import type { PlanOnScreen } from '../../api/opened-plan.ts';
import { isOpened, usePlanById, type PanelKey } from '../../api/queries.ts';
import { Dialog } from '../../shared/dialog/Dialog.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { useFormat } from '../../state/units.ts';
import { SystemTable } from '../../shared/SystemTable.tsx';
import { usePanelContext } from '../panel-context.ts';

interface ChoiceNoticeProps {
  readonly panelKey: PanelKey;
  readonly plan: PlanOnScreen;
}

/** What was chosen before this plan is not what it takes: said, with old beside new on asking. */
export function ChoiceNotice({ panelKey, plan }: ChoiceNoticeProps) {
  const { said } = useFormat();
  const [isOpen, setIsOpen] = useState(false);
  const { chosen, wanted, follows, opened } = plan;
  const { systems } = opened.view;
  const now = systems.find(({ id }) => id === chosen);
  if (!follows || !now || chosen === follows.expected || chosen === wanted) return null;
  const refused = refusedOn(systems, follows.expected);
  return (
    <div className="plan-notice" role="status">
      <span>
        <b>{wanted === null ? 'Another system comes first now:' : 'What you chose is not ready any more.'}</b>{' '}
        {wanted === null ? '' : 'The planner takes '}
        {now.title.charAt(0).toLowerCase() + now.title.slice(1)}.{' '}
        {refused && `Before it, ${refused.title.toLowerCase()} is refused: ${said(refused.refusedBy[0]!)}`}
      </span>
      <span className="term-acts">
        <Button onClick={() => setIsOpen(true)}>Compare old and new</Button>
      </span>
      {isOpen && (
        <Dialog width={820} title="Old and new" onClose={() => setIsOpen(false)}>
          <OldAndNew panelKey={panelKey} follows={follows} now={now} />
        </Dialog>
      )}
    </div>
  );
}

/** The refused system that goes the way of a wanted one, as far as it comes. */
const refusedOn = (systems: readonly System[], wanted: string): System | undefined =>
  systems.find(
    ({ id, verdict }) => verdict === 'refused' && wanted.startsWith(id.replace(/^refused-[A-Z0-9]+-/, '')),
  );

interface OldAndNewProps {
  readonly panelKey: PanelKey;
  readonly follows: NonNullable<PlanOnScreen['follows']>;
  readonly now: System;
}

function OldAndNew({ panelKey, follows, now }: OldAndNewProps) {
  const { currency } = usePanelContext().view.shop;
  const { data: before, error, isPending } = usePlanById(panelKey, follows.plan);
  if (error) return <Problem error={error} />;
  if (isPending) return <Spin description="Fetching the plan before" />;
  const was = isOpened(before)
    ? before.opened.view.systems.find(({ id }) => id === follows.chosen)
    : undefined;
  if (!was) return <p>The plan before is of another release: it cannot be shown beside this one.</p>;
  return (
    <SystemTable
      currency={currency}
      hasSteps
      columns={[
        { head: `Before: ${was.title}`, system: was },
        { head: `Now: ${now.title}`, system: now },
      ]}
    />
  );
}
