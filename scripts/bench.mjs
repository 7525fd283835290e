/** `npm run bench`: figures and ratios, never pass or fail. With `--tiny` a round that only shows that all of them run. */
import { build } from './build.mjs';
import { main, root } from './run.mjs';
import { setup } from './setup.mjs';

await main(async () => {
  const { database } = await setup();
  await Promise.all([build(['core', 'server', 'web']), database]);
});

const BENCHES = [
  ['plan', 'benchPlan'],
  ['shelf', 'benchShelf'],
  ['schedule', 'benchSchedule'],
  ['exact', 'benchExact'],
  ['blocking', 'benchBlocking'],
  ['drag', 'benchDrag'],
  ['start', 'benchStart'],
  ['server', 'benchServer'],
  ['record', 'benchRecord'],
  ['screens', 'benchScreens'],
  ['pour', 'benchPour'],
  ['bytes', 'benchBytes'],
];
const wanted = process.argv.slice(2).filter((name) => !name.startsWith('--'));
for (const [file, name] of BENCHES) {
  if (wanted.length > 0 && !wanted.includes(file)) continue;
  const bench = await import(`../bench/${file}.mjs`);
  await bench[name](root);
}
