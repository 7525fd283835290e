/**
 * `npm test`: lint, types, unit tests, browser tests, on a fresh machine as well.
 * All of them run whatever the others say; the last line sums them up.
 */
import { spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { chromium } from './chromium.mjs';
import { build, root, setup } from './setup.mjs';

setup();
const browser = chromium();
const reports = join(root, 'test-results');
rmSync(reports, { recursive: true, force: true });
mkdirSync(reports, { recursive: true });

const env = { ...process.env, CHROMIUM: browser };
const program = (name, args, extra = {}) => {
  console.log(`\n--- ${name} ${args.join(' ')}`);
  return (
    spawnSync(join(root, 'node_modules/.bin', name), args, {
      cwd: root,
      stdio: 'inherit',
      env: { ...env, ...extra },
    }).status === 0
  );
};
const node = (script) => {
  console.log(`\n--- ${script}`);
  return spawnSync(process.execPath, [join(root, script)], { cwd: root, stdio: 'inherit', env }).status === 0;
};

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

function unitTests() {
  const report = join(reports, 'jest.json');
  const ok = program('jest', ['--json', `--outputFile=${report}`, '--silent']);
  return counted(report, ok, (r) => ({
    passed: r.numPassedTests,
    failed: r.numFailedTests + r.numRuntimeErrorTestSuites,
  }));
}

function browserTests() {
  const report = join(reports, 'playwright.json');
  build(['core', 'server', 'web']);
  const ok = program('playwright', ['test', '-c', 'e2e', '--reporter=list,json'], {
    PLAYWRIGHT_JSON_OUTPUT_NAME: report,
  });
  return counted(report, ok, ({ stats }) => ({
    passed: stats.expected + stats.flaky,
    failed: stats.unexpected,
  }));
}

const results = [
  check(program('eslint', ['.'])),
  check(program('prettier', ['--check', '--log-level', 'warn', '.'])),
  check(node('scripts/types.mjs')),
  unitTests(),
  browserTests(),
];
const passed = results.reduce((sum, result) => sum + result.passed, 0);
const failed = results.reduce((sum, result) => sum + result.failed, 0);
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
