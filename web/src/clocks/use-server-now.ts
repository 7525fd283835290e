import { useEffect, useState } from 'react';
import { queryClient } from '../api/query-client.ts';
import { clocksQueryKey } from '../api/queries.ts';
import { isTimeDoubtful, serverNow, useSkew } from '../state/server-time.ts';

/** The time by the server's clock, told again as often as asked; the server is asked again where this screen's clock jumped. */
export function useServerNow(everyMs: number): number {
  const [now, setNow] = useState(serverNow);
  // The first answer of the server, and any later one that says otherwise, is shown at once.
  const skewMs = useSkew((state) => state.skewMs);
  useEffect(() => {
    const tick = (): void => {
      setNow(serverNow());
      if (isTimeDoubtful()) void queryClient.invalidateQueries({ queryKey: clocksQueryKey });
    };
    tick();
    const timer = setInterval(tick, everyMs);
    document.addEventListener('visibilitychange', tick);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', tick);
    };
  }, [everyMs, skewMs]);
  return now;
}
