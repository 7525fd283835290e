import { tipFor, type Gun, type GunSetup, type ProductSheet } from '@blue-ledge/core';
import { Button, Input } from 'antd';
import { useState } from 'react';
import type { ShopEdit } from '../../api/use-shop-of-job.ts';
import { RemoveButton } from '../../shared/RemoveButton.tsx';
import { announce } from '../../state/announce.ts';
import { useFormat } from '../../state/units.ts';
import { todayHere } from '../../state/now.ts';

interface SetupsProps {
  readonly shop: ShopEdit;
  readonly sheet: ProductSheet;
  readonly gun: Gun;
  readonly now: Pick<GunSetup, 'tipMm' | 'reductionPercent'>;
  readonly onUse: (kept: GunSetup) => void;
}

/** Set-ups that worked with this product: kept with a word, and found again on the next panel. */
export function Setups({ shop, sheet, gun, now, onUse }: SetupsProps) {
  const { quantity } = useFormat();
  const [note, setNote] = useState('');
  const { setups = [], guns = [], celsius } = shop.shop;
  const kept = setups.filter(({ sheetId }) => sheetId === sheet.id);
  const nameOf = (id: string): string => guns.find((each) => each.id === id)?.name ?? 'usual gun';
  const keep = (): void => {
    const id = crypto.randomUUID();
    const setup: GunSetup = {
      id,
      sheetId: sheet.id,
      gunId: gun.id,
      ...now,
      tipMm: now.tipMm || tipFor(gun, sheet.tipMm),
      celsius,
      on: todayHere(),
      ...(note.trim() === '' ? {} : { note: note.trim() }),
    };
    shop.change({ things: { setups: { [id]: setup } } });
    setNote('');
    announce('The set-up is kept.');
  };
  return (
    <section className="setups" aria-labelledby="setups-head">
      <h3 id="setups-head">Set-ups that worked</h3>
      {kept.length === 0 ? (
        <p className="note">None yet for {sheet.name}. When it came out right, keep what you sprayed with.</p>
      ) : (
        <ul>
          {kept.map((setup) => (
            <li key={setup.id}>
              <span>
                {nameOf(setup.gunId)}, {setup.tipMm} mm, reduced {setup.reductionPercent} %, at{' '}
                {quantity('Celsius', setup.celsius)}{' '}
                <span className="note">
                  {setup.on}
                  {setup.note && `: ${setup.note}`}
                </span>
              </span>
              <Button onClick={() => onUse(setup)}>Use it</Button>
              <RemoveButton
                label={`Forget the set-up of ${setup.on}`}
                onRemove={() => shop.change({ things: { setups: { [setup.id]: null } } })}
              />
            </li>
          ))}
        </ul>
      )}
      <div className="setup-keep">
        <Input
          aria-label="What to remember about it"
          placeholder="what to remember: pressure, distance"
          maxLength={200}
          value={note}
          onChange={({ target }) => setNote(target.value)}
        />
        <Button onClick={keep}>Keep this set-up</Button>
      </div>
    </section>
  );
}
