import { GRADES, TOOLS, type SandingRun, type Ladder, type WhatIf } from '@blue-ledge/core';
import { Button, Select } from 'antd';
import { NumberInput } from '../../shared/NumberInput.tsx';
import { NumberField } from '../../shared/NumberField.tsx';
import { usePanelContext } from '../panel-context.ts';
import { TOOL_WORDS } from '../../shared/tool-words.ts';

interface WhatIfFormProps {
  readonly run: SandingRun;
  readonly own: Ladder;
  readonly whatIf: WhatIf;
  readonly onChange: (whatIf: WhatIf) => void;
}

const MOST_HOURS = 24 * 14;
const FINISHES = GRADES.slice(GRADES.indexOf('P80'));

/** What if: another last grade or tool, more sealer, the topcoat earlier or colder. Changes nothing in the plan. */
export function WhatIfForm({ run, own, whatIf, onChange }: WhatIfFormProps) {
  const { view } = usePanelContext();
  const { over, task } = run;
  const last = own.steps.at(-1);
  const put = (change: Partial<WhatIf>): void => onChange({ ...whatIf, ...change });
  return (
    <div className="what-if" role="group" aria-label="What if">
      <div className="what-if-head">
        <h3>What if</h3>
        <Button onClick={() => onChange({ celsius: view.shop.celsius })}>Reset</Button>
      </div>
      <label className="field">
        <span className="note">the last grade were</span>
        <Select
          aria-label="Last grade"
          showSearch
          value={whatIf.grade ?? last?.grade ?? task.to}
          options={FINISHES.map((grade) => ({ value: grade, label: grade }))}
          onChange={(grade) => put({ grade })}
        />
      </label>
      <label className="field">
        <span className="note">its tool were</span>
        <Select
          aria-label="Last tool"
          popupMatchSelectWidth={false}
          value={whatIf.tool ?? last?.tool ?? task.tools[0]!}
          options={TOOLS.map((tool) => ({ value: tool, label: TOOL_WORDS[tool].long }))}
          onChange={(tool) => put({ tool })}
        />
      </label>
      {over.kind === 'shows' ? (
        <label className="field">
          <span className="note">coats of sealer were</span>
          <NumberInput
            name="Coats of sealer"
            from={0}
            to={4}
            isWhole
            value={whatIf.sealerCoats ?? over.coats.sealerCoats}
            onChange={(sealerCoats) => put({ sealerCoats })}
          />
        </label>
      ) : (
        <>
          <label className="field">
            <span className="note">topcoated after</span>
            <NumberInput
              name="Hours to topcoat"
              from={0}
              to={MOST_HOURS}
              unit="h"
              value={whatIf.hours ?? Math.round((over.plannedMin / 60) * 10) / 10}
              onChange={(hours) => put({ hours })}
            />
          </label>
          <NumberField
            label="meanwhile at"
            quantity="Celsius"
            from={-5}
            to={80}
            value={whatIf.celsius}
            onChange={(celsius) => put({ celsius })}
          />
        </>
      )}
    </div>
  );
}
