import { z } from 'zod';
import { sheetSchema } from '../materials/sheet.ts';
import type { RecordHead } from '../record/chain.ts';
import { recordSchema, type Entry } from '../record/entry.ts';
import { panelSchema, type Panel } from '../survey/panel.ts';
import { shopSchema, targetSchema } from '../survey/shop.ts';
import { idSchema } from '../survey/zone.ts';
import { grouped } from '../units/grouped.ts';
import { sizeOfFields, unknownFields } from './unknown-fields.ts';

/** The open job file: one JSON object, version 1. Unknown extra fields ride along. */

export const JOB_FORMAT = 'blue-ledge-job';
export const JOB_VERSION = 1;
/** Files over this size are refused before they are parsed. */
export const MOST_JOB_BYTES = 8 * 1024 * 1024;

export const jobFactsSchema = z.looseObject({
  id: idSchema,
  title: z.string().trim().min(1, 'needs a title').max(160),
  customer: z.string().trim().max(160).optional(),
  /** What the customer asked for, as it was said. */
  customerWords: z.string().trim().max(2000, 'must be at most 2000 characters').optional(),
  /** Day on which it is due. */
  dueOn: z.iso.date('must be a day such as 2026-12-09').optional(),
  target: targetSchema.prefault({}),
});
export type JobFacts = z.infer<typeof jobFactsSchema>;

/** A panel list may not grow over this. */
export const MOST_PANELS = 200;

/** What a file says of a panel besides the panel: its record, and how long that was and where it ended when it was saved. */
const carriedSchema = z.object({
  record: recordSchema.optional(),
  recordHead: z
    .object({
      entries: z.number().int().min(0, 'must be 0 or more'),
      head: z.string().regex(/^[0-9a-f]{64}$/, 'must be the hash of the last entry'),
    })
    .optional(),
});
type Carried = { readonly record?: readonly Entry[]; readonly recordHead?: RecordHead };

/** What is wrong with the record that a panel carries; it stays as it was written, for its chain to be checked. */
const recordIssues = (panel: object) =>
  (carriedSchema.safeParse(panel).error?.issues ?? []).map(({ path, message }) => ({
    code: 'custom' as const,
    path,
    message,
  }));

/** The record that a panel of a file carries, as it was written. */
export const recordOfPanel = (panel: object): readonly Entry[] => (panel as Carried).record ?? [];

/** How the record of a panel stood when the file was saved; nothing where the file does not say. */
export const recordHeadOf = (panel: object): RecordHead | undefined => (panel as Carried).recordHead;

/** A panel as a file carries it. */
export const withRecord = (panel: Panel, record: readonly Entry[]): Panel & Carried =>
  record.length === 0
    ? panel
    : { ...panel, record, recordHead: { entries: record.length, head: record.at(-1)!.hash } };

/** A panel of a file without what the file says of its record. */
export function withoutRecord(panel: Panel): Panel {
  const { record: _record, recordHead: _recordHead, ...rest } = panel as Panel & Carried;
  return rest as Panel;
}

export const jobFileSchema = z.looseObject({
  format: z.literal(JOB_FORMAT),
  version: z.literal(JOB_VERSION),
  job: jobFactsSchema,
  shop: shopSchema.prefault({}),
  panels: z
    .array(panelSchema, { error: 'is missing: a job needs a list of panels' })
    .min(1, 'needs at least one panel')
    .max(MOST_PANELS, `may hold at most ${MOST_PANELS} panels`)
    .superRefine((panels, context) => {
      const seen = new Set<string>();
      panels.forEach((panel, i) => {
        if (seen.has(panel.id))
          context.addIssue({
            code: 'custom',
            path: [i, 'id'],
            message: `"${panel.id}" is used twice; give each panel its own id`,
          });
        seen.add(panel.id);
        for (const issue of recordIssues(panel)) context.addIssue({ ...issue, path: [i, ...issue.path] });
      });
    }),
  sheets: z.array(sheetSchema).max(4000).default([]),
});

export type JobFile = z.infer<typeof jobFileSchema>;

/** What of a job file is the job itself, extra fields included: the rest stands for itself. */
export type JobBody = Pick<JobFile, 'format' | 'version' | 'job'>;

/** One thing wrong with what was given: where, and a sentence with the remedy. */
export interface Problem {
  /** Path such as `panels.0.zones.2.areaM2`; empty for the file as a whole. */
  readonly path: string;
  readonly message: string;
}

export type Read<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: readonly Problem[] };

const refused = (message: string, path = ''): Read<never> => ({ ok: false, problems: [{ path, message }] });

