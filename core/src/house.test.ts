import { readFileSync, readdirSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';

/** The house by its imports: nothing goes round in a circle, and what core shows to others is used by them. */

const root = resolve(__dirname, '../..');
const OUTSIDE = ['web/src', 'server/src', 'server/test', 'cli/src', 'cli/test', 'e2e', 'bench', 'behaviour'];

const sourcesIn = (folder: string): string[] =>
  readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.(tsx?|mjs)$/.test(name) && !name.includes('node_modules'))
    .map((name) => join(root, folder, name));

const textOf = (file: string): string => readFileSync(file, 'utf8');

/** Files of the same folder that a file imports. */
function importsOf(file: string): string[] {
  const named = textOf(file).matchAll(/(?:import|export)\s[^;]*?from\s+'(\.[^']+)'/g);
  return [...named].map(([, path]) => resolve(dirname(file), path!));
}

/** Files that import themselves by way of others, the way there in words. */
function circlesIn(folder: string): string[] {
  const files = sourcesIn(folder).filter((file) => !file.includes('.test.'));
  const next = new Map(files.map((file) => [file, importsOf(file)]));
  const done = new Set<string>();
  const found: string[] = [];
  const walk = (file: string, way: readonly string[]): void => {
    const at = way.indexOf(file);
    if (at >= 0) found.push([...way.slice(at), file].map((each) => relative(root, each)).join(' -> '));
    if (at >= 0 || done.has(file)) return;
    for (const other of next.get(file) ?? []) walk(other, [...way, file]);
    done.add(file);
  };
  for (const file of files) walk(file, []);
  return found;
}

test.each(['core/src', 'web/src', 'server/src', 'cli/src'])(
  '%s: no import goes round in a circle',
  (folder) => {
    expect(circlesIn(folder)).toEqual([]);
  },
);

test('what the public surface of core exports is used outside of it', () => {
  const texts = OUTSIDE.flatMap(sourcesIn).map(textOf);
  const used = new Set(texts.flatMap((text) => text.match(/\w+/g) ?? []));
  const exported = [
    ...textOf(join(root, 'core/src/index.ts')).matchAll(/export (?:type )?\{([^}]*)\}/g),
  ].flatMap(([, names]) =>
    names!
      .split(',')
      .map((name) => name.trim().replace(/^type |.* as /g, ''))
      .filter(Boolean),
  );
  expect(exported.length).toBeGreaterThan(300);
  expect(exported.filter((name) => !used.has(name))).toEqual([]);
});
