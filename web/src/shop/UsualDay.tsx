import { forecastOfDay, formatMinutes, type AirPoint, type Shop } from '@blue-ledge/core';
import { Button } from 'antd';
import type { ShopFields } from '../outbox/field-change.ts';
import { EditRows } from '../shared/EditRows.tsx';
import { PlusOutlined } from '../shared/icons.tsx';
import { useFormat } from '../state/units.ts';

interface UsualDayProps {
  readonly shop: Shop;
  readonly onChange: (fields: NonNullable<ShopFields['shop']>) => void;
}

/** Where a usual day begins to be told: the day's and the night's figures at the hours that part them. */
const firstDay = ({ celsius, nightCelsius = celsius, relativeHumidity }: Shop): AirPoint[] => [
  { hour: 6, celsius: nightCelsius, relativeHumidity },
  { hour: 12, celsius, relativeHumidity },
  { hour: 18, celsius, relativeHumidity },
];

/** The air of a usual day by the hour, and what it means for dew, solvent and water. */
export function UsualDay({ shop, onChange }: UsualDayProps) {
  const { usualDay } = shop;
  const points = usualDay ?? [];
  const keep = (next: readonly AirPoint[]): void =>
    onChange({ usualDay: next.length < 2 ? null : next.toSorted((a, b) => a.hour - b.hour) });
  const freeHour = (): number =>
    Array.from({ length: 24 }, (_, i) => i).find((hour) => !points.some((point) => point.hour === hour))!;
  return (
    <div className="usual-day">
      <h2 id="usual-day-head">Air by the hour</h2>
      {points.length === 0 ? (
        <p className="note">
          The day’s figure holds in working hours, the night’s out of them.{' '}
          <button type="button" className="link-button" onClick={() => keep(firstDay(shop))}>
            Say it by the hour
          </button>
        </p>
      ) : (
        <>
          <EditRows<AirPoint>
            columns={[
              { kind: 'number', head: 'Hour', of: 'hour', from: 0, to: 23.75, unit: 'h' },
              { kind: 'number', head: 'Air', of: 'celsius', from: -20, to: 50, quantity: 'Celsius' },
              { kind: 'number', head: 'Humidity', of: 'relativeHumidity', from: 1, to: 100, unit: '%' },
            ]}
            rows={points}
            nameOf={({ hour }) => `${hour} o’clock`}
            onChange={(nth, point) => {
              if (!points.some(({ hour }, i) => i !== nth && hour === point.hour))
                keep(points.with(nth, point));
            }}
            onRemove={(nth) => keep(points.filter((_, i) => i !== nth))}
          />
          <p className="note">
            In between by straight lines, midnight included. Fewer than two hours take it back.
          </p>
          <Button
            icon={<PlusOutlined />}
            onClick={() => keep([...points, { ...points.at(-1)!, hour: freeHour() }])}
          >
            Another hour
          </Button>
        </>
      )}
      <Forecast shop={shop} />
    </div>
  );
}

const EVERY = 2;

function Forecast({ shop }: { readonly shop: Shop }) {
  const { quantity } = useFormat();
  const hours = forecastOfDay(shop).filter(({ hour }) => hour % EVERY === 0);
  return (
    <div className="forecast-box">
      <table className="forecast">
        <caption className="visually-hidden">
          The day by the hour: what it leaves above dew point, and how long a flash takes
        </caption>
        <tbody>
          <tr>
            <th scope="row">Hour</th>
            {hours.map(({ hour, isOpen }) => (
              <td key={hour} className={isOpen ? 'is-open' : ''}>
                {hour}
              </td>
            ))}
          </tr>
          <tr>
            <th scope="row">Above dew point</th>
            {hours.map(({ hour, marginKelvin, isTooDamp }) => (
              <td key={hour} className={isTooDamp ? 'is-damp' : ''}>
                {isTooDamp ? 'damp ' : ''}
                {quantity('Kelvin', marginKelvin)}
              </td>
            ))}
          </tr>
          <tr>
            <th scope="row">10 min of solvent</th>
            {hours.map(({ hour, solventMin }) => (
              <td key={hour}>{formatMinutes(solventMin)}</td>
            ))}
          </tr>
          <tr>
            <th scope="row">10 min of water</th>
            {hours.map(({ hour, waterMin }) => (
              <td key={hour}>{formatMinutes(waterMin)}</td>
            ))}
          </tr>
        </tbody>
      </table>
      <p className="note">
        A flash that takes 10 minutes at 20 °C and 50 %, in this shop’s air of that hour (model).
      </p>
    </div>
  );
}
