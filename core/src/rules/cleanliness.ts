import { hasIssue } from '../operations/issues.ts';
import { isBody } from '../materials/layer-kinds.ts';
import { isSprayed } from '../operations/applying.ts';
import { COAT_OPS, LAYING_OPS, isCoat, isLaying } from '../operations/act.ts';
import { comingOff } from '../operations/inspecting.ts';
import { sheetIn } from '../operations/context.ts';
import { isBare, isFoundFinish, isOpenBody, topOf, type Layer, type ZoneState } from '../operations/state.ts';
import { BORDER_PLANS, bordersOf } from '../survey/panel.ts';
import { mask, removeParts, tack, wash, wipe } from './remedies.ts';
import {
  advice,
  NO_VERDICTS,
  verdictsFor,
  type Rule,
  type RuleInput,
  type ZoneRuleInput,
  type Verdict,
} from './rule.ts';

/** Rules of cleaning: the panel, the gun and the booth. */

const c1 = verdictsFor('C1');

/** A new part is fitted before it is painted: what does not fit then is not the paint's fault. */
const trialFit = (input: ZoneRuleInput): readonly Verdict[] =>
  input.context.panel.new && input.zone.zone.id === input.act.zones[0]
    ? c1.note(input, { code: 'C1.fit', facts: {} })
    : NO_VERDICTS;

/** Before any other work: parts come off, or their edges are where the paint later peels. */
const partsFirst = (input: RuleInput): readonly Verdict[] => {
  const { panel, context } = input;
  const parts = comingOff(context)
    .map(({ name, bag }) => (bag ? `${name} (bag ${bag})` : name))
    .join(', ');
  return c1.must(input, { code: 'C1.parts', facts: { parts } }, removeParts(panel));
};

/** What stays on is masked; a handle left on is where clear later peels. */
const staysOn = ({ context }: ZoneRuleInput): string =>
  context.panel.parts
    .filter(({ plan }) => plan !== 'remove')
    .map(({ name }) => name)
    .join(', ');

/** Hottest air at a glued seal (default), °C. */
const SEAL_CELSIUS = 60;

/** How glued seals and trims are taken off. */
function gluedNotes(input: ZoneRuleInput): readonly Verdict[] {
  const glued = comingOff(input.context).filter((part) => part.glued);
  if (glued.length === 0 || input.zone.zone.id !== input.act.zones[0]) return NO_VERDICTS;
  const parts = glued.map(({ name }) => name).join(', ');
  return c1.note(input, { code: 'C1.glued', facts: { parts, mostCelsius: SEAL_CELSIUS } });
}

/** A gap beside the zone into which paint would creep: an edge or a jamb of a panel on the vehicle. */
const hasGap = ({ zone }: ZoneState): boolean => zone.face !== undefined && zone.face !== 'outside';

/** What is covered with the panel: parts that stay on it, and what lies around it. */
function maskNotes(input: RuleInput): readonly Verdict[] {
  const { panel } = input.context;
  const { zones } = input.panel;
  const backTape = zones.some(({ patch }) => patch)
    ? c1.note(input, { code: 'C1.back-tape', facts: {} })
    : NO_VERDICTS;
  if (input.panel.hasMaskLeft) return [...c1.note(input, { code: 'C1.renewed', facts: {} }), ...backTape];
  const parts = staysOn(input);
  const borders = BORDER_PLANS.map((plan) => bordersOf(panel, plan))
    .filter(Boolean)
    .join(', ');
  return [
    ...(parts ? c1.note(input, { code: 'C1.stays', facts: { parts } }) : []),
    ...(borders ? c1.note(input, { code: 'C1.borders', facts: { borders } }) : []),
    ...(panel.offVehicle ? c1.note(input, { code: 'C1.off', facts: {} }) : []),
    ...(!panel.offVehicle && zones.some(hasGap) ? c1.note(input, { code: 'C1.foam', facts: {} }) : []),
    ...backTape,
    ...c1.note(input, { code: 'C1.tape-off', facts: {} }),
  ];
}

/** Open filler takes up liquid: it is blown off and tacked, never wiped wet. */
const isBlownOff = (zone: ZoneState): boolean => isBody(topOf(zone).kind) && zone.surface.soil === 'dusty';

/**
 * Masking stays clean when the dust is over. Bare metal is the exception: its time starts when it is sanded, so
 * what is around it is masked first.
 */
function isReadyForMasking({ act, panel }: RuleInput): boolean {
  const isCoated = ({ zone }: ZoneState): boolean => act.zones.includes(zone.id);
  const isDusty = (zone: ZoneState): boolean => zone.surface.soil !== 'clean' && !isBlownOff(zone);
  return (
    !panel.zones.some((zone) => isDusty(zone) && isCoated(zone)) ||
    panel.zones.some((zone) => isBare(zone) && isCoated(zone))
  );
}

