import { bookingOf, type Pour } from '@blue-ledge/core';
import { Button } from 'antd';
import { Link } from 'react-router';
import { useCansByProduct, useMoveCans } from '../../api/stock-queries.ts';
import type { ShopEdit } from '../../api/use-shop-of-job.ts';
import { Problem } from '../../shared/Problem.tsx';
import { keepPot, usePotRuns } from '../../state/pot-runs.ts';
import { usePanelContext } from '../panel-context.ts';
import { useAmounts } from '../../shared/use-amounts.ts';
import { todayHere } from '../../state/now.ts';

interface StockLineProps {
  readonly pour: Pour;
  /** Name of the pot: it is booked once. */
  readonly name: string;
  readonly shop: ShopEdit;
}

/** From which cans a pot comes, what is short or must not be used, and booking it off once it is poured. */
export function StockLine({ pour, name, shop }: StockLineProps) {
  const amount = useAmounts();
  const { view } = usePanelContext();
  const cans = useCansByProduct(shop.id);
  const run = usePotRuns(({ byPot }) => byPot[name]);
  const move = useMoveCans(shop.id);
  if (!cans || cans.length === 0) return null;
  const { parts, cans: nCans = 1 } = pour;
  const poured = run?.pouredMl ?? [];
  const isPoured = poured.some((ml) => ml > 0);
  const wanted = parts.map(({ name: component, canOf, ml }, i) => ({
    sheetId: canOf,
    component,
    // Cans of an aerosol are taken whole, whatever was released first.
    ml: isPoured && pour.cans === undefined ? (poured[i] ?? ml) : ml * nCans,
  }));
  const { takes, short, unfit } = bookingOf(wanted, cans, todayHere());
  const batchOf = (canId: string): string => {
    const can = cans.find((each) => each.can.id === canId)?.can;
    return can?.batch ? `batch ${can.batch}` : 'a can without batch';
  };
  const book = (): void =>
    move.mutate(
      takes.map(({ canId, component, ml }) => ({
        kind: 'pour',
        // The same pot asked for twice is the same move.
        id: `${name}/${run?.beganAt ?? 0}/${canId}/${component}`.slice(-200),
        canId,
        ml,
        reason: `${view.job.title}, ${view.panel.name}, step ${pour.n}`.slice(0, 200),
        job: view.job.id,
        panel: view.panel.id,
      })),
      { onSuccess: () => run && keepPot(name, { ...run, isBooked: true }) },
    );
  return (
    <section className="stock-line" aria-labelledby="stock-head">
      <h3 id="stock-head">From the stock</h3>
      {!run?.isBooked && (
        <ul>
          {takes.map(({ canId, component, ml }) => (
            <li key={`${canId} ${component}`}>
              {component}: {amount('Ml', ml)} from {batchOf(canId)}
            </li>
          ))}
          {short.map(({ component, ml }) => (
            <li key={component} className="is-short">
              {component}: <b>{amount('Ml', ml)} short</b>
            </li>
          ))}
          {unfit.map(({ can }) => (
            <li key={can.id} className="is-short">
              {can.component}, {batchOf(can.id)}, {can.isFrozen ? 'froze' : `expired on ${can.expiresOn}`}:
              not to be used
            </li>
          ))}
        </ul>
      )}
      {run?.isBooked ? (
        <p className="note">
          Booked off. <Link to={`/shelf/${shop.id}/stock`}>Stock</Link>
        </p>
      ) : (
        isPoured &&
        takes.length > 0 && (
          <p>
            <Button loading={move.isPending} onClick={book}>
              Book it off
            </Button>
          </p>
        )
      )}
      {move.error && <Problem error={move.error} />}
    </section>
  );
}
