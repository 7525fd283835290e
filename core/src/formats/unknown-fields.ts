import type { z } from 'zod';

/**
 * Fields of a value that its schema does not name. A file keeps them for the program that wrote them; what comes over the
 * network may have none, for nothing would ever look at them again.
 */

/** What a schema is made of, as far as it is walked here. */
interface Definition {
  readonly type: string;
  readonly shape?: Readonly<Record<string, z.ZodType>>;
  readonly element?: z.ZodType;
  readonly innerType?: z.ZodType;
  readonly in?: z.ZodType;
  readonly out?: z.ZodType;
  readonly options?: readonly z.ZodType[];
  /** Field by which a union says which of its options a value is. */
  readonly discriminator?: string;
  readonly values?: readonly unknown[];
  readonly entries?: Readonly<Record<string, unknown>>;
  readonly valueType?: z.ZodType;
  readonly left?: z.ZodType;
  readonly right?: z.ZodType;
  readonly items?: readonly z.ZodType[];
  readonly catchall?: z.ZodType;
}

const definitionOf = (schema: z.ZodType): Definition => schema._zod.def as unknown as Definition;

const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** An object of which nothing is named takes anything: what is in it is looked at elsewhere. */
function ofObject({ shape = {} }: Definition, value: unknown, path: string): string[] {
  if (!isObject(value) || Object.keys(shape).length === 0) return [];
  return Object.entries(value).flatMap(([name, field]) => {
    const at = path === '' ? name : `${path}.${name}`;
    return Object.hasOwn(shape, name) ? unknownFields(shape[name]!, field, at) : [at];
  });
}

/** Numbers, texts and the like have no fields: long lists of them are not walked. */
const FIELDLESS: ReadonlySet<string> = new Set(['number', 'string', 'boolean', 'enum', 'literal']);

const ofList = (element: z.ZodType, value: unknown, path: string): string[] =>
  Array.isArray(value) && !FIELDLESS.has(definitionOf(element).type)
    ? value.flatMap((each, i) => unknownFields(element, each, `${path}.${i}`))
    : [];

/** The option that the discriminator of a union names; nothing where it has none, or it names none. */
function namedOption({ options = [], discriminator }: Definition, value: unknown): z.ZodType | undefined {
  if (discriminator === undefined || !isObject(value)) return undefined;
  const said = value[discriminator];
  return options.find((option) => {
    const field = definitionOf(option).shape?.[discriminator];
    const { values = [], entries = {} } = field ? definitionOf(field) : {};
    return values.includes(said) || Object.values(entries).includes(said);
  });
}

/** Of what a value may be, that which it is: where it may be several, the one that knows most of it. */
function ofUnion(definition: Definition, value: unknown, path: string): string[] {
  const named = namedOption(definition, value);
  if (named) return unknownFields(named, value, path);
  const { options = [] } = definition;
  const unknown = options
    .filter((option) => option.safeParse(value).success)
    .map((option) => unknownFields(option, value, path));
  return unknown.toSorted((a, b) => a.length - b.length)[0] ?? [];
}

/** What both sides do not know; of a field that one does not know, it knows nothing that is in it either. */
function ofBoth({ left, right }: Definition, value: unknown, path: string): string[] {
  const [ofLeft, ofRight] = [unknownFields(left!, value, path), unknownFields(right!, value, path)];
  const isIn = (field: string, others: readonly string[]): boolean =>
    others.some((other) => field === other || field.startsWith(`${other}.`));
  return [
    ...ofLeft.filter((field) => isIn(field, ofRight)),
    ...ofRight.filter((field) => !ofLeft.includes(field) && isIn(field, ofLeft)),
  ];
}

/**
 * Paths of the fields that a schema does not name, each as `zones.2.colour`; what lies in such a field is not named again.
 * @param value one that the schema takes
 */
export function unknownFields(schema: z.ZodType, value: unknown, path = ''): string[] {
  const definition = definitionOf(schema);
  switch (definition.type) {
    case 'object':
      return ofObject(definition, value, path);
    case 'array':
      return ofList(definition.element!, value, path);
    case 'union':
      return ofUnion(definition, value, path);
    case 'intersection':
      return ofBoth(definition, value, path);
    case 'record':
      return isObject(value)
        ? Object.entries(value).flatMap(([name, each]) =>
            unknownFields(definition.valueType!, each, path === '' ? name : `${path}.${name}`),
          )
        : [];
    case 'pipe':
      // What is made ready before it is checked is described by what checks it.
      return unknownFields(
        definitionOf(definition.in!).type === 'transform' ? definition.out! : definition.in!,
        value,
        path,
      );
    default:
      return definition.innerType ? unknownFields(definition.innerType, value, path) : [];
  }
}

/** What stands at a path; nothing where it ends before. */
const at = (value: unknown, path: string): unknown =>
  path
    .split('.')
    .reduce<unknown>((node, name) => (node as Record<string, unknown> | undefined)?.[name], value);

/** How much text the fields at some paths are, as JSON. */
export const sizeOfFields = (value: unknown, paths: readonly string[]): number =>
  paths.reduce((sum, path) => sum + path.length + JSON.stringify(at(value, path) ?? null).length, 0);
