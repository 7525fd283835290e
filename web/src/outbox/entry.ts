import type { ClockView, NewEntry, PanelEdit, PanelView } from '@blue-ledge/core';
import type { FieldChange } from './field-change.ts';

/** One write on its way to the server: what it changes, and how far it has come. */

export interface PanelKey {
  readonly job: string;
  readonly panel: string;
}

interface Head {
  /** Client key of the write, the same for every try; also its id here. */
  readonly key: string;
  /** Writes are sent in this order. */
  readonly order: number;
  /** waiting: not sent yet. sending: asked, not answered. refused: the server said no. sent: it holds. */
  readonly state: 'waiting' | 'sending' | 'refused' | 'sent';
  /** Why it was refused, one line each. */
  readonly lines?: readonly string[];
  /** The server could not do it for now: when it is sent again, after how many tries, and why. */
  readonly putOff?: { readonly untilMs: number; readonly tries: number; readonly why: string };
}

/** An edit of a panel: of one of its zones, or of the panel as a whole. */
export interface PanelEntry extends Head {
  readonly kind: 'panel';
  readonly at: PanelKey;
  /** The zone that was edited alone; left out for edits of the whole panel. */
  readonly zone?: string;
  /** What was edited, in a word: edits of the same one in quick succession are one. */
  readonly field: string;
  readonly editedMs: number;
  readonly edit: PanelEdit;
  /** Key of the edit that this one takes back. */
  readonly undoes?: string;
  /** It was taken back. */
  readonly isUndone?: boolean;
  /** What is there instead, where the edit no longer fits. */
  readonly theirs?: PanelView;
}

/** Fields of a job or a shop: the later writer of a field wins. */
export interface FieldsEntry extends Head {
  readonly kind: 'fields';
  readonly change: FieldChange;
}

/** What a person does to a clock. */
export type ClockAct =
  | { readonly kind: 'start'; readonly view: ClockView }
  | { readonly kind: 'stop'; readonly atMs: number }
  | { readonly kind: 'resume'; readonly view: ClockView }
  /** It really began at another time. */
  | { readonly kind: 'begun'; readonly startedMs: number };

export interface ClockEntry extends Head {
  readonly kind: 'clock';
  readonly clockId: string;
  readonly title: string;
  readonly act: ClockAct;
}

/** An entry of a panel's record. */
export interface RecordEntry extends Head {
  readonly kind: 'record';
  readonly at: PanelKey;
  readonly title: string;
  readonly entry: NewEntry;
  /** The picture that it names, sent before it. */
  readonly photo?: Blob;
  /** Why it was refused, where that can be settled: somebody did the step before, or its plan is gone. */
  readonly refusedAs?: 'done-before' | 'plan-gone';
}

export type Entry = PanelEntry | FieldsEntry | ClockEntry | RecordEntry;

/** What a write is about: those about the same thing keep their order. */
export function subjectOf(entry: Entry): string {
  switch (entry.kind) {
    case 'panel':
    case 'record':
      return `${entry.kind} ${nameOfPanel(entry.at)}`;
    case 'fields':
      return `${entry.change.of} ${entry.change.id}`;
    case 'clock':
      return `clock ${entry.clockId}`;
  }
}

/** Not on the server yet. */
export const isPending = ({ state }: Entry): boolean => state !== 'sent';

export const isAt = (entry: Entry, { job, panel }: PanelKey): entry is PanelEntry =>
  entry.kind === 'panel' && entry.at.job === job && entry.at.panel === panel;

/** Name of a panel across jobs. */
export const nameOfPanel = ({ job, panel }: PanelKey): string => `${job}/${panel}`;
