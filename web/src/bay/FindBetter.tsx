import { Button, Dropdown } from 'antd';
import { useRef, useState, type ReactNode } from 'react';
import { Stopped, newKey } from '../api/http.ts';
import { useScheduleProgress, useSearchSchedule } from '../api/schedule-queries.ts';
import { Problem } from '../shared/Problem.tsx';
import { announce } from '../state/announce.ts';

/** Looks for a better schedule, with how far it is, until it is stopped. */
interface FindBetterProps {
  readonly shopId: string;
  /** More that is done with the schedule: what, and how it is called. */
  readonly more: readonly { readonly key: string; readonly label: ReactNode; readonly act: () => void }[];
}

export function FindBetter({ shopId, more }: FindBetterProps) {
  const search = useSearchSchedule(shopId);
  const [key, setKey] = useState<string | null>(null);
  const stop = useRef<AbortController | null>(null);
  const { data: progress } = useScheduleProgress(shopId, key);
  const begin = (kind: 'search' | 'anew'): void => {
    const own = newKey();
    stop.current = new AbortController();
    setKey(own);
    search.mutate(
      { kind, key: own, stop: stop.current.signal },
      {
        onSuccess: () => announce('A schedule is made.'),
        onSettled: () => setKey(null),
      },
    );
  };
  if (search.isPending)
    return (
      <>
        <span role="status">Looking, {Math.round((progress?.share ?? 0) * 100)} % tried</span>
        <Button onClick={() => stop.current?.abort()}>Stop</Button>
      </>
    );
  const isStopped = search.error instanceof Stopped;
  return (
    <>
      {search.error && !isStopped && <Problem error={search.error} />}
      <Button type="primary" onClick={() => begin('search')}>
        Find a better order
      </Button>
      <Dropdown
        trigger={['click']}
        menu={{
          items: [
            { key: 'anew', label: 'Start anew from now: nothing is begun, no step is held to a time' },
            ...more.map(({ key: each, label }) => ({ key: each, label })),
          ],
          onClick: ({ key: picked }) =>
            picked === 'anew' ? begin('anew') : more.find((each) => each.key === picked)?.act(),
        }}
      >
        <Button aria-label="More">…</Button>
      </Dropdown>
    </>
  );
}
