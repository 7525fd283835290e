import { QUALITIES, SCHOOLS, schoolOf, type JobView, type SchoolName } from '@blue-ledge/core';
import { Select } from 'antd';
import type { JobChange } from '../state/job-changes.ts';
import { NumberField } from '../shared/NumberField.tsx';

/** Schools that shape the plans of this version. */
const SHOWN: readonly SchoolName[] = ['firstCoat', 'filler', 'fillerFinish', 'ecoat', 'sealerCoats', 'pace'];
const HEADS: Partial<Record<SchoolName, string>> = {
  firstCoat: 'First coat on metal',
  filler: 'Filler',
  fillerFinish: 'Last filler grit',
  ecoat: 'E-coat',
  sealerCoats: 'Sealer',
  pace: 'Pace',
};

const CLIMATE = [
  { name: 'celsius', label: 'By day', quantity: 'Celsius', from: -20, to: 50 },
  { name: 'nightCelsius', label: 'At night', quantity: 'Celsius', from: -20, to: 50 },
  { name: 'relativeHumidity', label: 'Humidity', quantity: 'Percent', from: 1, to: 100 },
] as const;

interface ShopFormProps {
  readonly job: JobView;
  readonly onChange: (change: JobChange) => void;
}

/** How this shop works: where practitioners differ it chooses, with the reason each side gives. */
export function ShopForm({ job, onChange }: ShopFormProps) {
  const { shop } = job;
  const { target } = job.job;
  return (
    <section className="sheet shop-form" aria-labelledby="shop-head">
      <h2 id="shop-head">How this shop works</h2>
      <div className="shop-climate">
        {CLIMATE.map(({ name, ...field }) => (
          <NumberField
            key={name}
            {...field}
            whenLeft
            value={shop[name] ?? shop.celsius}
            onChange={(value) => onChange({ shop: { [name]: value } })}
          />
        ))}
      </div>
      <label>
        <span>Target quality</span>
        <Select
          aria-label="Target quality"
          value={target.quality}
          options={QUALITIES.map((quality) => ({ value: quality, label: quality }))}
          onChange={(quality) => onChange({ target: { quality } })}
        />
      </label>
      {SHOWN.map((name) => {
        const { side, source } = schoolOf(shop.schools, name);
        const sides = SCHOOLS[name] as Record<string, { label: string; reason: string }>;
        return (
          <label key={name}>
            <span>{HEADS[name]}</span>
            <Select
              aria-label={HEADS[name] ?? name}
              value={side as string}
              options={Object.entries(sides).map(([value, { label }]) => ({ value, label }))}
              onChange={(value) => onChange({ shop: { schools: { ...shop.schools, [name]: value } } })}
            />
            <span className="note">
              {sides[side]?.reason} ({source === 'shop' ? 'shop rule' : 'default'})
            </span>
          </label>
        );
      })}
    </section>
  );
}
