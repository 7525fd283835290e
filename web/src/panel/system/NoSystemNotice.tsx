import { areaTitle, type PanelPlan } from '@blue-ledge/core';
import { Button } from 'antd';
import { useState, type ReactNode } from 'react';
import { isOpened, usePlanById, type PanelKey } from '../../api/queries.ts';
import type { PlanOnScreen } from '../../api/opened-plan.ts';
import { Dialog } from '../../shared/dialog/Dialog.tsx';
import { Pending } from '../../shared/Problem.tsx';
import { SystemTable } from '../../shared/SystemTable.tsx';
import { useFormat } from '../../state/units.ts';
import { datedText } from '../../state/now.ts';
import { usePanelContext } from '../panel-context.ts';

/** Whether a plan was made and nothing gets the panel ready; a zone that is stopped speaks for itself. */
export const hasNoSystem = ({ systems, stopped }: PanelPlan): boolean =>
  stopped.length === 0 && systems.length > 0 && systems.every(({ verdict }) => verdict === 'refused');

interface NoSystemNoticeProps {
  readonly panelKey: PanelKey;
  readonly plan: PlanOnScreen;
  readonly ask: ReactNode;
}

/** Planned, and no system is ready: said above all else, with what speaks against it, and the plan before to look at. */
export function NoSystemNotice({ panelKey, plan, ask }: NoSystemNoticeProps) {
  const [isOpen, setIsOpen] = useState(false);
  const { view } = plan.opened;
  if (!hasNoSystem(view)) return null;
  return (
    <div className="problem no-system" role="alert">
      <div>
        <p>
          <b>Planned {datedText(plan.createdAt)}: no system gets this panel ready as things are.</b>{' '}
          {plan.follows && 'What was chosen before cannot be worked on now.'}
        </p>
        <Against warnings={view.warnings} />
      </div>
      <span className="term-acts">
        {plan.follows && <Button onClick={() => setIsOpen(true)}>The plan before…</Button>}
        {ask}
      </span>
      {isOpen && plan.follows && (
        <Dialog width={820} title="The plan before" onClose={() => setIsOpen(false)}>
          <Before panelKey={panelKey} follows={plan.follows} />
        </Dialog>
      )}
    </div>
  );
}

/** What speaks against every system, and what would help. */
export function Against({ warnings }: Pick<PanelPlan, 'warnings'>) {
  const { said } = useFormat();
  return (
    <ul>
      {warnings.map((warning) => (
        <li key={`${warning.zoneId} ${warning.text}`}>
          {warning.zoneId && `${areaTitle(warning.zoneId)}: `}
          {said(warning)}
        </li>
      ))}
    </ul>
  );
}

function Before({
  panelKey,
  follows,
}: {
  readonly panelKey: PanelKey;
  readonly follows: NonNullable<PlanOnScreen['follows']>;
}) {
  const { currency } = usePanelContext().view.shop;
  const { data: before, error } = usePlanById(panelKey, follows.plan);
  if (!before) return <Pending error={error} what="the plan before" />;
  const was = isOpened(before)
    ? before.opened.view.systems.find(({ id }) => id === follows.chosen)
    : undefined;
  if (!was) return <p>The plan before is of another release: it cannot be shown here.</p>;
  return (
    <>
      <p>Made {datedText(before.createdAt)}, from the shop and survey as they were then.</p>
      <SystemTable currency={currency} hasSteps columns={[{ head: was.title, system: was }]} />
    </>
  );
}
