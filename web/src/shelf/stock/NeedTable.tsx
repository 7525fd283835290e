import { QUANTITIES, toShown, usableLeftMl, type CanView, type Need, type ShopView } from '@blue-ledge/core';
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
    return { ...need, haveMl, shortMl: Math.max(0, need.ml - haveMl) };
  });
  const short = rows.filter(({ shortMl }) => shortMl > 0.05);
  const { symbol } = QUANTITIES.Ml[system];
  const shown = (ml: number): string => toShown('Ml', ml, system).toFixed(system === 'us' ? 2 : 0);
  const save = (): void => {
    const table = rows.map(({ name, component, ml, haveMl, shortMl, panels }) => ({
      product: name,
      component,
      [`needed ${symbol}`]: shown(ml),
      [`there ${symbol}`]: shown(haveMl),
      [`to buy ${symbol}`]: shown(shortMl),
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
              {rows.map(({ sheetId, name, component, ml, haveMl, shortMl, panels }) => (
                <tr key={`${sheetId} ${component}`}>
                  <th scope="row">
                    {component} <span className="note">{component === name ? '' : name}</span>
                  </th>
                  <td>{amount('Ml', ml)}</td>
                  <td>{amount('Ml', haveMl)}</td>
                  <td>{shortMl > 0.05 ? <b>{amount('Ml', shortMl)}</b> : 'enough'}</td>
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
