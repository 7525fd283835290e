import { formatMinutes, type DatedStart, type Session } from '@blue-ledge/core';
import type { PanelRow } from './bay-rows.ts';
import { timeText } from './bay-scale.ts';
import { windowText } from './bay-words.ts';

/**
 * What a panel's work would break if a session and all that comes after it began so much later, and what mends it.
 * Windows only: people, booth and hours are looked after when it is let go.
 */
export function brokenBy(row: PanelRow, session: Session, byMin: number, start: DatedStart): string[] {
  const said = row.windows
    .filter(({ n, usedByN }) => n < session.fromN && usedByN >= session.fromN)
    .filter(({ usedMin, closesMin }) => usedMin + byMin > closesMin)
    .map((window) => `breaks: ${windowText(window, start)}; mended: ${window.thenWhat}`);
  const { dueMin, finishMin } = row.panel;
  const lateMin = dueMin === undefined ? 0 : finishMin + byMin - dueMin;
  const late =
    byMin > 0 && lateMin > 0 ? [`due ${timeText(start, dueMin!)}: late by ${formatMinutes(lateMin)}`] : [];
  const early =
    session.startMin + byMin < session.readyMin ? ['what comes before it is not done by then'] : [];
  return [...said, ...late, ...early];
}
