import { SCHOOLS, type SchoolName } from '@blue-ledge/core';
import { Radio } from 'antd';
import { SCHOOL_HEADS } from './school-heads.ts';
import './school-choice.css';

interface SchoolChoiceProps {
  readonly name: SchoolName;
  readonly side: string;
  /** What is said beside a side, as " (default)"; empty where nothing is. */
  readonly noteOf: (side: string) => string;
  readonly onChoose: (side: string) => void;
}

/** Both sides of a school with the reasons they give. */
export function SchoolChoice({ name, side, noteOf, onChoose }: SchoolChoiceProps) {
  const sides = Object.entries(SCHOOLS[name] as Record<string, { label: string; reason: string }>);
  return (
    <fieldset className="school">
      <legend>{SCHOOL_HEADS[name]}</legend>
      <Radio.Group value={side} onChange={({ target }) => onChoose(String(target.value))}>
        {sides.map(([value, { label, reason }]) => (
          <Radio key={value} value={value}>
            <b>{label}</b>
            <span className="note">{noteOf(value)}</span>
            <span className="note school-reason">{reason}</span>
          </Radio>
        ))}
      </Radio.Group>
    </fieldset>
  );
}
