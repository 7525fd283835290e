import type { OtherProduct, Step } from '@blue-ledge/core';
import { Button, Spin } from 'antd';
import { useState } from 'react';
import { useOtherProducts } from '../../api/queries.ts';
import { Problem } from '../../shared/Problem.tsx';
import { useFormat } from '../../state/units.ts';
import { usePanelContext } from '../panel-context.ts';

interface OtherProductsProps {
  readonly planId: string;
  readonly systemId: string;
  readonly step: Step;
  /** Plans again with a product in place of the step's own and of these. */
  readonly onTake: (sheetId: string, inPlaceOf: readonly string[]) => void;
}

/** What else on the shelf does the same as the product of a step, and what the whole system would take with it. */
export function OtherProducts({ planId, systemId, step, onTake }: OtherProductsProps) {
  const { key } = usePanelContext();
  const [isOpen, setIsOpen] = useState(false);
  const { data, error } = useOtherProducts({ ...key, plan: planId, system: systemId, step: step.n }, isOpen);
  if (!isOpen)
    return (
      <p>
        <Button onClick={() => setIsOpen(true)}>Other products for this…</Button>
      </p>
    );
  if (error) return <Problem error={error} />;
  if (!data) return <Spin description="Trying the other products" />;
  const { others, nMore } = data;
  const inPlaceOf = [step.sheetId ?? '', ...others.map(({ sheetId }) => sheetId)];
  return (
    <div className="other-products" role="group" aria-label="Other products">
      <p className="note">
        {others.length === 0
          ? 'No other product on this shelf does the same work.'
          : `In place of ${step.sheetName}, the whole system takes:`}
      </p>
      <ul>
        {others.map((other) => (
          <li key={other.sheetId}>
            <span>
              <b>{other.name}</b> <MoreOrRefused other={other} />
            </span>
            {other.more && (
              <Button aria-label={`Take ${other.name}`} onClick={() => onTake(other.sheetId, inPlaceOf)}>
                Take it
              </Button>
            )}
          </li>
        ))}
      </ul>
      {nMore > 0 && <p className="note">{nMore} more on the shelf are dearer or slower here.</p>}
    </div>
  );
}

/** "4 min less work, ready 3 h sooner, 2.10 dearer"; or what speaks against it. */
function MoreOrRefused({ other: { more, refusedBy } }: { readonly other: OtherProduct }) {
  const { minutes, said } = useFormat();
  if (!more) return <span className="note">refused: {refusedBy[0] ? said(refusedBy[0]) : ''}</span>;
  const words = [
    differs(more.handsOnMin, 1) &&
      `${minutes(Math.abs(more.handsOnMin))} ${more.handsOnMin > 0 ? 'more' : 'less'} work`,
    differs(more.elapsedMin, 1) &&
      `ready ${minutes(Math.abs(more.elapsedMin))} ${more.elapsedMin > 0 ? 'later' : 'sooner'}`,
    differs(more.materialCost, 0.05) &&
      `material ${Math.abs(more.materialCost).toFixed(2)} ${more.materialCost > 0 ? 'dearer' : 'cheaper'}`,
  ].filter((word) => word !== false);
  return <span>{words.join(', ') || 'the same'}</span>;
}

const differs = (value: number, least: number): boolean => Math.abs(value) >= least;
