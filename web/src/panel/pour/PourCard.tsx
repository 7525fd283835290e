import { placeWords, stepTitle, type Pour, type Step, type System } from '@blue-ledge/core';
import type { ReactNode } from 'react';
import type { PlanOnScreen } from '../../api/opened-plan.ts';
import type { ShopEdit } from '../../api/use-shop-of-job.ts';
import { Tabs } from '../../shared/Tabs.tsx';
import { useSearchPut } from '../../shared/use-search-put.ts';
import { FlowCup } from './FlowCup.tsx';
import { GunView } from './GunView.tsx';
import { MixView } from './MixView.tsx';
import { UndertoneView } from './UndertoneView.tsx';

interface PourCardProps {
  readonly plan: PlanOnScreen;
  readonly system: System;
  readonly pour: Pour;
  readonly step: Step;
  readonly shop: ShopEdit;
}

/** One step that lays something: its mix, the gun for it, the undertone it gives, and how thin it runs. */
export function PourCard({ plan, system, pour, step, shop }: PourCardProps) {
  const [search, put] = useSearchPut();
  const sheet = plan.opened.sheetOf(pour.sheetId);
  const task = plan.opened.sprayTasksOf(system.id).find(({ n }) => n === pour.n);
  const tabs: { readonly name: string; readonly content: ReactNode }[] = [
    {
      name: 'Mix',
      content: <MixView plan={plan} systemId={system.id} pour={pour} sheet={sheet} shop={shop} />,
    },
  ];
  if (task && sheet)
    tabs.push(
      { name: 'Gun', content: <GunView task={task} pour={pour} sheet={sheet} shop={shop} plan={plan} /> },
      { name: 'Flow cup', content: <FlowCup key={sheet.id} sheet={sheet} pour={pour} /> },
    );
  if (sheet && sheet.tonesL.length > 0)
    tabs.push({
      name: 'Undertone',
      content: <UndertoneView plan={plan} pour={pour} sheet={sheet} shop={shop} />,
    });
  return (
    <section className="pane pour-card" aria-labelledby="pour-head">
      <h2 id="pour-head">
        {step.n}. {stepTitle(step)} <span className="note">{placeWords(step.areas)}</span>
      </h2>
      <Tabs
        label="What to set up"
        tabs={tabs}
        shown={search.get('show')}
        onShow={(name) => put({ show: name === 'Mix' ? null : name })}
      />
      {step.cautions.length > 0 && (
        <ul className="cautions">
          {step.cautions.map((caution) => (
            <li key={caution}>{caution}</li>
          ))}
        </ul>
      )}
    </section>
  );
}
