import {
  OUTLINES,
  OUTLINE_KINDS,
  FINDABLE_KINDS,
  LAYER_KINDS,
  outlineOf,
  type LayerKind,
  type OutlineKind,
} from '@blue-ledge/core';
import { Input, Modal, Select } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useAddPanel } from '../api/queries.ts';
import { Problem } from '../shared/Problem.tsx';
import { SizeFields, type PanelSize } from './SizeFields.tsx';

interface AddPanelProps {
  readonly job: string;
  /** Ids of the panels that are there. */
  readonly taken: readonly string[];
  readonly onClose: () => void;
}

/** An id from a name: small letters, digits and dashes, and a number where it is taken. */
function idOf(name: string, taken: readonly string[]): string {
  const plain =
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 50) || 'panel';
  for (let n = 1; ; n++) {
    const id = n === 1 ? plain : `${plain}-${n}`;
    if (!taken.includes(id)) return id;
  }
}

/** A new panel: what it is, how large, and what most of it is made of. The survey says the rest. */
export function AddPanel({ job, taken, onClose }: AddPanelProps) {
  const [kind, setKind] = useState<OutlineKind>('door');
  const [size, setSize] = useState<PanelSize>(OUTLINES.door);
  const [name, setName] = useState('');
  const [surface, setSurface] = useState<LayerKind>('old-finish');
  const add = useAddPanel(job);
  const navigate = useNavigate();
  const choose = (next: OutlineKind): void => {
    setKind(next);
    setSize(OUTLINES[next]);
  };
  const save = (): void => {
    const panelName = name.trim() || OUTLINES[kind].label;
    const id = idOf(panelName, taken);
    const outline = outlineOf(kind, size.widthMm, size.heightMm);
    const onSteel = ['finish', 'body'].includes(LAYER_KINDS[surface].family);
    const layers = [...(onSteel ? [{ kind: 'steel' }] : []), { kind: surface }];
    // The zone has no place of its own: it is the whole panel, and its area follows from the outline.
    const zone = { id: 'A', name: LAYER_KINDS[surface].label, shape: outline, substrate: surface, layers };
    add.mutate(
      { id, name: panelName, kind, outline, zones: [zone] },
      { onSuccess: () => void navigate(`/jobs/${job}/panels/${id}/survey`) },
    );
  };
  return (
    <Modal
      open
      title="Add a panel"
      okText="Add the panel"
      okButtonProps={{ loading: add.isPending }}
      onOk={save}
      onCancel={onClose}
    >
      <div className="add-panel">
        <div className="field">
          <label htmlFor="new-panel-name">Name</label>
          <Input
            id="new-panel-name"
            placeholder={OUTLINES[kind].label}
            maxLength={120}
            value={name}
            onChange={({ target }) => setName(target.value)}
          />
        </div>
        <div className="field">
          <span className="note">Outline</span>
          <Select
            aria-label="Outline of the new panel"
            value={kind}
            options={OUTLINE_KINDS.map((value) => ({ value, label: OUTLINES[value].label }))}
            onChange={choose}
          />
        </div>
        <SizeFields size={size} onChange={setSize} />
        <div className="field">
          <span className="note">Most of it is</span>
          <Select
            aria-label="Most of it is"
            value={surface}
            options={FINDABLE_KINDS.map((value) => ({ value, label: LAYER_KINDS[value].label }))}
            onChange={setSurface}
          />
        </div>
      </div>
      {add.error && <Problem error={add.error} />}
    </Modal>
  );
}
