import { z } from 'zod';
import { FINDINGS, FINDING_KINDS, SIZE, findingRow, type FindingKind } from './findings.ts';

/** A finding on a zone: its kind, the figures of its row, and its size where somebody measured it. */

type SchemaOf<K extends FindingKind> = z.ZodObject<
  Omit<typeof SIZE, keyof (typeof FINDINGS)[K]['figures']> &
    (typeof FINDINGS)[K]['figures'] & { kind: z.ZodLiteral<K> },
  z.core.$loose
>;
type AnySchema = { [K in FindingKind]: SchemaOf<K> }[FindingKind];

const schemaOf = <K extends FindingKind>(kind: K) =>
  z.looseObject({ ...SIZE, kind: z.literal(kind), ...FINDINGS[kind].figures }) as unknown as SchemaOf<K>;

export const findingSchema = z.discriminatedUnion(
  'kind',
  FINDING_KINDS.map(schemaOf) as unknown as readonly [AnySchema, ...AnySchema[]],
);

/** The finding that a kind belongs to. */
export type FindingOf<K extends FindingKind> = { [Own in K]: z.output<SchemaOf<Own>> }[K];
export type Finding = FindingOf<FindingKind>;

/** The first finding of a kind, typed, or undefined. */
export const findingOf = <K extends FindingKind>(
  findings: readonly Finding[],
  kind: K,
): FindingOf<K> | undefined => findings.find((finding) => finding.kind === kind) as FindingOf<K> | undefined;

/** All findings of a kind, typed. */
export const findingsOf = <K extends FindingKind>(findings: readonly Finding[], kind: K): FindingOf<K>[] =>
  findings.filter((finding) => finding.kind === kind) as unknown as FindingOf<K>[];

/** A finding in the words of the bench: "chips", "pitted rust", "crack". */
export const findingWords = ({ kind }: Pick<Finding, 'kind'>): string => findingRow(kind).label;

/** A new finding of a kind, as its row begins it. */
export const newFinding = (kind: FindingKind): Finding => ({ kind, ...findingRow(kind).blank }) as Finding;
