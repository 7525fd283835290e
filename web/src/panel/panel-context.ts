import type { PanelView } from '@blue-ledge/core';
import { useOutletContext } from 'react-router';
import type { PanelKey } from '../api/queries.ts';

export interface PanelContext {
  readonly key: PanelKey;
  /** The panel with edits that are still on their way. */
  readonly view: PanelView;
}

/** What the stages of a panel share. */
export const usePanelContext = (): PanelContext => useOutletContext<PanelContext>();
