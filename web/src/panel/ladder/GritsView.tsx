import {
  OWN,
  areaTitle,
  bestLadder,
  sandingRunLabel,
  explainGrade,
  isCoarser,
  ladderOf,
  isSameJson,
  showingOf,
  withOwnLadder,
  type SandingRun,
  type Rung,
  type SandingFigures,
  type WhatIf,
} from '@blue-ledge/core';
import { Button, Input } from 'antd';
import { useMemo, useState } from 'react';
import { useFormat } from '../../state/units.ts';
import { useSize } from '../../shared/use-size.ts';
import { keepLadder, useOwnLadders } from '../../state/own-ladders.ts';
import { usePanelContext } from '../panel-context.ts';
import type { PlanOnScreen } from '../../api/opened-plan.ts';
import { Problem } from '../../shared/Problem.tsx';
import { usePlanAgain } from '../use-plan-again.ts';
import { Compare } from './Compare.tsx';
import { GrooveChart } from './GrooveChart.tsx';
import { LadderDrawing } from './LadderDrawing.tsx';
import { WhatIfForm } from './WhatIfForm.tsx';

interface GritsViewProps {
  readonly run: SandingRun;
  readonly figures: SandingFigures;
  readonly plan: PlanOnScreen;
}

/** One stretch of sanding: the best ladder beside one's own, and what would show of the last scratch. */
export function GritsView({ run, figures, plan: planned }: GritsViewProps) {
  const context = usePanelContext();
  const { key, view } = context;
  const { make, planWith } = usePlanAgain(context, planned);
  const { target, shop } = view;
  const name = `${key.job}/${key.panel}/${run.id}`;
  const kept = useOwnLadders((state) => state.byRun[name]);
  const rungs = kept ?? run.planned;
  const [whatIf, setWhatIf] = useState<WhatIf>({ celsius: shop.celsius });
  const [box, size] = useSize();
  const best = useMemo(() => bestLadder(run.task, figures), [run, figures]);
  const own = ladderOf(run.task.start, rungs, run.task, figures);
  const plan = ladderOf(run.task.start, run.planned, run.task, figures);
  const bench = { target, figures };
  const plain: WhatIf = { celsius: shop.celsius };
  const shown = showingOf(run, own, whatIf, bench);
  const change = (next: readonly Rung[]): void => keepLadder(name, next);
  const nDone = planned.plan.inputs.done?.length ?? 0;
  const isDone = run.steps.some((n) => n <= nDone);
  const use = (): void => {
    const acts = planned.opened.actsOf(planned.chosen!);
    planWith({ own: { acts: withOwnLadder(acts, run, rungs).slice(nDone), fillsIn: true } });
  };
  return (
    <>
      <section className="pane ladder-main" aria-labelledby="grits-head">
        <header className="ladder-head">
          <h2 id="grits-head">
            {areaTitle(run.zoneId)}: {sandingRunLabel(run).toLowerCase()}
          </h2>
          <AddGrade rungs={rungs} tool={run.planned.at(-1)!.tool} onChange={change} />
          <Button disabled={!kept} onClick={() => keepLadder(name, null)}>
            As planned
          </Button>
          <Button
            type="primary"
            disabled={!kept || isDone || isSameJson(rungs, run.planned)}
            loading={make.isPending}
            onClick={use}
          >
            Use yours
          </Button>
        </header>
        {make.error && <Problem error={make.error} />}
        <UseOutcome plan={planned} />
        <div ref={box} className="ladder-box">
          {size.width > 0 && (
            <LadderDrawing
              width={size.width}
              height={size.height}
              best={best}
              own={own}
              task={run.task}
              onChange={change}
            />
          )}
        </div>
        <Compare
          ladders={[
            {
              name: 'Best for your stock',
              ladder: best,
              showing: best && showingOf(run, best, plain, bench),
            },
            { name: 'Yours', ladder: own, showing: showingOf(run, own, plain, bench) },
            { name: 'In the plan', ladder: plan, showing: showingOf(run, plan, plain, bench) },
          ]}
          task={run.task}
          {...(run.film ? { film: run.film } : {})}
        />
      </section>
      <section className="pane ladder-side" aria-labelledby="groove-head">
        <h2 id="groove-head">{run.over.kind === 'shows' ? 'What would show' : 'What would sink back'}</h2>
        <GrooveChart showing={shown} />
        <WhatIfForm run={run} own={own} whatIf={whatIf} onChange={setWhatIf} />
      </section>
    </>
  );
}

/** What became of a ladder that was put into the plan, where the rules refuse it. */
function UseOutcome({ plan }: { readonly plan: PlanOnScreen }) {
  const { said } = useFormat();
  const own = plan.opened.view.systems.find(({ id }) => id === OWN);
  const refusal = own?.refusedBy[0];
  if (!refusal) return null;
  return (
    <div className="problem" role="alert">
      Your ladder is not in the plan: {said(refusal)} <span className="rule-id">{refusal.rule}</span>
    </div>
  );
}

interface AddGradeProps {
  readonly rungs: readonly Rung[];
  readonly tool: Rung['tool'];
  readonly onChange: (rungs: readonly Rung[]) => void;
}

/** Adds a grade that is typed, on either scale; what a CAMI grade was taken for is said. */
function AddGrade({ rungs, tool, onChange }: AddGradeProps) {
  const [text, setText] = useState('');
  const [said, setSaid] = useState<{ readonly text: string; readonly isWrong: boolean } | null>(null);
  const add = (): void => {
    if (text.trim() === '') return;
    const read = explainGrade(text);
    if (!read.ok) return setSaid({ text: `${read.message}.`, isWrong: true });
    if (rungs.some(({ grade }) => grade === read.grade))
      return setSaid({ text: `${read.grade} is on your ladder already.`, isWrong: true });
    const at = rungs.findIndex(({ grade }) => isCoarser(read.grade, grade));
    const place = at < 0 ? rungs.length : at;
    onChange([
      ...rungs.slice(0, place),
      { grade: read.grade, tool: rungs[place]?.tool ?? tool },
      ...rungs.slice(place),
    ]);
    setSaid(read.note ? { text: `${read.note}.`, isWrong: false } : null);
    setText('');
  };
  return (
    <div className="add-grade">
      <Input
        aria-label="Grade to add"
        placeholder="P240 or CAMI 400"
        value={text}
        maxLength={20}
        status={said?.isWrong ? 'error' : ''}
        onChange={({ target }) => setText(target.value)}
        onPressEnter={add}
      />
      <Button onClick={add}>Add to yours</Button>
      {said && (
        <p className={said.isWrong ? 'field-problem' : 'note'} role={said.isWrong ? 'alert' : 'status'}>
          {said.text}
        </p>
      )}
    </div>
  );
}
