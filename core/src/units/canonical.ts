/**
 * One text for equal JSON values, in whatever order the fields of their objects were written.
 * @param isLeftOut fields that do not count, by name
 */
export const canonical = (value: unknown, isLeftOut: (name: string) => boolean = () => false): string =>
  // Nothing at all is a value too: `undefined` has no JSON of its own.
  JSON.stringify(value, (name, part: unknown) => {
    if (isLeftOut(name)) return undefined;
    if (typeof part !== 'object' || part === null || Array.isArray(part)) return part;
    return Object.fromEntries(Object.entries(part).sort(([a], [b]) => (a < b ? -1 : 1)));
  }) ?? '';

/** Whether two JSON values are equal; fields may stand in any order. */
export const isSameJson = (a: unknown, b: unknown): boolean => a === b || canonical(a) === canonical(b);
