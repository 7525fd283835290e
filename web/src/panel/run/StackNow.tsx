import { areaTitle, type TrueState } from '@blue-ledge/core';
import { StackList } from '../../shared/materials/StackList.tsx';

interface StackNowProps {
  readonly state: TrueState;
  readonly areas: readonly string[];
}

/** More areas than a glance takes in. */
const MOST_AREAS = 3;

/** What lies on the areas of a step now, from the top down, by the record. */
export function StackNow({ state, areas }: StackNowProps) {
  const shown = areas.filter((id) => state.zones[id]).slice(0, MOST_AREAS);
  return (
    <div className="stack-now">
      <h3>There now, by the record</h3>
      {shown.map((id) => (
        <div key={id}>
          <h4>{areaTitle(id)}</h4>
          <StackList stack={state.zones[id]!.stack} />
        </div>
      ))}
      {areas.length > MOST_AREAS && <p className="note">and {areas.length - MOST_AREAS} more areas</p>}
    </div>
  );
}
