import type { ProductSheet } from '../materials/sheet.ts';
import { isSanding, isStripping, type Act, type OpName } from '../operations/act.ts';
import { hasIssue, type ZoneState } from '../operations/state.ts';

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
const RAGS = 'Rags with solvent or paint: in a closed metal bin.';
const LEFTOVERS =
  'Leftover two-pack cures under supervision before disposal; all of it goes by local waste rules.';
const ACID = 'Acid conditioner: gloves and eye protection; off the skin at once with water.';
const METALWORK =
  'Metalwork: gloves, eyes and ears covered. No welding while solvent, foam or fresh paint is near.';
const STATIC = 'Plastic loads static: earth the cans, no ignition source, wipe slowly in one direction.';
const PART_HEAT = 'Heat on plastic: fumes and burns; keep the part supported and at 65 °C (149 °F) at most.';
const STRIPPER = 'Paint stripper: gloves, goggles, moving air; off the skin at once with water.';
const BLASTING = 'Blasting: enclosed helmet with fed air, gloves, no silica sand.';
const RESIN = 'Resin and peroxide: gloves and eye protection; resin heats up as it sets.';
const UNCURED =
  'Uncured paint: gloves, eyes and skin covered; of two-pack also breathing protection as for spraying it.';
const HEAT = 'Lamp or oven: panel temperature, not air temperature; nothing with solvent nearby.';

const BY_OP: Partial<Record<OpName, readonly string[]>> = {
  degrease: [BY_HAZARD.solvent, RAGS],
  'antistatic-wipe': [BY_HAZARD.solvent, STATIC, RAGS],
  // The rub that tells a soluble finish is done with thinner.
  test: [BY_HAZARD.solvent, RAGS],
  temper: [PART_HEAT],
  'warm-out': [PART_HEAT],
  condition: [ACID],
  'metal-repair': [METALWORK],
  'strip-chemical': [STRIPPER, OLD_FINISH],
  'strip-blast': [BLASTING, OLD_FINISH],
  'laminate-repair': [RESIN, GLASS_DUST],
};

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
  // It is scraped off and washed off with thinner before anything is sanded.
  if (isStripping(act) && zones.some((zone) => hasIssue(zone, 'uncured')))
    cautions.push(UNCURED, BY_HAZARD.solvent, RAGS, LEFTOVERS);
  cautions.push(...(BY_OP[act.op] ?? []));
  if (act.op === 'cure' && act.method === 'bake') cautions.push(HEAT);
  for (const hazard of sheet?.hazards ?? []) cautions.push(BY_HAZARD[hazard]);
  if (sheet) cautions.push(RAGS, LEFTOVERS);
  return cautions.length > 0 ? [...cautions, GOVERNS] : [];
}
