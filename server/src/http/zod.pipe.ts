import { problemsOf } from '@blue-ledge/core';
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

/** One schema at the door of each request; what passes is typed and trusted. */
export class ZodPipe<T> implements PipeTransform<unknown, T> {
  constructor(private readonly schema: z.ZodType<T>) {}

  transform(value: unknown): T {
    return parsedBy(this.schema, value);
  }
}
