import type { PlanOnScreen } from '../../api/opened-plan.ts';
import type { PanelRecord } from '../../api/record-queries.ts';
import type { PanelKey } from '../../api/queries.ts';
import { DiagnosisDrawer } from './DiagnosisDrawer.tsx';
import { DoneDialog } from './DoneDialog.tsx';
import { PhotoDialog } from './PhotoDialog.tsx';
import { ReadingDialog } from './ReadingDialog.tsx';
import type { Bench } from './use-bench.ts';
import type { Run, RunStep } from './use-run.ts';
import { WhoDialog } from './Who.tsx';
import { WrongDialog } from './WrongDialog.tsx';

export type OpenDialog = 'done' | 'reading' | 'photo' | 'wrong' | 'why' | 'catch-up';

interface RunDialogsProps {
  readonly open: OpenDialog | null;
  readonly at: PanelKey;
  readonly plan: PlanOnScreen;
  readonly record: PanelRecord;
  readonly run: Run;
  readonly shown: RunStep;
  readonly bench: Bench;
  readonly nowMs: number;
  readonly onClose: () => void;
  readonly onPlanOn: () => void;
}

/** What is asked in large, one at a time: what differs, a reading, what is wrong and why, and who works here. */
export function RunDialogs({
  open,
  at,
  plan,
  record,
  run,
  shown: { step, act },
  bench,
  nowMs,
  onClose,
  onPlanOn,
}: RunDialogsProps) {
  if (bench.name.isAsking)
    return <WhoDialog who={bench.who} onClose={() => bench.name.answer(null)} onPick={bench.name.answer} />;
  switch (open) {
    case 'done':
      return (
        <DoneDialog
          step={step}
          act={act}
          onClose={onClose}
          onDone={(more, agoMin) => {
            onClose();
            bench.finish(nowMs, more, agoMin);
          }}
        />
      );
    case 'reading':
      return (
        <ReadingDialog
          step={step}
          zones={plan.plan.inputs.panel.zones.map(({ id }) => id)}
          onClose={onClose}
          onRead={(body) => {
            onClose();
            bench.say('reading', body, `reading on ${body.zone}`);
          }}
        />
      );
    case 'photo':
      return (
        <PhotoDialog
          step={step}
          fold={run.fold}
          panel={plan.plan.inputs.panel}
          shop={plan.plan.inputs.shop}
          onClose={onClose}
          onTaken={(body, photo) => {
            onClose();
            bench.say('photo', body, 'a photo', photo);
          }}
        />
      );
    case 'wrong':
      return (
        <WrongDialog
          step={step}
          fold={run.fold}
          panel={plan.plan.inputs.panel}
          shop={plan.plan.inputs.shop}
          onClose={onClose}
          onFound={(body, words) => {
            onClose();
            bench.say('defect', body, words);
          }}
          onNote={(text) => {
            onClose();
            bench.say('note', { text }, 'a note');
          }}
        />
      );
    case 'why':
      return run.mishaps.length === 0 ? null : (
        <DiagnosisDrawer
          at={at}
          task={plan.plan.inputs}
          entries={record.entries}
          utcOffsetMin={record.kept?.utcOffsetMin ?? 0}
          fold={run.fold}
          defect={run.mishaps.at(-1)!.body.defect}
          onClose={onClose}
          isWaiting={record.waiting.length > 0}
          onPlan={onPlanOn}
        />
      );
    case 'catch-up':
    case null:
      return null;
  }
}
