import { hasIssue } from '../operations/issues.ts';
import { MOST_CYCLES } from '../operations/lows.ts';
import { isBody, labelOf } from '../materials/layer-kinds.ts';
import { scratchUnder, type ProductSheet } from '../materials/sheet.ts';
import {
  COAT_OPS,
  LAST_OPS,
  OPS,
  SAND_OPS,
  isCoat,
  isSanding,
  isStripping,
  type CoatAct,
} from '../operations/act.ts';
import { coatFilmUm } from '../operations/coating.ts';
import { ledgeLimit, schoolIn, sheetIn, type Context } from '../operations/context.ts';
import { blockedUm, blockedZone, keptUm, staysOn } from '../operations/sanded-area.ts';
import {
  heightUm,
  isFoundFinish,
  keepsGrain,
  laidKinds,
  soundNeighbour,
  takesCoats,
  topOf,
  unlevelUm,
  type Layer,
  type PanelState,
  type Scratch,
  type ZoneState,
} from '../operations/state.ts';
import { earliestIn } from '../operations/windows.ts';
import { blockGrade, finalGrade } from './final-grade.ts';
import { abrade, block, cure, flash } from './remedies.ts';
import {
  advice,
  NO_VERDICTS,
  verdictsFor,
  type Rule,
  type RuleInput,
  type ZoneRuleInput,
  type Verdict,
} from './rule.ts';

/** Rules of build coats: enough film, enough flash, enough cure, and level at the end. */

const b1 = verdictsFor('B1');

export const isSandableBuild = (zone: ZoneState): boolean => {
  const top = topOf(zone);
  return top.laid !== undefined && (top.kind === 'build' || top.kind === 'dtm');
};

/** Which grade blocks makes no difference to the level. */
const ANY_BLOCK: Scratch = { grade: 'P240', tool: 'block', depthUm: 0 };

/** How unlevel the zone would be after blocking it, µm. */
const afterBlockingUm = ({ zone, panel, context }: RuleInput): number =>
  unlevelUm(blockedZone(zone, ANY_BLOCK, panel, context), panel);

/** Film that a build lacks to be blocked and sanded down to what must stay, µm; 0 or less where it has enough. */
const lacksUm = (zone: ZoneState, panel: PanelState, context: Context): number =>
  staysOn(zone, context).value - keptUm(zone, panel, context);

/** A build on which another one has to go: too thin to be blocked, or not level even then. */
export function wantsMoreBuild(zone: ZoneState, panel: PanelState, context: Context): boolean {
  if (!isSandableBuild(zone)) return false;
  const levelUm = unlevelUm(blockedZone(zone, ANY_BLOCK, panel, context), panel);
  return lacksUm(zone, panel, context) > 0 || levelUm > ledgeLimit(context).value;
}

/** It is blocked once more in any case. */
const hasHadItsCycles = (zone: ZoneState): boolean => (topOf(zone).laid?.nBlocked ?? 0) >= MOST_CYCLES - 1;

/**
 * A build that is as thick as its sheet allows and that one block does not level: it is blocked down to what must stay,
 * which makes room for a second cycle of prime and block.
 */
export const isBlockedFirst = (
  zone: ZoneState,
  { id, film }: ProductSheet,
  panel: PanelState,
  context: Context,
): boolean =>
  topOf(zone).laid?.sheetId === id &&
  zone.surface.scratch === null &&
  !hasHadItsCycles(zone) &&
  topOf(zone).um + film.perCoatUm > film.maxUm &&
  wantsMoreBuild(zone, panel, context) &&
  blockedUm(zone, panel, context) + film.perCoatUm <= film.maxUm;

/** An area as the next build finds it: blocked where that comes first. */
export const asBuiltOn = (
  zone: ZoneState,
  sheet: ProductSheet,
  panel: PanelState,
  context: Context,
): ZoneState =>
  isBlockedFirst(zone, sheet, panel, context) ? blockedZone(zone, ANY_BLOCK, panel, context) : zone;

/** Blocked for the next build, whose sheet says what scratch it takes. */
const blockUnder = (sheet: ProductSheet, { zone, panel, context }: RuleInput) => {
  const range = scratchUnder(sheet, topOf(zone).kind);
  return range && block(zone, blockGrade(zone, range.finest, panel, context));
};

const blockRemedy = ({ zone, act, panel, context }: RuleInput) => {
  const final = finalGrade(zone, act, context);
  return final ? block(zone, blockGrade(zone, final.grade, panel, context)) : undefined;
};

const noBuildAtAll = (input: ZoneRuleInput): readonly Verdict[] => {
  const { act, zone, context } = input;
  if (act.op !== 'hand-over' || zone.patch?.finding.kind === 'rub-through') return NO_VERDICTS;
  const { side } = schoolIn(context, 'build');
  const laid = laidKinds(zone);
  const isBuilt = laid.some((kind) => kind === 'build' || kind === 'dtm');
  // What is only sealed over sound finish is no repair; on metal and filler a panel is blocked or it is not known.
  const isRepair = laid.some((kind) => kind === 'epoxy' || kind === 'etch' || kind === 'filler');
  if (side !== 'always' || !isRepair || isBuilt) return NO_VERDICTS;
  return b1.school(input, { code: 'school.build', facts: { side } });
};

