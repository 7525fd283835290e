import { standingsOf, stepsOnlyIn, type System } from '@blue-ledge/core';
import type { ReactNode } from 'react';
import { useFormat } from '../state/units.ts';
import { moneyText } from './money.ts';
import { SourceMark } from './SourceMark.tsx';
import './system-table.css';

interface Column {
  readonly head: string;
  readonly system: System;
}

interface SystemTableProps {
  readonly columns: readonly Column[];
  readonly currency?: string | undefined;
  /** Tells which steps only one of two systems has. */
  readonly hasSteps?: boolean;
  /** Below each system: what can be done with it. */
  readonly foot?: (system: System) => ReactNode;
}

/** Systems side by side, figure by figure, with all that is remarked about each. */
export function SystemTable({ columns, currency, hasSteps = false, foot }: SystemTableProps) {
  const { minutes, quantity, said, system: units } = useFormat();
  const standings = standingsOf(columns.map(({ system }) => system));
  const rows: readonly (readonly [string, (system: System) => ReactNode])[] = [
    ['Stands out by', ({ id }) => standings.get(id)?.join(', ') || '-'],
    ['Hands-on', ({ totals }) => minutes(totals.handsOnMin)],
    ['Until ready', ({ totals }) => minutes(totals.elapsedMin)],
    [
      'Material',
      ({ totals }) => (
        <>
          {moneyText(totals.materialCost, currency, 0)} <SourceMark source="model" />
        </>
      ),
    ],
    ['Steps', ({ steps }) => steps.filter(({ isDone }) => !isDone).length],
    [
      'Step left at the end, and what may be',
      ({ level }) => (level ? `${quantity('Um', level.ledgeUm)} of ${quantity('Um', level.limitUm)}` : '-'),
    ],
    [
      'Remarks',
      ({ remarks }) =>
        remarks.length === 0 ? (
          'none: this shop’s own ways'
        ) : (
          <ul>
            {remarks.map((remark) => (
              <li key={remark.text}>
                {said(remark)} <b className="rule-id">{remark.rule}</b>
              </li>
            ))}
          </ul>
        ),
    ],
  ];
  const [first, second] = columns;
  return (
    <table className="system-table">
      <thead>
        <tr>
          <td />
          {columns.map(({ head, system }) => (
            <th key={head + system.id} scope="col">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(([words, cell]) => (
          <tr key={words}>
            <th scope="row">{words}</th>
            {columns.map(({ head, system }) => (
              <td key={head + system.id}>{cell(system)}</td>
            ))}
          </tr>
        ))}
        {hasSteps && first && second && (
          <tr>
            <th scope="row">Steps that only this one has</th>
            {[
              stepsOnlyIn(first.system, second.system, units),
              stepsOnlyIn(second.system, first.system, units),
            ].map((texts, i) => (
              <td key={columns[i]!.head}>
                {texts.length === 0 ? (
                  'none'
                ) : (
                  <ul>
                    {texts.map((text, nth) => (
                      <li key={nth}>{text}</li>
                    ))}
                  </ul>
                )}
              </td>
            ))}
          </tr>
        )}
        {foot && (
          <tr>
            <td />
            {columns.map(({ head, system }) => (
              <td key={head + system.id}>{foot(system)}</td>
            ))}
          </tr>
        )}
      </tbody>
    </table>
  );
}
