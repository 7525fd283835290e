import { gunFor, type Gun } from '../materials/equipment.ts';
import type { ProductSheet } from '../materials/sheet.ts';

/** The gun that a coat was sprayed with: one that has the tip that was written down, else the one that plans reckon with. */
export const gunOfCoat = (
  guns: readonly Gun[],
  tipMm: number | undefined,
  sheet: Pick<ProductSheet, 'tipMm'>,
): Gun | undefined =>
  guns.find(({ tipsMm }) => tipMm !== undefined && tipsMm.includes(tipMm)) ?? gunFor(guns, sheet.tipMm);
