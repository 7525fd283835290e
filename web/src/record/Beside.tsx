import { besideEachPlan, stepTitle, type PlannedDone, type WorkedPlan } from '@blue-ledge/core';
import { useMemo } from 'react';
import { useWorkedPlans, type PanelKey } from '../api/queries.ts';
import type { Run } from '../panel/run/use-run.ts';
import { useFormat } from '../state/units.ts';

const AS_WORDS: Readonly<Record<PlannedDone['as'], string>> = {
  'as-planned': 'as planned',
  differently: 'differently',
  'left-out': 'left out',
  'to-do': 'to do',
  unplanned: 'not planned',
};

const FIELD_WORDS: Readonly<Record<PlannedDone['deviations'][number]['field'], string>> = {
  coats: 'coats',
  grits: 'grades',
  filmUm: 'film',
  handsOnMin: 'hands-on',
  sheetName: 'product',
  toneL: 'tone',
  areas: 'where',
};

interface BesideProps {
  readonly of: PanelKey;
  readonly run: Run;
  readonly planId: string;
}

/** Plans that entries name, in the order in which work went by them, the one that is worked by now last. */
function usePlansOf({ of, run, planId }: BesideProps): readonly WorkedPlan[] {
  const steps = run.fold.acts.flatMap(({ body }) => body.step ?? []);
  const older = [...new Set(steps.map((step) => step.planId))].filter((id) => id !== planId);
  const opened = useWorkedPlans(of, older);
  return useMemo(() => {
    const worked = opened.flatMap((plan): WorkedPlan[] => {
      const named = steps.find((step) => step.planId === plan.id);
      const system = plan.opened.view.systems.find(({ id }) => id === (named?.systemId ?? plan.chosen));
      return system ? [{ planId: plan.id, steps: system.steps }] : [];
    });
    return [...worked, { planId, steps: run.system.steps }];
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the steps are the run's
  }, [opened, run, planId]);
}

/** What was planned beside what was done, each by the plan that it was done by. */
export function Beside(props: BesideProps) {
  const { run } = props;
  const { quantity, minutes } = useFormat();
  const plans = usePlansOf(props);
  const rows = useMemo(
    () =>
      besideEachPlan(
        plans,
        run.state.steps.map((done, nth) => ({ done, ...run.state.acts[nth]?.body.step })),
      ),
    [plans, run.state],
  );
  const figure = (field: string, value: string | number): string => {
    if (typeof value === 'string') return value;
    if (field === 'filmUm') return quantity('Um', value);
    return field === 'handsOnMin' ? minutes(value) : String(value);
  };
  return (
    <ol className="beside">
      {rows.map(({ as, planned, done, deviations }, i) => (
        <li key={i} className={`is-${as}`}>
          <span>
            {planned ? `${planned.n}. ` : ''}
            {stepTitle((planned ?? done)!)}
          </span>
          <b>{AS_WORDS[as]}</b>
          {deviations.length > 0 && (
            <small>
              {deviations
                .map(
                  ({ field, planned: was, done: is }) =>
                    `${FIELD_WORDS[field]} ${figure(field, is)} in place of ${figure(field, was)}`,
                )
                .join('; ')}
            </small>
          )}
        </li>
      ))}
    </ol>
  );
}
