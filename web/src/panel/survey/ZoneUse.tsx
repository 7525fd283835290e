import {
  FACES,
  QUALITIES,
  ROLES,
  roleOf,
  type PanelView,
  type Quality,
  type Role,
  type Zone,
} from '@blue-ledge/core';
import { Select } from 'antd';

interface ZoneUseProps {
  readonly zone: Zone;
  readonly view: PanelView;
  readonly onChange: (zone: Zone, field: string) => void;
}

const ROLE_WORDS: Record<Role, string> = {
  refinish: 'refinished',
  blend: 'blended',
  'clear-only': 'clear only',
  keep: 'kept, masked',
};
type Face = (typeof FACES)[number];
const FACE_WORDS: Record<Face, string> = { outside: 'outside', edge: 'edge', inside: 'inside, back' };

/** What becomes of a zone, where on the part it is, and how closely it is looked at. */
export function ZoneUse({ zone, view: { panel, target }, onChange }: ZoneUseProps) {
  const lower = QUALITIES.slice(0, QUALITIES.indexOf(target.quality) + 1);
  return (
    <>
      <Choice
        label="Becomes"
        value={roleOf(zone, panel)}
        options={ROLES.map((value) => ({ value, label: ROLE_WORDS[value] }))}
        onChange={(role) => onChange({ ...zone, role }, 'role')}
      />
      <Choice
        label="Face"
        value={zone.face ?? 'outside'}
        options={FACES.map((value) => ({ value, label: FACE_WORDS[value] }))}
        onChange={(face) => onChange({ ...zone, face }, 'face')}
      />
      {lower.length > 1 && (
        <Choice
          label="Quality"
          value={zone.quality ?? target.quality}
          options={lower.map((value) => ({ value, label: value }))}
          onChange={(quality) => onChange(withQuality(zone, quality, target.quality), 'quality')}
        />
      )}
    </>
  );
}

interface ChoiceProps<Value extends string> {
  readonly label: string;
  readonly value: Value;
  readonly options: readonly { readonly value: Value; readonly label: string }[];
  readonly onChange: (value: Value) => void;
}

const Choice = <Value extends string>({ label, value, options, onChange }: ChoiceProps<Value>) => (
  <label className="field">
    {label}
    <Select
      aria-label={label}
      value={value}
      options={[...options]}
      popupMatchSelectWidth={false}
      onChange={onChange}
    />
  </label>
);

/** The job's quality is not a zone's own. */
function withQuality(zone: Zone, quality: Quality, ofJob: Quality): Zone {
  const { quality: _, ...others } = zone;
  return quality === ofJob ? (others as Zone) : { ...zone, quality };
}
