import { EVEN_PACE_M_PER_S } from '@blue-ledge/core';
import { Button } from 'antd';
import { useState } from 'react';
import { SourceMark } from '../../shared/SourceMark.tsx';
import { useFormat } from '../../state/units.ts';

/** Length of the way that is practised: a metre, or three feet. */
const WAY_M = { metric: 1, us: 0.9144 } as const;

/** How fast the gun is led, with a mark that goes to and fro at that pace to practise against. */
export function PaceBar({ metresPerSecond }: { readonly metresPerSecond: number }) {
  const { quantity, system } = useFormat();
  const wayM = WAY_M[system];
  const [isRunning, setIsRunning] = useState(false);
  const seconds = wayM / metresPerSecond;
  const { from, to } = EVEN_PACE_M_PER_S;
  return (
    <div className="pace">
      <p>
        <b className="pace-figure">{quantity('MPerS', metresPerSecond)}</b> <SourceMark source="model" />{' '}
        {quantity('M', wayM)} in {seconds.toFixed(1)} s.
        {metresPerSecond < from &&
          ' That is slower than a hand goes evenly: take a smaller tip or less fluid.'}
        {metresPerSecond > to && ' That is faster than a hand goes evenly: take less fluid or a smaller tip.'}{' '}
        <Button onClick={() => setIsRunning(!isRunning)}>{isRunning ? 'Stop' : 'Practise this pace'}</Button>
      </p>
      <div className="pace-bar" aria-hidden="true">
        <span
          className={isRunning ? 'pace-mark is-running' : 'pace-mark'}
          style={{ animationDuration: `${seconds * 2}s` }}
        />
      </div>
    </div>
  );
}
