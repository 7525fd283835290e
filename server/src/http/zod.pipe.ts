import { problemsOf, unknownFields } from '@blue-ledge/core';
import type { PipeTransform } from '@nestjs/common';
import type { z } from 'zod';
import { ProblemError } from './problem.ts';

/**
 * The value as a schema reads it.
 * @param path where it stands in what was sent
 * @throws {ProblemError} 400 that names every field that is wrong
 */
export function parsedBy<T>(schema: z.ZodType<T>, value: unknown, path = ''): T {
  const parsed = schema.safeParse(value);
  if (parsed.success) return parsed.data;
  const problems = problemsOf(parsed.error).map((problem) => ({
    ...problem,
    path: [path, problem.path].filter(Boolean).join('.'),
  }));
  throw new ProblemError(400, 'Some of what was sent cannot be used.', problems);
}

const NAMES_SHOWN = 20;

/** A path whatever its place in a list: what lies before it may have come or gone. */
const anyPlace = (path: string): string => path.replaceAll(/(^|\.)\d+(?=\.|$)/g, '$1*');

/**
 * Refuses fields that a schema does not name: nothing would ever look at them again.
 * @param before what was there already: fields that it has may stay, for they came with a job file
 * @throws {ProblemError} 400 that names them
 */
export function mustBeKnown(schema: z.ZodType, value: unknown, before: unknown = {}, path = ''): void {
  const kept = new Set(unknownFields(schema, before).map(anyPlace));
  refuse(
    unknownFields(schema, value).filter((field) => !kept.has(anyPlace(field))),
    path,
  );
}

/** @throws {ProblemError} 400 that names fields that nobody knows, where there are any */
function refuse(unknown: readonly string[], path = ''): void {
  if (unknown.length === 0) return;
  const problems = unknown.slice(0, NAMES_SHOWN).map((field) => ({
    path: [path, field].filter(Boolean).join('.'),
    message: 'is no field that is known here: leave it out, or correct its name',
  }));
  throw new ProblemError(400, 'Some of what was sent cannot be used.', problems);
}

interface PipeOptions {
  /** Fields in which those that are not known are looked at later, where it is known what was there before. */
  readonly later?: readonly string[];
}

/** One schema at the door of each request; what passes is typed and trusted. */
export class ZodPipe<T> implements PipeTransform<unknown, T> {
  constructor(
    private readonly schema: z.ZodType<T>,
    private readonly options: PipeOptions = {},
  ) {}

  transform(value: unknown): T {
    const parsed = parsedBy(this.schema, value);
    const { later = [] } = this.options;
    refuse(
      unknownFields(this.schema, value).filter(
        (path) => !later.some((field) => path.startsWith(`${field}.`)),
      ),
    );
    return parsed;
  }
}
