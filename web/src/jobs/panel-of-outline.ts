import { LAYER_KINDS, OUTLINES, outlineOf, type LayerKind, type OutlineKind } from '@blue-ledge/core';
import type { PanelSize } from '../shared/SizeFields.tsx';

/** An id from a name: small letters, digits and dashes, and a number where it is taken. */
function idOf(name: string, taken: readonly string[]): string {
  const plain =
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 50) || 'panel';
  for (let n = 1; ; n++) {
    const id = n === 1 ? plain : `${plain}-${n}`;
    if (!taken.includes(id)) return id;
  }
}

export interface NewPanel {
  readonly name: string;
  readonly kind: OutlineKind;
  readonly size: PanelSize;
  readonly surface: LayerKind;
}

/** A panel with one zone over all of it, as it is sent; the survey says the rest. */
export function panelOfOutline({ name, kind, size, surface }: NewPanel, taken: readonly string[]) {
  const panelName = name.trim() || OUTLINES[kind].label;
  const outline = outlineOf(kind, size.widthMm, size.heightMm);
  const onSteel = ['finish', 'body'].includes(LAYER_KINDS[surface].family);
  const layers = [...(onSteel ? [{ kind: 'steel' }] : []), { kind: surface }];
  // The zone has no place of its own: it is the whole panel, and its area follows from the outline.
  const zone = { id: 'A', name: LAYER_KINDS[surface].label, shape: outline, substrate: surface, layers };
  return { id: idOf(panelName, taken), name: panelName, kind, outline, zones: [zone] };
}
