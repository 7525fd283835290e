import type { BlockForecast, ForecastPoint, ForecastTask, Outcome, Score, ToolUsed } from '@blue-ledge/core';
import type { FieldView } from './paint-field.ts';

/** What the page and the blocking worker say to each other. */

export interface HandIn {
  readonly blockId: string;
  readonly grade: string;
  readonly forceN: number;
}

/** Acts on a practice panel; they can be kept and done again, for the outcome depends on nothing else. */
export type PracticeAct =
  | ({ readonly kind: 'take' } & HandIn)
  | { readonly kind: 'down'; readonly xMm: number; readonly yMm: number; readonly turnRad: number }
  | { readonly kind: 'slide'; readonly wayMm: readonly number[]; readonly forceN?: number }
  | { readonly kind: 'turn'; readonly turnRad: number }
  | { readonly kind: 'up' }
  | { readonly kind: 'dust' };

export type ToWorker =
  | { readonly kind: 'forecast'; readonly id: number; readonly task: ForecastTask }
  | { readonly kind: 'run'; readonly id: number; readonly task: ForecastTask; readonly blockId: string }
  | { readonly kind: 'cancel' }
  | { readonly kind: 'open'; readonly panelId: string; readonly acts: readonly PracticeAct[] }
  | { readonly kind: 'act'; readonly act: PracticeAct }
  | { readonly kind: 'view'; readonly view: FieldView }
  | { readonly kind: 'feel'; readonly yMm: number }
  | { readonly kind: 'judge' }
  /** Gives pixels back to be painted on again. */
  | { readonly kind: 'return'; readonly pixels: ArrayBuffer };

export interface Frame {
  readonly pixels: ArrayBuffer;
  readonly nx: number;
  readonly ny: number;
}

export type FromWorker =
  | { readonly kind: 'block'; readonly id: number; readonly forecast: BlockForecast }
  | {
      readonly kind: 'point';
      readonly id: number;
      readonly point: ForecastPoint;
      readonly throughShare: number;
    }
  | { readonly kind: 'done'; readonly id: number }
  | ({ readonly kind: 'frame' } & Frame)
  | { readonly kind: 'felt'; readonly yMm: number; readonly profileUm: Float32Array }
  /** What a learner sees while working. */
  | { readonly kind: 'seen'; readonly minutes: number; readonly guideLeftShare: number }
  | {
      readonly kind: 'judged';
      readonly outcome: Outcome;
      readonly score: Score;
      readonly minutes: number;
      readonly used: readonly ToolUsed[];
      readonly story: readonly string[];
    };
