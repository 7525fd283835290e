import type { DatedStart, Session } from '@blue-ledge/core';
import type { PanelRow } from './bay-rows.ts';
import { windowText } from './bay-words.ts';

/**
 * What a panel's own work would break if a session and all that comes after it began so much later, and what mends it:
 * known at once, before the schedule has reckoned what follows for the shop (use-trial.ts).
 */
export function brokenBy(row: PanelRow, session: Session, byMin: number, start: DatedStart): string[] {
  const said = row.windows
    .filter(({ n, usedByN }) => n < session.fromN && usedByN >= session.fromN)
    .filter(({ usedMin, closesMin }) => usedMin + byMin > closesMin)
    .map((window) => `breaks: ${windowText(window, start)}; mended: ${window.thenWhat}`);
  const early =
    session.startMin + byMin < session.readyMin ? ['what comes before it is not done by then'] : [];
  return [...said, ...early];
}
