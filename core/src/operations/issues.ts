import { isBody } from '../materials/layer-kinds.ts';
import { findingOf } from '../survey/finding.ts';
import type { OpenIssue } from '../survey/open-issue.ts';
import { COAT_OPS, STRIP_OPS, isLastOp, type LayingOp, type OpName } from './act.ts';
import { changed } from './changed-area.ts';
import { isBare, isOpenBody, openedTo, topOf, type Layer, type ZoneState } from './state.ts';

/**
 * Nothing found is forgotten (rule O0). One row for each open issue: which operations settle it, which coats may
 * lie on it, where it is. Operations read here what they settle; what is said of an issue and the work that is asked for stand in
 * ../rules/open-issues.ts.
 */

/** In which state of an area an operation settles an issue. */
type When = (zone: ZoneState) => boolean;
type Settlers = Readonly<Partial<Record<OpName, When>>>;

interface IssueRow {
  readonly settledBy: Settlers;
  /** Besides what settles it: coats and body work that may lie on it while it is open; none where absent. */
  readonly mayLieUnder?: (op: LayingOp, zone: ZoneState) => boolean;
  /** It is in the substrate, or in body work: what lies on that comes off down to the substrate. */
  readonly isOfBase?: true;
  /** Only a coat of ours has it: filler and metal are sanded anyway. */
  readonly isOfCoat?: true;
}

const always: When = () => true;
const by = (...ops: readonly OpName[]): Settlers => Object.fromEntries(ops.map((op) => [op, always]));

/** It goes with the films that lie there. */
const WITH_FILM: Settlers = by(...STRIP_OPS);
/** It goes with the body work, which comes off down to the substrate only. */
const WITH_BODY: Settlers = Object.fromEntries(
  STRIP_OPS.map((op) => [op, (zone: ZoneState) => stripsTo(zone) === 'base']),
);

const ISSUES: Readonly<Record<OpenIssue, IssueRow>> = {
  wax: { settledBy: by('degrease', 'antistatic-wipe', 'temper') },
  // What water does elsewhere, solvent does on open filler: water soaks into it.
  dressing: { settledBy: { ...by('wash'), degrease: isOpenBody, 'antistatic-wipe': isOpenBody } },
  glue: { settledBy: { ...by('degrease', 'antistatic-wipe'), ...WITH_FILM } },
  overspray: {
    settledBy: { ...by('abrade', 'remove-rust'), scuff: isDulledByPad, ...WITH_FILM },
  },
  static: { settledBy: by('antistatic-wipe') },
  rub: { settledBy: { ...by('test'), ...WITH_FILM } },
  tape: { settledBy: by('test') },
  look: { settledBy: { ...by('inspect'), ...WITH_BODY } },
  'found-body': { settledBy: { ...by('inspect'), ...WITH_BODY }, isOfBase: true },
  'hidden-edges': { settledBy: { ...by('scuff'), ...WITH_FILM } },
  stripper: { settledBy: by('wash') },
  // More body work may lie on the filler; of coats only what protects metal and bears filler beside it.
  unprotected: { settledBy: { ...by('prime-epoxy', 'prime-dtm'), ...WITH_FILM }, mayLieUnder: isBodyworkOp },
  // Sealer lies on a first coat; what comes before the last coat may still wait for one that it may lie on.
  joint: { settledBy: by('seam-seal'), mayLieUnder: isBeforeLast },
  unsound: { settledBy: WITH_FILM },
  rust: { settledBy: by('remove-rust', 'strip-blast'), isOfBase: true },
  pits: { settledBy: by('condition', 'strip-blast'), isOfBase: true },
  acid: { settledBy: by('abrade', 'remove-rust') },
  // Promoter goes under the paste on plastic that asks for it.
  break: {
    settledBy: by('plastic-repair', 'laminate-repair'),
    mayLieUnder: (op) => op === 'promote',
    isOfBase: true,
  },
  high: {
    settledBy: { ...by('metal-repair'), abrade: isBodyOnTop, 'remove-rust': isBodyOnTop },
    isOfBase: true,
  },
  soft: { settledBy: { ...by('cure'), ...WITH_FILM }, isOfCoat: true },
  'bad-ground': { settledBy: WITH_BODY, isOfBase: true },
  // It goes over what was laid there, so there has to be a coat first; one that was ordered goes over found finish too.
  'rough-coat': {
    settledBy: by('texture-coat'),
    mayLieUnder: (op, zone) => isBeforeLast(op) || (topOf(zone).laid === undefined && !isRoughOrdered(zone)),
  },
  // A joint that is sealed anew in a rough coat wants that coat over it again.
  'shiny-grain': { settledBy: { ...by('scuff'), 'seam-seal': isRough, ...WITH_FILM } },
  flaw: { settledBy: { ...by('abrade', 'block', 'remove-rust'), ...WITH_FILM }, isOfCoat: true },
  nibs: { settledBy: { ...by('denib', 'abrade', 'block', 'remove-rust'), ...WITH_FILM }, isOfCoat: true },
  uncured: { settledBy: WITH_FILM, isOfCoat: true },
  // One more coat is what evens it; body work hides it.
  tone: { settledBy: { ...by(...COAT_OPS), ...WITH_FILM }, mayLieUnder: () => true, isOfCoat: true },
  bleeds: { settledBy: WITH_BODY, isOfBase: true },
  // Sanded to the layer at fault, and built up again: base on the sanded place would show it once more.
  mark: {
    settledBy: { 'prime-build': isSandedOut, 'prime-dtm': isSandedOut, ...WITH_FILM },
    mayLieUnder: (op, zone) => isSandedOut(zone) && isBeforeLast(op),
  },
};

