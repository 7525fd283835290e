import type { DatedStart, ScheduleMove } from '@blue-ledge/core';
import type { Fold } from './bay-scale.ts';
import type { Lane, PanelRow } from './bay-rows.ts';

/** What the chart is drawn of; its lines draw their part of the same. */
export interface BayChartProps {
  readonly start: DatedStart;
  readonly rows: readonly PanelRow[];
  readonly lanes: readonly Lane[];
  readonly jobs: Readonly<Record<string, string>>;
  readonly open: readonly Fold[];
  readonly nowMin: number;
  readonly lastMin: number;
  readonly selected: string | null;
  readonly moved: readonly ScheduleMove[];
  readonly onSelect: (key: string | null) => void;
  readonly shopId: string;
  readonly onMove: (row: PanelRow, n: number, toMin: number, personId: string) => void;
}
