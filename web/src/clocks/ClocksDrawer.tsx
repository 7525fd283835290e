import {
  byUrgency,
  comeWords,
  comingWords,
  formatMinutes,
  limitWords,
  type ClockView,
  type Moment,
} from '@blue-ledge/core';
import { Button, Checkbox, Input } from 'antd';
import dayjs from 'dayjs';
import { useState } from 'react';
import { Link } from 'react-router';
import { SideDrawer } from '../shared/dialog/SideDrawer.tsx';
import { NumberInput } from '../shared/NumberInput.tsx';
import { SourceMark } from '../shared/SourceMark.tsx';
import { doToClock } from '../outbox/clocks.ts';
import { announce } from '../state/announce.ts';
import { useSkew } from '../state/server-time.ts';
import { clockText, timeOf } from './clock-text.ts';
import { mayNotify, playTones, useRingChoice } from './ring.ts';
import { startOwnClock } from './start.ts';
import { StateGlyph } from './StateGlyph.tsx';

const MIN_MS = 60_000;

interface ClocksDrawerProps {
  readonly clocks: readonly ClockView[];
  readonly now: number;
  readonly onClose: () => void;
}

/** All clocks: what each says, when it began, and stopping it; one of a person's own; what happens at zero. */
export function ClocksDrawer({ clocks, now, onClose }: ClocksDrawerProps) {
  const [stopped, setStopped] = useState<ClockView | null>(null);
  const stop = (view: ClockView): void => {
    doToClock(view.clock.id, view.clock.title, { kind: 'stop', atMs: Math.round(now) });
    announce(`Stopped: ${view.clock.title}.`);
    setStopped(view);
  };
  return (
    <SideDrawer title="Clocks" size={520} onClose={onClose}>
      {stopped && (
        <p className="clock-stopped" role="status">
          Stopped: {nameOf(stopped)}.{' '}
          <Button
            onClick={() => {
              doToClock(stopped.clock.id, stopped.clock.title, { kind: 'resume', view: stopped });
              setStopped(null);
            }}
          >
            Let it run again
          </Button>
        </p>
      )}
      {clocks.length === 0 ? (
        <p>
          No clock runs. Start one from a step of a plan, in System, or where a mix is poured: it then counts
          on every screen of the shop, also after a reload, and says what to do at zero.
        </p>
      ) : (
        <ol className="clock-list">
          {byUrgency(clocks, now).map((view) => (
            <ClockItem key={view.clock.id} view={view} now={now} onStop={() => stop(view)} />
          ))}
        </ol>
      )}
      <OwnClock />
      <AtZero />
      <Skew />
    </SideDrawer>
  );
}

const nameOf = ({ clock: { step, title } }: ClockView): string =>
  step ? `${step.panelName}, ${title}` : title;

function ClockItem({
  view,
  now,
  onStop,
}: {
  readonly view: ClockView;
  readonly now: number;
  readonly onStop: () => void;
}) {
  const { clock, moments } = view;
  const { step } = clock;
  const { state, come, span, isLeft } = clockText(view, now);
  return (
    <li className={`clock-item is-${state}`}>
      <div className="clock-item-head">
        <StateGlyph state={state} />
        <h3>{nameOf(view)}</h3>
        <b className="clock-item-span">
          {span}
          {!isLeft && <small> ago</small>}
        </b>
      </div>
      {come && <p className="clock-come">{come}.</p>}
      <ul>
        {moments.map((moment) => (
          <MomentLine
            key={`${moment.kind} ${moment.turn} ${moment.atMs}`}
            moment={moment}
            view={view}
            now={now}
          />
        ))}
      </ul>
      <div className="clock-acts">
        <Began view={view} now={now} />
        {step && (
          <Link
            to={`/jobs/${encodeURIComponent(step.jobId)}/panels/${encodeURIComponent(step.panelId)}/system?step=${step.n}`}
          >
            Open the step
          </Link>
        )}
        <Button onClick={onStop}>Stop</Button>
      </div>
    </li>
  );
}

