import type { AskedCheck } from '@blue-ledge/core';
import { Checkbox } from 'antd';
import { useState } from 'react';
import { Dialog } from '../../shared/dialog/Dialog.tsx';
import { NoteField } from '../../shared/NoteField.tsx';

interface WaiveDialogProps {
  readonly checks: readonly AskedCheck[];
  /** Who answers for it. */
  readonly by: string;
  readonly onWaive: (waived: readonly AskedCheck[], why: string) => void;
  readonly onClose: () => void;
}

const whereOf = ({ step, zones }: AskedCheck): string => (step ? `step ${step.n}` : `on ${zones.join(', ')}`);

/** Checks that will not be made: somebody says which, and why. */
export function WaiveDialog({ checks, by, onWaive, onClose }: WaiveDialogProps) {
  const [chosen, setChosen] = useState<ReadonlySet<number>>(new Set());
  const [why, setWhy] = useState('');
  const picked = checks.filter((_, i) => chosen.has(i));
  const isAll = chosen.size === checks.length;
  const toggle = (nth: number): void => {
    const next = new Set(chosen);
    if (!next.delete(nth)) next.add(nth);
    setChosen(next);
  };
  return (
    <Dialog
      title="Waive checks"
      act={{
        label: `Waive ${picked.length} ${picked.length === 1 ? 'check' : 'checks'} as ${by}`,
        run: () => onWaive(picked, why.trim()),
        isOff: picked.length === 0 || why.trim() === '',
      }}
      onClose={onClose}
    >
      <p>A waived check was not made. The card names who waived it, and why.</p>
      <NoteField label="Why they are not made" value={why} most={300} onChange={setWhy} />
      <p>
        <Checkbox
          checked={isAll}
          indeterminate={chosen.size > 0 && !isAll}
          onChange={() => setChosen(isAll ? new Set() : new Set(checks.map((_, i) => i)))}
        >
          All of them
        </Checkbox>
      </p>
      <ul className="waive-list">
        {checks.map((check, i) => (
          <li key={i}>
            <Checkbox checked={chosen.has(i)} onChange={() => toggle(i)}>
              {check.title}, {whereOf(check)}
            </Checkbox>
          </li>
        ))}
      </ul>
    </Dialog>
  );
}
