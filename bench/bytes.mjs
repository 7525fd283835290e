/** Bytes of the first view (gzip): what the jobs page loads, found by following static imports of the built app. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { report } from './lib.mjs';

const importsOf = (code) =>
  [...code.matchAll(/(?:from|import)\s*["']\.\/([\w-]+\.js)["']/g)].map((m) => m[1]);

function reach(folder, names) {
  const seen = new Set();
  const queue = [...names];
  while (queue.length > 0) {
    const name = queue.pop();
    if (seen.has(name)) continue;
    seen.add(name);
    queue.push(...importsOf(readFileSync(join(folder, name), 'utf8')));
  }
  return [...seen];
}

const gzipKb = (folder, names) =>
  names.reduce((sum, name) => sum + gzipSync(readFileSync(join(folder, name))).length, 0) / 1000;

export function benchBytes(root) {
  const folder = join(root, 'web/dist/assets');
  const html = readFileSync(join(root, 'web/dist/index.html'), 'utf8');
  const entry = html.match(/assets\/(index-[\w-]+\.js)/)[1];
  const code = readFileSync(join(folder, entry), 'utf8');
  const page = (name) => code.match(new RegExp(`${name}-[\\w-]+\\.js`))[0];
  const styles = (text) => [...new Set([...text.matchAll(/assets\/([\w-]+\.css)/g)].map((m) => m[1]))];
  report(
    'first view (jobs), script gzip',
    gzipKb(folder, reach(folder, [entry, page('JobsPage')])),
    'kB',
    400,
  );
  report(
    'system stage, script gzip',
    gzipKb(folder, reach(folder, [entry, page('PanelPage'), page('SystemStage')])),
    'kB',
  );
  const jobsStyle = code.match(/jobs-[\w-]+\.css/)[0];
  report('first view (jobs), style gzip', gzipKb(folder, [...styles(html), jobsStyle]), 'kB');
}
