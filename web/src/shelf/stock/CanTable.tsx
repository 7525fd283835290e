import { canState, type CanState, type CanView, type ProductSheet, type ShopView } from '@blue-ledge/core';
import { Button, Checkbox } from 'antd';
import { useState } from 'react';
import { moneyText } from '../../shared/money.ts';
import { useFormat } from '../../state/units.ts';
import { CanDrawer } from './CanDrawer.tsx';

interface CanTableProps {
  readonly cans: readonly CanView[];
  readonly sheets: readonly ProductSheet[];
  readonly shop: ShopView;
  readonly today: string;
  readonly onAdd: () => void;
}

export const STATE_WORDS: Readonly<Record<CanState, string>> = {
  fine: '',
  'expires-soon': 'expires soon',
  expired: 'expired: do not use',
  frozen: 'froze: do not use',
  empty: 'empty',
};

/** Every can with what is left in it; the emptied ones on demand. */
export function CanTable({ cans, sheets, shop, today, onAdd }: CanTableProps) {
  const { quantity } = useFormat();
  const [withEmpty, setWithEmpty] = useState(false);
  const [openId, setOpenId] = useState<string | null>(null);
  const nameOf = (id: string): string => sheets.find((sheet) => sheet.id === id)?.name ?? id;
  const shown = cans
    .filter(({ leftMl }) => withEmpty || leftMl > 0)
    .toSorted(
      (a, b) =>
        nameOf(a.can.sheetId).localeCompare(nameOf(b.can.sheetId)) ||
        a.can.component.localeCompare(b.can.component) ||
        (a.can.expiresOn ?? '9999').localeCompare(b.can.expiresOn ?? '9999') ||
        (a.can.id < b.can.id ? -1 : 1),
    );
  const open = cans.find(({ can }) => can.id === openId);
  const nEmpty = cans.filter(({ leftMl }) => leftMl <= 0).length;
  return (
    <section className="pane stock-cans" aria-labelledby="cans-head">
      <h2 id="cans-head">Cans</h2>
      {nEmpty > 0 && (
        <Checkbox checked={withEmpty} onChange={({ target }) => setWithEmpty(target.checked)}>
          Empty ones too ({nEmpty})
        </Checkbox>
      )}
      {shown.length === 0 ? (
        <p className="empty">
          No can is entered. With cans the pour says which one to take, books it off, and keeps its batch; the
          list above knows what has to be bought. <Button onClick={onAdd}>Enter the first cans</Button>
        </p>
      ) : (
        <table className="stock-table">
          <thead>
            <tr>
              <th scope="col">What</th>
              <th scope="col">Left</th>
              <th scope="col">Batch</th>
              <th scope="col">Opened</th>
              <th scope="col">Expires</th>
              <th scope="col">Worth</th>
              <th>
                <span className="visually-hidden">Open</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {shown.map((view) => {
              const { can, leftMl } = view;
              const state = canState(view, today);
              const worth = can.price === undefined ? null : (can.price * leftMl) / can.sizeMl;
              return (
                <tr key={can.id} className={`is-${state}`}>
                  <th scope="row">
                    {can.component} <span className="note">{nameOf(can.sheetId)}</span>
                    {STATE_WORDS[state] && <b className="can-state"> {STATE_WORDS[state]}</b>}
                  </th>
                  <td>
                    <Level share={leftMl / can.sizeMl} /> {quantity('Ml', leftMl)} of{' '}
                    {quantity('Ml', can.sizeMl)}
                  </td>
                  <td>{can.batch ?? '-'}</td>
                  <td>{can.openedOn ?? 'closed'}</td>
                  <td>{can.expiresOn ?? '-'}</td>
                  <td>{worth === null ? '-' : moneyText(worth, shop.shop.currency)}</td>
                  <td>
                    <Button
                      aria-label={`Look into ${can.component}${can.batch ? `, batch ${can.batch}` : ''}`}
                      onClick={() => setOpenId(can.id)}
                    >
                      Look into
                    </Button>
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
      {open && (
        <CanDrawer
          key={open.can.id}
          view={open}
          name={nameOf(open.can.sheetId)}
          shop={shop}
          onClose={() => setOpenId(null)}
        />
      )}
    </section>
  );
}

/** How full a can is. */
const Level = ({ share }: { readonly share: number }) => (
  <span className="can-level" aria-hidden="true">
    <span style={{ height: `${Math.round(Math.min(1, share) * 100)}%` }} />
  </span>
);
