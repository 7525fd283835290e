import {
  QUANTITIES,
  cansToBuy,
  toShown,
  usableLeftMl,
  type CansToBuy,
  type CanView,
  type Need,
  type ShopView,
} from '@blue-ledge/core';
import { Button, Spin } from 'antd';
import Papa from 'papaparse';
import { PrinterOutlined } from '../../shared/icons.tsx';
import { useAmounts } from '../../shared/use-amounts.ts';
import { saveAs } from '../../shared/save-as.ts';
import { useFormat } from '../../state/units.ts';

interface NeedTableProps {
  /** Undefined until it is worked out. */
  readonly needs: readonly Need[] | undefined;
  readonly cans: readonly CanView[];
  readonly shop: ShopView;
  readonly today: string;
}

/** Less than this is nothing that is bought, ml. */
const LEAST_SHORT_ML = 0.05;

/** What the open plans need, what is there that may be used, and so what has to be bought: on screen, as CSV, on paper. */
export function NeedTable({ needs, cans, shop, today }: NeedTableProps) {
  const { system } = useFormat();
  const amount = useAmounts();
  if (!needs)
    return (
      <section className="pane stock-needs">
        <Spin description="Working out what the open plans need" />
      </section>
    );
  const rows = needs.map((need) => {
    const haveMl = usableLeftMl(need, cans, today);
    const shortMl = Math.max(0, need.ml - haveMl);
    return { ...need, haveMl, shortMl, buy: cansToBuy({ ...need, ml: shortMl }, cans) };
  });
  const short = rows.filter(({ shortMl }) => shortMl > LEAST_SHORT_ML);
  const { symbol } = QUANTITIES.Ml[system];
  const shown = (ml: number): string => toShown('Ml', ml, system).toFixed(system === 'us' ? 2 : 0);
  const save = (): void => {
    const table = rows.map(({ name, component, ml, haveMl, shortMl, buy, panels }) => ({
      product: name,
      component,
      [`needed ${symbol}`]: shown(ml),
      [`there ${symbol}`]: shown(haveMl),
      [`short ${symbol}`]: shown(shortMl),
      'cans to buy': shortMl > LEAST_SHORT_ML ? (buy?.count ?? '') : 0,
      [`a can ${symbol}`]: buy ? shown(buy.sizeMl) : '',
      for: panels.map(({ job, panel }) => `${job}: ${panel}`).join('; '),
    }));
    saveAs(`shopping-${today}.csv`, 'text/csv', Papa.unparse(table, { escapeFormulae: true }));
  };
  return (
    <section className="pane stock-needs" aria-labelledby="needs-head">
      <h2 id="needs-head">
        Shopping list{' '}
        <span className="note">
          what the chosen systems of {shop.name}’s open jobs need, against cans that may be used
        </span>
      </h2>
      {rows.length === 0 ? (
        <p className="empty">No system is chosen in an open job: nothing is needed yet.</p>
      ) : (
        <>
          <table className="stock-table">
            <thead>
              <tr>
                <th scope="col">Product</th>
                <th scope="col">Needed</th>
                <th scope="col">There</th>
                <th scope="col">To buy</th>
                <th scope="col">For</th>
              </tr>
            </thead>
            <tbody>
              {rows.map(({ sheetId, name, component, ml, haveMl, shortMl, buy, panels }) => (
                <tr key={`${sheetId} ${component}`}>
                  <th scope="row">
                    {component} <span className="note">{component === name ? '' : name}</span>
                  </th>
                  <td>{amount('Ml', ml)}</td>
                  <td>{amount('Ml', haveMl)}</td>
                  <td>
                    <ToBuy shortMl={shortMl} buy={buy} />
                  </td>
                  <td className="note">
                    {panels.length === 1
                      ? `${panels[0]!.job}: ${panels[0]!.panel}`
                      : `${panels.length} panels`}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="things-acts">
            <Button onClick={save}>Save as CSV</Button>
            <Button icon={<PrinterOutlined />} onClick={() => window.print()}>
              Print
            </Button>
            <span className="note">
              {short.length === 0
                ? 'Nothing to buy.'
                : `${short.length} of ${rows.length} to buy; counted by volume, each pour rounded up.`}
            </span>
          </p>
        </>
      )}
    </section>
  );
}

interface ToBuyProps {
  readonly shortMl: number;
  /** Null where nobody knows how large its cans are. */
  readonly buy: CansToBuy | null;
}

function ToBuy({ shortMl, buy }: ToBuyProps) {
  const amount = useAmounts();
  if (shortMl <= LEAST_SHORT_ML) return 'enough';
  if (!buy) return <b>{amount('Ml', shortMl)}</b>;
  return (
    <>
      <b>
        {buy.count} × {amount('Ml', buy.sizeMl)}
      </b>{' '}
      <span className="note">{amount('Ml', shortMl)} short</span>
    </>
  );
}
