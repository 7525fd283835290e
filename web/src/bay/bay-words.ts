import {
  capital,
  formatMinutes,
  OP_LABELS,
  type DatedStart,
  type ScheduleChanges,
  type Schedule,
  type ScheduledWindow,
  type Urgency,
} from '@blue-ledge/core';
import type { PanelRow } from './bay-rows.ts';
import { isSameDay, timeText } from './bay-scale.ts';

/** What is said in the bay. */

const WINDOW_WORDS: Readonly<Record<string, string>> = {
  exposure: 'bare metal coated',
  recoat: 'next coat',
  promoter: 'coated over promoter',
};

/** "next coat by Tue 16:50" */
export const windowText = ({ kind, usedMin, closesMin }: ScheduledWindow, start: DatedStart): string =>
  `${WINDOW_WORDS[kind] ?? kind} by ${timeText(start, closesMin, { withDay: !isSameDay(start, usedMin, closesMin) })}`;

/** Why work comes first, in a sentence. */
export function urgencyText(urgency: Urgency, start: DatedStart): string {
  switch (urgency.kind) {
    case 'window':
      return `${capital(windowText(urgency.window, start))}; past it, ${urgency.window.thenWhat}.`;
    case 'late':
      return `Its job is late by ${formatMinutes(urgency.byMin)}.`;
    case 'due':
      return `Due ${timeText(start, urgency.dueMin)}.`;
    case 'order':
      return 'Next in the order.';
  }
}

/** When every panel is ready, for the wall. */
export const dueText = (rows: readonly PanelRow[], start: DatedStart): string =>
  rows.map(({ nth, panel }) => `${nth} ${panel.name}: ready ${timeText(start, panel.finishMin)}.`).join(' ');

const HELD_BY: Readonly<Record<NonNullable<Schedule['tasks'][number]['heldBy']>, string>> = {
  nothing: '',
  hours: 'waits for the working day',
  person: 'waits for somebody free',
  booth: 'waits for the booth',
  oven: 'waits for the lamp or oven',
  air: 'waits for air that will do',
  window: 'held back so that a window does not close on it',
  pin: 'held to the time that was chosen',
  'not-before': 'not before its day',
};

export const heldText = (heldBy: Schedule['tasks'][number]['heldBy']): string =>
  heldBy === undefined ? '' : HELD_BY[heldBy];

const MOST_NAMED = 3;

/** What a move comes to: panels that are ready later or sooner, what is late, what is put in to mend it. */
export function changesText({ finishes, inserted, warnings }: ScheduleChanges, start: DatedStart): string[] {
  const named = finishes
    .slice(0, MOST_NAMED)
    .map(
      ({ name, finishMin, lateMin }) =>
        `${name} ready ${timeText(start, finishMin)}${lateMin > 0 ? `, late by ${formatMinutes(lateMin)}` : ''}`,
    );
  const more =
    finishes.length > MOST_NAMED
      ? [`${finishes.length - MOST_NAMED} more panels are ready at another time`]
      : [];
  const putIn = inserted.map(
    ({ op, why, handsOnMin }) =>
      `put in: ${OP_LABELS[op].toLowerCase()}, ${Math.round(handsOnMin)} min. ${why}`,
  );
  const all = [...warnings.map(({ text }) => text), ...putIn, ...named, ...more];
  return all.length > 0 ? all : ['nothing else moves'];
}
