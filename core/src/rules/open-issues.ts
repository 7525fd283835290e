import { findingOf } from '../survey/finding.ts';
import type { OpenIssue } from '../survey/open-issue.ts';
import { COAT_OPS, LAYING_OPS, isCoat, isLaying } from '../operations/act.ts';
import { hasIssue, notUnder, settlersOf } from '../operations/issues.ts';
import { isJustBefore } from '../operations/table.ts';
import { ledgeLimit } from '../operations/context.ts';
import { filledUm } from '../operations/sanded-area.ts';
import { plasticPaste, sheetFor } from '../operations/products.ts';
import { isFoundFinish, isOpenBody, keepsGrain, topOf, type ZoneState } from '../operations/state.ts';
import { isRawPlastic, labelOf } from '../materials/layer-kinds.ts';
import type { SentenceOf } from '../wording/sentences.ts';
import { isSandableBuild } from './build.ts';
import {
  abrade,
  bodyWork,
  condition,
  cure,
  denib,
  grindOut,
  lookAgain,
  mendLaminate,
  padEdges,
  removeRust,
  repairMetal,
  rub,
  sandOut,
  scuff,
  strip,
  wash,
  wipe,
  type Remedy,
} from './remedies.ts';
import { NO_VERDICTS, advice, verdictsFor, type Rule, type RuleInput, type Verdict } from './rule.ts';

/** Rule O0: nothing found is forgotten. What is still open refuses the hand-over, and names the work that settles it. */

interface OpenRow {
  /** The rule that speaks of it. */
  readonly rule: string | ((zone: ZoneState) => string);
  /** No other rule asks for it before a coat: O0 does. Of the others it speaks only where their rule is silent. */
  readonly isAskedByO0?: true;
  readonly says: SentenceOf<'layer'> | ((zone: ZoneState) => SentenceOf<'layer'>);
  readonly remedy: (input: RuleInput) => Remedy | undefined;
}

const wiped = ({ zone, panel, context }: RuleInput): Remedy => wipe(zone, panel, context);
const opened = ({ zone, context }: RuleInput): Remedy => strip([zone], context);

/** What is said of each issue that is open at the hand-over, and what settles it. */
export const OPEN: Readonly<Record<OpenIssue, OpenRow>> = {
  wax: { rule: 'P2', says: 'O0.wax', remedy: wiped },
  dressing: {
    rule: 'P1',
    says: 'P1.dressing',
    remedy: (input) => (isOpenBody(input.zone) ? wiped(input) : wash(input.panel)),
  },
  glue: { rule: 'C1', says: 'C1.glue', remedy: wiped },
  overspray: {
    rule: 'N1',
    says: 'O0.overspray',
    remedy: ({ zone, context }) => {
      if (keepsGrain(zone, context) || topOf(zone).kind === 'seam') return scuff(zone);
      return isOpenBody(zone)
        ? abrade(zone, 'P180', 'block', context)
        : abrade(zone, 'P400', 'machine', context);
    },
  },
  static: { rule: 'P1', says: 'P1.static', remedy: wiped },
  rub: { rule: 'N2', says: 'N2.rub', remedy: ({ zone }) => rub(zone) },
  tape: { rule: 'P7', says: 'P7.tape', remedy: ({ zone }) => rub(zone) },
  look: { rule: 'GP3', says: 'GP3.look', remedy: ({ zone }) => lookAgain(zone) },
  'found-body': { rule: 'F1', says: 'plan.keep-filler', remedy: ({ zone }) => lookAgain(zone) },
  'hidden-edges': {
    rule: ({ stack }) => (isRawPlastic(stack[0]!.kind) ? 'P8' : 'K4'),
    says: ({ stack }) => (isRawPlastic(stack[0]!.kind) ? 'P8.edges' : 'K4.edges'),
    remedy: ({ zone }) => padEdges(zone),
  },
  stripper: { rule: 'M8', says: 'M8.neutralise', remedy: ({ panel }) => wash(panel) },
  unprotected: {
    rule: 'M1',
    says: (zone) => (isOpenBody(zone) ? 'M1.rim' : 'M1.through'),
    remedy: () => undefined,
  },
  joint: {
    rule: 'M1',
    isAskedByO0: true,
    says: 'M1.joint',
    remedy: ({ zone, context }) => {
      const sheet = sheetFor(context, 'seam', [topOf(zone).kind]);
      return sheet && bodyWork('seam-seal', zone, sheet);
    },
  },
  unsound: { rule: 'O1', says: 'O0.unsound', remedy: opened },
  rust: { rule: 'M5', says: 'M5.surface', remedy: ({ zone, context }) => removeRust(zone, context) },
  pits: { rule: 'M5', says: 'M5.pitted', remedy: ({ zone }) => condition(zone) },
  acid: {
    rule: 'M5',
    says: 'M5.acid-left',
    remedy: ({ zone, context }) => abrade(zone, 'P180', 'machine', context),
  },
  break: {
    rule: 'P9',
    says: 'O0.break',
    remedy: (input) => {
      const { zone, context } = input;
      if (isFoundFinish(zone)) return opened(input);
      if (!isRawPlastic(zone.stack[0]!.kind)) return mendLaminate(zone);
      const sheet = plasticPaste(context, zone.stack[0]!.kind);
      return sheet && bodyWork('plastic-repair', zone, sheet);
    },
  },
  high: { rule: 'K2', says: 'K2.high', remedy: ({ zone }) => repairMetal(zone) },
  soft: { rule: 'B3', isAskedByO0: true, says: 'B3.soft', remedy: ({ zone }) => cure(zone) },
  'bad-ground': { rule: 'F2', says: 'F2.found', remedy: ({ zone, context }) => grindOut([zone], context) },
  'rough-coat': {
    rule: 'O0',
    isAskedByO0: true,
    says: ({ zone }) =>
      findingOf(zone.findings, 'chip-guard-wanted') ? 'O0.rough-ordered' : 'O0.rough-coat',
    remedy: ({ zone, context }) => {
      const sheet = sheetFor(context, 'texture', [topOf(zone).kind]);
      return sheet && bodyWork('texture-coat', zone, sheet);
    },
  },
  'shiny-grain': { rule: 'K4', says: 'K4.grain', remedy: ({ zone }) => scuff(zone) },
  flaw: {
    rule: 'O0',
    isAskedByO0: true,
    says: 'O0.flaw',
    remedy: ({ zone, context }) => sandOut(zone, context),
  },
  nibs: {
    rule: 'O0',
    isAskedByO0: true,
    says: 'O0.nibs',
    remedy: ({ zone, context }) => denib(zone, context),
  },
  uncured: { rule: 'B3', says: 'B3.never', remedy: opened },
  // One more coat is a choice of the plan, which knows where it may lie.
  tone: { rule: 'S4', says: 'S4.uneven', remedy: () => undefined },
  mark: {
    rule: 'O0',
    isAskedByO0: true,
    says: ({ surface }) => (surface.peelUm > 0 ? 'O0.mark' : 'O0.mark-build'),
    remedy: ({ zone, context }) => {
      const { surface } = zone;
      if (surface.peelUm === 0) return undefined;
      // Where it lies under the film, that comes off; a rough coat is not sanded but taken off.
      return surface.peelUm >= topOf(zone).um || keepsGrain(zone, context)
        ? strip([zone], context)
        : abrade(zone, 'P180', 'machine', context);
    },
  },
  bleeds: { rule: 'F4', says: 'F4.bleeds', remedy: ({ zone, context }) => grindOut([zone], context) },
};

