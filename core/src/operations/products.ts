import type { LayerKind } from '../materials/layer-kinds.ts';
import { workOf } from '../materials/product-work.ts';
import type { ProductSheet } from '../materials/sheet.ts';
import { isStripping, type OpName } from './act.ts';
import type { Context } from './context.ts';
import { memoize } from './state.ts';
import { eachOp, isProductFor, rowOf } from './table.ts';

/**
 * Which products of the shelf an operation lays down. The shelf is in the order in which its products are preferred; of
 * those that do the same work the first that may lie on the ground is taken.
 */

/** Work that a person chooses; what rules ask for in between is not. */
export const isChosenWork = (op: OpName): boolean =>
  rowOf(op).product !== undefined || isStripping({ op }) || op === 'hand-over';

type Meant = Pick<ProductSheet, 'kind' | 'use'>;

/** Epoxy that is reduced to seal with. */
export const isEpoxySealer = ({ kind, use }: Meant): boolean => kind === 'epoxy' && use === 'sealer';

type Shelf = Context['shelf'];

/** The shelf by what its products are there for, each list in the order of the shelf. */
export const productsByWork = memoize((shelf: Shelf): ReadonlyMap<string, readonly ProductSheet[]> => {
  const made = new Map<string, ProductSheet[]>();
  for (const sheet of shelf.values()) {
    const work = workOf(sheet);
    const others = made.get(work);
    if (others) others.push(sheet);
    else made.set(work, [sheet]);
  }
  return made;
});

const productsByOp = memoize((shelf: Shelf) =>
  eachOp((_, op) =>
    [...productsByWork(shelf).entries()]
      .filter(([, [first]]) => isProductFor(op, first!))
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([, sheets]) => sheets),
  ),
);

/** The products for an operation, those for the same work together, the preferred first. */
export const productsFor = (
  op: OpName,
  { shelf }: Pick<Context, 'shelf'>,
): readonly (readonly ProductSheet[])[] => productsByOp(shelf)[op];

/** The preferred product of a kind that may lie on one of these layers. */
export const sheetFor = (
  { shelf }: Pick<Context, 'shelf'>,
  kind: ProductSheet['kind'],
  on: readonly LayerKind[],
): ProductSheet | undefined => {
  for (const sheets of productsByWork(shelf).values()) {
    if (sheets[0]!.kind !== kind) continue;
    const found = sheets.find((sheet) => on.some((layer) => layer in sheet.over));
    if (found) return found;
  }
  return undefined;
};

/** The filler that is preferred on metal and composite; one that may lie on this layer where there is one. */
export const bodyFiller = ({ shelf }: Pick<Context, 'shelf'>, on?: LayerKind): ProductSheet | undefined =>
  ofGround(productsByWork(shelf).get('filler'), on);

/** The thickest that any filler for metal and composite may be, µm; undefined where there is none. */
export const deepestFillUm = ({ shelf }: Pick<Context, 'shelf'>): number | undefined => deepest(shelf).um;

const deepest = memoize((shelf: Shelf): { readonly um: number | undefined } => {
  const fillers = productsByWork(shelf).get('filler');
  return { um: fillers && Math.max(...fillers.map(({ film }) => film.maxUm)) };
});

/** The paste that is preferred on raw plastic; one for this plastic where there is one. */
export const plasticPaste = ({ shelf }: Pick<Context, 'shelf'>, on?: LayerKind): ProductSheet | undefined =>
  ofGround(productsByWork(shelf).get('filler for plastic'), on);

/** The glaze that is preferred; one that may lie on this layer where there is one. */
export const glazeFor = ({ shelf }: Pick<Context, 'shelf'>, on?: LayerKind): ProductSheet | undefined =>
  ofGround(productsByWork(shelf).get('glaze'), on);

const ofGround = (
  sheets: readonly ProductSheet[] = [],
  on: LayerKind | undefined,
): ProductSheet | undefined =>
  (on === undefined ? undefined : sheets.find(({ over }) => on in over)) ?? sheets[0];
