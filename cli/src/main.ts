#!/usr/bin/env node
import { Command, CommanderError } from 'commander';
import { dewCommand } from './commands/dew.ts';
import { checkCommand, planCommand } from './commands/job.ts';
import { ladderCommand } from './commands/ladder.ts';
import { mixCommand } from './commands/mix.ts';
import { schemaCommand } from './commands/schema.ts';
import { telegraphCommand } from './commands/telegraph.ts';
import { BadInput } from './input.ts';

/** The command line: JSON to stdout, messages to stderr; exit 0 answered, 2 bad input, 1 a fault of the program. */

const ANSWERED = 0;
const FAULT = 1;
const BAD_INPUT = 2;

const program = new Command('ledge')
  .description(
    'Plans undercoat systems from a job file, and answers with the models behind them. Answers are JSON.',
  )
  .exitOverride()
  .configureOutput({ outputError: (text, write) => write(text) });

for (const command of [
  planCommand,
  checkCommand,
  schemaCommand,
  dewCommand,
  telegraphCommand,
  mixCommand,
  ladderCommand,
])
  program.addCommand(
    command((answer) => process.stdout.write(`${JSON.stringify(answer, null, 2)}\n`)).exitOverride(),
  );

try {
  await program.parseAsync();
  process.exitCode = ANSWERED;
} catch (error) {
  process.exitCode = exitCodeOf(error);
}

function exitCodeOf(error: unknown): number {
  if (error instanceof CommanderError) return error.exitCode === 0 ? ANSWERED : BAD_INPUT;
  if (error instanceof BadInput || error instanceof RangeError) {
    process.stderr.write(`${error.message}\n`);
    return BAD_INPUT;
  }
  process.stderr.write(
    `A fault of this program, not of your input: ${(error as Error).stack ?? String(error)}\n`,
  );
  return FAULT;
}