/** Step that a thin primer or a sealer evens out as it flows, µm (default); nobody levels with epoxy (S8). */
const EVENED_OUT_UM = 25;

const foundOf = ({ stack }: ZoneState): number => heightUm({ stack: stack.filter(({ laid }) => !laid) });

/** Step that was there before thin films were laid in it, µm; 0 where build or nothing was laid. */
function stepUnderThinUm(zone: ZoneState, panel: PanelState): number {
  if (!topOf(zone).laid || zone.patch?.isDished) return 0;
  const neighbour = soundNeighbour(zone, panel);
  const laid = zone.stack.filter((layer) => layer.laid && !isBody(layer.kind));
  if (!neighbour || laid.length === 0) return 0;
  return laid.some(({ kind }) => isThick(kind)) ? 0 : foundOf(neighbour) - foundOf(zone);
}

const B1 = b1.rule({
  on: [...LAST_OPS, 'hand-over'],
  asks: 'Coats follow the film budget, so that the panel can be blocked level.',
  reads: 'neighbour',
  // What a rough coat comes on yet is not asked its level.
  about: (zone, context) => takesCoats(zone) && !keepsGrain(zone, context) && !hasIssue(zone, 'rough-coat'),
  judge: (input) => {
    const { zone, panel, context } = input;
    const isRaw = isSandableBuild(zone) && zone.surface.scratch === null;
    // A flaw in what is not blocked any more is sanded out first (O0): what is level is seen then.
    if (hasIssue(zone, 'flaw') && !isRaw) return NO_VERDICTS;
    const limit = ledgeLimit(context);
    const nowUm = unlevelUm(zone, panel);
    // Fresh build is judged by what blocking would leave of it.
    const blockedUm = isRaw ? afterBlockingUm(input) : 0;
    const unevenUm = Math.max(nowUm, blockedUm);
    const thinUm = unevenUm <= limit.value ? stepUnderThinUm(zone, panel) : 0;
    const ledgeUm = Math.max(unevenUm, thinUm > EVENED_OUT_UM ? thinUm : 0);
    const { quality } = context.target;
    const layer = labelOf(topOf(zone).kind);
    const facts = { ledgeUm, limitUm: limit.value, quality, layer };
    if (ledgeUm <= limit.value && !isRaw) return noBuildAtAll(input);
    if (isRaw && blockedUm <= limit.value) {
      const lackUm = lacksUm(zone, panel, context);
      return lackUm <= 0
        ? b1.must(
            input,
            { code: 'B1.block', facts: { ...facts, ledgeUm: nowUm }, source: limit.source },
            blockRemedy(input),
          )
        : b1.must(input, { code: 'B1.thin', facts: { layer, lackUm }, source: 'model' });
    }
    if (isFoundFinish(zone) && facts.ledgeUm === zone.surface.peelUm)
      return b1.must(
        input,
        { code: 'B1.peel', facts, source: limit.source },
        abrade(zone, 'P320', 'machine', context),
      );
    return b1.must(input, { code: 'B1.ledge', facts, source: limit.source });
  },
});

const b2 = verdictsFor('B2');

/** Film of this product on top, µm: what the sheet's maximum speaks of. */
const filmOnTopUm = (zone: ZoneState, sheetId: string): number => {
  const top = topOf(zone);
  return top.laid?.sheetId === sheetId ? top.um : 0;
};

const isThick = (kind: string): boolean => kind === 'build' || kind === 'dtm';

/** Build of another product on top that has not cured yet: what goes on it dries with it as one film. */
function wetBuildUnder(zone: ZoneState, sheet: ProductSheet, clockMin: number): Layer | null {
  const top = topOf(zone);
  const { laid } = top;
  const isWet = clockMin < (laid?.cure?.opensAtMin ?? -Infinity);
  return isWet && laid?.sheetId !== sheet.id && isThick(top.kind) && isThick(sheet.kind) ? top : null;
}

/** Film of a product on an area once an act has laid its coats, µm. */
const filmAfterUm = (act: CoatAct, zone: ZoneState, sheet: ProductSheet): number =>
  coatFilmUm(act, zone, sheet) + filmOnTopUm(zone, sheet.id);

const isOverMaximum = (act: CoatAct, zone: ZoneState, context: Context): boolean => {
  const sheet = sheetIn(context, act.sheetId);
  return filmAfterUm(act, zone, sheet) > sheet.film.maxUm + 1e-9;
};

