import { readFileSync, statSync } from 'node:fs';
import {
  GRADES,
  MOST_JOB_BYTES,
  problemText,
  readGrade,
  numberProblem,
  readNumber,
  readJobText,
  type Grade,
  type JobFile,
} from '@blue-ledge/core';

/** Asks the person at the terminal; no where there is none. */
export type Ask = (question: string) => Promise<boolean>;

/** Something is wrong with what the user gave; the message says what and how to mend it. */
export class BadInput extends Error {}

/** @throws {BadInput} with one line for each problem of the file */
export function readJobFile(path: string): JobFile {
  const read = readJobText(readText(path));
  if (read.ok) return read.value;
  throw new BadInput(
    [`${path} was not read:`, ...read.problems.map((problem) => `  ${problemText(problem)}`)].join('\n'),
  );
}

function readText(path: string): string {
  try {
    const stat = statSync(path);
    if (!stat.isFile()) throw new BadInput(`${path} is no file: give the path of a job file`);
    const { size } = stat;
    if (size > MOST_JOB_BYTES)
      throw new BadInput(
        `${path} is ${Math.round(size / 1024 / 1024)} MB; a job file is at most ${MOST_JOB_BYTES / 1024 / 1024} MB. Split the job.`,
      );
    // Some editors put a mark of the byte order before the text.
    return readFileSync(path, 'utf8').replace(/^\uFEFF/, '');
  } catch (error) {
    if (error instanceof BadInput) throw error;
    throw new BadInput(
      `${path} cannot be read (${(error as NodeJS.ErrnoException).code}): give the path of a job file`,
    );
  }
}

/** The panel of a job that an option names, or the first. @throws {BadInput} for an id that the job does not have */
export function panelOf({ panels }: JobFile, id: string | undefined): JobFile['panels'][number] {
  const panel = id === undefined ? panels[0] : panels.find((each) => each.id === id);
  if (!panel)
    throw new BadInput(
      `--panel "${id}" is not in the job; it has ${panels.map((each) => each.id).join(', ')}`,
    );
  return panel;
}

/** JSON of any kind from a file. @throws {BadInput} where the file is none */
export function readJsonFile(path: string): unknown {
  const text = readText(path);
  try {
    return JSON.parse(text);
  } catch (error) {
    throw new BadInput(`${path} is not JSON: ${(error as Error).message}`);
  }
}

/** A number from the command line. @throws {BadInput} naming the option */
export const numberFor =
  (option: string, unit: string) =>
  (text: string): number => {
    const value = readNumber(text);
    if (value === null)
      throw new BadInput(
        `--${option} must be a number${unit ? ` in ${unit}` : ''}: ${numberProblem(text) ?? text}`,
      );
    return value;
  };

/** Numbers separated by a mark. @throws {BadInput} naming the option */
export const numbersFor =
  (option: string, mark: ':' | ',') =>
  (text: string): number[] =>
    text.split(mark).map(numberFor(option, `the form 4${mark}1${mark}2`));

/** A grade, FEPA or CAMI. @throws {BadInput} naming the option */
export const gradeFor =
  (option: string) =>
  (text: string): Grade => {
    const grade = readGrade(text);
    if (!grade)
      throw new BadInput(
        `--${option} "${text}" is in no table; use ${GRADES[0]} to ${GRADES[GRADES.length - 1]}, or "CAMI 400"`,
      );
    return grade;
  };

/** One word of a list. @throws {BadInput} naming the option and the words */
export const wordFor =
  <T extends string>(option: string, words: readonly T[]) =>
  (text: string): T => {
    const word = words.find((known) => known === text);
    if (!word) throw new BadInput(`--${option} must be one of ${words.join(', ')}; got "${text}"`);
    return word;
  };
