import { clockStand, type ClockView, type Pour } from '@blue-ledge/core';
import { Button } from 'antd';
import { spanText, timeOf } from '../../clocks/clock-text.ts';
import { useServerNow } from '../../clocks/use-server-now.ts';
import { keepPot, usePotRuns } from '../../state/pot-runs.ts';
import { useFormat } from '../../state/units.ts';
import type { PotClock } from './use-pot-clock.ts';

const SECOND_MS = 1000;

interface PotClocksProps {
  readonly pour: Pour;
  readonly name: string;
  readonly clock: PotClock;
}

/** How long a mix stands and how long it is good for; its clock once it is mixed. */
export function PotClocks({ pour, name, clock }: PotClocksProps) {
  const run = usePotRuns(({ byPot }) => byPot[name]);
  const isMixed = (run?.mixedAt ?? null) !== null;
  const hasTimes = pour.potLifeMin !== undefined || pour.inductionMin !== undefined;
  const start = (): void => {
    const pouredMl = pour.parts.map(({ ml }) => ml);
    keepPot(name, { pouredMl, beganAt: Date.now(), mixedAt: Date.now() });
    clock.start();
  };
  if (clock.view)
    return (
      <Running
        view={clock.view}
        onStop={() => {
          clock.stop();
          keepPot(name, null);
        }}
      />
    );
  return (
    <p>
      {isMixed && hasTimes ? 'It is mixed, and its clock was stopped. ' : <Times pour={pour} />}{' '}
      {hasTimes && (
        <Button onClick={start}>
          {isMixed
            ? 'Start its clock from now'
            : pour.cans === undefined
              ? 'It is mixed: start its clock'
              : 'Released: start its clock'}
        </Button>
      )}
    </p>
  );
}

function Times({ pour: { potLifeMin, inductionMin, cans } }: { readonly pour: Pour }) {
  const { minutes } = useFormat();
  return (
    <>
      {inductionMin !== undefined && (
        <>
          Stirred, it stands <b>{minutes(inductionMin)}</b> before it is put on.{' '}
        </>
      )}
      {potLifeMin === undefined ? (
        cans === undefined && 'No pot life is given: the rest goes back into a closed can of its own.'
      ) : cans === undefined ? (
        <>
          Good for <b>{minutes(potLifeMin)}</b> at this shop’s temperature; what is left then is waste, and is
          never closed up.
        </>
      ) : (
        <>
          Once its second part is released a can is good for <b>{minutes(potLifeMin)}</b>; release the next
          one when it is empty.
        </>
      )}
    </>
  );
}

function Running({ view, onStop }: { readonly view: ClockView; readonly onStop: () => void }) {
  const now = useServerNow(SECOND_MS);
  const { state } = clockStand(view, now);
  const stands = view.moments.find(({ kind, atMs }) => kind === 'induction' && atMs! > now)?.atMs;
  const good = view.moments.find(({ kind, turn }) => kind === 'pot-life' && turn === 'closes')?.atMs;
  const isOver = state === 'missed';
  return (
    <p
      className={isOver ? 'pot-clock is-over' : state === 'closing' ? 'pot-clock is-closing' : 'pot-clock'}
      role="timer"
    >
      {stands !== undefined && (
        <span>
          <b>{spanText(stands - now)}</b> to stand, until {timeOf(stands, now)}
        </span>
      )}
      {good !== undefined &&
        (isOver ? (
          <span>
            <b>Past its pot life</b> since {timeOf(good, now)}: it is waste. Let it cure under supervision,
            mix anew.
          </span>
        ) : (
          <span>
            {state === 'closing' && 'Closing: '}
            <b>{spanText(good - now)}</b> left, good until {timeOf(good, now)}
          </span>
        ))}
      <Button onClick={onStop}>{isOver ? 'Clear this pot' : 'Stop the clock'}</Button>
    </p>
  );
}
