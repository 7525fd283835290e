import { byUrgency, type ClockView } from '@blue-ledge/core';
import { useEffect, useRef, useState, type ComponentType } from 'react';
import { useClocks } from '../api/clock-queries.ts';
import { useSearchPut } from '../shared/use-search-put.ts';
import { clockText } from './clock-text.ts';
import { StateGlyph } from './StateGlyph.tsx';
import { cameSince, ring } from './ring.ts';
import { useServerNow } from './use-server-now.ts';
import './clocks.css';

/** One that cannot be fetched leaves the strip as it is: pressed again, it is fetched again. */
const fetchDrawer = () => import('./ClocksDrawer.tsx').then(({ ClocksDrawer }) => ClocksDrawer);

const SECOND_MS = 1000;
/** Clocks that the strip has room for. */
const MOST_SHOWN = 2;

/** The most urgent clocks, on every page; all of them on a press. */
export function ClockStrip() {
  const clocks = useClocks();
  const now = useServerNow(SECOND_MS);
  const [search, put] = useSearchPut();
  useRinging(clocks, now);
  const open = (): void => put({ clocks: 'open' });
  return (
    <section className="clock-strip" aria-label="Clocks that run">
      {byUrgency(clocks, now)
        .slice(0, MOST_SHOWN)
        .map((view) => (
          <Chip key={view.clock.id} view={view} now={now} onOpen={open} />
        ))}
      <button type="button" className="clock-all" onClick={open} aria-haspopup="dialog">
        {clocks.length > MOST_SHOWN ? `All ${clocks.length} clocks` : 'Clocks'}
      </button>
      {search.has('clocks') && <Drawer clocks={clocks} now={now} onClose={() => put({ clocks: null })} />}
    </section>
  );
}

interface DrawerProps {
  readonly clocks: readonly ClockView[];
  readonly now: number;
  readonly onClose: () => void;
}

/** All clocks, fetched when they are first wanted. */
function Drawer(props: DrawerProps) {
  const [Fetched, setFetched] = useState<ComponentType<DrawerProps> | null>(null);
  const [isAway, setIsAway] = useState(false);
  useEffect(() => {
    if (Fetched || isAway) return;
    fetchDrawer().then(
      (drawer) => setFetched(() => drawer),
      () => setIsAway(true),
    );
  }, [Fetched, isAway]);
  if (Fetched) return <Fetched {...props} />;
  return isAway ? (
    <span role="alert" className="clock-away">
      The list of clocks did not come.{' '}
      <button type="button" className="link-button" onClick={() => setIsAway(false)}>
        Try again
      </button>
    </span>
  ) : null;
}

/** Says what has come since the last look; what came before the page was opened is only shown. */
function useRinging(clocks: readonly ClockView[], now: number): void {
  const looked = useRef(now);
  useEffect(() => {
    for (const { view, moment } of cameSince(clocks, looked.current, now)) ring(view, moment);
    looked.current = now;
  }, [clocks, now]);
}

function Chip({
  view,
  now,
  onOpen,
}: {
  readonly view: ClockView;
  readonly now: number;
  readonly onOpen: () => void;
}) {
  const { clock } = view;
  const { state, short, span, isLeft } = clockText(view, now);
  return (
    <button type="button" className={`clock-chip is-${state}`} onClick={onOpen}>
      <StateGlyph state={state} />
      <span className="clock-chip-text">
        <b>{clock.step ? `${clock.step.panelName}, ${clock.title}` : clock.title}</b>
        <span>{short}</span>
      </span>
      <span className="clock-chip-span">
        {span}
        {!isLeft && <small> ago</small>}
      </span>
    </button>
  );
}
