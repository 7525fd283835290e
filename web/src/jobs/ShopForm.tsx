import { QUALITIES, SCHOOLS, schoolOf, type JobView, type SchoolName } from '@blue-ledge/core';
import { Select } from 'antd';

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

interface ShopFormProps {
  readonly job: JobView;
  readonly onChange: (change: { shop?: JobView['shop']; target?: JobView['job']['target'] }) => void;
}

/** How this shop works: where practitioners differ it chooses, with the reason each side gives. */
export function ShopForm({ job, onChange }: ShopFormProps) {
  const { shop } = job;
  const { target } = job.job;
  return (
    <section className="sheet shop-form" aria-labelledby="shop-head">
      <h2 id="shop-head">How this shop works</h2>
      <label>
        <span>Target quality</span>
        <Select
          aria-label="Target quality"
          value={target.quality}
          options={QUALITIES.map((quality) => ({ value: quality, label: quality }))}
          onChange={(quality) => onChange({ target: { ...target, quality } })}
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
              onChange={(value) =>
                onChange({ shop: { ...shop, schools: { ...shop.schools, [name]: value } } })
              }
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
