import { QUANTITIES, toShown, toStored, type Shop } from '@blue-ledge/core';
import { Select } from 'antd';
import type { ShopFields } from '../outbox/field-change.ts';
import { NumberInput } from '../shared/NumberInput.tsx';
import { useUnits } from '../state/units.ts';

interface ShopMoneyProps {
  readonly shop: Shop;
  readonly onChange: (fields: NonNullable<ShopFields['shop']>) => void;
}

const CURRENCIES = Intl.supportedValuesOf('currency');
const MOST_VOC_G_PER_L = 2000;

/** What prices are in, and how much solvent a mix may have here. */
export function ShopMoney({ shop, onChange }: ShopMoneyProps) {
  const system = useUnits((state) => state.system);
  const { vocLimitGPerL: limit, currency } = shop;
  return (
    <>
      <label className="field">
        <span>Currency of prices</span>
        <Select
          aria-label="Currency of prices"
          allowClear
          showSearch
          placeholder="none named"
          value={currency ?? null}
          options={CURRENCIES.map((code) => ({ value: code, label: code }))}
          onChange={(code: string | undefined) => onChange({ currency: code ?? null })}
        />
      </label>
      <label className="field">
        <span>Most solvent ready to spray (VOC), by your local rules</span>
        <NumberInput
          key={system}
          name="Most solvent ready to spray"
          value={limit === undefined ? null : Number(toShown('GPerL', limit, system).toFixed(2))}
          from={0}
          to={toShown('GPerL', MOST_VOC_G_PER_L, system)}
          unit={QUANTITIES.GPerL[system].symbol}
          digits={2}
          placeholder="no limit set"
          whenLeft
          onClear={() => onChange({ vocLimitGPerL: null })}
          onChange={(shown) => onChange({ vocLimitGPerL: toStored('GPerL', shown, system) })}
        />
      </label>
    </>
  );
}
