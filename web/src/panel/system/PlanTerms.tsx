import { OWN, SCHOOLS, actsDone, type PanelPlan, type SchoolName } from '@blue-ledge/core';
import { Button } from 'antd';
import type { PlanAsk } from '../../api/queries.ts';

interface PlanTermsProps {
  readonly plan: PanelPlan;
  readonly onPlan: (ask: PlanAsk) => void;
}

/** Whether what was done is told by the record of the panel. */
const hasRecord = ({ done = [] }: Pick<PanelPlan, 'done'>): boolean =>
  done.some((happening) => 'seen' in happening || happening.real !== undefined);

/** What sets this plan apart from how the shop usually works: schools and products of its own, and work that is already done. */
export function PlanTerms({ plan, onPlan }: PlanTermsProps) {
  const schools = Object.entries(plan.schools ?? {}) as [SchoolName, string][];
  const nDone = actsDone(plan.done).length;
  const isRecorded = hasRecord(plan);
  const hasOwn = plan.systems.some(({ id }) => id === OWN);
  if (schools.length === 0 && !plan.products && nDone === 0 && !hasOwn) return null;
  const words = schools.map(
    ([name, side]) => (SCHOOLS[name] as Record<string, { label: string }>)[side]?.label ?? side,
  );
  const products = (plan.products ?? []).map(({ name }) => name);
  const only = [...words, ...products];
  return (
    <div className="plan-notice" role="status">
      <span>
        {only.length > 0 && (
          <>
            <b>For this plan only:</b> {only.join('; ')}.{' '}
          </>
        )}
        {nDone > 0 && (
          <>
            <b>Goes on after step {nDone},</b> from what {isRecorded ? 'the record says' : 'was really done'}
            .{' '}
          </>
        )}
        {hasOwn && <b>With a system of your own.</b>}
      </span>
      <span className="term-acts">
        {words.length > 0 && <Button onClick={() => onPlan({ schools: {} })}>As the shop works</Button>}
        {products.length > 0 && (
          <Button onClick={() => onPlan({ products: [] })}>As the shelf prefers</Button>
        )}
        {hasOwn && <Button onClick={() => onPlan({ own: null })}>Take your own out</Button>}
        {nDone > 0 && !isRecorded && (
          <Button onClick={() => onPlan({ done: [], own: null })}>Plan from the start</Button>
        )}
      </span>
    </div>
  );
}