function verdictOn(input: RuleInput, issue: OpenIssue): readonly Verdict[] {
  const { rule, says, remedy } = OPEN[issue];
  const id = typeof rule === 'function' ? rule(input.zone) : rule;
  const code = typeof says === 'function' ? says(input.zone) : says;
  const facts = { layer: labelOf(topOf(input.zone).kind) };
  return verdictsFor(id).must(input, { code, facts }, remedy(input));
}

/** Low that is left on an area, µm; under fresh build what blocking leaves of it. */
const lowLeftUm = ({ zone, panel, context }: RuleInput): number =>
  isSandableBuild(zone) && zone.surface.scratch === null
    ? zone.surface.lowUm - filledUm(zone, panel, context)
    : zone.surface.lowUm;

const o0 = verdictsFor('O0');

const O0 = o0.rule({
  on: [...COAT_OPS, 'hand-over'],
  asks: 'Nothing found is forgotten: every finding and test outcome is settled before it is covered or handed over.',
  reads: 'panel',
  concerns: ({ act, zone }) => zone.openIssues.length > 0 || act.op === 'hand-over',
  judge: (input) => {
    const { act, zone } = input;
    const lowUm = act.op === 'hand-over' ? lowLeftUm(input) : 0;
    if (lowUm > ledgeLimit(input.context).value)
      return o0.must(input, { code: 'O0.hollow', facts: { lowFineMm: lowUm / 1000 } });
    const [first] = isCoat(act)
      ? notUnder(act.op, zone).filter((issue) => OPEN[issue].isAskedByO0)
      : zone.openIssues;
    return first ? verdictOn(input, first) : NO_VERDICTS;
  },
});

/** Somebody asks for what settles it, or for work that comes before that; cleaning just before the act comes after it. */
const isAskedFor = (issue: OpenIssue, said: readonly Verdict[]): boolean =>
  said.some(
    ({ level, remedy }) =>
      level === 'must' && !(remedy && isJustBefore(remedy.op) && !settlersOf(issue).includes(remedy.op)),
  );

const O0_LEFT = o0.rule({
  on: LAYING_OPS,
  asks: 'What no other rule asks for is settled before anything covers it, too.',
  reads: 'panel',
  about: ({ openIssues }) => openIssues.length > 0,
  concerns: ({ act, zone }) => isLaying(act) && notUnder(act.op, zone).length > 0,
  judge: (input, saidOfAll) => {
    const { act, zone } = input;
    if (!isLaying(act)) return NO_VERDICTS;
    const said = saidOfAll.filter(({ zoneId }) => zoneId === zone.zone.id);
    const first = notUnder(act.op, zone).find((issue) => !isAskedFor(issue, said));
    return first ? verdictOn(input, first) : NO_VERDICTS;
  },
});

/** What was sunk once shows again while the build over it still shrinks. */
const O0_MARK = advice(
  'O0',
  ['prime-build', 'prime-dtm'],
  'Build over a mark that showed from below cures fully before base goes on.',
  ({ zone }) => (hasIssue(zone, 'mark') ? { code: 'O0.mark-cure', facts: {} } : null),
);

export const OPEN_RULES: readonly Rule[] = [O0, O0_LEFT, O0_MARK];
