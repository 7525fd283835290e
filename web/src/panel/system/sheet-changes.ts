import { isSameJson, type ProductSheet } from '@blue-ledge/core';
import { FIELDS } from '../../shelf/sheet-fields.ts';
import { at } from '../../shelf/sheet-path.ts';

/** What a product's sheet says otherwise than the one that a plan was made with: numbers by their field, the rest by name. */

const PARTS = [
  ['components', 'what is mixed'],
  ['cure', 'cure'],
  ['over', 'what it may lie on'],
  ['modes', 'ways of mixing'],
  ['tonesL', 'tones'],
  ['form', 'how it is put on'],
] as const satisfies readonly (readonly [keyof ProductSheet, string])[];

const text = (value: unknown): string => (value === undefined || value === null ? 'not said' : String(value));

/** "Pot life 60, now 45" */
function fieldChanges(before: ProductSheet, now: ProductSheet): string[] {
  return FIELDS.flatMap(({ path, label }) => {
    const [was, is] = [at(before, path), at(now, path)];
    return isSameJson(was, is) ? [] : [`${label} ${text(was)}, now ${text(is)}`];
  });
}

/** One sentence for each product that changed, came or went among those that two plans are made from. */
export function sheetChanges(before: readonly ProductSheet[], now: readonly ProductSheet[]): string[] {
  const was = new Map(before.map((sheet) => [sheet.id, sheet]));
  const is = new Map(now.map((sheet) => [sheet.id, sheet]));
  const changed = now.flatMap((sheet) => {
    const old = was.get(sheet.id);
    if (!old) return [`${sheet.name}: new on the shelf.`];
    if (isSameJson(old, sheet)) return [];
    const parts = PARTS.flatMap(([part, words]) => (isSameJson(old[part], sheet[part]) ? [] : [words]));
    const all = [...fieldChanges(old, sheet), ...parts];
    return [`${sheet.name}: ${all.length > 0 ? all.join('; ') : `version ${sheet.version}`}.`];
  });
  const gone = before.flatMap(({ id, name }) => (is.has(id) ? [] : [`${name}: not taken any more.`]));
  return [...changed, ...gone];
}
