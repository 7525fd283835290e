import { FINDABLE_KINDS, LAYER_KINDS, OUTLINES, OUTLINE_KINDS, type LayerKind } from '@blue-ledge/core';
import { Input, Select } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useAddPanel } from '../api/queries.ts';
import { Dialog } from '../shared/dialog/Dialog.tsx';
import { Problem } from '../shared/Problem.tsx';
import { SizeFields } from '../shared/SizeFields.tsx';
import { panelOfOutline, type NewPanel } from './panel-of-outline.ts';

interface AddPanelProps {
  readonly job: string;
  /** Ids of the panels that are there. */
  readonly taken: readonly string[];
  readonly onClose: () => void;
}

const FIRST: NewPanel = { name: '', kind: 'door', size: OUTLINES.door, surface: 'old-finish' };

/** A new panel: what it is, how large, and what most of it is made of. The survey says the rest. */
export function AddPanel({ job, taken, onClose }: AddPanelProps) {
  const [panel, setPanel] = useState(FIRST);
  const add = useAddPanel(job);
  const navigate = useNavigate();
  const save = (): void => {
    // The server gives it another id where a panel that was removed has this one.
    add.mutate(panelOfOutline(panel, taken), {
      onSuccess: ({ panel: { id } }) => void navigate(`/jobs/${job}/panels/${id}/survey`),
    });
  };
  return (
    <Dialog
      title="Add a panel"
      act={{ label: 'Add the panel', run: save, isBusy: add.isPending }}
      onClose={onClose}
    >
      <div className="add-panel">
        <div className="field">
          <label htmlFor="new-panel-name">Name</label>
          <Input
            id="new-panel-name"
            placeholder={OUTLINES[panel.kind].label}
            maxLength={120}
            value={panel.name}
            onChange={({ target }) => setPanel({ ...panel, name: target.value })}
          />
        </div>
        <div className="field">
          <span className="note">Outline</span>
          <Select
            aria-label="Outline of the new panel"
            value={panel.kind}
            options={OUTLINE_KINDS.map((value) => ({ value, label: OUTLINES[value].label }))}
            onChange={(kind) => setPanel({ ...panel, kind, size: OUTLINES[kind] })}
          />
        </div>
        <SizeFields size={panel.size} onChange={(size) => setPanel({ ...panel, size })} />
        <div className="field">
          <span className="note">Most of it is</span>
          <Select
            aria-label="Most of it is"
            value={panel.surface}
            options={FINDABLE_KINDS.map((value) => ({ value, label: LAYER_KINDS[value].label }))}
            onChange={(surface: LayerKind) => setPanel({ ...panel, surface })}
          />
        </div>
      </div>
      {add.error && <Problem error={add.error} />}
    </Dialog>
  );
}
