/** What can hurt someone at the bench; the product's safety sheet, local codes and licensed practice govern. */

export const GOVERNS = 'The product’s safety sheet, local codes and licensed practice govern.';

export const CAUTIONS = {
  isocyanate:
    'Isocyanate hardener: supplied-air breathing protection, skin and eye cover; no one unprotected in the zone, sensitised people out.',
  solvent:
    'Solvent: ventilation, no ignition source, metal cans earthed. Never warm paint or solvent in a microwave or over a flame.',
  peroxide: 'Peroxide hardener: eye protection, keep it apart from rags and accelerators.',
  acid: 'Acid primer: gloves and eye protection.',
  dust: 'Sanding it makes fine dust: extraction and P3 mask.',
  sandingDust: 'Sanding dust: extraction and P3 mask.',
  glassDust: 'Fiberglass dust: extraction, P3 mask, sleeves and collar closed.',
  oldFinish: 'Old finish may hold chromate or lead: test before dry sanding.',
  rags: 'Rags with solvent or paint: in a closed metal bin.',
  leftovers:
    'Leftover two-pack cures under supervision before disposal; all of it goes by local waste rules.',
  conditioner: 'Acid conditioner: gloves and eye protection; off the skin at once with water.',
  metalwork:
    'Metalwork: gloves, eyes and ears covered. No welding while solvent, foam or fresh paint is near.',
  static: 'Plastic loads static: earth the cans, no ignition source, wipe slowly in one direction.',
  partHeat: 'Heat on plastic: fumes and burns; keep the part supported and at 65 °C (149 °F) at most.',
  stripper: 'Paint stripper: gloves, goggles, moving air; off the skin at once with water.',
  blasting: 'Blasting: enclosed helmet with fed air, gloves, no silica sand.',
  resin: 'Resin and peroxide: gloves and eye protection; resin heats up as it sets.',
  uncured:
    'Uncured paint: gloves, eyes and skin covered; of two-pack also breathing protection as for spraying it.',
  heat: 'Lamp or oven: panel temperature, not air temperature; nothing with solvent nearby.',
} as const;

export type Caution = keyof typeof CAUTIONS;
