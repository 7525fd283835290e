import { percentForSeconds, type FlowReading, type Pour, type ProductSheet } from '@blue-ledge/core';
import { Button } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { NumberInput } from '../../shared/NumberInput.tsx';
import { RemoveButton } from '../../shared/RemoveButton.tsx';
import { useClock } from '../../shared/use-clock.ts';
import { useAmounts } from '../../shared/use-amounts.ts';

interface FlowCupProps {
  readonly sheet: ProductSheet;
  readonly pour: Pour;
}

const TICK_MS = 100;
/** Run-out where the sheet gives none, s (default). */
const USUAL_SECONDS = { from: 16, to: 20 } as const;

/** How thin it runs: a stopwatch for the flow cup, worked with one key, and how much reducer two readings ask for. */
export function FlowCup({ sheet, pour }: FlowCupProps) {
  const amount = useAmounts();
  const range = sheet.flowCupSeconds ?? USUAL_SECONDS;
  const [readings, setReadings] = useState<readonly FlowReading[]>([]);
  const [percent, setPercent] = useState(0);
  const [target, setTarget] = useState((range.from + range.to) / 2);
  const take = (seconds: number): void => {
    setReadings((all) => [...all, { percent, seconds }].slice(-6));
    setPercent((now) => now + 5);
  };
  const last = readings.at(-1);
  const lastIsIn = last && last.seconds >= range.from && last.seconds <= range.to;
  return (
    <section className="flow-cup" aria-labelledby="flow-head">
      <h3 id="flow-head">Flow cup</h3>
      <p className="note">
        Runs out in {range.from} to {range.to} s
        {sheet.flowCupSeconds ? ' by its sheet' : ' by default; the sheet says nothing'}.{' '}
        {sheet.carrier === 'water' &&
          'Water-carried: let it rest a minute after stirring, it thickens again.'}
      </p>
      <div className="flow-row">
        <label className="field">
          <span>Reducer added so far</span>
          <NumberInput
            name="Reducer added so far"
            value={percent}
            from={0}
            to={50}
            unit="%"
            onChange={setPercent}
          />
        </label>
        <Stopwatch onTaken={take} />
      </div>
      {readings.length > 0 && (
        <ul className="flow-readings" aria-label="Readings">
          {readings.map((reading, i) => (
            <li key={i}>
              {reading.percent} %: <b>{reading.seconds.toFixed(1)} s</b>
              <RemoveButton
                label={`Remove reading ${i + 1}`}
                onRemove={() => setReadings(readings.filter((_, nth) => nth !== i))}
              />
            </li>
          ))}
        </ul>
      )}
      {last && (
        <p role="status">
          {lastIsIn
            ? `Inside the range: spray it with ${last.percent} %.`
            : last.seconds < range.from
              ? 'Thinner than the range: it will run. Take a fresh mix with less reducer.'
              : readings.length < 2
                ? 'Too thick. Add a little reducer, stir, and time it once more: two readings tell how much it takes.'
                : ''}
        </p>
      )}
      {readings.length > 1 && (
        <>
          <label className="field flow-target">
            <span>Wanted</span>
            <NumberInput name="Wanted" value={target} from={5} to={120} unit="s" onChange={setTarget} />
          </label>
          <p role="status" className="rescue-answer">
            <Answer readings={readings} target={target} ml={(share) => amount('Ml', pour.potMl * share)} />
          </p>
        </>
      )}
    </section>
  );
}

const MOST_PERCENT = 20;

function Answer({
  readings,
  target,
  ml,
}: {
  readonly readings: readonly FlowReading[];
  readonly target: number;
  readonly ml: (share: number) => string;
}) {
  const read = percentOf(readings, target);
  if (typeof read === 'string') return <>{read}.</>;
  const more = read - Math.max(...readings.map((reading) => reading.percent));
  if (more <= 0) return <>It runs that thin already: no more reducer.</>;
  return (
    <>
      <b>{read.toFixed(1)} %</b> in all for {target} s: <b>{ml(more / 100)}</b> more to this pot.
      {read > MOST_PERCENT &&
        ` More than ${MOST_PERCENT} % leaves too little film: warm the mix in a cabinet or a water bath instead.`}
    </>
  );
}

/** Percent in all, or why it cannot be told. */
function percentOf(readings: readonly FlowReading[], target: number): number | string {
  try {
    return percentForSeconds(readings, target);
  } catch (error) {
    return (error as Error).message;
  }
}

/** Starts when the stream starts and stops when it breaks: one key for both. */
function Stopwatch({ onTaken }: { readonly onTaken: (seconds: number) => void }) {
  const [beganAt, setBeganAt] = useState<number | null>(null);
  const now = useClock(beganAt === null ? null : TICK_MS);
  const button = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (beganAt !== null) button.current?.focus();
  }, [beganAt]);
  const press = (): void => {
    if (beganAt === null) return setBeganAt(Date.now());
    onTaken((Date.now() - beganAt) / 1000);
    setBeganAt(null);
  };
  const seconds = beganAt === null ? 0 : Math.max(0, (now - beganAt) / 1000);
  return (
    <Button ref={button} type="primary" className="stopwatch" onClick={press}>
      {beganAt === null
        ? 'Start when it runs (Space)'
        : `${seconds.toFixed(1)} s - stop when it breaks (Space)`}
    </Button>
  );
}
