import { ownCansOf, type ProductSheet, type ShopView } from '@blue-ledge/core';
import { DatePicker, Input, Select } from 'antd';
import { useState } from 'react';
import { useSaveCans } from '../../api/stock-queries.ts';
import { Dialog } from '../../shared/dialog/Dialog.tsx';
import { NumberField } from '../../shared/NumberField.tsx';
import { NumberInput } from '../../shared/NumberInput.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { announce } from '../../state/announce.ts';

interface NewCansProps {
  readonly shop: ShopView;
  readonly sheets: readonly ProductSheet[];
  readonly onClose: () => void;
}

const MOST_CANS = 40;

/** Cans that came in: of which product and part of it, how large, how many, their batch, end and price. */
export function NewCans({ shop, sheets, onClose }: NewCansProps) {
  const save = useSaveCans(shop.id);
  const [sheetId, setSheetId] = useState<string | null>(null);
  const [component, setComponent] = useState<string | null>(null);
  const [sizeMl, setSizeMl] = useState(1000);
  const [count, setCount] = useState(1);
  const [batch, setBatch] = useState('');
  const [expiresOn, setExpiresOn] = useState<string | undefined>();
  const [price, setPrice] = useState<number | null>(null);
  const sheetOf = (id: string): ProductSheet | undefined => sheets.find((each) => each.id === id);
  const namesOf = (each: ProductSheet): string[] => ownCansOf(each, sheetOf);
  const sheet = sheetId === null ? undefined : sheetOf(sheetId);
  const names = sheet ? namesOf(sheet) : [];
  const isReady = sheet !== undefined && component !== null;
  const add = (): void => {
    const cans = Array.from({ length: count }, () => ({
      from: 0,
      can: {
        id: crypto.randomUUID(),
        sheetId: sheetId!,
        component: component!,
        sizeMl,
        ...(batch.trim() === '' ? {} : { batch: batch.trim() }),
        ...(expiresOn === undefined ? {} : { expiresOn }),
        ...(price === null ? {} : { price }),
      },
    }));
    save.mutate(cans, {
      onSuccess: () => {
        announce(count === 1 ? 'The can is in.' : `${count} cans are in.`);
        onClose();
      },
    });
  };
  return (
    <Dialog
      title="New cans"
      act={{
        label: count === 1 ? 'Put the can in' : `Put ${count} cans in`,
        run: add,
        isBusy: save.isPending,
        isOff: !isReady,
      }}
      onClose={onClose}
    >
      <div className="can-fields">
        <label className="field">
          <span>Product</span>
          <Select
            aria-label="Product"
            showSearch={{ optionFilterProp: 'label' }}
            value={sheetId}
            options={sheets
              .filter((each) => namesOf(each).length > 0)
              .map(({ id, name }) => ({ value: id, label: name }))}
            onChange={(id: string) => {
              setSheetId(id);
              const chosen = sheetOf(id);
              setComponent((chosen && namesOf(chosen)[0]) ?? null);
            }}
          />
        </label>
        <label className="field">
          <span>What is in it</span>
          <Select
            aria-label="What is in it"
            disabled={!sheet}
            value={component}
            options={names.map((name) => ({ value: name, label: name }))}
            onChange={setComponent}
          />
        </label>
        <NumberField label="Size" quantity="Ml" value={sizeMl} from={1} to={250_000} onChange={setSizeMl} />
        <label className="field">
          <span>How many</span>
          <NumberInput name="How many" value={count} from={1} to={MOST_CANS} isWhole onChange={setCount} />
        </label>
        <label className="field">
          <span>Batch</span>
          <Input
            aria-label="Batch"
            maxLength={40}
            value={batch}
            onChange={({ target }) => setBatch(target.value)}
          />
        </label>
        <label className="field">
          <span>Expires on</span>
          <DatePicker
            aria-label="Expires on"
            format="YYYY-MM-DD"
            placeholder="not known"
            onChange={(day) => setExpiresOn(day ? day.format('YYYY-MM-DD') : undefined)}
          />
        </label>
        <label className="field">
          <span>Price of a can{shop.shop.currency && `, ${shop.shop.currency}`}</span>
          <NumberInput
            name="Price of a can"
            value={price}
            from={0}
            to={100_000}
            onClear={() => setPrice(null)}
            onChange={setPrice}
          />
        </label>
      </div>
      {save.error && <Problem error={save.error} />}
    </Dialog>
  );
}
