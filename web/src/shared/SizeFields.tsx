import { NumberField } from './NumberField.tsx';

export interface PanelSize {
  readonly widthMm: number;
  readonly heightMm: number;
}

interface SizeFieldsProps {
  readonly size: PanelSize;
  readonly whenLeft?: boolean;
  readonly onChange: (size: PanelSize) => void;
}

const LEAST_MM = 20;
const MOST_MM = 20_000;

/** Width and height of a panel's outline. */
export function SizeFields({ size, whenLeft = false, onChange }: SizeFieldsProps) {
  const sides = [
    ['Width', 'widthMm'],
    ['Height', 'heightMm'],
  ] as const;
  return sides.map(([label, side]) => (
    <NumberField
      key={side}
      label={label}
      quantity="Mm"
      value={size[side]}
      from={LEAST_MM}
      to={MOST_MM}
      whenLeft={whenLeft}
      onChange={(mm) => onChange({ ...size, [side]: mm })}
    />
  ));
}
