import { readNumber, type MixingCup } from '@blue-ledge/core';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { NumberInput } from '../../shared/NumberInput.tsx';
import { RemoveButton } from '../../shared/RemoveButton.tsx';

type Printed = NonNullable<MixingCup['printed']>;

interface PrintedCellProps {
  readonly name: string;
  readonly printed: Printed | undefined;
  readonly onChange: (printed: Printed | undefined) => void;
}

const USUAL: Printed = { parts: [4, 1], lineMl: 100, lines: 5 };

/** "4:1" as parts; null for what is no ratio. */
function partsOf(text: string): number[] | null {
  const parts = text.split(':').map((part) => readNumber(part));
  return parts.length >= 2 && parts.length <= 4 && parts.every((part) => part !== null && part > 0)
    ? (parts as number[])
    : null;
}

/** The ratio that a cup is printed for, what its first column holds at line 1, and how many lines it has. */
export function PrintedCell({ name, printed, onChange }: PrintedCellProps) {
  const [text, setText] = useState(printed?.parts.join(':') ?? '');
  if (!printed)
    return (
      <Button
        size="small"
        onClick={() => {
          setText(USUAL.parts.join(':'));
          onChange(USUAL);
        }}
      >
        It has a print
      </Button>
    );
  return (
    <span className="printed-cell">
      <Input
        aria-label={`${name}: ratio`}
        value={text}
        maxLength={20}
        status={partsOf(text) ? '' : 'error'}
        onChange={({ target }) => {
          setText(target.value);
          const parts = partsOf(target.value);
          if (parts) onChange({ ...printed, parts });
        }}
      />
      <NumberInput
        name={`${name}: ml at line 1`}
        value={printed.lineMl}
        from={0.1}
        to={10_000}
        unit="ml"
        onChange={(lineMl) => onChange({ ...printed, lineMl })}
      />
      <NumberInput
        name={`${name}: lines`}
        value={printed.lines}
        from={1}
        to={50}
        isWhole
        onChange={(lines) => onChange({ ...printed, lines })}
      />
      <RemoveButton label={`${name}: remove`} onRemove={() => onChange(undefined)} />
    </span>
  );
}
