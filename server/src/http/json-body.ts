import type { NextFunction, Request, Response } from 'express';
import { ProblemError } from './problem.ts';

/** Bodies come in as text; how deep they go is looked at before they are parsed. */

/** Deeper than any job file by far. */
const MOST_DEPTH = 40;
const OPENS = '[{';
const CLOSES = ']}';

/** Whether lists and objects lie in one another more than MOST_DEPTH deep; what stands in quotes does not count. */
function isTooDeep(text: string): boolean {
  let depth = 0;
  let isQuoted = false;
  for (let i = 0; i < text.length; i++) {
    const letter = text[i]!;
    if (isQuoted) {
      if (letter === '\\') i++;
      else if (letter === '"') isQuoted = false;
    } else if (letter === '"') isQuoted = true;
    else if (OPENS.includes(letter)) depth++;
    else if (CLOSES.includes(letter)) depth--;
    if (depth > MOST_DEPTH) return true;
  }
  return false;
}

/** @throws {ProblemError} for a text that goes too deep, or is no JSON */
function parse(text: string): unknown {
  if (text === '') return {};
  if (isTooDeep(text))
    throw new ProblemError(
      400,
      `Lists and objects lie in one another more than ${MOST_DEPTH} deep: no job does.`,
    );
  try {
    return JSON.parse(text);
  } catch (error) {
    throw new ProblemError(400, `This is not JSON: ${(error as Error).message}.`);
  }
}

const texts = new WeakMap<Request, string>();

/** The body as it was sent; empty where there was none. */
export const bodyTextOf = (request: Request): string => texts.get(request) ?? '';

/** Turns the text of a body into what it says. */
export function parseJsonBody(request: Request, _: Response, next: NextFunction): void {
  try {
    if (typeof request.body === 'string') {
      texts.set(request, request.body);
      request.body = parse(request.body);
    }
    next();
  } catch (error) {
    next(error);
  }
}
