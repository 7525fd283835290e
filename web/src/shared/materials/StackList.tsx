import { isSolid, labelOf, type Stack } from '@blue-ledge/core';
import { useFormat } from '../../state/units.ts';
import { Swatch } from './Swatch.tsx';
import './stack-list.css';

/** The layers of one area from the top down, as one would cut into it. */
export function StackList({ stack }: { readonly stack: Stack }) {
  const { quantity } = useFormat();
  return (
    <ul className="stack-list">
      {stack.toReversed().map(({ kind, um }, i) => (
        <li key={`${kind}${i}`}>
          <Swatch kind={kind} /> {labelOf(kind)}
          {!isSolid(kind) && <b>{quantity('Um', um)}</b>}
        </li>
      ))}
    </ul>
  );
}
