import { TRANSFER_PERCENT_OF, gunFor, transferPercentOf } from '../materials/equipment.ts';
import { formOf, type ProductSheet } from '../materials/sheet.ts';
import type { Sourced } from '../wording/reason.ts';
import { ruleIn, type Context } from './context.ts';

/** What becomes of material on its way to the panel, by how it is put on. */

const AS_ITS_SHEET_PERCENT = 100;

/** What a brush, a knife or a cloth leaves on the panel, percent (default). */
const BY_HAND_PERCENT = 95;

/** Share of a product that lands, 0..1: by the shop's gun for it, else by the shop's figure. */
export function transferIn(sheet: ProductSheet, context: Pick<Context, 'shop'>): Sourced<number> {
  const form = formOf(sheet);
  if (form === 'aerosol') return { value: TRANSFER_PERCENT_OF.aerosol / 100, source: 'default' };
  if (form !== 'sprayed') return { value: BY_HAND_PERCENT / 100, source: 'default' };
  const gun = gunFor(context.shop.guns ?? [], sheet.tipMm);
  if (gun) return { value: transferPercentOf(gun) / 100, source: 'shop' };
  const { value, source } = ruleIn(context, 'sprayTransferPercent');
  return { value: value / 100, source };
}

/** Film that a sprayed coat really has, percent of what its sheet says: by the shop's gun for it, else by the shop's figure. */
export function filmPercentIn(sheet: ProductSheet, { shop }: Pick<Context, 'shop'>): Sourced<number> {
  if (formOf(sheet) !== 'sprayed') return { value: AS_ITS_SHEET_PERCENT, source: 'sheet' };
  const own = gunFor(shop.guns ?? [], sheet.tipMm)?.filmPercent;
  const { value, source } =
    own === undefined ? ruleIn({ shop }, 'coatFilmPercent') : { value: own, source: 'shop' as const };
  return { value, source: value === AS_ITS_SHEET_PERCENT ? 'sheet' : source };
}

/** A sheet with the film that its coats have in this shop. */
export function asSprayed(sheet: ProductSheet, context: Pick<Context, 'shop'>): ProductSheet {
  const { value } = filmPercentIn(sheet, context);
  if (value === AS_ITS_SHEET_PERCENT) return sheet;
  const { film } = sheet;
  const perCoatUm = Math.min(film.maxUm, (film.perCoatUm * value) / AS_ITS_SHEET_PERCENT);
  return { ...sheet, film: { ...film, perCoatUm } };
}