function isBodyworkOp(op: LayingOp): boolean {
  return !COAT_OPS.some((coat) => coat === op);
}
function isBeforeLast(op: LayingOp): boolean {
  return !isLastOp(op);
}
/** Grain that stays and seam sealer are dulled by pad only, and the overspray on them with it. */
function isDulledByPad(zone: ZoneState): boolean {
  return hasIssue(zone, 'shiny-grain') || topOf(zone).kind === 'seam';
}
/** What had to come off it is off. */
function isSandedOut({ surface }: ZoneState): boolean {
  return surface.peelUm === 0;
}
function isRoughOrdered({ zone }: ZoneState): boolean {
  return findingOf(zone.findings, 'chip-guard-wanted') !== undefined;
}
function isBodyOnTop(zone: ZoneState): boolean {
  return isBody(topOf(zone).kind);
}
function isRough(zone: ZoneState): boolean {
  return topOf(zone).kind === 'texture';
}

export const OPEN_ISSUES = Object.keys(ISSUES) as OpenIssue[];

/** The operations that settle an issue, in some state of the area at least. */
export const settlersOf = (issue: OpenIssue): OpName[] => Object.keys(ISSUES[issue].settledBy) as OpName[];

/** What is open on an area that a coat or body work must not lie on. */
export const notUnder = (op: LayingOp, zone: ZoneState): OpenIssue[] =>
  zone.openIssues.filter((issue) => {
    const { settledBy: settlers, mayLieUnder } = ISSUES[issue];
    return !(settlers[op]?.(zone) ?? false) && !(mayLieUnder?.(op, zone) ?? false);
  });

export const isOfCoat = (issue: OpenIssue): boolean => ISSUES[issue].isOfCoat === true;

export const hasIssue = ({ openIssues }: Pick<ZoneState, 'openIssues'>, issue: OpenIssue): boolean =>
  openIssues.includes(issue);

/** Bare metal, or a rim of it around filler: its time runs until it is coated. */
export const showsMetal = (zone: ZoneState): boolean => isBare(zone) || hasIssue(zone, 'unprotected');

/** The zone with one more open issue. */
export const withIssue = (zone: ZoneState, issue: OpenIssue): ZoneState =>
  hasIssue(zone, issue) ? zone : changed(zone, { openIssues: [...zone.openIssues, issue].sort() });

/** The zone without these issues. */
export const withoutIssues = (zone: ZoneState, ...issues: readonly OpenIssue[]): ZoneState =>
  zone.openIssues.some((issue) => issues.includes(issue))
    ? changed(zone, { openIssues: zone.openIssues.filter((issue) => !issues.includes(issue)) })
    : zone;

/** The zone with what an operation settles on it settled; the same object where that is nothing. */
export function settledBy(zone: ZoneState, op: OpName): ZoneState {
  if (zone.openIssues.length === 0) return zone;
  const left = zone.openIssues.filter((issue) => !(ISSUES[issue].settledBy[op]?.(zone) ?? false));
  return left.length === zone.openIssues.length ? zone : changed(zone, { openIssues: left });
}

/** How deep an area is stripped: films down to the body work under them, or all down to the substrate. */
export function stripsTo(zone: ZoneState): 'body' | 'base' {
  const isFilm = !isBody(topOf(zone).kind);
  const hasBody = zone.stack.some(({ kind }) => isBody(kind) && kind !== 'seam');
  return isFilm && hasBody && !zone.openIssues.some((issue) => ISSUES[issue].isOfBase) ? 'body' : 'base';
}

/** Layers that stripping takes off. */
export const strippedLayers = (zone: ZoneState): readonly Layer[] =>
  zone.stack.slice(openedTo(zone.stack, stripsTo(zone)).length);
