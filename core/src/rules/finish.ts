import { hasIssue } from '../operations/issues.ts';
import { labelOf } from '../materials/layer-kinds.ts';
import { COAT_OPS, LAYING_OPS, SAND_OPS, isCoat } from '../operations/act.ts';
import { sagOf } from '../operations/coating.ts';
import { ruleIn, schoolIn, sheetIn, type Context } from '../operations/context.ts';
import {
  byId,
  foundFilmUm,
  groundOf,
  isBare,
  hasSmallChips,
  isFoundFinish,
  takesCoats,
  topOf,
  type PanelState,
  type ZoneState,
} from '../operations/state.ts';
import { topKindOf } from '../survey/zone-facts.ts';
import { spotFacts, spotProblem } from './bare-spots.ts';
import { abrade, feather, rub, strip, wipe } from './remedies.ts';
import { NO_VERDICTS, verdictsFor, type Rule, type Wording } from './rule.ts';

/** Rules of old finish and of new parts. */

const o1 = verdictsFor('O1');

/** Finish that comes off because it is unsound, and why: where it is, or from the whole panel where it is too much of it. */
export function unsoundFinish(
  panel: PanelState,
  context: Context,
): { readonly zones: readonly ZoneState[]; readonly said: Required<Wording<'O1.panel' | 'O1.local'>> } {
  const finishes = panel.zones.filter((zone) => isFoundFinish(zone) && zone.role !== 'keep');
  const unsound = finishes.filter((zone) => hasIssue(zone, 'unsound'));
  const openM2 = unsound.reduce((sum, zone) => sum + zone.extent.openM2, 0);
  const limit = ruleIn(context, 'stripPanelSharePercent');
  const facts = { sharePercent: (openM2 / context.panel.areaM2) * 100, limitPercent: limit.value };
  const isWide = facts.sharePercent > limit.value;
  return {
    // Where colour only fades out nothing could be laid again: sound finish stays there.
    zones: isWide ? finishes.filter((zone) => takesCoats(zone) || unsound.includes(zone)) : unsound,
    said: { code: isWide ? 'O1.panel' : 'O1.local', facts, source: limit.source },
  };
}

const O1 = o1.rule({
  on: [...LAYING_OPS, 'hand-over'],
  asks: 'Unsound finish comes off: locally to a sound edge, or from the whole panel.',
  reads: 'panel',
  about: (zone, context) =>
    isFoundFinish(zone) &&
    (hasIssue(zone, 'unsound') || foundFilmUm(zone) > ruleIn(context, 'stripFilmUm').value),
  judge: (input) => {
    const { zone, panel, context } = input;
    const filmLimit = ruleIn(context, 'stripFilmUm');
    const filmUm = foundFilmUm(zone);
    if (filmUm > filmLimit.value)
      return o1.must(
        input,
        { code: 'O1.thick', facts: { filmUm, limitUm: filmLimit.value }, source: filmLimit.source },
        strip([zone], context),
      );
    const { zones, said } = unsoundFinish(panel, context);
    return o1.must(input, said, strip(said.code === 'O1.panel' ? zones : [zone], context));
  },
});

const o2 = verdictsFor('O2');
const ISOLATING_COATS = 2;

const O2 = o2.rule({
  on: [...COAT_OPS, 'hand-over'],
  asks: 'Thinner-soft paint is stripped, or isolated with two coats of unreduced epoxy and no heavy wet coat over it.',
  about: ({ isSoluble }) => isSoluble,
  judge: (input) => {
    const { act, zone, context } = input;
    if (isFoundFinish(zone)) {
      const isolates =
        isCoat(act) && act.op === 'prime-epoxy' && (act.coats[zone.zone.id] ?? 1) >= ISOLATING_COATS;
      return isolates
        ? o2.should(input, { code: 'O2.isolated', facts: {} })
        : o2.must(input, { code: 'O2.isolate', facts: { layer: labelOf(topOf(zone).kind) } });
    }
    if (!isCoat(act)) return NO_VERDICTS;
    const limit = ruleIn(context, 'solubleMaxWetUm');
    const { wetUm } = sagOf(act, context);
    return wetUm <= limit.value
      ? NO_VERDICTS
      : o2.should(input, { code: 'O2.wet', facts: { wetUm, limitUm: limit.value }, source: limit.source });
  },
});

const n2 = verdictsFor('N2');

const N2 = n2.rule({
  on: [...COAT_OPS, 'hand-over'],
  asks: 'A maker’s primer of unknown kind gets the solvent rub; what softens is stripped or isolated.',
  about: (zone) => hasIssue(zone, 'rub'),
  judge: (input) => {
    const { zone } = input;
    return n2.must(input, { code: 'N2.rub', facts: {} }, rub(zone));
  },
});

const o3 = verdictsFor('O3');

const O3 = o3.rule({
  on: [...SAND_OPS, 'strip-blast', 'laminate-repair'],
  asks: 'Degrease before sanding, or grease is sanded in.',
  reads: 'panel',
  judge: (input) => {
    const { zone, panel, context } = input;
    const isDirty = zone.surface.soil === 'grime' || zone.surface.soil === 'washed';
    if (!isDirty) return NO_VERDICTS;
    return o3.must(input, { code: 'O3.degrease', facts: {} }, wipe(zone, panel, context));
  },
});

