import { Command, CommanderError } from 'commander';
import { backupCommand, doctorCommand, restoreCommand } from './commands/archive.ts';
import { blockCommand } from './commands/block.ts';
import { cureCommand, flashCommand } from './commands/drying.ts';
import { dewCommand } from './commands/dew.ts';
import { hideCommand } from './commands/hide.ts';
import { checkCommand, planCommand } from './commands/job.ts';
import { judgeCommand } from './commands/judge.ts';
import { ladderCommand } from './commands/ladder.ts';
import { mixCommand } from './commands/mix.ts';
import { fillerCommand, flowCupCommand, pourCommand, rescueCommand } from './commands/pour.ts';
import { diagnoseCommand } from './commands/diagnose.ts';
import { recordCommand } from './commands/record.ts';
import { scheduleCommand } from './commands/schedule.ts';
import { schemaCommand } from './commands/schema.ts';
import { compressorCommand, filmCommand, paceCommand } from './commands/spray.ts';
import { telegraphCommand } from './commands/telegraph.ts';
import { BadInput, type Ask } from './input.ts';

/** The command line: JSON to stdout, messages to stderr; exit 0 answered, 2 bad input, 1 a fault of the program. */

const ANSWERED = 0;
const FAULT = 1;
const BAD_INPUT = 2;

export interface Streams {
  readonly out: (text: string) => void;
  readonly err: (text: string) => void;
  /** Left out where nobody sits there. */
  readonly ask?: Ask;
}

const COMMANDS = [
  planCommand,
  checkCommand,
  judgeCommand,
  schemaCommand,
  dewCommand,
  telegraphCommand,
  mixCommand,
  ladderCommand,
  blockCommand,
  filmCommand,
  flashCommand,
  cureCommand,
  hideCommand,
  pourCommand,
  rescueCommand,
  paceCommand,
  compressorCommand,
  flowCupCommand,
  fillerCommand,
  scheduleCommand,
  recordCommand,
  diagnoseCommand,
  backupCommand,
  restoreCommand,
  doctorCommand,
];

const nobody: Ask = () => Promise.resolve(false);

/** Runs one command line (without node and script name); returns the exit code and never throws. */
export async function run(args: readonly string[], { out, err, ask = nobody }: Streams): Promise<number> {
  const output = { writeOut: out, writeErr: err };
  const program = new Command('ledge')
    .description(
      'Plans undercoat systems from a job file, and answers with the models behind them. Answers are JSON.',
    )
    .exitOverride()
    .configureOutput(output);
  for (const command of COMMANDS)
    program.addCommand(
      command((answer) => out(`${JSON.stringify(answer, null, 2)}\n`), err, ask)
        .exitOverride()
        .configureOutput(output),
    );
  try {
    await program.parseAsync(args, { from: 'user' });
    return ANSWERED;
  } catch (error) {
    return failed(error, err);
  }
}

function failed(error: unknown, err: Streams['err']): number {
  if (error instanceof CommanderError) return error.exitCode === 0 ? ANSWERED : BAD_INPUT;
  if (error instanceof BadInput || error instanceof RangeError) {
    err(`${error.message}\n`);
    return BAD_INPUT;
  }
  err(`A fault of this program, not of your input: ${(error as Error).stack ?? String(error)}\n`);
  return FAULT;
}
