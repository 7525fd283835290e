import { readNumber } from '@blue-ledge/core';
import { Select } from 'antd';

interface TipsCellProps {
  readonly name: string;
  readonly tipsMm: readonly number[];
  readonly onChange: (tipsMm: number[]) => void;
}

const USUAL = [1, 1.2, 1.3, 1.4, 1.6, 1.7, 1.8, 2, 2.2, 2.5];
const [LEAST, MOST] = [0.3, 6];

/** Tips of a gun: the usual ones to pick, others typed. */
export const TipsCell = ({ name, tipsMm, onChange }: TipsCellProps) => (
  <Select
    aria-label={name}
    mode="tags"
    className="tips"
    tokenSeparators={[' ', ';']}
    value={tipsMm.map(String)}
    options={USUAL.map((tip) => ({ value: String(tip), label: String(tip) }))}
    onChange={(typed: string[]) => {
      const tips = typed
        .flatMap((text) => readNumber(text) ?? [])
        .filter((tip) => tip >= LEAST && tip <= MOST);
      if (tips.length > 0) onChange([...new Set(tips)].slice(0, 12));
    }}
  />
);
