import { z } from 'zod';
import { explainGrade, type Grade } from './grades.ts';

/** A grade as a person writes it; what comes out is always the P grade. */
export const gradeText = z
  .string()
  .max(20)
  .transform((text, context): Grade => {
    const read = explainGrade(text);
    if (read.ok) return read.grade;
    context.addIssue({ code: 'custom', message: read.message });
    return z.NEVER;
  });
