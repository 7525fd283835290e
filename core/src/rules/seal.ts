import { hasIssue } from '../operations/issues.ts';
import { lightnessOfHex } from '../film/tone.ts';
import { isCoarser, type Grade } from '../materials/grades.ts';
import { isBody, labelOf } from '../materials/layer-kinds.ts';
import { COAT_OPS, LAST_OPS, SAND_OPS, isCoat, isSanding, isStripping } from '../operations/act.ts';
import { sagOf } from '../operations/coating.ts';
import { ruleIn, schoolIn, sheetIn, type Context } from '../operations/context.ts';
import { topOf, type PanelState, type ZoneState } from '../operations/state.ts';
import { recoatWindow, windowsOfMix } from '../operations/windows.ts';
import { bordersOf } from '../survey/panel.ts';
import { finalTool } from './final-grade.ts';
import { abrade, coatAgain, flash } from './remedies.ts';
import { advice, NO_VERDICTS, verdictsFor, type Rule } from './rule.ts';

/** Rules of sealers, wet-on-wet and the windows between coats. */

const s1 = verdictsFor('S1');
/** What came with a part and is no surface for base by itself. */
const NOT_FOR_BASE = new Set<string>([
  'ecoat',
  'part-primer',
  'fiberglass',
  'promoter',
  'plastic-rigid',
  'plastic-olefin',
  'plastic-soft',
  'plastic-primed',
]);

/** Areas that one base goes over: what is kept or only blended into has its own tone already. */
const basedAreas = (panel: PanelState): readonly ZoneState[] =>
  panel.zones.filter((zone) => zone.role === 'refinish' || (zone.role !== 'keep' && zone.patch !== null));

const S1 = s1.rule({
  on: ['hand-over'],
  asks: 'Seal where substrates are mixed, cut through, or the tone must change: all over, or the primed areas.',
  reads: 'panel',
  judge: (input) => {
    const { act, zone, panel } = input;
    const { kind } = topOf(zone);
    if (zone.role === 'keep') return NO_VERDICTS;
    if (isBody(kind) || NOT_FOR_BASE.has(kind))
      return s1.must(input, { code: 'S1.unprimed', facts: { layer: labelOf(kind) } });
    if (zone.zone.id !== act.zones[0]) return NO_VERDICTS;
    // Sealed areas may end in sound finish; primer beside it, or two primers side by side, show through base.
    const tops = new Set(basedAreas(panel).map((other) => topOf(other).kind));
    const unsealed = [...tops].filter((top) => !SEALS.has(top));
    const isEven = tops.size < 2 || (unsealed.length === 1 && unsealed[0] === 'old-finish');
    if (isEven) return NO_VERDICTS;
    return s1.must(input, { code: 'S1.mixed', facts: { layers: [...tops].map(labelOf).join(', ') } });
  },
});
/** Coats that end their own suction: base lies on them as on sound finish. */
const SEALS = new Set<string>(['sealer', 'wet-on-wet', 'epoxy']);

const s2 = verdictsFor('S2');

const S2 = s2.rule({
  on: COAT_OPS,
  asks: 'One full coat, or a light and a medium one: the shop chooses; no coat of any kind over the sag limit, unless the part is laid flat.',
  judge: (input) => {
    const { act, zone, context } = input;
    if (!isCoat(act)) return NO_VERDICTS;
    const { wetUm, limitUm, uprightUm, isLaidFlat } = sagOf(act, context);
    if (wetUm > limitUm)
      return s2.must(input, { code: 'S2.sag', facts: { wetUm, limitUm }, source: 'model' });
    const held = isLaidFlat
      ? s2.note(input, { code: 'S2.lay-flat', facts: { wetUm, uprightUm }, source: 'model' })
      : NO_VERDICTS;
    if (act.op !== 'seal') return held;
    const { side } = schoolIn(context, 'sealerCoats');
    const coats = act.coats[zone.zone.id] ?? 1;
    return coats > 1 === (side === 'two')
      ? held
      : [...held, ...s2.school(input, { code: 'school.sealer-coats', facts: { side, coats } })];
  },
});

const s3 = verdictsFor('S3');
/** Grade that reopens a coat whose window has closed (default). */
const SCUFF = 'P600';

const S3 = s3.rule({
  on: [...COAT_OPS, 'hand-over'],
  asks: 'The next coat goes on inside the window; past it, scuff or coat again, as the sheet says.',
  reads: 'panel',
  // A promoter whose window closed is laid again (P4), not scuffed.
  about: (zone) => {
    const { laid, kind } = topOf(zone);
    return laid !== undefined && !isBody(kind) && kind !== 'promoter' && zone.surface.scratch === null;
  },
  judge: (input) => {
    const { zone, panel, context } = input;
    const { laid, kind } = topOf(zone);
    if (!laid || panel.clockMin <= laid.recoat.closesAtMin) return NO_VERDICTS;
    const overMin = panel.clockMin - laid.recoat.closesAtMin;
    const { source, whenMissed } = laid.recoat;
    const layer = labelOf(kind);
    return whenMissed === 'repeat'
      ? s3.must(input, { code: 'S3.again', facts: { layer, overMin }, source }, coatAgain(zone, context))
      : s3.must(
          input,
          { code: 'S3.closed', facts: { layer, overMin, grit: SCUFF }, source },
          abrade(zone, SCUFF, finalTool(context), context),
        );
  },
});

const s4 = verdictsFor('S4');

/** Lightness of the base that will follow, or null where no colour is given. */
export function baseLightness({ target }: Context): number | null {
  const { color } = target.base;
  if (color === undefined) return null;
  return typeof color === 'string' ? lightnessOfHex(color) : color.L;
}

