import type { Source } from '../wording/reason.ts';

/** The shape of every time limit of the bench; windows.ts says what they are. Times on the panel's clock. */

export const WINDOW_KINDS = [
  'exposure',
  'flash',
  'induction',
  'pot-life',
  'recoat',
  'promoter',
  'cure',
] as const;
export type WindowKind = (typeof WINDOW_KINDS)[number];

/** What is done once a limit is missed, in words that follow "past it, ". */
export const WHEN_MISSED = {
  wait: 'nothing is lost',
  scuff: 'scuff and clean before the next coat',
  abrade: 'abrade and clean before the next coat',
  repeat: 'coat again before going on',
  'abrade-metal': 'abrade and clean again',
  'mix-anew': 'mix anew: what is left in the cup is waste',
} as const;
export type WhenMissed = keyof typeof WHEN_MISSED;

export interface TimeWindow {
  readonly kind: WindowKind;
  readonly rule: string;
  readonly opensAtMin: number;
  /** Infinity where it never closes. */
  readonly closesAtMin: number;
  /** Part of it in which nothing may go on: the coat is past its flash, not yet cured, and would lift. */
  readonly forbidden?: { readonly fromAtMin: number; readonly toAtMin: number };
  readonly source: Source;
  readonly whenMissed: WhenMissed;
}

/** The cure of a coat: open once it may be sanded. */
export interface CureWindow extends TimeWindow {
  readonly method: CureMethod;
  readonly night: Night | null;
}

export type CureMethod = 'air' | 'bake';

/** The night that a coat would cure through in air. */
export interface Night {
  readonly celsius: number;
  /** Its temperature over the dew point of the shop's air, and what the shop asks. */
  readonly marginKelvin: number;
  readonly limitKelvin: number;
  readonly isDamp: boolean;
  /** Below the sheet's least temperature nothing cures. */
  readonly isCold: boolean;
  /** A day from morning to evening is enough. */
  readonly isAvoidable: boolean;
}

/** Clocks that start when a coat's last pass ends. */
export interface CoatWindows {
  /** Dry to touch: other work may go on. */
  readonly flash: TimeWindow;
  /** From when to when the next coat bonds without sanding. */
  readonly recoat: TimeWindow;
  /** Null for a product that is not sanded. */
  readonly cure: CureWindow | null;
}
