import { inModes } from '../materials/modes.ts';
import type { ProductSheet } from '../materials/sheet.ts';
import { canonical } from '../units/canonical.ts';
import type { Context } from '../operations/context.ts';
import { workOf } from '../materials/product-work.ts';
import { productsByWork } from '../operations/products.ts';
import { memoize } from '../operations/state.ts';

/**
 * What a plan keeps of the shop's shelf: in full the sheets that mattered, of the others only what shows later whether
 * the shelf is still the same. A shop may have thousands of sheets and hundreds of plans.
 */
export interface KeptShelf {
  readonly sheets: ProductSheet[];
  /** A mark for each kind of work that the shop's own sheets do. */
  readonly shelf: Record<string, string>;
}

/** FNV-1a, 32 bits: two shelves with the same mark are taken to be the same. */
function markOf(text: string): string {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  return (hash >>> 0).toString(16);
}

/** What a sheet costs, and how often it was edited, change nothing in how it is worked with. */
export const isBesideWork = (field: string): boolean => field === 'pricePerLitre' || field === 'version';

/** What each way of mixing a sheet is there for, and all that counts of it, in one text. */
const waysOf = memoize((sheet: ProductSheet) =>
  inModes(sheet).map((way) => ({ work: workOf(way), name: canonical(way, isBesideWork) })),
);

/** Marks of the shop's own sheets, by what they are there for: they change with every new, changed or removed sheet. */
export const shelfMarks = memoize((sheets: readonly ProductSheet[]): Record<string, string> => {
  const names = new Map<string, string[]>();
  for (const { work, name } of sheets.flatMap(waysOf)) {
    const known = names.get(work);
    if (known) known.push(name);
    else names.set(work, [name]);
  }
  return Object.fromEntries([...names].map(([work, list]) => [work, markOf(list.sort().join('\n'))]));
});

/** @param used ids of the sheets that the plan's systems lay */
export function keptShelf(
  sheets: readonly ProductSheet[],
  used: ReadonlySet<string>,
  { shelf }: Context,
): KeptShelf {
  // The head of each list is what rules ask for, also where nothing of it is laid.
  const byWork = productsByWork(shelf);
  const heads = new Set([...byWork.values()].map(([first]) => first!.id));
  // An archived one says that nothing built in stands in for it, where the shop has no other.
  const isKept = ({ id, isArchived, ...way }: ProductSheet): boolean =>
    used.has(id) || heads.has(id) || (isArchived === true && !byWork.has(workOf(way)));
  return {
    sheets: sheets.filter((sheet) => inModes(sheet).some(isKept)),
    shelf: shelfMarks(sheets),
  };
}
