import { Button, Checkbox } from 'antd';
import { useAmounts } from '../../shared/use-amounts.ts';
import type { Together } from './use-together.ts';

/** Other panels that may be sprayed from the same mix. */
export function TogetherLine({ isAsked, ask, others, picked, pick }: Together) {
  const amount = useAmounts();
  if (!isAsked)
    return (
      <p>
        <Button onClick={ask}>One mix for other panels too…</Button>
      </p>
    );
  return (
    <fieldset className="together">
      <legend>Sprayed together from one mix</legend>
      {others.length === 0 ? (
        <p className="note">
          No other panel of this job lays it in one pot by the system that is chosen there.
        </p>
      ) : (
        others.map(({ id, name, pour }) => (
          <Checkbox key={id} checked={picked.has(id)} onChange={({ target }) => pick(id, target.checked)}>
            {name}, {amount('Ml', pour.needMl)}
          </Checkbox>
        ))
      )}
      {picked.size > 0 && (
        <p className="note">
          They must be ready for it within the pot life. Cost and cans are for all of them here; below, For
          the whole panel, each panel still counts its own.
        </p>
      )}
    </fieldset>
  );
}
