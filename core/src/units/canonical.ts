const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null;

const nothing = (): boolean => false;

/**
 * The canonical text of a JSON value (RFC 8785): one for equal values, in whatever order the fields of their objects
 * were written. Nothing at all is a value too: `undefined` is the empty text, and left out of objects.
 * @param isLeftOut fields that do not count, by name
 */
export function canonical(value: unknown, isLeftOut: (name: string) => boolean = nothing): string {
  if (Array.isArray(value))
    return `[${value.map((part: unknown) => canonical(part, isLeftOut) || 'null').join(',')}]`;
  if (!isObject(value)) return JSON.stringify(value) ?? '';
  let text = '';
  for (const name of Object.keys(value).sort()) {
    if (value[name] === undefined || isLeftOut(name)) continue;
    text += `${text && ','}${JSON.stringify(name)}:${canonical(value[name], isLeftOut)}`;
  }
  return `{${text}}`;
}

/** Whether two JSON values are equal; fields may stand in any order. */
export const isSameJson = (a: unknown, b: unknown): boolean => a === b || canonical(a) === canonical(b);
