#!/usr/bin/env node
import { createInterface } from 'node:readline/promises';
import { run } from './run.ts';

const FAULT = 1;

/** Nobody reads the rest of the answer, or there is no room for it: no fault of this program. */
function endsQuietly({ code }: NodeJS.ErrnoException): void {
  if (code === 'EPIPE') process.exit();
  process.stderr.write(`The answer could not be written (${code}): make room, or send it elsewhere.\n`);
  process.exit(FAULT);
}

async function ask(question: string): Promise<boolean> {
  const terminal = createInterface({ input: process.stdin, output: process.stderr });
  const answer = await terminal.question(`${question} [y/N] `);
  terminal.close();
  return /^y(es)?$/i.test(answer.trim());
}

process.stdout.on('error', endsQuietly);
// Who closed the messages hears of nothing any more.
process.stderr.on('error', () => undefined);

process.exitCode = await run(process.argv.slice(2), {
  out: (text) => void process.stdout.write(text),
  err: (text) => void process.stderr.write(text),
  ...(process.stdin.isTTY ? { ask } : {}),
});
