import type { Schedule } from './view-schedule.ts';

/** What differs between two schedules of the same shop: what a move comes to. */

export interface ScheduleChanges {
  /** Panels that are ready at another time, those first that lose most. */
  readonly finishes: readonly {
    readonly jobId: string;
    readonly panelId: string;
    readonly name: string;
    readonly wasMin: number;
    readonly finishMin: number;
    /** By how much it is late now and was not so much before; 0 where it is not. */
    readonly lateMin: number;
  }[];
  /** Work that is put in now and was not before: what mends a window. */
  readonly inserted: Schedule['inserted'];
  /** Limits that nothing mends. */
  readonly warnings: Schedule['warnings'];
}

/** A finish that differs by less is the same, minutes. */
const LEAST_MIN = 1;

const keyOf = ({ jobId, panelId }: { readonly jobId: string; readonly panelId: string }): string =>
  `${jobId} ${panelId}`;

/** What is otherwise in `after` than in `before`; of no schedule before, everything. O(panels + insertions). */
export function scheduleChanges(before: Schedule | null, after: Schedule): ScheduleChanges {
  const was = new Map((before?.panels ?? []).map((panel) => [keyOf(panel), panel]));
  const finishes = after.panels.flatMap((panel) => {
    const { jobId, panelId, name, finishMin, dueMin = Infinity } = panel;
    const wasMin = was.get(keyOf(panel))?.finishMin ?? finishMin;
    if (Math.abs(finishMin - wasMin) < LEAST_MIN) return [];
    const lateMin = finishMin > Math.max(wasMin, dueMin) ? finishMin - dueMin : 0;
    return [{ jobId, panelId, name, wasMin, finishMin, lateMin }];
  });
  const putIn = (each: Schedule['inserted'][number]): string => `${keyOf(each)} ${each.afterN} ${each.op}`;
  const knownIn = new Set((before?.inserted ?? []).map(putIn));
  const knownOf = new Set((before?.warnings ?? []).map(({ text }) => text));
  return {
    finishes: finishes.sort((a, b) => b.finishMin - b.wasMin - (a.finishMin - a.wasMin)),
    inserted: after.inserted.filter((each) => !knownIn.has(putIn(each))),
    warnings: after.warnings.filter(({ text }) => !knownOf.has(text)),
  };
}
