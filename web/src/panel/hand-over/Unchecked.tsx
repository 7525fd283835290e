import { stepTitle, type AskedCheck, type Step } from '@blue-ledge/core';
import { Button } from 'antd';
import { Link } from 'react-router';

interface UncheckedProps {
  readonly checks: readonly AskedCheck[];
  readonly planId: string | undefined;
  /** Steps of that plan. */
  readonly steps: readonly Step[];
  readonly onWaive: () => void;
}

/** Checks that the steps ask for and nobody made: each leads to its step, or is waived by somebody. */
export function Unchecked({ checks, planId, steps, onWaive }: UncheckedProps) {
  if (checks.length === 0) return null;
  return (
    <section className="card-block card-unchecked" aria-labelledby="unchecked-head">
      <h3 id="unchecked-head">Not checked: {checks.length}</h3>
      <ul>
        {checks.map(({ check, title, step, zones }) => {
          const planned = step?.planId === planId ? steps.find(({ n }) => n === step?.n) : undefined;
          return (
            <li key={`${check} ${step?.planId} ${step?.n} ${zones.join(' ')}`}>
              {title}
              {planned && (
                <>
                  {', '}
                  <Link to={`../run?step=${planned.n}`}>
                    step {planned.n}, {stepTitle(planned).toLowerCase()}
                  </Link>
                </>
              )}
            </li>
          );
        })}
      </ul>
      <Button className="screen-only" onClick={onWaive}>
        Waive checks…
      </Button>
    </section>
  );
}
