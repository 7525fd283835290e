import {
  SHEET_NUMBERS,
  isOfMode,
  sheetField,
  type ProductSheet,
  type SheetFieldRow,
  type SheetNumberPath,
} from '@blue-ledge/core';

/** The numbers of a product sheet as its form asks for them, part by part. */

export interface SheetField extends SheetFieldRow {
  readonly path: SheetNumberPath;
}

export interface FieldGroup {
  readonly id: string;
  readonly title: string;
  readonly fields: readonly SheetField[];
}

export const FIELDS: readonly SheetField[] = SHEET_NUMBERS.map((path) => ({ path, ...sheetField(path) }));

const TITLES = {
  order: 'Price and order',
  mixing: 'After mixing',
  film: 'Film',
  times: 'Times',
  air: 'Air',
} as const satisfies Record<SheetFieldRow['group'], string>;

export const FIELD_GROUPS: readonly FieldGroup[] = Object.entries(TITLES).map(([id, title]) => ({
  id,
  title,
  fields: FIELDS.filter(({ group }) => group === id),
}));

/** Figures of a group that each way of mixing may have for itself. */
export const fieldsOfMode = ({ fields }: FieldGroup): readonly SheetField[] =>
  fields.filter(({ path }) => isOfMode(path));

const WORDS = {
  epoxy: 'Epoxy primer',
  etch: 'Etch primer',
  dtm: 'Direct-to-metal build',
  build: 'High-build primer',
  'wet-on-wet': 'Wet-on-wet primer',
  sealer: 'Sealer',
  promoter: 'Adhesion promoter',
  'plastic-primer': 'Plastic primer',
  filler: 'Filler',
  glaze: 'Glaze',
  seam: 'Seam sealer',
  texture: 'Texture coat',
  cleaner: 'Cleaner',
  'guide-coat': 'Guide coat',
} as const satisfies Partial<Record<ProductSheet['kind'], string>>;

/** Kinds that a shop keeps sheets of. */
export const SHELF_KINDS = Object.keys(WORDS) as (keyof typeof WORDS)[];

/** "Epoxy primer, as sealer" */
export const kindWords = ({ kind, use }: Pick<ProductSheet, 'kind' | 'use'>): string =>
  ((WORDS as Partial<Record<ProductSheet['kind'], string>>)[kind] ?? kind) +
  (use === 'sealer' ? ', as sealer' : '');
