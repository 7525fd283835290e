import { dewMarginKelvin, type Shop } from '@blue-ledge/core';
import { Choice } from '../shared/Choice.tsx';
import { NumberField } from '../shared/NumberField.tsx';
import type { ShopFields } from '../outbox/field-change.ts';
import { useFormat } from '../state/units.ts';

const CLIMATE = [
  { name: 'celsius', label: 'By day', quantity: 'Celsius', from: -20, to: 50 },
  { name: 'nightCelsius', label: 'At night', quantity: 'Celsius', from: -20, to: 50 },
  { name: 'relativeHumidity', label: 'Humidity', quantity: 'Percent', from: 1, to: 100 },
] as const;

interface ClimateProps {
  readonly shop: Shop;
  readonly onChange: (fields: NonNullable<ShopFields['shop']>) => void;
}

/** Where it is sprayed, how warm and how damp it is there, and what that leaves above the dew point. */
export function Climate({ shop, onChange }: ClimateProps) {
  const { quantity } = useFormat();
  const { celsius, nightCelsius = celsius, relativeHumidity } = shop;
  const air = { celsius, relativeHumidity };
  return (
    <>
      <Choice
        label="Where it is sprayed"
        value={shop.profile}
        options={[
          ['booth', 'booth, with an oven or a lamp'],
          ['garage', 'garage, no heat'],
        ]}
        onChange={(profile) => onChange({ profile })}
      />
      <div className="shop-climate">
        {CLIMATE.map(({ name, ...field }) => (
          <NumberField
            key={name}
            {...field}
            whenLeft
            value={shop[name] ?? celsius}
            onChange={(value) => onChange({ [name]: value })}
          />
        ))}
      </div>
      {nightCelsius > celsius && (
        <p className="field-problem" role="status">
          The night is set warmer than the day: {quantity('Celsius', nightCelsius)} over{' '}
          {quantity('Celsius', celsius)}. Is that meant?
        </p>
      )}
      <p className="note">
        Surfaces as warm as the air lie {quantity('Kelvin', dewMarginKelvin(celsius, air))} above the dew
        point by day, and {quantity('Kelvin', dewMarginKelvin(nightCelsius, air))} at night (model).
      </p>
    </>
  );
}
