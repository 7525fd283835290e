import type { Pour } from '@blue-ledge/core';
import { Button } from 'antd';
import { useClock } from '../../shared/use-clock.ts';
import { keepPot, usePotRuns } from '../../state/pot-runs.ts';
import { useFormat } from '../../state/units.ts';

const MIN_MS = 60_000;
const TICK_MS = 10_000;
/** The last part of a pot life is said loudly. */
const CLOSING_SHARE = 0.2;

/** How long a mix stands and how long it is good for; counted down once it is mixed. */
export function PotClocks({ pour, name }: { readonly pour: Pour; readonly name: string }) {
  const { minutes } = useFormat();
  const run = usePotRuns(({ byPot }) => byPot[name]);
  const mixedAt = run?.mixedAt ?? null;
  const now = useClock(mixedAt === null ? null : TICK_MS);
  const { potLifeMin, inductionMin, cans } = pour;
  if (mixedAt === null)
    return (
      <p>
        {inductionMin !== undefined && (
          <>
            Stirred, it stands <b>{minutes(inductionMin)}</b> before it is sprayed.{' '}
          </>
        )}
        {potLifeMin === undefined ? (
          cans === undefined && 'No pot life is given: the rest goes back into a closed can of its own.'
        ) : cans === undefined ? (
          <>
            Good for <b>{minutes(potLifeMin)}</b> at this shop’s temperature; what is left then is waste, and
            is never closed up.
          </>
        ) : (
          <>
            Once its second part is released a can is good for <b>{minutes(potLifeMin)}</b>; release the next
            one when it is empty.
          </>
        )}{' '}
        {potLifeMin !== undefined && (
          <Button
            onClick={() =>
              keepPot(name, {
                pouredMl: pour.parts.map(({ ml }) => ml),
                beganAt: Date.now(),
                mixedAt: Date.now(),
              })
            }
          >
            {cans === undefined ? 'It is mixed: start its clock' : 'Released: start its clock'}
          </Button>
        )}
      </p>
    );
  const passedMin = Math.max(0, (now - mixedAt) / MIN_MS);
  const stands = (inductionMin ?? 0) - passedMin;
  const left = potLifeMin === undefined ? Infinity : potLifeMin - passedMin;
  const at = (min: number): string =>
    new Date(mixedAt + min * MIN_MS).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' });
  const isOver = left <= 0;
  const isClosing = !isOver && potLifeMin !== undefined && left < potLifeMin * CLOSING_SHARE;
  return (
    <p
      className={isOver ? 'pot-clock is-over' : isClosing ? 'pot-clock is-closing' : 'pot-clock'}
      role="status"
    >
      {stands > 0 && (
        <span>
          <b>{minutes(Math.ceil(stands))}</b> to stand, until {at(inductionMin!)}
        </span>
      )}
      {isOver ? (
        <span>
          <b>Past its pot life</b> since {at(potLifeMin!)}: it is waste. Let it cure under supervision, mix
          anew.
        </span>
      ) : (
        potLifeMin !== undefined && (
          <span>
            {isClosing && 'Closing: '}
            <b>{minutes(Math.floor(left))}</b> left, good until {at(potLifeMin)}
          </span>
        )
      )}
      <Button onClick={() => keepPot(name, null)}>{isOver ? 'Clear this pot' : 'Stop the clock'}</Button>
    </p>
  );
}
