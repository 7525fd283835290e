import { quoteOf, shoppingOf, type Pour, type System } from '@blue-ledge/core';
import { Button } from 'antd';
import Papa from 'papaparse';
import type { PlanOnScreen } from '../../api/opened-plan.ts';
import type { ShopEdit } from '../../api/use-shop-of-job.ts';
import { moneyText } from '../../shared/money.ts';
import { saveAs } from '../../shared/save-as.ts';
import { SourceMark } from '../../shared/SourceMark.tsx';
import { usePanelContext } from '../panel-context.ts';
import { useAmounts } from '../../shared/use-amounts.ts';

interface NeedListProps {
  readonly plan: PlanOnScreen;
  readonly system: System;
  readonly pours: readonly Pour[];
  readonly shop: ShopEdit;
}

/** What all mixes of a panel take, by product, and what material and time cost. */
export function NeedList({ plan: { opened, plan }, system, pours, shop }: NeedListProps) {
  const amount = useAmounts();
  const { view } = usePanelContext();
  const nameOf = (id: string): string => opened.sheetOf(id)?.name ?? id;
  const { rows, materialCost, wasteCost, labourCost, totalCost } = quoteOf({
    pours,
    steps: system.steps,
    nameOf,
    shop: plan.inputs.shop,
  });
  const money = (value: number): string => moneyText(value, shop.shop.currency);
  const save = (): void => {
    const table = rows.map(({ amount: cost, ...row }) => ({
      ...row,
      amount: cost.toFixed(2),
      currency: shop.shop.currency ?? '',
    }));
    saveAs(
      `${view.job.id}-${view.panel.id}-quote.csv`,
      'text/csv',
      Papa.unparse(table, { escapeFormulae: true }),
    );
  };
  return (
    <section aria-labelledby="wanted-head">
      <h2 id="wanted-head">For the whole panel</h2>
      <ul className="pour-wanted">
        {shoppingOf(pours).map(({ sheetId, component, ml }) => (
          <li key={`${sheetId} ${component}`}>
            <span>
              {component} {component !== nameOf(sheetId) && <span className="note">{nameOf(sheetId)}</span>}
            </span>
            <b>{amount('Ml', ml)}</b>
          </li>
        ))}
      </ul>
      <table className="pour-cost">
        <caption className="visually-hidden">What it costs</caption>
        <tbody>
          <tr>
            <th scope="row">
              Material <SourceMark source="model" />
            </th>
            <td>{money(materialCost)}</td>
          </tr>
          <tr>
            <th scope="row">Left over</th>
            <td>{money(wasteCost)}</td>
          </tr>
          <tr>
            <th scope="row">
              Work <SourceMark source="shop" />
            </th>
            <td>{money(labourCost)}</td>
          </tr>
          <tr>
            <th scope="row">In all</th>
            <td>
              <b>{money(totalCost)}</b>
            </td>
          </tr>
        </tbody>
      </table>
      {!shop.shop.currency && <p className="note">No currency yet: set it under Shop.</p>}
      <Button onClick={save}>Save quote lines (CSV)</Button>
    </section>
  );
}
