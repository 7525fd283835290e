import { lightnessOfHex } from '../film/tone.ts';
import { isBody, labelOf } from '../materials/layer-kinds.ts';
import { COAT_OPS, LAYING_OPS, SAND_OPS, isCoat, isLaying, isSanding } from '../operations/act.ts';
import { sagOf } from '../operations/coating.ts';
import { ruleIn, schoolIn, sheetIn, type Context } from '../operations/context.ts';
import { topOf } from '../operations/state.ts';
import { FINAL_TOOL } from './final-grade.ts';
import { abrade, degrease, mask, tack, wash } from './remedies.ts';
import { fine, speaker, type Rule } from './rule.ts';

/** Rules of sealers, windows and cleanliness. */

const s1 = speaker('S1');
/** What came with a part and is no surface for base by itself. */
const NOT_FOR_BASE = new Set<string>(['ecoat', 'part-primer', 'fiberglass']);

export const S1: Rule = {
  id: 'S1',
  on: ['hand-over'],
  asks: 'Seal where substrates are mixed, cut through, or the tone must change.',
  judge: (trial) => {
    const { act, zone, panel } = trial;
    if (act.op !== 'hand-over') return fine;
    const { kind } = topOf(zone);
    if (isBody(kind) || NOT_FOR_BASE.has(kind))
      return s1.must(trial, { code: 'S1.unprimed', facts: { layer: labelOf(kind) } });
    if (zone.zone.id !== act.zones[0]) return fine;
    const tops = new Set(panel.zones.map((other) => topOf(other).kind));
    if (tops.size < 2) return fine;
    return s1.must(trial, { code: 'S1.mixed', facts: { layers: [...tops].map(labelOf).join(', ') } });
  },
};

const s2 = speaker('S2');

export const S2: Rule = {
  id: 'S2',
  on: ['seal'],
  asks: 'One full coat, or a light and a medium one: the shop chooses, inside the sag limit.',
  judge: (trial) => {
    const { act, zone, context } = trial;
    if (act.op !== 'seal' || !isCoat(act)) return fine;
    const { wetUm, limitUm } = sagOf(act, context);
    if (wetUm > limitUm)
      return s2.must(trial, { code: 'S2.sag', facts: { wetUm, limitUm }, source: 'model' });
    const { side } = schoolIn(context, 'sealerCoats');
    const coats = act.coats[zone.zone.id] ?? 1;
    return coats > 1 === (side === 'two')
      ? fine
      : s2.school(trial, { code: 'school.sealer-coats', facts: { side, coats } });
  },
};

const s3 = speaker('S3');
/** Grade that reopens a coat whose window has closed (default). */
const SCUFF = 'P600';

export const S3: Rule = {
  id: 'S3',
  on: [...COAT_OPS, 'hand-over'],
  asks: 'The next coat goes on inside the window; past it, scuff.',
  judge: (trial) => {
    const { act, zone, panel, context } = trial;
    const { laid, kind } = topOf(zone);
    const isNext = isCoat(act) || act.op === 'hand-over';
    if (!isNext || !laid || isBody(kind) || zone.surface.scratch || panel.clockMin <= laid.closesAtMin)
      return fine;
    const facts = { layer: labelOf(kind), overMin: panel.clockMin - laid.closesAtMin, grit: SCUFF };
    return s3.must(
      trial,
      { code: 'S3.closed', facts, source: 'sheet' },
      abrade(zone, SCUFF, FINAL_TOOL, context),
    );
  },
};

const s4 = speaker('S4');

/** Lightness of the base that will follow, or null where no colour is given. */
export function baseLightness({ target }: Context): number | null {
  const { color } = target.base;
  if (color === undefined) return null;
  return typeof color === 'string' ? lightnessOfHex(color) : color.L;
}

export const S4: Rule = {
  id: 'S4',
  on: ['seal'],
  asks: 'The sealer’s tone lets the base hide soon.',
  judge: (trial) => {
    const { act, context } = trial;
    const baseL = baseLightness(context);
    if (act.op !== 'seal' || !isCoat(act) || act.toneL === undefined || baseL === null) return fine;
    const gap = ruleIn(context, 'toneGapL');
    if (Math.abs(act.toneL - baseL) <= gap.value) return fine;
    return s4.should(trial, {
      code: 'S4.tone',
      facts: { toneL: act.toneL, baseL: Math.round(baseL) },
      source: gap.source,
    });
  },
};

const s5 = speaker('S5');

export const S5: Rule = {
  id: 'S5',
  on: SAND_OPS,
  asks: 'Non-sanding products are only spot denibbed.',
  judge: (trial) => {
    const { act, zone, panel } = trial;
    const { laid, kind } = topOf(zone);
    if (!isSanding(act) || !laid || laid.sandableAtMin !== null || panel.clockMin > laid.closesAtMin)
      return fine;
    return s5.must(trial, { code: 'S5.sanded', facts: { layer: labelOf(kind) }, source: 'sheet' });
  },
};

const c1 = speaker('C1');

export const C1: Rule = {
  id: 'C1',
  on: [...LAYING_OPS, 'degrease'],
  asks: 'Wash, degrease, abrade, blow off, degrease, tack; masked and dry before spraying.',
  judge: (trial) => {
    const { act, zone, panel, context } = trial;
    const { soil, isTacked } = zone.surface;
    if (act.op === 'degrease' && soil === 'grime')
      return c1.must(trial, { code: 'C1.wash', facts: {} }, wash(panel));
    if (!isLaying(act)) return fine;
    // Open filler takes up liquid: it is blown off and tacked, never wiped wet.
    const isOpenBody = isBody(topOf(zone).kind) && soil === 'dusty';
    if (soil !== 'clean' && !isOpenBody)
      return c1.must(
        trial,
        { code: soil === 'dusty' ? 'C1.dust' : 'C1.degrease', facts: {} },
        degrease(zone, panel),
      );
    if (!isCoat(act)) return fine;
    if (!panel.isMasked)
      return c1.must(
        trial,
        { code: 'C1.mask', facts: { sheet: sheetIn(context, act.sheetId).name } },
        mask(panel),
      );
    if (isTacked) return fine;
    return c1.must(trial, { code: isOpenBody ? 'C1.open-filler' : 'C1.tack', facts: {} }, tack(zone));
  },
};

export const SEAL_RULES: readonly Rule[] = [S1, S2, S3, S4, S5, C1];
