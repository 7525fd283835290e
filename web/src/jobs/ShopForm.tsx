import { QUALITIES, SCHOOLS, schoolOf, type JobView, type SchoolName, type Target } from '@blue-ledge/core';
import { Button, Select } from 'antd';
import { useState } from 'react';
import type { JobChange } from '../state/job-changes.ts';
import { SCHOOL_HEADS } from './school-heads.ts';
import { ShopFigures } from './ShopFigures.tsx';
import { StockFields } from './StockFields.tsx';
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
  const [isOpen, setIsOpen] = useState(false);
  return (
    <section className="pane shop-form" aria-labelledby="shop-head">
      <header className="shop-head">
        <h2 id="shop-head">How this shop works</h2>
        <Button onClick={() => setIsOpen(true)}>Figures…</Button>
      </header>
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
      <BaseFields target={target} onChange={onChange} />
      <Choice
        label="Where it is sprayed"
        value={shop.profile}
        options={[
          ['booth', 'booth, with an oven or a lamp'],
          ['garage', 'garage, no heat'],
        ]}
        onChange={(profile) => onChange({ shop: { profile } })}
      />
      <StockFields shop={shop} onChange={onChange} />
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
      {isOpen && (
        <ShopFigures
          rules={shop.rules}
          onChange={(rules) => onChange({ shop: { rules } })}
          onClose={() => setIsOpen(false)}
        />
      )}
    </section>
  );
}

interface ChoiceProps<Value extends string> {
  readonly label: string;
  readonly value: Value;
  readonly options: readonly (readonly [Value, string])[];
  readonly onChange: (value: Value) => void;
}

function Choice<Value extends string>({ label, value, options, onChange }: ChoiceProps<Value>) {
  return (
    <label>
      <span>{label}</span>
      <Select
        aria-label={label}
        value={value}
        options={options.map(([name, words]) => ({ value: name, label: words }))}
        onChange={onChange}
      />
    </label>
  );
}

const hexOf = (color: Target['base']['color']): string => (typeof color === 'string' ? color : '#808080');

/** The base that will follow: what it is thinned with, its effect, and its colour, which decides the undertone. */
function BaseFields({
  target: { base },
  onChange,
}: {
  readonly target: Target;
  readonly onChange: (change: JobChange) => void;
}) {
  const put = (change: Partial<Target['base']>): void =>
    onChange({ target: { base: { ...base, ...change } } });
  return (
    <>
      <Choice
        label="Base"
        value={base.carrier}
        options={[
          ['waterborne', 'waterborne'],
          ['solvent', 'solvent'],
        ]}
        onChange={(carrier) => put({ carrier })}
      />
      <Choice
        label="Effect of the base"
        value={base.effect}
        options={[
          ['solid', 'solid'],
          ['metallic', 'metallic'],
          ['pearl', 'pearl'],
        ]}
        onChange={(effect) => put({ effect })}
      />
      <label>
        <span>Colour of the base</span>
        <input
          type="color"
          aria-label="Colour of the base"
          className="base-color"
          key={hexOf(base.color)}
          defaultValue={hexOf(base.color)}
          onBlur={({ target }) => {
            if (target.value !== hexOf(base.color)) put({ color: target.value });
          }}
        />
        <span className="note">
          {typeof base.color === 'object'
            ? `L* ${base.color.L}, a ${base.color.a}, b ${base.color.b} in the file`
            : base.color
              ? 'decides the tone of sealer and first coat'
              : 'not given yet: tones are left open'}
        </span>
      </label>
    </>
  );
}
