import type { ProductSheet } from '../materials/sheet.ts';
import { isSanding, type Act } from '../operations/act.ts';
import type { ZoneState } from '../operations/state.ts';

/** What can hurt someone at a step; the product's safety sheet, local codes and licensed practice govern. */

export const GOVERNS = 'The product’s safety sheet, local codes and licensed practice govern.';

const BY_HAZARD: Record<ProductSheet['hazards'][number], string> = {
  isocyanate:
    'Isocyanate hardener: supplied-air breathing protection, skin and eye cover; no one unprotected in the zone, sensitised people out.',
  solvent:
    'Solvent: ventilation, no ignition source, metal cans earthed. Never warm paint or solvent in a microwave or over a flame.',
  peroxide: 'Peroxide hardener: eye protection, keep it apart from rags and accelerators.',
  acid: 'Acid primer: gloves and eye protection.',
  dust: 'Sanding it makes fine dust: extraction and P3 mask.',
};
const SANDING_DUST = 'Sanding dust: extraction and P3 mask.';
const GLASS_DUST = 'Fiberglass dust: extraction, P3 mask, sleeves and collar closed.';
const OLD_FINISH = 'Old finish may hold chromate or lead: test before dry sanding.';
const WASTE =
  'Rags in a closed metal bin; leftover two-pack cures under supervision before disposal by local waste rules.';
const HEAT = 'Lamp or oven: panel temperature, not air temperature; nothing with solvent nearby.';

/** The cautions of one act on these zones. */
export function cautionsOf(act: Act, zones: readonly ZoneState[], sheet: ProductSheet | undefined): string[] {
  const cautions: string[] = [];
  if (isSanding(act)) {
    cautions.push(
      zones.some(({ stack }) => stack.some(({ kind }) => kind === 'fiberglass')) ? GLASS_DUST : SANDING_DUST,
    );
    if (zones.some((zone) => zone.stack.some((layer) => layer.kind.startsWith('old-finish'))))
      cautions.push(OLD_FINISH);
  }
  if (act.op === 'degrease') cautions.push(BY_HAZARD.solvent);
  if (act.op === 'cure' && act.method === 'bake') cautions.push(HEAT);
  for (const hazard of sheet?.hazards ?? []) cautions.push(BY_HAZARD[hazard]);
  if (sheet) cautions.push(WASTE);
  return cautions.length > 0 ? [...cautions, GOVERNS] : [];
}