/** Reads a job from the text of a file: everything is checked first, nothing is half taken in. */
export function readJobText(text: string): Read<JobFile> {
  if (text.length > MOST_JOB_BYTES)
    return refused(
      `The file is larger than ${MOST_JOB_BYTES / 1024 / 1024} MB; a job file is a few hundred kB. Split the job.`,
    );
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
    return refused(
      `This is not JSON: ${(error as Error).message}. Save the job again, or mend the file at that place.`,
    );
  }
  return readJob(json);
}

/** Reads a job from parsed JSON. */
export function readJob(json: unknown): Read<JobFile> {
  if (typeof json !== 'object' || json === null || Array.isArray(json))
    return refused('A job file is one JSON object with "format", "version", "job", "shop" and "panels".');
  const { format, version } = json as Record<string, unknown>;
  if (format !== JOB_FORMAT)
    return refused(`must be "${JOB_FORMAT}"; this is not a Blue Ledge job file`, 'format');
  if (typeof version === 'number' && version > JOB_VERSION)
    return refused(
      `The file is version ${version}; this program reads version ${JOB_VERSION}. Update the program to open it.`,
      'version',
    );
  const parsed = jobFileSchema.safeParse(json);
  if (!parsed.success) return { ok: false, problems: problemsOf(parsed.error) };
  const problems = tooMuchUnknown(json, unknownInJob(json));
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: parsed.data };
}

/** What a job file carries of a panel besides what a survey says. */
const panelInFileSchema = panelSchema.and(carriedSchema);
const fileSchema = z.looseObject({
  ...jobFileSchema.shape,
  panels: z.array(panelInFileSchema),
});

/**
 * Paths of the fields of a job file that this program does not know: it keeps them for the one that wrote them. Entries of
 * a record are whole as they are: what is in them was signed for.
 */
export const unknownInJob = (json: unknown): string[] =>
  unknownFields(fileSchema, json).filter((path) => !/^panels\.\d+\.record\./.test(path));

/** So much that it does not know is kept of each panel, and of all that stands beside panels. */
const MOST_UNKNOWN_BYTES = 64 * 1024;

function tooMuchUnknown(json: object, paths: readonly string[]): Problem[] {
  const places = grouped(paths, (path) => /^panels\.\d+/.exec(path)?.[0] ?? '');
  return [...places].flatMap(([place, of]) => {
    const size = sizeOfFields(json, of);
    if (size <= MOST_UNKNOWN_BYTES) return [];
    const names = `${of.slice(0, 5).join(', ')}${of.length > 5 ? ` and ${of.length - 5} more` : ''}`;
    const message = `has ${Math.ceil(size / 1024)} kB of fields that this program does not know (${names}); at most ${MOST_UNKNOWN_BYTES / 1024} kB are kept. Take them out of the file.`;
    return [{ path: place, message }];
  });
}

const MOST_PROBLEMS = 20;
const TYPE_WORDS: Readonly<Record<string, string>> = {
  number: 'a number',
  string: 'a text',
  boolean: 'true or false',
  array: 'a list',
  object: 'an object with named fields',
};

/** What a size is counted in, by the type of the field. */
const SIZE_WORDS: Readonly<Record<string, string>> = { string: ' characters', array: ' entries' };

/** A value outside its range, in words where its schema has none of its own. */
function rangeWords(issue: z.core.$ZodIssue): string | null {
  if (issue.code === 'too_big' && issue.message.startsWith('Too big'))
    return `must be at most ${issue.maximum}${SIZE_WORDS[issue.origin] ?? ''}`;
  if (issue.code === 'too_small' && issue.message.startsWith('Too small'))
    return `must be ${issue.inclusive ? 'at least' : 'more than'} ${issue.minimum}${SIZE_WORDS[issue.origin] ?? ''}`;
  return null;
}

/** A word that is none of those allowed. */
const choiceWords = ({ message }: z.core.$ZodIssue): string | null =>
  /^Invalid (option|discriminator)/.test(message)
    ? `must be one of: ${[...message.matchAll(/["']([^"']+)["']/g)].map(([, word]) => word).join(', ')}`
    : null;

/** A field that is missing, of another type or out of its range, in words where its schema has none of its own. */
function messageOf(issue: z.core.$ZodIssue): string {
  const own = rangeWords(issue) ?? choiceWords(issue);
  if (own) return own;
  const words = issue.code === 'invalid_type' ? TYPE_WORDS[issue.expected] : undefined;
  if (!words || !issue.message.startsWith('Invalid input')) return issue.message;
  return issue.message.endsWith('undefined') ? `is missing: give ${words}` : `must be ${words}`;
}

/** Zod's issues as sentences, at most 20, the path in dots. */
export function problemsOf(error: z.ZodError): Problem[] {
  return error.issues
    .slice(0, MOST_PROBLEMS)
    .map((issue) => ({ path: issue.path.join('.'), message: messageOf(issue) }));
}

/** The sentence for one problem, with its field named. */
export const problemText = ({ path, message }: Problem): string => (path ? `${path}: ${message}` : message);