function MomentLine({
  moment,
  view: { clock },
  now,
}: {
  readonly moment: Moment;
  readonly view: ClockView;
  readonly now: number;
}) {
  const { atMs, turn } = moment;
  if (atMs === undefined)
    return <li>Too cold to cure here: it never comes in this air. Warm the shop, or bake it.</li>;
  if (atMs <= now)
    return (
      <li className="is-past">
        {timeOf(atMs, now)} {comeWords(moment, clock)} <SourceMark source={moment.source} />
      </li>
    );
  const words = comingWords(moment, clock).split(' ');
  const preposition = words.pop();
  return (
    <li>
      <b>
        {preposition} {timeOf(atMs, now)}
      </b>{' '}
      {words.join(' ')}
      <span className="note">
        {turn === 'closes' && `; ${limitWords(moment, clock)}`}
        {turn === 'opens' && clock.then && `; then ${clock.then}`}
      </span>{' '}
      <SourceMark source={moment.source} />
    </li>
  );
}

/** When it began, to be put right by whoever pressed late. */
function Began({ view: { clock }, now }: { readonly view: ClockView; readonly now: number }) {
  const shown = dayjs(clock.startedMs).format('YYYY-MM-DDTHH:mm');
  const [problem, setProblem] = useState<string | null>(null);
  const take = (text: string): void => {
    if (text === shown) return;
    const at = dayjs(text);
    const isAhead = at.valueOf() > now;
    setProblem(!at.isValid() ? 'Give a day and a time.' : isAhead ? 'It cannot begin later than now.' : null);
    if (at.isValid() && !isAhead)
      doToClock(clock.id, clock.title, { kind: 'begun', startedMs: at.valueOf() });
  };
  return (
    <label className="clock-began">
      began{' '}
      <input
        key={shown}
        type="datetime-local"
        className="plain-field"
        defaultValue={shown}
        onBlur={({ target }) => take(target.value)}
      />
      {problem && (
        <span className="field-problem" role="alert">
          {problem}
        </span>
      )}
    </label>
  );
}

/** A clock that belongs to no step: a name and minutes. */
function OwnClock() {
  const [title, setTitle] = useState('');
  const [minutes, setMinutes] = useState<number | null>(15);
  return (
    <form
      className="own-clock"
      onSubmit={(event) => {
        event.preventDefault();
        if (minutes === null) return;
        startOwnClock(title.trim() || `${minutes} min`, minutes);
        setTitle('');
      }}
    >
      <h3>A clock of your own</h3>
      <label className="field">
        <span>What for</span>
        <Input
          value={title}
          maxLength={120}
          placeholder="Lamp on the fender"
          onChange={({ target }) => setTitle(target.value)}
        />
      </label>
      <label className="field">
        <span>Minutes</span>
        <NumberInput
          name="Minutes"
          unit="min"
          value={minutes}
          from={1}
          to={20_160}
          onChange={setMinutes}
          onClear={() => setMinutes(null)}
        />
      </label>
      <Button htmlType="submit" disabled={minutes === null}>
        Start the clock
      </Button>
    </form>
  );
}

/** What this browser does at zero besides saying it. */
function AtZero() {
  const { hasSound, notifies } = useRingChoice();
  const [isRefused, setIsRefused] = useState(false);
  return (
    <fieldset className="at-zero">
      <legend>At zero, in this browser</legend>
      <Checkbox
        checked={hasSound}
        onChange={({ target }) => {
          useRingChoice.setState({ hasSound: target.checked });
          if (target.checked) playTones();
        }}
      >
        Sound
      </Checkbox>
      <Checkbox
        checked={notifies}
        onChange={async ({ target }) => {
          const may = target.checked && (await mayNotify());
          useRingChoice.setState({ notifies: may });
          setIsRefused(target.checked && !may);
        }}
      >
        Notification
      </Checkbox>
      {isRefused && (
        <p className="field-problem" role="alert">
          This browser does not let this page notify. Allow it in the browser’s settings for this address, and
          tick it again.
        </p>
      )}
    </fieldset>
  );
}

/** "51 s", "7 min" */
const skewText = (ms: number): string =>
  ms < 2 * MIN_MS ? `${Math.round(ms / 1000)} s` : formatMinutes(Math.round(ms / MIN_MS));

const WORTH_SAYING_MS = 30_000;

/** Whose time counts, where this screen’s clock differs. */
function Skew() {
  const skewMs = useSkew((state) => state.skewMs);
  if (skewMs === null || Math.abs(skewMs) < WORTH_SAYING_MS)
    return <p className="note">Times are those of the server’s clock; this screen’s agrees with it.</p>;
  return (
    <p className="clock-skew" role="status">
      This screen’s clock is {skewText(Math.abs(skewMs))} {skewMs > 0 ? 'ahead of' : 'behind'} the server’s.
      Clocks go by the server’s.
    </p>
  );
}
