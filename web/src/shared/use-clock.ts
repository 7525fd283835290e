import { useEffect, useState } from 'react';

/** The time now in ms, told again as often as asked; it stands still where `everyMs` is null. */
export function useClock(everyMs: number | null): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (everyMs === null) return;
    const timer = setInterval(() => setNow(Date.now()), everyMs);
    return () => clearInterval(timer);
  }, [everyMs]);
  return now;
}