const o4 = verdictsFor('O4');

/** Finish that stays around an area: where all is stripped nothing has an edge. */
const hasFinishBeside = (zone: ZoneState, panel: PanelState): boolean => {
  const ground = groundOf(zone, panel);
  return ground ? isFoundFinish(ground) : panel.zones.some((other) => !other.patch && isFoundFinish(other));
};

const O4 = o4.rule({
  on: [...COAT_OPS, 'hand-over'],
  asks: 'Edges of old finish are feathered, and primer reaches past the feather.',
  reads: 'panel',
  about: ({ edge }) => edge === 'raw',
  concerns: ({ act }) => act.op !== 'promote',
  judge: (input) => {
    const { zone, panel, context } = input;
    // An edge within one zone, found as such, has its finish on both sides.
    if (!hasFinishBeside(zone, panel) && !isFoundFinish(zone)) return NO_VERDICTS;
    const isChip = hasSmallChips(zone);
    const { value: slopeMm, source } = ruleIn(context, isChip ? 'chipFeatherMm' : 'featherMmPerLayer');
    const facts = { slopeMm, overlapMm: ruleIn(context, 'primerOverlapMm').value };
    const code = isChip ? 'O4.feather-chip' : 'O4.feather';
    return o4.must(input, { code, facts, source }, feather(zone, context));
  },
});

/** Edges elsewhere on the panel are cut before fresh primer stands beside their dust. */
const O4_TOGETHER = o4.rule({
  on: COAT_OPS,
  asks: 'All raw edges of the panel are feathered before the first primer.',
  reads: 'panel',
  concerns: ({ act, zone }) => act.op !== 'promote' && zone.zone.id === act.zones[0],
  judge: (input) => {
    const { act, panel, context } = input;
    const isRaw = (state: ZoneState): boolean =>
      state.edge === 'raw' &&
      takesCoats(state) &&
      !act.zones.includes(state.zone.id) &&
      (hasFinishBeside(state, panel) || isFoundFinish(state));
    return byId(panel)
      .filter(isRaw)
      .flatMap((other) => o4.must(input, { code: 'O4.together', facts: {} }, feather(other, context)));
  },
});

const o5 = verdictsFor('O5');

const O5 = o5.rule({
  on: COAT_OPS,
  asks: 'The first coat over feathered edges is light: they lift first.',
  about: ({ edge }) => edge === 'feathered',
  judge: (input) => {
    const { act, zone } = input;
    if (!isCoat(act) || act.op === 'promote' || act.isLightFirst) return NO_VERDICTS;
    const isFirst = !zone.stack.some(
      (layer) => layer.laid && layer.kind !== 'filler' && layer.kind !== 'glaze',
    );
    return isFirst ? o5.should(input, { code: 'O5.heavy', facts: {} }) : NO_VERDICTS;
  },
});

const n1 = verdictsFor('N1');
const SCUFF = 'P400';

const isUnsandedEcoat = (zone: ZoneState): boolean => {
  const top = topOf(zone);
  return top.kind === 'ecoat' && !top.laid && zone.surface.scratch === null;
};

const N1 = n1.rule({
  on: COAT_OPS,
  asks: 'Sound e-coat is left unsanded where the sheet allows it, or scuffed all over: the shop chooses.',
  about: isUnsandedEcoat,
  judge: (input) => {
    const { act, zone, context } = input;
    if (!isCoat(act)) return NO_VERDICTS;
    const { side, source } = schoolIn(context, 'ecoat');
    const sheet = sheetIn(context, act.sheetId);
    const mayLie = sheet.overUnsanded.includes('ecoat');
    if (side === 'leave' && mayLie && !hasIssue(zone, 'overspray')) return NO_VERDICTS;
    const scuff = abrade(zone, SCUFF, 'machine-soft', context);
    const facts = { grit: SCUFF, sheet: sheet.name };
    return mayLie
      ? n1.must(input, { code: 'N1.scuff', facts, source }, scuff)
      : n1.must(input, { code: 'N1.sheet', facts, source: 'sheet' }, scuff);
  },
});

const n3 = verdictsFor('N3');

const N3 = n3.rule({
  on: [...COAT_OPS, 'hand-over'],
  asks: 'Cut-throughs in e-coat get the treatment of bare metal.',
  about: (zone) => isBare(zone) && topKindOf(zone.zone) === 'ecoat',
  judge: (input) => {
    const { act, zone } = input;
    const spots = zone.patch?.spots;
    if (!spots) return NO_VERDICTS;
    if (act.op === 'hand-over')
      return n3.must(input, { code: 'N3.uncovered', facts: { count: spots.count } });
    if (!spotProblem(input)) return NO_VERDICTS;
    return n3.must(input, {
      code: 'N3.cut-through',
      facts: { ...spotFacts(input), layer: labelOf(topOf(zone).kind) },
    });
  },
});

export const FINISH_RULES: readonly Rule[] = [O1, O2, O3, O4, O4_TOGETHER, O5, N1, N2, N3];
