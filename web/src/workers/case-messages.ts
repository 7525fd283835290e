import type { ActInput, CaseVerdict } from '@blue-ledge/core';

/** What the page and the worker that judges practice cases say to each other. */

export interface CaseAsk {
  readonly id: number;
  readonly caseId: string;
  readonly acts: readonly ActInput[];
}

export type CaseAnswer =
  { readonly id: number; readonly verdict: CaseVerdict } | { readonly id: number; readonly fault: string };
