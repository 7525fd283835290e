import { isBodyOp, isCoatOp, type OpName } from '../operations/act.ts';
import type { Step } from '../planner/plan.ts';

/** The checks that end a step, in the words in which they are done at the bench. */

export const CHECK_KINDS = [
  'water-break',
  'tack-free',
  'thumbnail',
  'fingertip',
  'dust-gone',
  'raking-light',
  'pinholes',
  'film',
  'test-card',
  'edges-flat',
  'bright-metal',
  'neutral',
  'scratch-even',
  'no-nibs',
  'key',
] as const;
export type CheckKind = (typeof CHECK_KINDS)[number];

export interface Check {
  readonly check: CheckKind;
  readonly title: string;
  readonly how: string;
}

const WORDS: Readonly<Record<CheckKind, readonly [title: string, how: string]>> = {
  'water-break': ['Water runs off as one sheet', 'where it beads, something is still on it: clean again'],
  'tack-free': ['Tack cloth comes away clean', 'last wipe is one way, without pressing'],
  thumbnail: ['Thumbnail leaves no mark', 'press it in a hidden place'],
  fingertip: ['Gloved fingertip stays clean', 'touch masking or a hidden place, never the face'],
  'dust-gone': ['Guide coat is gone everywhere', 'dust that stays lies in a low: go on, or stop and fill'],
  'raking-light': ['Raking light shows no wave or scratch', 'from both sides, low over the panel'],
  pinholes: ['No pinholes', 'look close, in light from the side'],
  film: ['Film is read', 'five places, the edges and highs among them'],
  'test-card': ['Test card is right', 'spray a card first: fan, wet film, no run'],
  'edges-flat': ['Edges feel flat by hand', 'flat of the hand across the edge: no step'],
  'bright-metal': ['Metal is bright all over', 'no dark spot of rust or old finish is left'],
  neutral: ['Rinsed and neutral', 'nothing of stripper or acid is left in seams'],
  'scratch-even': ['One scratch all over', 'no shine left, no coarser scratch between'],
  'no-nibs': ['No nibs, no runs', 'look in light from the side while it can still be put right'],
  key: ['Dull all over', 'shine is where the coat would let go'],
};

const SPRAYED: readonly CheckKind[] = ['test-card', 'no-nibs'];
const BUILDS: ReadonlySet<OpName> = new Set(['prime-build', 'prime-dtm']);

const BY_OP: Partial<Record<OpName, readonly CheckKind[]>> = {
  wash: ['water-break'],
  degrease: ['water-break'],
  'antistatic-wipe': ['water-break'],
  tack: ['tack-free'],
  abrade: ['scratch-even'],
  scuff: ['key'],
  feather: ['edges-flat'],
  'strip-sand': ['edges-flat'],
  'strip-chemical': ['neutral'],
  'strip-blast': ['bright-metal'],
  'remove-rust': ['bright-metal'],
  condition: ['neutral'],
  block: ['dust-gone', 'raking-light', 'film'],
  denib: ['no-nibs'],
  fill: ['pinholes'],
  glaze: ['pinholes'],
  'plastic-repair': ['pinholes'],
  'laminate-repair': ['pinholes'],
  flash: ['fingertip'],
  cure: ['thumbnail'],
  inspect: ['pinholes'],
  'hand-over': ['raking-light', 'film'],
};

function kindsFor({ op, tool }: Pick<Step, 'op' | 'tool'>): readonly CheckKind[] {
  if (isCoatOp(op)) return BUILDS.has(op) ? [...SPRAYED, 'film'] : SPRAYED;
  if (op === 'abrade' && tool === 'block') return ['edges-flat', 'pinholes', 'scratch-even'];
  return BY_OP[op] ?? (isBodyOp(op) ? ['edges-flat'] : []);
}

/** What is looked at before a step counts as done; empty where the next step shows it. */
export const checksOf = (step: Pick<Step, 'op' | 'tool'>): Check[] =>
  kindsFor(step).map((check) => {
    const [title, how] = WORDS[check];
    return { check, title, how };
  });

/** A check in words; one of somebody's own is called as they call it. */
export const checkTitle = (check: string): string =>
  (WORDS as Readonly<Record<string, readonly [string, string] | undefined>>)[check]?.[0] ??
  check.replaceAll('-', ' ');
