import { COAT_OPS, isCoat, isLastCoat, type CoatAct } from '../operations/act.ts';
import { ledgeLimit } from '../operations/context.ts';
import { plasticPaste, sheetFor } from '../operations/products.ts';
import { CLOSED_BY } from '../operations/law.ts';
import {
  isFoundFinish,
  isOpenBody,
  keepsGrain,
  topOf,
  type OpenIssue,
  type ZoneState,
} from '../operations/state.ts';
import { isRawPlastic, labelOf } from '../materials/layer-kinds.ts';
import type { SentenceOf } from '../wording/sentences.ts';
import {
  abrade,
  bodyWork,
  condition,
  cure,
  denib,
  grindOut,
  lookAgain,
  mendLaminate,
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
import { NO_VERDICTS, verdictsFor, type Rule, type RuleInput, type Verdict } from './rule.ts';

/** Rule O0: nothing found is forgotten. What is still open refuses the hand-over, and names the work that settles it. */

interface OpenRow {
  readonly says: SentenceOf<'layer'>;
  readonly remedy: (input: RuleInput) => Remedy | undefined;
}

const wiped = ({ zone, panel, context }: RuleInput): Remedy => wipe(zone, panel, context);
const opened = ({ zone, context }: RuleInput): Remedy => strip([zone], context);

/** What is said of each issue that is open at the hand-over, and what settles it. */
export const OPEN: Readonly<Record<OpenIssue, OpenRow>> = {
  wax: { says: 'O0.wax', remedy: wiped },
  dressing: {
    says: 'P1.dressing',
    remedy: (input) => (isOpenBody(input.zone) ? wiped(input) : wash(input.panel)),
  },
  glue: { says: 'C1.glue', remedy: wiped },
  overspray: {
    says: 'O0.overspray',
    remedy: ({ zone, context }) =>
      keepsGrain(zone, context) ? scuff(zone) : abrade(zone, 'P400', 'machine', context),
  },
  static: { says: 'P1.static', remedy: wiped },
  rub: { says: 'N2.rub', remedy: ({ zone }) => rub(zone) },
  tape: { says: 'P7.tape', remedy: ({ zone }) => rub(zone) },
  look: { says: 'GP3.look', remedy: ({ zone }) => lookAgain(zone) },
  'found-body': { says: 'plan.keep-filler', remedy: ({ zone }) => lookAgain(zone) },
  'hidden-edges': {
    says: 'P8.edges',
    remedy: ({ zone }) => scuff(zone, zone.role === 'refinish' ? 'fine' : 'ultra-fine'),
  },
  stripper: { says: 'M8.neutralise', remedy: ({ panel }) => wash(panel) },
  joint: {
    says: 'M1.joint',
    remedy: ({ zone, context }) => {
      const sheet = sheetFor(context, 'seam', [topOf(zone).kind]);
      return sheet && bodyWork('seam-seal', zone, sheet);
    },
  },
  unsound: { says: 'O0.unsound', remedy: opened },
  rust: { says: 'M5.surface', remedy: ({ zone }) => removeRust(zone) },
  pits: { says: 'M5.pitted', remedy: ({ zone }) => condition(zone) },
  acid: { says: 'M5.acid-left', remedy: ({ zone, context }) => abrade(zone, 'P180', 'machine', context) },
  break: {
    says: 'O0.break',
    remedy: (input) => {
      const { zone, context } = input;
      if (isFoundFinish(zone)) return opened(input);
      if (!isRawPlastic(zone.stack[0]!.kind)) return mendLaminate(zone);
      const sheet = plasticPaste(context, zone.stack[0]!.kind);
      return sheet && bodyWork('plastic-repair', zone, sheet);
    },
  },
  high: { says: 'K2.high', remedy: ({ zone }) => repairMetal(zone) },
  soft: { says: 'B3.soft', remedy: ({ zone }) => cure(zone) },
  'bad-ground': { says: 'F2.found', remedy: ({ zone }) => grindOut([zone]) },
  'rough-coat': {
    says: 'O0.rough-coat',
    remedy: ({ zone, context }) => {
      const sheet = sheetFor(context, 'texture', [topOf(zone).kind]);
      return sheet && bodyWork('texture-coat', zone, sheet);
    },
  },
  'shiny-grain': { says: 'K4.grain', remedy: ({ zone }) => scuff(zone) },
  flaw: { says: 'O0.flaw', remedy: ({ zone, context }) => sandOut(zone, context) },
  nibs: { says: 'O0.nibs', remedy: ({ zone }) => denib(zone) },
  uncured: { says: 'B3.never', remedy: opened },
  // One more coat is a choice of the plan, which knows where it may lie.
  tone: { says: 'S4.uneven', remedy: () => undefined },
  bleeds: { says: 'F4.bleeds', remedy: ({ zone }) => grindOut([zone]) },
};

/** Issues that a coat buries and that no other rule asks about before it. */
const BURIED: readonly OpenIssue[] = ['soft', 'flaw', 'nibs'];
/** What has to lie there before the last coat goes over it. */
const BEFORE_LAST: readonly OpenIssue[] = ['rough-coat', 'joint'];
/** And of these, what goes over what was laid there, not over what was found. */
const OVER_LAID: readonly OpenIssue[] = ['rough-coat'];

function verdictOn(input: RuleInput, issue: OpenIssue): readonly Verdict[] {
  const { rule } = CLOSED_BY[issue];
  const { says, remedy } = OPEN[issue];
  const facts = { layer: labelOf(topOf(input.zone).kind) };
  return verdictsFor(rule).must(input, { code: says, facts }, remedy(input));
}

const hollow = verdictsFor('O0');

export const O0: Rule = {
  id: 'O0',
  on: [...COAT_OPS, 'hand-over'],
  asks: 'Nothing found is forgotten: every finding and test outcome is settled before it is covered or handed over.',
  reads: 'panel',
  judge: (input) => {
    const { act, zone } = input;
    if (act.op === 'hand-over' && zone.surface.lowUm > ledgeLimit(input.context).value)
      return hollow.must(input, { code: 'O0.hollow', facts: { lowMm: zone.surface.lowUm / 1000 } });
    if (zone.openIssues.length === 0) return NO_VERDICTS;
    const first = isCoat(act)
      ? zone.openIssues.find((issue) => isBuriedBy(act, issue, zone))
      : zone.openIssues[0];
    return first ? verdictOn(input, first) : NO_VERDICTS;
  },
};

const isBuriedBy = (act: CoatAct, issue: OpenIssue, zone: ZoneState): boolean =>
  BURIED.includes(issue) ||
  (BEFORE_LAST.includes(issue) &&
    isLastCoat(act) &&
    (topOf(zone).laid !== undefined || !OVER_LAID.includes(issue)));

export const OPEN_RULES: readonly Rule[] = [O0];
