import type { FindingKind } from '../survey/finding.ts';
import type { OpenIssue } from './state.ts';
import { COAT_OPS, type OpName } from './act.ts';

/**
 * Nothing found is forgotten (rule O0): what every finding leaves open, and which operations settle it. A issue that
 * is still open refuses the hand-over; its remedy stands in rules/open-issues.ts, by the rule that asks for it.
 */

/**
 * What a finding leaves open besides its figures. Hollows, waves, peel, pinholes, scratches and edges are figures of the
 * surface, judged by B1, F7, K4 and O4; rust-through and what is broken in metal stop their zone (planner/stops.ts).
 */
export const ISSUES_OF_FINDINGS: Readonly<Record<FindingKind, readonly OpenIssue[]>> = {
  'coarse-scratches': [],
  low: [],
  high: ['high'],
  waves: [],
  'rub-through': [],
  texture: [],
  crack: ['break'],
  hole: ['break'],
  peeling: ['unsound'],
  checked: ['unsound'],
  chips: [],
  reacted: ['unsound'],
  pinholes: [],
  'rust-surface': ['rust'],
  'rust-pitted': ['rust', 'pits'],
  'rust-through': [],
  'orange-peel': [],
  'release-agent': ['wax'],
  dressing: ['dressing'],
  'glue-residue': ['glue'],
  overspray: ['overspray'],
  edge: [],
  'open-joint': ['joint'],
  'unknown-plastic': [],
};

/** The operations that settle a issue, and the rule that asks for them. */
export const CLOSED_BY: Readonly<
  Record<OpenIssue, { readonly rule: string; readonly ops: readonly OpName[] }>
> = {
  wax: { rule: 'P2', ops: ['degrease', 'antistatic-wipe', 'temper'] },
  dressing: { rule: 'P1', ops: ['wash', 'degrease', 'antistatic-wipe'] },
  glue: { rule: 'C1', ops: ['degrease', 'antistatic-wipe'] },
  overspray: { rule: 'N1', ops: ['abrade', 'strip-sand'] },
  static: { rule: 'P1', ops: ['antistatic-wipe'] },
  rub: { rule: 'N2', ops: ['test'] },
  tape: { rule: 'P7', ops: ['test'] },
  look: { rule: 'GP3', ops: ['inspect'] },
  'found-body': { rule: 'F1', ops: ['inspect', 'strip-sand'] },
  'hidden-edges': { rule: 'P8', ops: ['scuff'] },
  stripper: { rule: 'M8', ops: ['wash'] },
  joint: { rule: 'M1', ops: ['seam-seal'] },
  unsound: { rule: 'O1', ops: ['strip-sand', 'strip-chemical', 'strip-blast'] },
  rust: { rule: 'M5', ops: ['remove-rust', 'strip-blast'] },
  pits: { rule: 'M5', ops: ['condition', 'strip-blast'] },
  acid: { rule: 'M6', ops: ['abrade'] },
  break: { rule: 'P9', ops: ['plastic-repair', 'laminate-repair'] },
  high: { rule: 'K2', ops: ['metal-repair', 'abrade'] },
  soft: { rule: 'B3', ops: ['cure', 'strip-sand', 'strip-chemical', 'strip-blast'] },
  'bad-ground': { rule: 'F2', ops: ['strip-sand'] },
  'rough-coat': { rule: 'O0', ops: ['texture-coat'] },
  'shiny-grain': { rule: 'K4', ops: ['scuff'] },
  flaw: { rule: 'O0', ops: ['abrade', 'block'] },
  nibs: { rule: 'O0', ops: ['denib', 'abrade', 'block'] },
  uncured: { rule: 'B3', ops: ['strip-sand', 'strip-chemical', 'strip-blast'] },
  tone: { rule: 'S4', ops: [...COAT_OPS, 'strip-sand', 'strip-chemical', 'strip-blast'] },
  bleeds: { rule: 'F4', ops: ['strip-sand'] },
};

/** What filler, glaze and paste must not lie on (rules F2 and M6). */
export const NOT_UNDER_BODY: ReadonlySet<string> = new Set(['old-finish', 'old-finish-soluble', 'etch']);
