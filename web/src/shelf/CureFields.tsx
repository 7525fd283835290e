import { QUANTITIES, toShown, toStored, type ProductSheet } from '@blue-ledge/core';
import { Button } from 'antd';
import { NumberInput } from '../shared/NumberInput.tsx';
import { RemoveButton } from '../shared/RemoveButton.tsx';
import { PlusOutlined } from '../shared/icons.tsx';
import { useUnits } from '../state/units.ts';

type Point = ProductSheet['cure'][number];

interface CureFieldsProps {
  readonly points: readonly Point[];
  readonly onChange: (points: Point[]) => void;
}

const MOST = 6;

/** Full cure at several temperatures, in air and under heat: every other temperature is worked out between them. */
export function CureFields({ points, onChange }: CureFieldsProps) {
  const system = useUnits((state) => state.system);
  const { symbol } = QUANTITIES.Celsius[system];
  const put = (nth: number, changes: Partial<Point>): void =>
    onChange(points.map((one, i) => (i === nth ? { ...one, ...changes } : one)));
  return (
    <>
      <table className="sheet-table">
        <thead>
          <tr>
            <th scope="col">At</th>
            <th scope="col">Fully cured after</th>
            <th>
              <span className="visually-hidden">Remove</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {points.map((point, i) => (
            <tr key={`${i} ${system}`}>
              <td>
                <NumberInput
                  name={`Temperature of cure point ${i + 1}`}
                  value={Math.round(toShown('Celsius', point.celsius, system) * 10) / 10}
                  from={toShown('Celsius', -10, system)}
                  to={toShown('Celsius', 120, system)}
                  unit={symbol}
                  digits={1}
                  onChange={(shown) => put(i, { celsius: toStored('Celsius', shown, system) })}
                />
              </td>
              <td>
                <NumberInput
                  name={`Minutes of cure point ${i + 1}`}
                  value={point.minutes}
                  from={1}
                  to={60 * 24 * 365}
                  unit="min"
                  onChange={(minutes) => put(i, { minutes })}
                />
              </td>
              <td>
                {points.length > 1 && (
                  <RemoveButton
                    label={`Remove cure point ${i + 1}`}
                    onRemove={() => onChange(points.filter((_, nth) => nth !== i))}
                  />
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="note">Under “drying” or “through cure”; add the line for infrared or oven.</p>
      {points.length < MOST && (
        <Button
          icon={<PlusOutlined />}
          onClick={() => onChange([...points, { celsius: 60, minutes: Math.min(30, points[0]!.minutes) }])}
        >
          Another temperature
        </Button>
      )}
    </>
  );
}
