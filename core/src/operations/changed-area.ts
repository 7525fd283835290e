import type { Matter, Surface, ZoneState } from './state.ts';

/**
 * What an operation changes of an area, by name. Written out: the planner does this more often than anything else, and a
 * spread of so many facts takes five times as long.
 */

type SurfaceChange = Partial<Surface>;
export type AreaChange = Partial<Omit<ZoneState, 'surface'>> & { readonly surface?: SurfaceChange };

const changedSurface = (surface: Surface, to: SurfaceChange): Surface => ({
  soil: to.soil ?? surface.soil,
  isTacked: to.isTacked ?? surface.isTacked,
  scratch: to.scratch === undefined ? surface.scratch : to.scratch,
  hasGuideCoat: to.hasGuideCoat ?? surface.hasGuideCoat,
  wavesUm: to.wavesUm ?? surface.wavesUm,
  wavelengthMm: to.wavelengthMm ?? surface.wavelengthMm,
  peelUm: to.peelUm ?? surface.peelUm,
  lowUm: to.lowUm ?? surface.lowUm,
  hasPinholes: to.hasPinholes ?? surface.hasPinholes,
});

/** What cleaning changes, and time: the matter of an area stays the same. */
const PASSING: ReadonlySet<string> = new Set<keyof Surface>(['soil', 'isTacked', 'hasGuideCoat']);

function isPassing(to: AreaChange): boolean {
  for (const name in to) if (name !== 'surface' && name !== 'bareSinceMin') return false;
  for (const name in to.surface) if (!PASSING.has(name)) return false;
  return true;
}

export const newMatter = (): Matter => ({ kind: 'matter' });

/** The area with some of its facts changed; the others stay as they are. */
export const changed = (area: ZoneState, to: AreaChange): ZoneState => ({
  matter: isPassing(to) ? area.matter : newMatter(),
  zone: to.zone ?? area.zone,
  patch: to.patch === undefined ? area.patch : to.patch,
  extent: to.extent ?? area.extent,
  role: to.role ?? area.role,
  stack: to.stack ?? area.stack,
  surface: to.surface ? changedSurface(area.surface, to.surface) : area.surface,
  edge: to.edge ?? area.edge,
  isSoluble: to.isSoluble ?? area.isSoluble,
  openIssues: to.openIssues ?? area.openIssues,
  bareSinceMin: to.bareSinceMin === undefined ? area.bareSinceMin : to.bareSinceMin,
});
