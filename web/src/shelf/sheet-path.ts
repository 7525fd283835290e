/** Values inside a sheet by their path: `film.perCoatUm`. */

type Node = Readonly<Record<string, unknown>>;

/** What stands there; undefined where the way ends before. */
export const at = (value: unknown, path: string): unknown =>
  path.split('.').reduce<unknown>((node, name) => (node as Node | null | undefined)?.[name], value);

/** A copy with another value there; undefined takes the field away, and what it leaves empty with it. */
export function withAt<T>(value: T, path: string, next: unknown): T {
  const [name = '', ...rest] = path.split('.');
  const node = (value ?? {}) as Node;
  const inner = rest.length === 0 ? next : withAt(node[name], rest.join('.'), next);
  const { [name]: _, ...others } = node;
  const isGone = inner === undefined || (rest.length > 0 && isEmpty(inner));
  return (isGone ? others : { ...others, [name]: inner }) as T;
}

const isEmpty = (value: unknown): boolean =>
  typeof value === 'object' && value !== null && !Array.isArray(value) && Object.keys(value).length === 0;
