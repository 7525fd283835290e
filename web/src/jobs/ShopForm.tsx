import { QUALITIES, SCHOOLS, schoolOf, type JobView, type SchoolName } from '@blue-ledge/core';
import { Select } from 'antd';
import type { JobChange } from '../state/job-changes.ts';
import { SCHOOL_HEADS } from './school-heads.ts';
import { NumberField } from '../shared/NumberField.tsx';

const NAMES = Object.keys(SCHOOLS) as SchoolName[];

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
      {NAMES.map((name) => {
        const { side, source } = schoolOf(shop.schools, name);
        const sides = SCHOOLS[name] as Record<string, { label: string; reason: string }>;
        return (
          <label key={name}>
            <span>{SCHOOL_HEADS[name]}</span>
            <Select
              aria-label={SCHOOL_HEADS[name]}
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
