import { z } from 'zod';
import { explainGrade, type Grade } from '../materials/grades.ts';

/** What is wrong with a zone, in the words of the trade; each kind carries the figures it needs and may carry its size. */

const share = z.number().min(0, 'must be 0 or more').max(1, 'must be at most 1, the whole zone');
const mm = z.number().positive('must be more than 0 mm').max(5000, 'must be at most 5000 mm');
const countOf = z
  .number()
  .int('must be a whole number')
  .min(1, 'must be at least 1')
  .max(1000, 'must be at most 1000');

/**
 * How far a finding goes, by any of these; where none is given it is taken as its kind usually is (patches.ts).
 * `areaM2` is the area over which it is spread, `sizeMm` the width of one place, `lengthMm` of one that is long.
 */
const size = {
  areaM2: z.number().positive('must be more than 0 m²').max(200, 'must be at most 200 m²').optional(),
  sizeMm: mm.optional(),
  count: countOf.optional(),
  lengthMm: mm.optional(),
  share: share.optional(),
  /** Where it was marked on the panel, mm: for the drawing only. */
  atMm: z.tuple([z.number(), z.number()]).optional(),
};

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

const plain = [
  'pinholes',
  'rust-surface',
  'rust-pitted',
  'rust-through',
  'orange-peel',
  'release-agent',
  'dressing',
  'glue-residue',
  'overspray',
  'edge',
  'open-joint',
  'unknown-plastic',
] as const;
const spread = ['peeling', 'checked', 'chips', 'reacted'] as const;

export const findingSchema = z.discriminatedUnion('kind', [
  z.looseObject({ ...size, kind: z.literal('coarse-scratches'), grit: gradeText }),
  z.looseObject({ ...size, kind: z.literal('low'), depthMm: z.number().positive().max(50) }),
  z.looseObject({ ...size, kind: z.literal('high'), heightMm: z.number().positive().max(50) }),
  z.looseObject({
    ...size,
    kind: z.literal('waves'),
    um: z.number().positive().max(5000),
    wavelengthMm: z.number().positive().max(5000),
  }),
  z.looseObject({ ...size, kind: z.literal('rub-through'), spotMm: mm, count: countOf.default(1) }),
  z.looseObject({ ...size, kind: z.enum(spread) }),
  z.looseObject({ ...size, kind: z.literal('texture'), want: z.enum(['keep', 'flatten']) }),
  z.looseObject({ ...size, kind: z.enum(['crack', 'hole']), lengthMm: mm }),
  z.looseObject({ ...size, kind: z.enum(plain) }),
]);

export type Finding = z.infer<typeof findingSchema>;
export type FindingKind = Finding['kind'];
export type PlainFinding = (typeof plain)[number];
export type SpreadFinding = (typeof spread)[number];
export const FINDING_KINDS: readonly FindingKind[] = [
  'coarse-scratches',
  'low',
  'high',
  'waves',
  'rub-through',
  'texture',
  'crack',
  'hole',
  ...spread,
  ...plain,
];

/** The finding that a kind belongs to; several kinds may share one shape. */
export type FindingOf<K extends FindingKind> = Finding extends infer F extends Finding
  ? F extends Finding
    ? K extends F['kind']
      ? F
      : never
    : never
  : never;

/** The first finding of a kind, typed, or undefined. */
export const findingOf = <K extends FindingKind>(
  findings: readonly Finding[],
  kind: K,
): FindingOf<K> | undefined => findings.find((finding) => finding.kind === kind) as FindingOf<K> | undefined;
