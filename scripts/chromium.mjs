/** Finds the system's Chromium for browser tests and pictures; on Debian it is installed where it is missing. */
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { run, step } from './run.mjs';

/** The shell without windows of its own starts a page in half the time. */
const PLACES = [
  '/usr/bin/chromium-headless-shell',
  '/usr/bin/chromium',
  '/usr/bin/chromium-browser',
  '/usr/bin/google-chrome',
];
const find = () => [process.env.CHROMIUM, ...PLACES].find((path) => path && existsSync(path));

const install = async (name) => {
  await run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', name], {
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  });
};

/** Path of Chromium. Ends the process with a sentence where there is none and none can be installed. */
export async function chromium() {
  const found = find();
  if (found) return found;
  const canInstall = process.getuid?.() === 0 && spawnSync('apt-get', ['--version']).status === 0;
  if (!canInstall) {
    process.stderr.write(
      'The browser tests need Chromium: install your system’s package, or set CHROMIUM to its path.\n',
    );
    process.exit(1);
  }
  await step('Installing Chromium from the system’s packages', '30 s', async () => {
    await run('apt-get', ['update', '-qq']);
    await install('chromium-headless-shell').catch(() => install('chromium'));
  });
  return find();
}
