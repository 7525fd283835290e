import { withLayers, type PanelView, type Zone } from '@blue-ledge/core';
import { Button, Input } from 'antd';
import { useId, useState } from 'react';
import { UndoOutlined } from '../../shared/icons.tsx';
import type { PanelKey } from '../../api/queries.ts';
import { NumberField } from '../../shared/NumberField.tsx';
import { Tabs } from '../../shared/Tabs.tsx';
import { useMedia } from '../../shared/use-media.ts';
import { FindingRows } from './FindingRows.tsx';
import { LayerRows } from './LayerRows.tsx';
import { SaveNotice } from './SaveNotice.tsx';
import { TestRows } from './TestRows.tsx';
import { useZoneEdit } from './use-zone-edit.ts';
import { ZoneUse } from './ZoneUse.tsx';

interface ZoneEditorProps {
  readonly panelKey: PanelKey;
  readonly view: PanelView;
  readonly zone: Zone;
  /** What contradicts itself in this zone, in words. */
  readonly problems: readonly string[];
}

/** A zone smaller than this is a spot, not a zone. */
const LEAST_AREA_M2 = 0.0001;

/** One zone: name, area, layers and findings. Every change is saved by itself and can be undone. */
export function ZoneEditor({ panelKey, view, zone, problems }: ZoneEditorProps) {
  const edit = useZoneEdit(panelKey, zone);
  return (
    <section className="pane zone-editor" aria-label={`Zone ${zone.id}`}>
      <header>
        <span className="zone-letter zone-letter-large">{zone.id}</span>
        <NameField name={zone.name} onChange={(name) => edit.change({ ...zone, name }, 'name')} />
        <NumberField
          label="Area"
          hint={view.panel.outline ? (zone.isAreaMeasured ? 'measured' : 'from its shape') : undefined}
          quantity="M2"
          value={zone.areaM2}
          from={LEAST_AREA_M2}
          to={view.panel.areaM2}
          onChange={(areaM2) =>
            edit.change({ ...zone, areaM2, ...(zone.shape ? { isAreaMeasured: true } : {}) }, 'area')
          }
        />
        <ZoneUse zone={zone} view={view} onChange={edit.change} />
        <Button icon={<UndoOutlined />} disabled={!edit.undo} onClick={() => edit.undo?.()}>
          Undo
        </Button>
      </header>
      <SaveNotice edit={edit} zone={zone.id} />
      {problems.length > 0 && (
        <ul className="contradictions" role="status">
          {problems.map((text) => (
            <li key={text}>{text}</li>
          ))}
        </ul>
      )}
      <ZoneParts zone={zone} onChange={edit.change} />
    </section>
  );
}

/** There is room for all parts side by side from here on. */
const NARROW = '(max-width: 1100px)';

interface ZonePartsProps {
  readonly zone: Zone;
  readonly onChange: (zone: Zone, field: string) => void;
}

/** What the zone is made of, what tests showed and what is wrong with it: side by side, or one at a time. */
function ZoneParts({ zone, onChange }: ZonePartsProps) {
  const isNarrow = useMedia(NARROW);
  const layers = (
    <LayerRows layers={zone.layers} onChange={(next, field) => onChange(withLayers(zone, next), field)} />
  );
  const tests = <TestRows zone={zone} onChange={onChange} />;
  const findings = (
    <FindingRows
      findings={zone.findings}
      onChange={(next, field) => onChange({ ...zone, findings: next }, field)}
    />
  );
  if (isNarrow)
    return (
      <Tabs
        label={`Parts of zone ${zone.id}`}
        tabs={[
          { name: 'Layers', count: zone.layers.length, content: layers },
          { name: 'Tests', count: zone.tests?.length ?? 0, content: tests },
          { name: 'Findings', count: zone.findings.length, content: findings },
        ]}
      />
    );
  return (
    <div className="zone-columns">
      <div className="zone-made-of">
        {layers}
        {tests}
      </div>
      {findings}
    </div>
  );
}

function NameField({ name, onChange }: { readonly name: string; readonly onChange: (name: string) => void }) {
  const [isEmpty, setIsEmpty] = useState(false);
  const id = useId();
  return (
    <div className="field zone-name-field">
      <label htmlFor={id}>Name</label>
      <Input
        id={id}
        defaultValue={name}
        key={isEmpty ? 'empty' : name}
        autoFocus={isEmpty}
        maxLength={80}
        status={isEmpty ? 'error' : ''}
        onBlur={({ target }) => {
          const typed = target.value.trim();
          setIsEmpty(typed === '');
          if (typed !== '' && typed !== name) onChange(typed);
        }}
        onPressEnter={({ currentTarget }) => currentTarget.blur()}
      />
      {isEmpty && (
        <p className="field-problem" role="alert">
          A zone needs a name.
        </p>
      )}
    </div>
  );
}
