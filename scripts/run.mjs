/** Running other programs, and telling a person who waits what takes long. */
import { spawn } from 'node:child_process';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = join(dirname(fileURLToPath(import.meta.url)), '..');

/** Path of a program that the packages brought. */
export const bin = (name) => join(root, 'node_modules', '.bin', name);

const say = (text) => process.stderr.write(`${text}\n`);

/** A program that ended badly. */
export class Failed extends Error {
  constructor(program, status) {
    super(`${program} ended with ${status}`);
    this.status = status;
  }
}

/** Runs a program in the project folder until it ends. Its output goes to stderr. @throws {Failed} */
export function run(program, args, options = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(program, args, { cwd: root, stdio: ['ignore', 2, 2], ...options });
    child.on('error', reject);
    child.on('exit', (status, signal) =>
      status === 0 ? resolve() : reject(new Failed(program, status ?? signal)),
    );
  });
}

const STILL_MS = 20_000;

/** Does work, and says that it begins, how long it usually takes, that it still goes on, and how long it took. */
export async function step(what, usually, work) {
  const start = performance.now();
  const seconds = () => `${Math.round((performance.now() - start) / 1000)} s`;
  say(`${what} (usually ${usually})...`);
  const still = setInterval(() => say(`  ${what}: ${seconds()} so far`), STILL_MS);
  try {
    const answer = await work();
    say(`  ${what}: done in ${seconds()}`);
    return answer;
  } finally {
    clearInterval(still);
  }
}

/** The main work of a script: what goes wrong ends it with a sentence, not with a trace. */
export async function main(work) {
  try {
    await work();
  } catch (error) {
    if (!(error instanceof Failed)) throw error;
    say(`${error.message}.`);
    process.exit(1);
  }
}