/** Tone of what base will go on, L*: what was mixed, or the finish that was found; null where nobody knows. */
function topTone({ stack, zone }: ZoneState): number | null {
  const top = stack[stack.length - 1]!;
  if (top.laid) return top.laid.toneL ?? null;
  const layer = zone.layers[zone.layers.length - 1]!;
  if (layer.kind !== top.kind) return null;
  return layer.toneL ?? (layer.color ? lightnessOfHex(layer.color) : null);
}

const S4 = s4.rule({
  on: ['hand-over'],
  asks: 'Whatever base goes on has a tone that lets it hide soon.',
  judge: (input) => {
    const { zone, context } = input;
    const baseL = baseLightness(context);
    const toneL = topTone(zone);
    if (baseL === null || toneL === null || zone.role !== 'refinish') return NO_VERDICTS;
    const gap = ruleIn(context, 'toneGapL');
    if (Math.abs(toneL - baseL) <= gap.value) return NO_VERDICTS;
    return s4.should(input, {
      code: 'S4.tone',
      facts: { toneL: Math.round(toneL), baseL: Math.round(baseL) },
      source: gap.source,
    });
  },
});

const S4_BESIDE = advice(
  'S4',
  LAST_OPS,
  'Panels that are painted together get one tone.',
  ({ act, zone, context }) => {
    const borders = bordersOf(context.panel, 'refinish');
    return borders && zone.zone.id === act.zones[0] ? { code: 'S4.beside', facts: { borders } } : null;
  },
);

const s5 = verdictsFor('S5');

/** Grades for a nib in a coat that is not sanded. */
const DENIB = { coarsest: 'P600', finest: 'P1000' } as const;
const denibWording = { code: 'S5.denib', facts: { from: DENIB.coarsest, to: DENIB.finest } } as const;
const isSpotDenib = (grade: Grade): boolean =>
  !isCoarser(grade, DENIB.coarsest) && !isCoarser(DENIB.finest, grade);

const S5 = s5.rule({
  on: SAND_OPS,
  asks: 'Non-sanding products are only spot denibbed.',
  reads: 'panel',
  about: (zone) => topOf(zone).laid?.cure === null,
  judge: (input) => {
    const { act, zone, panel } = input;
    const { laid, kind } = topOf(zone);
    if (!isSanding(act) || !laid || panel.clockMin > laid.recoat.closesAtMin) return NO_VERDICTS;
    const isFlawed = hasIssue(zone, 'flaw') || hasIssue(zone, 'nibs');
    if (isFlawed && panel.clockMin < laid.flash.opensAtMin - 1e-9)
      return s5.must(input, { code: 'S5.wet', facts: { layer: labelOf(kind) } }, flash(zone));
    if (act.op === 'denib') return isSpotDenib(act.grades[0]) ? NO_VERDICTS : s5.must(input, denibWording);
    if (hasIssue(zone, 'flaw') || isStripping(act)) return NO_VERDICTS;
    return s5.must(input, { code: 'S5.sanded', facts: { layer: labelOf(kind) }, source: 'sheet' });
  },
});

const S6 = advice(
  'S6',
  COAT_OPS,
  'Mixed coats wait for their induction, are strained, and are sprayed inside their pot life.',
  ({ act, context }) => {
    if (!isCoat(act)) return null;
    const clocks = windowsOfMix(act.sheetId, 0, context);
    const inductionMin = clocks.find(({ kind }) => kind === 'induction')?.opensAtMin;
    const potLifeMin = clocks.find(({ kind }) => kind === 'pot-life')?.closesAtMin;
    if (inductionMin !== undefined && potLifeMin !== undefined)
      return { code: 'S6.induction', facts: { inductionMin, potLifeMin }, source: 'sheet' };
    return potLifeMin === undefined ? null : { code: 'S6.pot-life', facts: { potLifeMin }, source: 'sheet' };
  },
);

const S7 = advice(
  'S7',
  ['prime-wet-on-wet'],
  'Wet-on-wet primer: a thin coat followed at once by a full one, no sanding.',
  ({ act, context }) => {
    if (!isCoat(act)) return null;
    const { opensAtMin: baseAfterMin, source } = recoatWindow(sheetIn(context, act.sheetId), 0, context);
    return { code: 'S7.how', facts: { baseAfterMin }, source };
  },
);

const s8 = verdictsFor('S8');
/** Scuff of cured epoxy under a sealer, by soft pad. */
const EPOXY_SCUFF = 'P400';

const S8 = s8.rule({
  on: [...LAST_OPS, 'hand-over'],
  asks: 'Epoxy takes the next coat inside its window without sanding, or is cured, scuffed and sealed: the shop chooses.',
  about: (zone) => topOf(zone).kind === 'epoxy' && zone.surface.scratch === null,
  judge: (input) => {
    const { act, zone, context } = input;
    const { laid } = topOf(zone);
    if (!laid) return NO_VERDICTS;
    const { side, source } = schoolIn(context, 'epoxySealer');
    const closesMin = recoatWindow(sheetIn(context, laid.sheetId), 0, context).closesAtMin;
    if (side === 'wet-on-wet')
      return act.op === 'hand-over'
        ? s8.note(input, { code: 'S8.window', facts: { closesMin }, source: 'sheet' })
        : NO_VERDICTS;
    return act.op === 'hand-over'
      ? s8.school(input, { code: 'school.epoxy-sealer', facts: { side }, source })
      : s8.must(
          input,
          { code: 'S8.scuff', facts: { grit: EPOXY_SCUFF }, source },
          abrade(zone, EPOXY_SCUFF, finalTool(context), context),
        );
  },
});

export const SEAL_RULES: readonly Rule[] = [S1, S2, S3, S4, S4_BESIDE, S5, S6, S7, S8];
