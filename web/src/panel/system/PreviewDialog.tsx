import { openPlan, type PlanPreview } from '@blue-ledge/core';
import { Spin } from 'antd';
import { useEffect } from 'react';
import type { PlanOnScreen } from '../../api/opened-plan.ts';
import { usePreview, type PanelKey, type PlanAsk } from '../../api/queries.ts';
import { Dialog } from '../../shared/dialog/Dialog.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { Against } from './NoSystemNotice.tsx';
import { sheetChanges } from './sheet-changes.ts';
import { SystemTable } from '../../shared/SystemTable.tsx';
import { usePanelContext } from '../panel-context.ts';

interface PreviewDialogProps {
  readonly panelKey: PanelKey;
  readonly plan: PlanOnScreen;
  readonly terms: PlanAsk;
  readonly onClose: () => void;
  readonly onPlan: () => void;
}

/** What planning again would come to, beside what is there: nothing is changed until it is asked for. */
export function PreviewDialog({ panelKey, plan, terms, onClose, onPlan }: PreviewDialogProps) {
  const preview = usePreview(panelKey);
  const { mutate } = preview;
  useEffect(() => {
    mutate(terms);
    // Asked once, when it is opened.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [mutate]);
  return (
    <Dialog
      width={860}
      title="What planning again would change"
      act={{ label: 'Plan again', run: onPlan, isOff: !preview.data }}
      leave={{ label: 'Leave it as it is', run: onClose }}
      onClose={onClose}
    >
      {preview.error && <Problem error={preview.error} />}
      {preview.isPending && <Spin description="Planning it for comparison" />}
      {preview.data && <OldAndNew plan={plan} preview={preview.data} />}
    </Dialog>
  );
}

function OldAndNew({ plan, preview }: { readonly plan: PlanOnScreen; readonly preview: PlanPreview }) {
  const { currency } = usePanelContext().view.shop;
  const shownId = plan.chosen ?? plan.opened.view.chosen;
  const before = plan.opened.view.systems.find(({ id }) => id === shownId);
  const { view } = openPlan(preview.plan);
  const chosen = preview.chosen ?? view.chosen;
  const now = view.systems.find(({ id }) => id === chosen);
  const sheets = sheetChanges(plan.plan.inputs.sheets, preview.plan.inputs.sheets);
  return (
    <>
      {sheets.length > 0 && (
        <ul aria-label="Changed sheets">
          {sheets.map((words) => (
            <li key={words}>{words}</li>
          ))}
        </ul>
      )}
      {!now && (
        <div className="problem">
          <p>
            <b>No system would be ready as things are.</b> Planned again, what is chosen now could not be
            worked on.
          </p>
          <Against warnings={view.warnings} />
        </div>
      )}
      {before && now && (
        <SystemTable
          currency={currency}
          hasSteps
          columns={[
            { head: `Now: ${before.title}`, system: before },
            { head: `Planned again: ${now.title}`, system: now },
          ]}
        />
      )}
    </>
  );
}
