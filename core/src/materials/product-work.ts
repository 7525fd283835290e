import { GENERIC_SHELF } from './generic-shelf.ts';
import { LAYER_KINDS, isRawPlastic, labelOf, type LayerKind } from './layer-kinds.ts';
import { inModes } from './modes.ts';
import { isForSpots, type ProductSheet } from './sheet.ts';

/** What products are there for: those that do the same work stand for each other, and one of them is taken. */

/** A product made for plastic: its sheet lets it lie on raw plastic. */
export const isForPlastic = ({ over }: Pick<ProductSheet, 'over'>): boolean =>
  Object.keys(over).some((kind) => isRawPlastic(kind as LayerKind));

/** What a product is there for: those with the same name do the same work. */
export const workOf = (sheet: Pick<ProductSheet, 'kind' | 'use' | 'over'>): string =>
  [sheet.kind, sheet.use ?? '', sheet.kind === 'filler' && isForPlastic(sheet) ? 'plastic' : '']
    .filter((word) => word !== '')
    .join(' for ');

/** The same in words: "direct-to-metal build", "epoxy as sealer", "filler for plastic". */
export function workWords(work: string): string {
  const [kind, use] = work.split(' for ');
  const label = kind! in LAYER_KINDS ? labelOf(kind as LayerKind) : kind!;
  if (use === undefined) return label;
  return use === 'sealer' ? `${label} as sealer` : `${label} for ${use}`;
}

/** Sheets that stand for themselves by their id: no shop has one in their place by having another of their kind. */
export const standsById = ({ kind }: Pick<ProductSheet, 'kind'>): boolean =>
  kind === 'cleaner' || kind === 'guide-coat';

/** Built-in sheets that stand in for products of a shop, by their work. */
const STAND_INS = GENERIC_SHELF.filter((sheet) => !standsById(sheet));

/** Work for which a shop may have a product or none. */
export const PRODUCT_WORKS = [...new Set(STAND_INS.map(workOf))];

/**
 * Built-in sheets in force: for work for which the shop never had a product of its own, archived ones counted, and of
 * which it does not say that it has none. A spray can or a brush of its own leaves what is for all of a panel.
 * @param own the shop's sheets, archived ones as well
 * @param noneOf work for which the shop says that it has no product
 */
export function standIns(own: readonly ProductSheet[], noneOf: readonly string[] = []): ProductSheet[] {
  const owned = own.flatMap(inModes);
  const without = new Set([...owned.filter((sheet) => !isForSpots(sheet)).map(workOf), ...noneOf]);
  const withoutSpots = new Set(owned.map(workOf));
  const isDisplaced = (sheet: ProductSheet): boolean =>
    without.has(workOf(sheet)) || (isForSpots(sheet) && withoutSpots.has(workOf(sheet)));
  return GENERIC_SHELF.filter((sheet) => standsById(sheet) || !isDisplaced(sheet));
}

/** Work for which the shop has no product, and no built-in sheet stands in; as standIns has it. */
export function worksMissing(own: readonly ProductSheet[], noneOf: readonly string[] = []): string[] {
  const inUse = own.filter(({ isArchived }) => !isArchived).flatMap(inModes);
  const there = new Set([...inUse, ...standIns(own, noneOf)].map(workOf));
  return PRODUCT_WORKS.filter((work) => !there.has(work));
}
