import type { Surface, ZoneState } from './state.ts';

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

/** The area with some of its facts changed; the others stay as they are. */
export const changed = (area: ZoneState, to: AreaChange): ZoneState => ({
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
