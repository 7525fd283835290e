import { newFinding, type Finding } from '../survey/finding.ts';
import { FINDING_KINDS, findingRow, type FindingField, type FindingKind } from '../survey/findings.ts';
import type { ZoneSketch } from '../survey/sketch.ts';

/** The crossings of what a survey can say of a zone, made from the rows: a new kind of finding is in them by being a row. */

/** From the ground up: every layer that can be found lies in one of them. */
export const STACKS = [
  'steel',
  'zinc-steel',
  'aluminium',
  'steel/ecoat:20',
  'steel/ecoat:20/old-finish:95',
  'zinc-steel/old-finish:110',
  'aluminium/ecoat:20/old-finish:90',
  'steel/part-primer:30',
  'steel/old-finish-soluble:120',
  'steel/epoxy:60',
  'steel/epoxy:50/build:100',
  'steel/filler:700',
  'zinc-steel/filler:800',
  'steel/epoxy:40/filler:600/glaze:200',
  'steel/filler:900/old-finish:110',
  'steel/old-finish:100/filler:800/old-finish:100',
  'steel/etch:8/filler:500',
  'steel/epoxy:40/seam:1500',
  'steel/epoxy:40/seam:1500/old-finish:100',
  'steel/epoxy:50/texture:600',
  'fiberglass',
  'fiberglass/old-finish:100',
  'fiberglass/filler:500',
  'plastic-rigid',
  'plastic-olefin',
  'plastic-soft',
  'plastic-soft/old-finish:80',
  'plastic-primed',
  'plastic-olefin/old-finish:90',
] as const;

/** Sizes that a finding may have besides its usual one. */
const SMALL_AND_LARGE: readonly object[] = [{ sizeMm: 6 }, { sizeMm: 220 }, { areaM2: 0.01 }];
const FEW_AND_MANY = [1, 60];
/** Figures are tried at a fifth of what a new finding has, and at three times as much. */
const TIMES = [0.2, 3];
const MOST_CHOICES = 3;

const others = (field: FindingField, blank: Finding): unknown[] => {
  const now = (blank as Readonly<Record<string, unknown>>)[field.name];
  switch (field.kind) {
    case 'choice':
      return field.options.filter((option) => option !== now).slice(0, MOST_CHOICES);
    case 'share':
      return [0.02, 0.9];
    case 'count':
      return FEW_AND_MANY;
    case 'number':
      return typeof now === 'number' ? TIMES.map((times) => now * times) : [];
  }
};

/** A kind with its usual figures, with each of them otherwise, and in other sizes where it is not of its whole zone. */
export function variantsOf(kind: FindingKind): Finding[] {
  const { fields, where } = findingRow(kind);
  const blank = newFinding(kind);
  const figured = fields.flatMap((field) =>
    others(field, blank).map((value) => ({ ...blank, [field.name]: value }) as Finding),
  );
  const sized = where === 'zone' ? [] : SMALL_AND_LARGE.map((size) => ({ ...blank, ...size }) as Finding);
  return [blank, ...figured, ...sized];
}

const AREAS_M2 = [0.03, 1.2, 20];
/** What a zone lies beside: nothing, or the repair from which colour fades out over it. */
export const BESIDE: readonly { readonly facts: object; readonly others: readonly ZoneSketch[] }[] = [
  { facts: {}, others: [] },
  {
    facts: { role: 'blend' },
    others: [
      {
        stack: 'steel/ecoat:20/old-finish:95',
        areaM2: 1,
        findings: [newFinding('low')],
        facts: { role: 'refinish' },
      },
    ],
  },
];

/** Findings that meet on one zone. */
const TOGETHER: readonly (readonly FindingKind[])[] = [
  ['overspray', 'open-joint'],
  ['low', 'rust-surface'],
  ['chips', 'low', 'orange-peel'],
  ['overspray', 'coarse-scratches'],
  ['dressing', 'texture', 'open-joint'],
  ['low', 'low'],
];

/** Colour may fade out on it, which is asked of sound finish only. */
const isBlended = (stack: string): boolean => /\/old-finish(-soluble)?:\d+$/.test(stack);

/** Every stack with every finding as it is usually entered, with others, and where it was to be blended beside a repair. */
export const usualCrossings = (): ZoneSketch[][] =>
  STACKS.flatMap((stack) => [
    ...BESIDE.filter(({ others }) => others.length === 0 || isBlended(stack)).flatMap(({ facts, others }) =>
      FINDING_KINDS.map((kind) => [{ stack, areaM2: 1.2, findings: [newFinding(kind)], facts }, ...others]),
    ),
    ...TOGETHER.map((kinds) => [{ stack, areaM2: 1.2, findings: kinds.map(newFinding) }]),
  ]);

/** Every stack with every finding in every size and place: the zones of a panel, that with the finding first. */
export function crossings(): ZoneSketch[][] {
  const found = [
    ...FINDING_KINDS.flatMap((kind) => variantsOf(kind).map((finding) => [finding])),
    ...TOGETHER.map((kinds) => kinds.map(newFinding)),
  ];
  return STACKS.flatMap((stack) =>
    BESIDE.flatMap(({ facts, others }) =>
      AREAS_M2.flatMap((areaM2) => found.map((findings) => [{ stack, areaM2, findings, facts }, ...others])),
    ),
  );
}
