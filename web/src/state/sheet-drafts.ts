import { isSameJson, type ProductSheet } from '@blue-ledge/core';
import { persisted } from './persisted.ts';

/** Sheets that are being written, by shop and id: they survive a reload, and are kept by the server once they are saved. */

export interface SheetDraft {
  readonly sheet: ProductSheet;
  /** The version that was changed; 0 for a new one. */
  readonly from: number;
}

interface SheetDrafts {
  readonly byId: Readonly<Record<string, SheetDraft>>;
}

export const useSheetDrafts = persisted<SheetDrafts>('ledge-sheet-drafts', { byId: {} });

/** Name of the draft of a sheet. */
export const draftName = (shop: string, id: string): string => `${shop}/${id}`;

/** Keeps a draft; null drops it. */
export function keepDraft(name: string, draft: SheetDraft | null): void {
  useSheetDrafts.setState(({ byId }) => {
    const { [name]: _, ...others } = byId;
    return { byId: draft ? { ...others, [name]: draft } : others };
  });
}

/**
 * A draft was saved as a version: it is done with, unless something was typed while it was on its way. That stays, as a
 * change of the version that was saved.
 * @param sent the sheet as it was sent
 */
export function draftSaved(
  name: string,
  sent: ProductSheet,
  { version }: Pick<ProductSheet, 'version'>,
): void {
  const now = useSheetDrafts.getState().byId[name];
  if (now) keepDraft(name, isSameJson(now.sheet, sent) ? null : { sheet: now.sheet, from: version });
}
