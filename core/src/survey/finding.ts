import { z } from 'zod';
import { explainGrade, type Grade } from '../materials/grades.ts';

/** What is wrong with a zone, in the words of the trade; each kind carries the figures it needs. */

const share = z.number().min(0).max(1);

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
  'unknown-plastic',
] as const;
const spread = ['peeling', 'checked', 'chips', 'reacted'] as const;

export const findingSchema = z.discriminatedUnion('kind', [
  z.looseObject({ kind: z.literal('coarse-scratches'), grit: gradeText }),
  z.looseObject({ kind: z.literal('low'), depthMm: z.number().positive().max(50) }),
  z.looseObject({
    kind: z.literal('waves'),
    um: z.number().positive().max(5000),
    wavelengthMm: z.number().positive().max(5000),
  }),
  z.looseObject({
    kind: z.literal('rub-through'),
    spotMm: z.number().positive().max(5000),
    count: z.number().int().min(1).max(1000).default(1),
  }),
  z.looseObject({ kind: z.enum(spread), share: share.default(1) }),
  z.looseObject({ kind: z.literal('texture'), want: z.enum(['keep', 'flatten']) }),
  z.looseObject({ kind: z.enum(['crack', 'hole']), lengthMm: z.number().positive().max(5000) }),
  z.looseObject({ kind: z.enum(plain) }),
]);

export type Finding = z.infer<typeof findingSchema>;
export type FindingKind = Finding['kind'];
export type PlainFinding = (typeof plain)[number];
export type SpreadFinding = (typeof spread)[number];
export const FINDING_KINDS: readonly FindingKind[] = [
  'coarse-scratches',
  'low',
  'waves',
  'rub-through',
  'texture',
  'crack',
  'hole',
  ...spread,
  ...plain,
];

/** The finding that a kind belongs to; several kinds may share one shape. */
type FindingOf<K extends FindingKind> = Finding extends infer F extends Finding
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
