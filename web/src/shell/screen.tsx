import { Button, Spin } from 'antd';
import { useCallback, useEffect, useState, type ComponentType } from 'react';
import { connection } from '../state/connection.ts';
import { lookForNewVersion } from '../state/new-version.ts';
import { noteFault } from '../state/faults.ts';

/** Screens are parts of the program that are fetched when they are first opened; one that cannot be is never a blank page. */

type Load = () => Promise<ComponentType>;
/** A stage stands in the main part of its panel's page; any other screen is the main part. */
type Place = 'main' | 'div';

/** Longer than any part takes on a slow network, ms. */
const MOST_WAIT_MS = 15_000;

const inTime = <T,>(work: Promise<T>): Promise<T> =>
  Promise.race([
    work,
    new Promise<never>((_, fail) =>
      setTimeout(() => fail(new Error('The part did not come in time.')), MOST_WAIT_MS),
    ),
  ]);

/** What a route loads: the screen, or in its place why it is not there, with the way on. */
export const screen =
  (load: Load, place: Place = 'main') =>
  async (): Promise<{ readonly Component: ComponentType }> => {
    try {
      return { Component: await inTime(load()) };
    } catch (error) {
      return { Component: () => <ScreenAway load={load} error={error} place={place} /> };
    }
  };

/** Why a part did not come: the server is away, it has a newer program, or there is a fault. */
type Cause = 'away' | 'updated' | 'fault';

async function causeOf(error: unknown): Promise<Cause> {
  const health = await fetch('/api/health').catch(() => null);
  if (!health?.ok) {
    connection.lost();
    return 'away';
  }
  if (await lookForNewVersion()) return 'updated';
  noteFault(error);
  return 'fault';
}

const WORDS: Readonly<Record<Cause, readonly [title: string, text: string]>> = {
  away: [
    'The server does not answer',
    'This screen was not opened in this browser before, so it cannot be shown without the server. It is tried again by itself. What you entered is kept here and sent when the server is back.',
  ],
  updated: [
    'A new version of Blue Ledge is here',
    'The program was updated while this page was open. Load the new version to go on: drafts stay, and entries that wait are sent.',
  ],
  fault: [
    'This screen could not be loaded',
    'The server answers, but this part of the program did not come. What you entered is kept.',
  ],
};

interface ScreenAwayProps {
  readonly load: Load;
  readonly error: unknown;
  readonly place: Place;
}

function ScreenAway({ load, error, place: Place }: ScreenAwayProps) {
  const [Loaded, setLoaded] = useState<ComponentType | null>(null);
  const [cause, setCause] = useState<Cause | null>(null);
  const retry = useCallback(async (): Promise<void> => {
    setCause(null);
    try {
      const found = await inTime(load());
      setLoaded(() => found);
    } catch (failed) {
      setCause(await causeOf(failed));
    }
  }, [load]);
  useEffect(() => {
    void causeOf(error).then(setCause);
  }, [error]);
  useEffect(() => connection.onBack(() => void retry()), [retry]);
  if (Loaded) return <Loaded />;
  if (cause === null) return <Spin className="stage-wait" description="Fetching this screen" />;
  const [title, text] = WORDS[cause];
  return (
    <Place className="page screen-away">
      <div role="alert">
        <h1>{title}</h1>
        <p>{text}</p>
      </div>
      <p>
        {cause === 'updated' ? (
          <Button type="primary" onClick={() => window.location.reload()}>
            Load the new version
          </Button>
        ) : (
          <Button type="primary" onClick={() => void retry()}>
            Try again
          </Button>
        )}
      </p>
    </Place>
  );
}
