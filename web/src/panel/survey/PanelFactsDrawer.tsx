import {
  OUTLINES,
  OUTLINE_KINDS,
  boundsOf,
  countOfLines,
  crownOf,
  drawnLines,
  sizeFor,
  withOutline,
  type OutlineKind,
  type Panel,
} from '@blue-ledge/core';
import { Checkbox, Input, Select } from 'antd';
import { SideDrawer } from '../../shared/dialog/SideDrawer.tsx';
import { NumberInput } from '../../shared/NumberInput.tsx';
import { NumberField } from '../../shared/NumberField.tsx';
import { SizeFields } from '../../shared/SizeFields.tsx';
import { OutlineCorners } from './OutlineCorners.tsx';
import { BorderRows } from './BorderRows.tsx';
import { PartRows } from './PartRows.tsx';

interface PanelFactsProps {
  readonly panel: Panel;
  readonly onClose: () => void;
  readonly onChange: (panel: Panel) => void;
}

const MOST_AREA_M2 = 200;
const LEAST_CROWN_MM = 50;
const MOST_CROWN_MM = 1_000_000;

interface Choice<Name extends keyof Panel> {
  readonly name: Name;
  readonly label: string;
  readonly options: readonly (readonly [Panel[Name] & string, string])[];
}
const choice = <Name extends keyof Panel>(made: Choice<Name>): Choice<Name> => made;

const CHOICES = [
  choice({
    name: 'role',
    label: 'What happens to it',
    options: [
      ['refinish', 'refinished: undercoat and colour'],
      ['blend', 'blended: colour fades out on it'],
    ],
  }),
  choice({
    name: 'shape',
    label: 'Form',
    options: [
      ['flat', 'flat'],
      ['crowned', 'crowned'],
      ['sharp', 'sharply shaped'],
    ],
  }),
  choice({
    name: 'orientation',
    label: 'When it is sprayed',
    options: [
      ['vertical', 'upright'],
      ['horizontal', 'lying'],
    ],
  }),
  choice({
    name: 'finish',
    label: 'Surface wanted',
    options: [
      ['smooth', 'smooth'],
      ['keep-texture', 'moulded texture stays'],
    ],
  }),
] as const;

/** What is true of the panel as a whole: its outline and size, how it stands, and what sits on it. */
export function PanelFactsDrawer({ panel, onClose, onChange }: PanelFactsProps) {
  const put = (change: Partial<Panel>): void => onChange({ ...panel, ...change });
  const hasDrawnLines = drawnLines(panel).length > 0;
  const crown = crownOf(panel);
  return (
    <SideDrawer title="Panel facts" onClose={onClose} size={420} className="panel-facts">
      <div className="field">
        <label htmlFor="panel-name">Name</label>
        <Input
          id="panel-name"
          key={panel.name}
          defaultValue={panel.name}
          maxLength={120}
          onBlur={({ target }) => {
            const name = target.value.trim();
            if (name && name !== panel.name) put({ name });
          }}
        />
      </div>
      <OutlineFields panel={panel} onChange={onChange} />
      {CHOICES.map(({ name, label, options }) => (
        <div key={name} className="field">
          <span className="note">{label}</span>
          <Select
            aria-label={label}
            value={panel[name] as string}
            options={options.map(([value, words]) => ({ value, label: words }))}
            onChange={(value) => put({ [name]: value })}
          />
        </div>
      ))}
      {crown && (
        <NumberField
          label="Radius of its crown"
          hint={crown.isMeasured ? 'measured' : 'usual for its form'}
          quantity="Mm"
          value={crown.radiusMm}
          from={LEAST_CROWN_MM}
          to={MOST_CROWN_MM}
          whenLeft
          onChange={(crownRadiusMm) => put({ crownRadiusMm })}
        />
      )}
      <div className="field">
        <label htmlFor="panel-count">Equal parts in one batch</label>
        <NumberInput
          id="panel-count"
          name="Equal parts"
          from={1}
          to={500}
          isWhole
          value={panel.count}
          onChange={(count) => put({ count })}
        />
      </div>
      <Checkbox checked={panel.offVehicle} onChange={({ target }) => put({ offVehicle: target.checked })}>
        Off the vehicle
      </Checkbox>
      <Checkbox checked={panel.new} onChange={({ target }) => put({ new: target.checked })}>
        New part: fit it on trial before any paint
      </Checkbox>
      <div className="field">
        <label htmlFor="panel-lines">Body lines across it</label>
        <NumberInput
          id="panel-lines"
          name="Body lines"
          from={0}
          to={50}
          isWhole
          value={countOfLines(panel)}
          disabled={hasDrawnLines}
          onChange={(bodyLines) => put({ bodyLines })}
        />
        {hasDrawnLines && <span className="note">Drawn on the map, and changed there.</span>}
      </div>
      <PartRows panel={panel} onChange={onChange} />
      <BorderRows panel={panel} onChange={onChange} />
    </SideDrawer>
  );
}

function OutlineFields({ panel, onChange }: Pick<PanelFactsProps, 'panel' | 'onChange'>) {
  const kind = OUTLINE_KINDS.find((name) => name === panel.kind) ?? 'free';
  const bounds = panel.outline && boundsOf(panel.outline);
  const size = bounds
    ? { widthMm: bounds.right - bounds.left, heightMm: bounds.bottom - bounds.top }
    : sizeFor(kind, panel.areaM2);
  const put = (next: OutlineKind, nextSize: typeof size): void =>
    onChange(withOutline(panel, next, nextSize));
  return (
    <fieldset className="outline-fields">
      <legend>Outline</legend>
      <Select
        aria-label="Outline"
        placeholder="Not drawn yet: choose an outline"
        value={panel.outline ? kind : null}
        options={OUTLINE_KINDS.map((value) => ({ value, label: OUTLINES[value].label }))}
        onChange={(next: OutlineKind | null) =>
          next && put(next, panel.outline ? size : sizeFor(next, panel.areaM2))
        }
      />
      {panel.outline && <SizeFields size={size} whenLeft onChange={(next) => put(kind, next)} />}
      {panel.outline && kind === 'free' && <OutlineCorners panel={panel} onChange={onChange} />}
      <NumberField
        label="Panel area"
        hint={panel.outline && !panel.isAreaMeasured ? 'from the outline' : 'measured'}
        quantity="M2"
        value={panel.areaM2}
        from={panel.zones.reduce((sum, { areaM2 }) => sum + areaM2, 0) / 1.02}
        to={MOST_AREA_M2}
        whenLeft
        onChange={(areaM2) => onChange({ ...panel, areaM2, isAreaMeasured: true })}
      />
    </fieldset>
  );
}
