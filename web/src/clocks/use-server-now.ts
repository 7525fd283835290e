import { useEffect, useState } from 'react';
import { queryClient } from '../api/query-client.ts';
import { clocksQueryKey } from '../api/queries.ts';
import { isTimeDoubtful, serverNow } from '../state/server-time.ts';

/** The time by the server's clock, told again as often as asked; the server is asked again where this screen's clock jumped. */
export function useServerNow(everyMs: number): number {
  const [now, setNow] = useState(serverNow);
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
  }, [everyMs]);
  return now;
}
