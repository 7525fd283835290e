import { topOf, type LaidCoat, type Layer, type ZoneState } from './state.ts';

/** What an area is made of, whenever that was done: what most rules look at, and nothing else. */

const isSameCoat = (a: LaidCoat, b: LaidCoat): boolean =>
  a.sheetId === b.sheetId &&
  a.isLast === b.isLast &&
  a.toneL === b.toneL &&
  a.hollowUm === b.hollowUm &&
  a.nBlocked === b.nBlocked &&
  a.cure?.method === b.cure?.method &&
  a.recoat.whenMissed === b.recoat.whenMissed &&
  a.recoat.source === b.recoat.source;

const isSameLayer = (a: Layer, b: Layer): boolean =>
  a === b ||
  (a.kind === b.kind &&
    a.um === b.um &&
    (a.laid === b.laid || (a.laid !== undefined && b.laid !== undefined && isSameCoat(a.laid, b.laid))));

const isSameList = <T>(a: readonly T[], b: readonly T[], isSame: (a: T, b: T) => boolean): boolean =>
  a === b || (a.length === b.length && a.every((each, i) => isSame(each, b[i]!)));

const isSameScratch = (
  { surface: { scratch: a } }: ZoneState,
  { surface: { scratch: b } }: ZoneState,
): boolean =>
  a === b ||
  (a !== null && b !== null && a.grade === b.grade && a.tool === b.tool && a.depthUm === b.depthUm);

/**
 * Whether two states of one area are the same but for how clean they are, and for the times: since when they lie bare,
 * and when the windows of their coats open and close.
 */
export const isSameMatter = (a: ZoneState, b: ZoneState): boolean =>
  a.stack.length === b.stack.length &&
  topOf(a).um === topOf(b).um &&
  a.edge === b.edge &&
  a.isSoluble === b.isSoluble &&
  a.surface.lowUm === b.surface.lowUm &&
  a.surface.wavesUm === b.surface.wavesUm &&
  a.surface.wavelengthMm === b.surface.wavelengthMm &&
  a.surface.peelUm === b.surface.peelUm &&
  a.surface.hasPinholes === b.surface.hasPinholes &&
  isSameScratch(a, b) &&
  isSameList(a.stack, b.stack, isSameLayer) &&
  isSameList(a.openIssues, b.openIssues, Object.is) &&
  a.role === b.role &&
  a.zone === b.zone &&
  a.patch === b.patch &&
  a.extent === b.extent;
