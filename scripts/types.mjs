/** Type-checks every workspace; needs no build. */
import { join } from 'node:path';
import { root, run } from './setup.mjs';

for (const name of ['core', 'server', 'cli', 'web', 'e2e'])
  run(join(root, 'node_modules/.bin/tsc'), ['-p', `${name}/tsconfig.json`]);
