/**
 * `npm test`: lint, format, types, unit tests, the record of behaviour, browser tests and a tiny round of the benchmarks,
 * on a fresh machine as well. All of them run whatever the others say; the last line sums them up. `npm run test:all` tries the long crossings
 * whole. `npm test -- PART [what its runner takes]` runs one part: `npm test -- unit core/src/film -t "four coats"`.
 */
import { spawn } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { build, compile } from './build.mjs';
import { chromium } from './chromium.mjs';
import { bin, main, root } from './run.mjs';
import { setup } from './setup.mjs';

const reports = join(root, 'test-results');
const env = { ...process.env };

/** Runs a program; what it prints is shown at once, or whole when it ends, where others print meanwhile. */
function program(path, args, { isBeside = false, extra = {} } = {}) {
  const title = `\n--- ${[path.replace(`${root}/`, ''), ...args].join(' ')}`;
  if (!isBeside) console.log(title);
  return new Promise((resolve) => {
    const child = spawn(path, args, {
      cwd: root,
      stdio: ['ignore', ...(isBeside ? ['pipe', 'pipe'] : ['inherit', 'inherit'])],
      env: { ...env, ...extra },
    });
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream?.on('data', (part) => (said += part));
    child.on('error', () => resolve(false));
    child.on('close', (status) => {
      if (isBeside) console.log(`${title}\n${said}`);
      resolve(status === 0);
    });
  });
}

/** A runner's own counts; a runner that ended badly without a failed test counts as one failure. */
function counted(report, ok, countsOf) {
  const counts = read(report, countsOf);
  return ok || counts.failed > 0 ? counts : { ...counts, failed: 1 };
}

function read(report, countsOf) {
  try {
    return countsOf(JSON.parse(readFileSync(report, 'utf8')));
  } catch {
    return { passed: 0, failed: 0 };
  }
}

const check = (ok) => ({ passed: ok ? 1 : 0, failed: ok ? 0 : 1 });

/** Titles of tests that passed only when they were tried again. */
const flakyOf = ({ suites = [], specs = [] }) => [
  ...suites.flatMap(flakyOf),
  ...specs
    .filter(({ tests }) => tests.some(({ status }) => status === 'flaky'))
    .map(({ file, line, title }) => `${file}:${line} ${title}`),
];

async function unitTests(args) {
  const report = join(reports, 'jest.json');
  const silent = args.length === 0 ? ['--silent'] : [];
  const ok = await program(bin('jest'), ['--json', `--outputFile=${report}`, ...silent, ...args]);
  return counted(report, ok, (r) => ({
    passed: r.numPassedTests,
    failed: r.numFailedTests + r.numRuntimeErrorTestSuites,
  }));
}

async function browserTests(args) {
  const report = join(reports, 'playwright.json');
  const ok = await program(bin('playwright'), ['test', '-c', 'e2e', '--reporter=list,json', ...args], {
    extra: { PLAYWRIGHT_JSON_OUTPUT_NAME: report, CHROMIUM: await chromium() },
  });
  return counted(report, ok, ({ stats, ...all }) => {
    const flaky = flakyOf(all);
    if (flaky.length > 0)
      console.log(`\nFlaky, which counts as failed:\n${flaky.map((title) => `  ${title}`).join('\n')}`);
    return { passed: stats.expected, failed: stats.unexpected + stats.flaky };
  });
}

const BESIDE = { isBeside: true };
const lint = async (args) => check(await program(bin('eslint'), args.length > 0 ? args : ['.'], BESIDE));
const format = async (args) =>
  check(
    await program(
      bin('prettier'),
      ['--check', '--log-level', 'warn', ...(args.length > 0 ? args : ['.'])],
      BESIDE,
    ),
  );
const benchRound = async (args) =>
  check(await program(process.execPath, [join(root, 'scripts/bench.mjs'), '--tiny', ...args], BESIDE));
const behaviour = async (args) =>
  check(
    await program(
      process.execPath,
      [join(root, 'scripts/behaviour.mjs'), ...(env.LEDGE_TESTS === 'all' ? [] : ['--sample']), ...args],
      BESIDE,
    ),
  );
const types = async () => {
  console.log('\n--- types');
  return check(
    await compile().then(
      () => true,
      () => false,
    ),
  );
};

/** Parts by name, each with what has to be built before. */
const PARTS = {
  lint: { run: lint, needs: [] },
  format: { run: format, needs: [] },
  types: { run: types, needs: [] },
  unit: { run: unitTests, needs: ['core', 'server'] },
  behaviour: { run: behaviour, needs: ['core'] },
  browser: { run: browserTests, needs: ['core', 'server', 'web'] },
  bench: { run: benchRound, needs: ['core', 'server', 'web'] },
};

/** What was compiled is bundled; one failure where that does not work. */
const bundled = () =>
  build(PARTS.browser.needs, Promise.resolve()).then(
    () => check(true),
    () => check(false),
  );

/** Short parts run beside the unit tests; browser tests have the machine to themselves. */
async function everything() {
  const typed = types();
  const ready = typed.then(bundled);
  const beside = (async () => {
    const tidy = [await lint([]), await format([])];
    await ready;
    return [...tidy, await behaviour([]), await benchRound([])];
  })();
  const built = [await typed, await ready];
  const unit = await unitTests([]);
  return [...built, ...(await beside), unit, await browserTests([])];
}

async function onePart(name, args) {
  const { run, needs } = PARTS[name];
  await build(needs);
  return [await run(args)];
}

await main(async () => {
  const [first, ...others] = process.argv.slice(2);
  const isAll = first === '--all';
  const [part, args] = isAll ? [undefined, []] : [first, others];
  if (part !== undefined && !(part in PARTS)) {
    console.error(`There is no part "${part}": it is one of ${Object.keys(PARTS).join(', ')}.`);
    process.exit(1);
  }
  if (isAll) env.LEDGE_TESTS = 'all';
  const [{ database }] = await Promise.all([
    setup(),
    part === undefined || part === 'browser' ? chromium() : undefined,
  ]);
  await database;
  rmSync(reports, { recursive: true, force: true });
  mkdirSync(reports, { recursive: true });
  const results = await (part === undefined ? everything() : onePart(part, args));
  const passed = results.reduce((sum, result) => sum + result.passed, 0);
  const failed = results.reduce((sum, result) => sum + result.failed, 0);
  console.log(`\n${passed} passed, ${failed} failed`);
  process.exit(failed === 0 ? 0 : 1);
});
