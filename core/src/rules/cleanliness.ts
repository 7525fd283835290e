import { isBody } from '../materials/layer-kinds.ts';
import { COAT_OPS, LAYING_OPS, isCoat, isLaying } from '../operations/act.ts';
import { comingOff } from '../operations/inspecting.ts';
import { sheetIn } from '../operations/context.ts';
import { has, isBare, isOpenBody, topOf, type ZoneState } from '../operations/state.ts';
import { BORDER_PLANS, bordersOf } from '../survey/panel.ts';
import { mask, removeParts, tack, wash, wipe } from './remedies.ts';
import { advice, fine, speaker, type Rule, type Trial, type ZoneTrial, type Verdict } from './rule.ts';

/** Rules of cleaning: the panel, the gun and the booth. */

const c1 = speaker('C1');

/** A new part is fitted before it is painted: what does not fit then is not the paint's fault. */
const trialFit = (trial: ZoneTrial): readonly Verdict[] =>
  trial.context.panel.new && trial.zone.zone.id === trial.act.zones[0]
    ? c1.note(trial, { code: 'C1.fit', facts: {} })
    : fine;

/** Before any other work: parts come off, or their edges are where the paint later peels. */
const partsFirst = (trial: Trial): readonly Verdict[] => {
  const { panel, context } = trial;
  const parts = comingOff(context)
    .map(({ name, bag }) => (bag ? `${name} (bag ${bag})` : name))
    .join(', ');
  return c1.must(trial, { code: 'C1.parts', facts: { parts } }, removeParts(panel));
};

/** What stays on is masked; a handle left on is where clear later peels. */
const staysOn = ({ context }: ZoneTrial): string =>
  context.panel.parts
    .filter(({ plan }) => plan !== 'remove')
    .map(({ name }) => name)
    .join(', ');

/** Hottest air at a glued seal (default), °C. */
const SEAL_CELSIUS = 60;

/** How glued seals and trims are taken off. */
function gluedNotes(trial: ZoneTrial): readonly Verdict[] {
  const glued = comingOff(trial.context).filter((part) => part.glued);
  if (glued.length === 0 || trial.zone.zone.id !== trial.act.zones[0]) return fine;
  const parts = glued.map(({ name }) => name).join(', ');
  return c1.note(trial, { code: 'C1.glued', facts: { parts, mostCelsius: SEAL_CELSIUS } });
}

/** A gap beside the zone into which paint would creep: an edge or a jamb of a panel on the vehicle. */
const hasGap = ({ zone }: ZoneState): boolean => zone.face !== undefined && zone.face !== 'outside';

/** What is covered with the panel: parts that stay on it, and what lies around it. */
function maskNotes(trial: Trial): readonly Verdict[] {
  const { panel } = trial.context;
  const { zones } = trial.panel;
  const parts = staysOn(trial);
  const borders = BORDER_PLANS.map((plan) => bordersOf(panel, plan))
    .filter(Boolean)
    .join(', ');
  return [
    ...(parts ? c1.note(trial, { code: 'C1.stays', facts: { parts } }) : []),
    ...(borders ? c1.note(trial, { code: 'C1.borders', facts: { borders } }) : []),
    ...(panel.offVehicle ? c1.note(trial, { code: 'C1.off', facts: {} }) : []),
    ...(!panel.offVehicle && zones.some(hasGap) ? c1.note(trial, { code: 'C1.foam', facts: {} }) : []),
    ...(zones.some(({ patch }) => patch) ? c1.note(trial, { code: 'C1.back-tape', facts: {} }) : []),
    ...c1.note(trial, { code: 'C1.tape-off', facts: {} }),
  ];
}

/** Open filler takes up liquid: it is blown off and tacked, never wiped wet. */
const isBlownOff = (zone: ZoneState): boolean => isBody(topOf(zone).kind) && zone.surface.soil === 'dusty';

/**
 * Masking stays clean when the dust is over. Bare metal is the exception: its time starts when it is sanded, so
 * what is around it is masked first.
 */
function isReadyForMasking({ act, panel }: Trial): boolean {
  const coated = panel.zones.filter(({ zone }) => act.zones.includes(zone.id));
  return coated.some(isBare) || coated.every((zone) => zone.surface.soil === 'clean' || isBlownOff(zone));
}

export const C1: Rule = {
  id: 'C1',
  on: [...LAYING_OPS, 'degrease', 'antistatic-wipe', 'temper', 'wash', 'remove-part', 'mask', 'hand-over'],
  asks: 'Wash, degrease, abrade, blow off, degrease, tack; masked and dry before spraying.',
  reads: 'panel',
  judge: (trial) => {
    const { act, zone, panel, context } = trial;
    const { soil, isTacked } = zone.surface;
    if (act.op === 'remove-part') return gluedNotes(trial);
    if (!panel.arePartsOff) return partsFirst(trial);
    if (act.op === 'wash') return trialFit(trial);
    if (act.op === 'mask') return zone.zone.id === act.zones[0] ? maskNotes(trial) : fine;
    if (act.op === 'hand-over')
      return soil === 'clean'
        ? fine
        : c1.must(trial, { code: 'C1.dust', facts: {} }, wipe(zone, panel, context));
    if (!isLaying(act)) {
      if (soil === 'grime' && !isOpenBody(zone))
        return c1.must(trial, { code: 'C1.wash', facts: {} }, wash(panel));
      return has(zone, 'glue') ? c1.note(trial, { code: 'C1.glue', facts: {} }) : fine;
    }
    const sheet = sheetIn(context, act.sheetId);
    if (soil !== 'clean' && !isBlownOff(zone))
      return c1.must(
        trial,
        { code: soil === 'dusty' ? 'C1.dust' : 'C1.degrease', facts: {} },
        wipe(zone, panel, context),
      );
    if (!isCoat(act)) return fine;
    if (!panel.isMasked && isReadyForMasking(trial))
      return c1.must(trial, { code: 'C1.mask', facts: { sheet: sheet.name } }, mask(panel));
    if (isTacked) return fine;
    return c1.must(trial, { code: isBlownOff(zone) ? 'C1.open-filler' : 'C1.tack', facts: {} }, tack(zone));
  },
};

export const C2 = advice(
  'C2',
  ['hand-over'],
  'Tack between base coats is fine, never between clear coats.',
  ({ act, zone }) => (zone.zone.id === act.zones[0] ? { code: 'C2.tack', facts: {} } : null),
);

/** Nothing of ours lies anywhere yet: the gun is taken up for the first time. */
const isFirstCoat = ({ panel }: Trial): boolean =>
  panel.zones.every(({ stack }) => stack.every(({ laid, kind }) => !laid || isBody(kind)));

/** Both sides of a part that hangs free are painted: somebody has to reach them. */
const hasTwoSides = ({ context, panel }: Trial): boolean =>
  context.panel.offVehicle && panel.zones.some(({ zone }) => zone.face === 'inside');

const c3 = speaker('C3');

export const C3: Rule = {
  id: 'C3',
  on: COAT_OPS,
  asks: 'Gun cleaned between products, air line drained, floor wetted or booth on, fans blown through; a test card first.',
  isAdvice: true,
  reads: 'panel',
  judge: (trial) => {
    if (!isFirstCoat(trial)) return fine;
    return [
      ...c3.note(trial, { code: 'C3.gun', facts: {} }),
      ...c3.note(trial, { code: 'C3.card', facts: {} }),
      ...(hasTwoSides(trial) ? c3.note(trial, { code: 'C3.hang', facts: {} }) : []),
    ];
  },
};

export const CLEAN_RULES: readonly Rule[] = [C1, C2, C3];
