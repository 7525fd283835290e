import type { Can, CanView, ShopView } from '@blue-ledge/core';
import { Button, Checkbox, DatePicker, Input } from 'antd';
import dayjs from 'dayjs';
import { useState } from 'react';
import { useCanMoves, useMoveCans, useSaveCans } from '../../api/stock-queries.ts';
import { SideDrawer } from '../../shared/dialog/SideDrawer.tsx';
import { NumberField } from '../../shared/NumberField.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { useFormat } from '../../state/units.ts';
import { datedText } from '../../state/now.ts';

interface CanDrawerProps {
  readonly view: CanView;
  readonly name: string;
  readonly shop: ShopView;
  readonly onClose: () => void;
}

/** One can: its batch and dates, what somebody found in it, and everything that was taken out. */
export function CanDrawer({ view, name, shop, onClose }: CanDrawerProps) {
  const { can, version } = view;
  const save = useSaveCans(shop.id);
  const put = (changes: Partial<Can>): void => {
    const next = Object.fromEntries(
      Object.entries({ ...can, ...changes }).filter(([, value]) => value !== undefined),
    ) as Can;
    save.mutate([{ can: next, from: version }]);
  };
  const day = (label: string, field: 'openedOn' | 'expiresOn') => (
    <label className="field">
      <span>{label}</span>
      <DatePicker
        aria-label={label}
        format="YYYY-MM-DD"
        placeholder="not known"
        value={can[field] ? dayjs(can[field]) : null}
        onChange={(value) => put({ [field]: value ? value.format('YYYY-MM-DD') : undefined })}
      />
    </label>
  );
  return (
    <SideDrawer title={`${can.component}, ${name}`} size={480} onClose={onClose}>
      <div className="can-fields">
        <label className="field">
          <span>Batch</span>
          <Input
            key={can.batch ?? ''}
            aria-label="Batch"
            maxLength={40}
            defaultValue={can.batch ?? ''}
            onBlur={({ target }) => {
              const batch = target.value.trim() || undefined;
              if (batch !== can.batch) put({ batch });
            }}
          />
        </label>
        {day('Opened on', 'openedOn')}
        {day('Expires on', 'expiresOn')}
        <Checkbox
          checked={can.isFrozen === true}
          onChange={({ target }) => put({ isFrozen: target.checked || undefined })}
        >
          It froze: not to be used
        </Checkbox>
      </div>
      {save.error && <Problem error={save.error} />}
      <Correction view={view} shop={shop} />
      <Moves view={view} shop={shop} />
    </SideDrawer>
  );
}

function Correction({ view: { can, leftMl }, shop }: Pick<CanDrawerProps, 'view' | 'shop'>) {
  const { quantity } = useFormat();
  const move = useMoveCans(shop.id);
  const [found, setFound] = useState<number | null>(null);
  const [reason, setReason] = useState('');
  const book = (left: number, why: string): void =>
    move.mutate([{ kind: 'correction', id: crypto.randomUUID(), canId: can.id, leftMl: left, reason: why }], {
      onSuccess: () => {
        setFound(null);
        setReason('');
      },
    });
  const isReady = found !== null && reason.trim().length >= 3;
  return (
    <section className="can-correction" aria-labelledby="correction-head">
      <h3 id="correction-head">Found otherwise</h3>
      <p className="note">
        By the book {quantity('Ml', leftMl)} of {quantity('Ml', can.sizeMl)} are in it.
      </p>
      <NumberField
        label="What is in it"
        quantity="Ml"
        value={found}
        from={0}
        to={250_000}
        onClear={() => setFound(null)}
        onChange={setFound}
      />
      <label className="field">
        <span>Why</span>
        <Input
          aria-label="Why"
          maxLength={200}
          placeholder="counted anew, spilt, thrown away"
          value={reason}
          onChange={({ target }) => setReason(target.value)}
        />
      </label>
      <p className="things-acts">
        <Button
          type="primary"
          disabled={!isReady}
          loading={move.isPending}
          onClick={() => book(found!, reason.trim())}
        >
          Correct it
        </Button>
        {leftMl > 0 && <Button onClick={() => book(0, 'it is empty')}>It is empty</Button>}
      </p>
      {move.error && <Problem error={move.error} />}
    </section>
  );
}

function Moves({ view: { can }, shop }: Pick<CanDrawerProps, 'view' | 'shop'>) {
  const { quantity } = useFormat();
  const { data: moves = [], error } = useCanMoves(shop.id, can.id);
  return (
    <section aria-labelledby="moves-head">
      <h3 id="moves-head">What became of it</h3>
      {error && <Problem error={error} />}
      {moves.length === 0 && <p className="note">Nothing was taken out yet.</p>}
      <ul className="can-moves">
        {moves.map(({ move, at, leftMl }) => (
          <li key={move.id}>
            <span className="note">{datedText(at)}</span>{' '}
            {move.kind === 'pour' ? `${quantity('Ml', move.ml)} poured` : 'corrected'}
            {move.reason && `: ${move.reason}`}, {quantity('Ml', leftMl)} left
          </li>
        ))}
      </ul>
    </section>
  );
}
