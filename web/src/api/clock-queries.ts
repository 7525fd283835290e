import type { ClocksView } from '@blue-ledge/core';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { withClockActs } from '../outbox/clocks.ts';
import { useOutbox } from '../outbox/row.ts';
import { noteServerTime } from '../state/server-time.ts';
import { ask } from './http.ts';
import { clocksQueryKey } from './queries.ts';

/** Clocks that run, on every screen the same. */

/** Clocks of two machines drift apart slowly. */
const AGAIN_MS = 5 * 60_000;

async function fetchClocks(): Promise<ClocksView> {
  const askedMs = performance.now();
  const view = await ask<ClocksView>('/clocks');
  noteServerTime(view.nowMs, askedMs, performance.now());
  return view;
}

/** Clocks that run, with what was done here and is not on the server yet. */
export function useClocks(): ClocksView['clocks'] {
  const { data } = useQuery({
    queryKey: clocksQueryKey,
    queryFn: fetchClocks,
    refetchInterval: AGAIN_MS,
    refetchOnWindowFocus: 'always',
  });
  const entries = useOutbox((state) => state.entries);
  return useMemo(() => withClockActs(data?.clocks ?? [], entries), [data, entries]);
}
