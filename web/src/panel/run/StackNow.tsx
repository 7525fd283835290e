import { areaTitle, isSolid, labelOf, type TrueState } from '@blue-ledge/core';
import { Swatch } from '../../shared/materials/Swatch.tsx';
import { useFormat } from '../../state/units.ts';

interface StackNowProps {
  readonly state: TrueState;
  readonly areas: readonly string[];
}

/** More areas than a glance takes in. */
const MOST_AREAS = 3;

/** What lies on the areas of a step now, from the top down, by the record. */
export function StackNow({ state, areas }: StackNowProps) {
  const { quantity } = useFormat();
  const shown = areas.filter((id) => state.zones[id]).slice(0, MOST_AREAS);
  return (
    <div className="stack-now">
      <h3>There now, by the record</h3>
      {shown.map((id) => (
        <div key={id}>
          <h4>{areaTitle(id)}</h4>
          <ul>
            {state.zones[id]!.stack.toReversed().map(({ kind, um }, i) => (
              <li key={`${kind}${i}`}>
                <Swatch kind={kind} /> {labelOf(kind)}
                {!isSolid(kind) && <b>{quantity('Um', um)}</b>}
              </li>
            ))}
          </ul>
        </div>
      ))}
      {areas.length > MOST_AREAS && <p className="note">and {areas.length - MOST_AREAS} more areas</p>}
    </div>
  );
}