/** From these sizes of bare metal, or of what is covered, masking is no work for the time in which metal may lie bare, m² (defaults). */
const MASK_FIRST_M2 = { bare: 2, covered: 10 };
const isMaskedFirst = ({ zone, context: { panel } }: ZoneRuleInput): boolean =>
  isBare(zone) &&
  (zone.zone.areaM2 >= MASK_FIRST_M2.bare || panel.areaM2 * panel.count >= MASK_FIRST_M2.covered);

const C1 = c1.rule({
  on: [...LAYING_OPS, 'degrease', 'antistatic-wipe', 'temper', 'wash', 'remove-part', 'mask', 'hand-over'],
  asks: 'Wash, degrease, abrade, blow off, degrease, tack; masked and dry before spraying.',
  reads: 'panel',
  judge: (input) => {
    const { act, zone, panel, context } = input;
    const { soil, isTacked } = zone.surface;
    if (act.op === 'remove-part') return gluedNotes(input);
    if (!panel.arePartsOff) return partsFirst(input);
    if (act.op === 'wash') return trialFit(input);
    if (act.op === 'mask') {
      // What the paper lies on is clean: its dust would be blown into the coat.
      if (soil === 'dusty' && isFoundFinish(zone) && !zone.patch)
        return c1.must(input, { code: 'C1.dust', facts: {} }, wipe(zone, panel, context));
      return zone.zone.id === act.zones[0] ? maskNotes(input) : NO_VERDICTS;
    }
    if (act.op === 'hand-over')
      return soil === 'clean'
        ? NO_VERDICTS
        : c1.must(input, { code: 'C1.dust', facts: {} }, wipe(zone, panel, context));
    if (!isLaying(act)) {
      if (soil === 'grime' && !isOpenBody(zone))
        return c1.must(input, { code: 'C1.wash', facts: {} }, wash(panel));
      return hasIssue(zone, 'glue') ? c1.note(input, { code: 'C1.glue', facts: {} }) : NO_VERDICTS;
    }
    const sheet = sheetIn(context, act.sheetId);
    const masked = (): readonly Verdict[] =>
      c1.must(input, { code: 'C1.mask', facts: { sheet: sheet.name } }, mask(panel));
    const isToMask = !panel.isMasked && isSprayed(sheet);
    if (isCoat(act) && isToMask && soil === 'dusty' && isMaskedFirst(input)) return masked();
    if (soil !== 'clean' && !isBlownOff(zone))
      return c1.must(
        input,
        { code: soil === 'dusty' ? 'C1.dust' : 'C1.degrease', facts: {} },
        wipe(zone, panel, context),
      );
    // Filler and glaze are not tacked.
    if (!isCoat(act) && act.op !== 'texture-coat') return NO_VERDICTS;
    // What is sprayed needs masking; what a brush lays does not.
    if (isToMask && isReadyForMasking(input)) return masked();
    if (isTacked) return NO_VERDICTS;
    return c1.must(input, { code: isBlownOff(zone) ? 'C1.open-filler' : 'C1.tack', facts: {} }, tack(zone));
  },
});

const C2 = advice(
  'C2',
  ['hand-over'],
  'Tack between base coats is fine, never between clear coats.',
  ({ act, zone }) => (zone.zone.id === act.zones[0] ? { code: 'C2.tack', facts: {} } : null),
);

/** Nothing that was sprayed lies anywhere yet: the gun is taken up for the first time. */
const isFirstSprayed = ({ act, panel, context }: RuleInput): boolean => {
  const wasSprayed = ({ laid, kind }: Layer): boolean =>
    laid !== undefined && !isBody(kind) && isSprayed(context.shelf.get(laid.sheetId) ?? { kind: 'build' });
  return (
    isCoat(act) &&
    isSprayed(sheetIn(context, act.sheetId)) &&
    !panel.zones.some(({ stack }) => stack.some(wasSprayed))
  );
};

/** Both sides of a part that hangs free are painted: somebody has to reach them. */
const hasTwoSides = ({ context, panel }: RuleInput): boolean =>
  context.panel.offVehicle && panel.zones.some(({ zone }) => zone.face === 'inside');

const c3 = verdictsFor('C3');

const C3 = c3.rule({
  on: COAT_OPS,
  asks: 'Gun cleaned between products, air line drained, floor wetted or booth on, fans blown through; a test card first.',
  isAdvice: true,
  reads: 'panel',
  judge: (input) => {
    if (!isFirstSprayed(input)) return NO_VERDICTS;
    return [
      ...c3.note(input, { code: 'C3.gun', facts: {} }),
      ...c3.note(input, { code: 'C3.card', facts: {} }),
      ...(hasTwoSides(input) ? c3.note(input, { code: 'C3.hang', facts: {} }) : []),
    ];
  },
});

export const CLEAN_RULES: readonly Rule[] = [C1, C2, C3];
