import { problemsOf } from '@blue-ledge/core';
import type { PipeTransform } from '@nestjs/common';
import type { z } from 'zod';
import { ProblemError } from './problem.ts';

/** One schema at the door of each request; what passes is typed and trusted. */
export class ZodPipe<T> implements PipeTransform<unknown, T> {
  constructor(private readonly schema: z.ZodType<T>) {}

  transform(value: unknown): T {
    const parsed = this.schema.safeParse(value);
    if (parsed.success) return parsed.data;
    throw new ProblemError(400, 'Some of what was sent cannot be used.', problemsOf(parsed.error));
  }
}
