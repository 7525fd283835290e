import type { Step } from '@blue-ledge/core';
import type { PlanOnScreen } from '../../api/opened-plan.ts';
import { useJob } from '../../api/queries.ts';
import { useBenchChoices } from '../../state/bench-choices.ts';
import { useFormat } from '../../state/units.ts';
import { chosenGun } from '../pour/gun-choice.ts';

/** How the gun is set and led for a step that is sprayed, in words; none for one that is not. */
export function useGunWords(step: Step, plan: PlanOnScreen, jobId: string): readonly string[] {
  const { quantity } = useFormat();
  const { data: job } = useJob(jobId);
  const chosen = useBenchChoices((state) => state.byName);
  const tasks = plan.chosen === null ? [] : plan.opened.sprayTasksOf(plan.chosen);
  const task = tasks.find(({ n }) => n === step.n);
  const sheet = plan.opened.sheetOf(step.sheetId);
  if (!task || !sheet || !job) return [];
  const { gun, tipMm, reductionPercent, setup } = chosenGun(task, sheet, job.shop, chosen);
  const reduced = reductionPercent > 0 ? `, reduced by ${reductionPercent} %` : '';
  return [
    `${gun.name}, tip ${tipMm} mm${reduced}`,
    `${quantity('MPerS', setup.metresPerSecond)}, ${gun.overlapPercent} % overlap, ${quantity('Um', setup.wetUm)} wet a coat`,
  ];
}
