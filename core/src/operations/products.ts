import type { ProductSheet } from '../materials/sheet.ts';
import type { OpName } from './act.ts';
import type { Context } from './context.ts';

/** Which products of the shelf an operation lays down. */

/** The kind of sheet that an operation works with; operations that lay nothing are not here. */
export const SHEET_KIND_OF: Partial<Record<OpName, ProductSheet['kind']>> = {
  promote: 'promoter',
  'prime-epoxy': 'epoxy',
  'prime-etch': 'etch',
  'prime-dtm': 'dtm',
  'prime-build': 'build',
  'prime-plastic': 'plastic-primer',
  'prime-wet-on-wet': 'wet-on-wet',
  seal: 'sealer',
  fill: 'filler',
  glaze: 'glaze',
  'plastic-repair': 'filler',
  'seam-seal': 'seam',
  'texture-coat': 'texture',
};

const OP_OF_USE: Record<NonNullable<ProductSheet['use']>, OpName> = { sealer: 'seal' };

/** Whether a product is meant for an operation: by the use that its sheet names, else by its kind. */
export const isProductFor = (op: OpName, { kind, use }: Pick<ProductSheet, 'kind' | 'use'>): boolean =>
  use === undefined ? kind === SHEET_KIND_OF[op] : op === OP_OF_USE[use];

/** Epoxy that is reduced to seal with. */
export const isEpoxySealer = ({ kind, use }: Pick<ProductSheet, 'kind' | 'use'>): boolean =>
  kind === 'epoxy' && use === 'sealer';

/** The products for an operation, by their ids. */
export const productsFor = (op: OpName, { shelf }: Pick<Context, 'shelf'>): ProductSheet[] =>
  [...shelf.values()].filter((sheet) => isProductFor(op, sheet)).sort((a, b) => (a.id < b.id ? -1 : 1));
