import { clockPlace, stepTitle, type ClockView, type ProductSheet } from '@blue-ledge/core';
import type { PlanOnScreen } from '../../api/opened-plan.ts';
import { useClocks } from '../../api/clock-queries.ts';
import { mixTitle, startPotClock } from '../../clocks/start.ts';
import { doToClock } from '../../outbox/clocks.ts';
import { serverNow } from '../../state/server-time.ts';
import { usePanelContext } from '../panel-context.ts';

export interface PotClock {
  /** The clock that runs for this pot. */
  readonly view: ClockView | undefined;
  readonly start: () => void;
  readonly stop: () => void;
}

interface Pot {
  readonly plan: PlanOnScreen;
  readonly systemId: string;
  /** Step that it is mixed for. */
  readonly n: number;
  readonly pot: number;
  readonly sheet: ProductSheet | undefined;
}

/** The clock of a pot, the same on every screen; a product that neither has to stand nor goes off has none. */
export function usePotClock({ plan, systemId, n, pot, sheet }: Pot): PotClock {
  const clocks = useClocks();
  const { view: panelView } = usePanelContext();
  const { job, panel, shop } = panelView;
  const step = plan.opened.view.systems.find(({ id }) => id === systemId)?.steps[n - 1];
  const title = `${n}. ${step ? stepTitle(step) : ''}`;
  const place = clockPlace({ jobId: job.id, panelId: panel.id, n, pot }, mixTitle(title));
  const view = clocks.find(({ clock }) => clock.step && clockPlace(clock.step, clock.title) === place);
  const hasTimes = sheet?.potLifeMin !== undefined || (sheet?.inductionMin ?? 0) > 0;
  return {
    view,
    start: () => {
      if (!sheet || !step || !hasTimes || view) return;
      const owner = {
        jobId: job.id,
        panelId: panel.id,
        panelName: panel.name,
        planId: plan.id,
        systemId,
        shop,
      };
      startPotClock({ n, areas: step.areas, title }, owner, { sheet, pot });
    },
    stop: () => {
      if (view) doToClock(view.clock.id, view.clock.title, { kind: 'stop', atMs: Math.round(serverNow()) });
    },
  };
}
