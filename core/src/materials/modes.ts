import type { ProductSheet, SheetMode } from './sheet.ts';

/** A product that is mixed in several ways counts as so many products, each with the figures of its way. */

/** Id of a product in one of its ways: "epoxy-1-1/sealer". */
const modeId = (sheetId: string, mode: string): string => `${sheetId}/${mode}`;

/** The sheet a product's way is kept on. */
export const sheetIdOf = (id: string): string => id.split('/')[0]!;

const definedOf = (fields: object): object =>
  Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined));

/** The sheet with what a way of mixing changes in place of its own. */
export function asMode({ modes: _, ...sheet }: ProductSheet, mode: SheetMode): ProductSheet {
  const { id, name, ...changes } = mode;
  // A way with a kind of its own is used as that kind is, whatever the sheet itself is for.
  const use = changes.use ?? (changes.kind === undefined ? sheet.use : undefined);
  const { use: _sheetUse, ...usual } = sheet;
  return {
    ...usual,
    ...definedOf(changes),
    ...(use === undefined ? {} : { use }),
    id: modeId(sheet.id, id),
    name: `${sheet.name}, ${name}`,
  };
}

/** A product in each way in which it is mixed, as the sheet has it first. */
export const inModes = (sheet: ProductSheet): ProductSheet[] => [
  sheet,
  ...(sheet.modes ?? []).map((mode) => asMode(sheet, mode)),
];