const B2 = b2.rule({
  on: OPS,
  asks: 'Each coat flashes before anything touches it, and the total stays inside the sheet’s maximum.',
  reads: 'panel',
  concerns: ({ act, zone, context }) =>
    isCoat(act)
      ? zone.stack.some(({ laid }) => laid) || isOverMaximum(act, zone, context)
      : topOf(zone).laid !== undefined && act.op !== 'flash' && act.op !== 'cure' && act.op !== 'mask',
  judge: (input) => {
    const { act, zone, panel, context } = input;
    if (isCoat(act)) {
      const sheet = sheetIn(context, act.sheetId);
      const filmUm = filmAfterUm(act, zone, sheet);
      if (isOverMaximum(act, zone, context))
        return isBlockedFirst(zone, sheet, panel, context)
          ? b2.must(
              input,
              { code: 'B2.block-first', facts: { layer: labelOf(topOf(zone).kind) }, source: 'sheet' },
              blockUnder(sheet, input),
            )
          : b2.must(input, {
              code: 'B2.maximum',
              facts: { sheet: sheet.name, filmUm, maxUm: sheet.film.maxUm },
              source: 'sheet',
            });
      const wet = wetBuildUnder(zone, sheet, panel.clockMin);
      const maxUm = Math.max(sheet.film.maxUm, wet ? sheetIn(context, wet.laid!.sheetId).film.maxUm : 0);
      if (wet && filmUm + wet.um > maxUm)
        return b2.must(
          input,
          {
            code: 'B2.one-film',
            facts: { layer: labelOf(wet.kind), filmUm: filmUm + wet.um, maxUm },
            source: 'sheet',
          },
          cure(zone),
        );
    }
    const { laid } = topOf(zone);
    if (!laid) return NO_VERDICTS;
    const layer = labelOf(topOf(zone).kind);
    const isNext = isCoat(act) || act.op === 'hand-over';
    const atMin = isNext ? earliestIn(laid.recoat, panel.clockMin) : laid.flash.opensAtMin;
    const leftMin = atMin - panel.clockMin;
    if (leftMin <= 1e-9) return NO_VERDICTS;
    const code = isNext && panel.clockMin > laid.recoat.opensAtMin ? 'B2.lifts' : 'B2.flash';
    return b2.must(input, { code, facts: { layer, leftMin }, source: 'sheet' }, flash(zone));
  },
});

const b3 = verdictsFor('B3');

const B3 = b3.rule({
  on: [...SAND_OPS, 'guide-coat'],
  asks: 'No sanding before the sheet’s time and 90 % cure.',
  reads: 'panel',
  about: (zone) => hasIssue(zone, 'soft') || (topOf(zone).laid?.cure ?? null) !== null,
  judge: (input) => {
    const { act, zone, panel } = input;
    if (!isSanding(act) && act.op !== 'guide-coat') return NO_VERDICTS;
    if (hasIssue(zone, 'soft') && !isStripping(act))
      return b3.must(input, { code: 'B3.soft', facts: {} }, cure(zone));
    // What never cures is not waited for.
    if (hasIssue(zone, 'uncured')) return NO_VERDICTS;
    const top = topOf(zone);
    const at = top.laid?.cure?.opensAtMin;
    if (at === undefined || panel.clockMin >= at - 1e-9) return NO_VERDICTS;
    return b3.must(
      input,
      {
        code: 'B3.uncured',
        facts: { layer: labelOf(top.kind), leftMin: at - panel.clockMin },
        source: 'model',
      },
      cure(zone),
    );
  },
});

const B4 = advice(
  'B4',
  [...COAT_OPS],
  'Fluid tip inside the sheet’s range; a smaller one only with reduction and the film computed again.',
  ({ act, context }) => {
    const tip = isCoat(act) ? sheetIn(context, act.sheetId).tipMm : undefined;
    if (!tip) return null;
    const facts = { tip: `${tip.from.toFixed(1)}-${tip.to.toFixed(1)} mm` };
    return { code: 'B4.tip', facts, source: 'sheet' };
  },
);

const B5 = advice(
  'B5',
  ['guide-coat'],
  'Pinholes and deep marks found after priming are glazed, levelled and spot primed.',
  ({ zone }) => (isSandableBuild(zone) && !zone.surface.scratch ? { code: 'B5.glaze', facts: {} } : null),
);

const B1_SOUND = b1.rule({
  on: ['prime-build', 'prime-dtm'],
  asks: 'Build goes where something has to be levelled or filled, not over sound finish around it.',
  about: (zone) => !zone.patch && zone.edge === 'sound' && isFoundFinish(zone) && !zone.isSoluble,
  judge: (input) => {
    const { zone, context } = input;
    const { wavesUm, peelUm, lowUm } = zone.surface;
    const isLevel = Math.max(wavesUm, peelUm, lowUm) <= ledgeLimit(context).value;
    return isLevel && topOf(zone).kind === 'old-finish' && schoolIn(context, 'build').side !== 'always'
      ? b1.should(input, { code: 'B1.sound', facts: {} })
      : NO_VERDICTS;
  },
});

export const BUILD_RULES: readonly Rule[] = [B1, B1_SOUND, B2, B3, B4, B5];
