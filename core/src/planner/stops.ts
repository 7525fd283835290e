import { familyOf, isBody, isMetal, isRawPlastic, labelOf, type Family } from '../materials/layer-kinds.ts';
import { ruleIn, type Context } from '../operations/context.ts';
import { WARMED_OUT_UM } from '../operations/lows.ts';
import { deepestFillUm, plasticPaste } from '../operations/products.ts';
import { findingOf, findingWords, findingsOf } from '../survey/finding.ts';
import { findingRow } from '../survey/findings.ts';
import { impossibilitiesOf } from '../survey/contradictions.ts';
import type { ZoneProblem } from '../survey/regions.ts';
import type { Zone } from '../survey/zone.ts';
import { baseOf, roleOf, testOf, topKindOf } from '../survey/zone-facts.ts';
import { tell } from '../wording/say.ts';
import type { SentenceCode } from '../wording/sentences.ts';

/** Zones for which no undercoat plan is right, and what must happen first. */
export interface Stop extends ZoneProblem {
  readonly rule: string;
}

const lowUmOf = ({ findings }: Zone): number =>
  Math.max(0, ...findingsOf(findings, 'low').map(({ depthMm }) => depthMm * 1000));

const fillerUmOf = ({ layers }: Zone): number =>
  layers.reduce((sum, { kind, um = 0 }) => (kind === 'filler' ? sum + um : sum), 0);

/** What has to be done first on each kind of substrate where a hollow is deeper than what fills it. */
const TOO_DEEP = {
  metal: 'F3.deep',
  plastic: 'F3.deep-plastic',
  composite: 'F3.deep-composite',
} as const satisfies Partial<Record<Family, SentenceCode>>;

/** Deepest hollow that is filled on a zone, µm; on sound painted plastic as deep as warmth takes one out. */
function mostFilledUm(zone: Zone, context: Context): number {
  const base = baseOf(zone);
  if (familyOf(base) !== 'plastic') return deepestFillUm(context) ?? ruleIn(context, 'fillerMaxUm').value;
  const pasteUm = plasticPaste(context, base)?.film.maxUm ?? ruleIn(context, 'fillerMaxUm').value;
  return topKindOf(zone) === base ? pasteUm : Math.max(pasteUm, WARMED_OUT_UM);
}

function tooDeepStop(zone: Zone, context: Context) {
  const family = familyOf(baseOf(zone));
  const lowUm = lowUmOf(zone);
  const mostUm = mostFilledUm(zone, context);
  const depthUm = fillerUmOf(zone) + lowUm;
  // Filler that is too thick by itself is judged where it is looked at (rule F3), but on metal.
  if (!(family in TOO_DEEP) || depthUm <= mostUm || (lowUm === 0 && family !== 'metal')) return null;
  const facts = { depthMm: depthUm / 1000, maxMm: mostUm / 1000 };
  return { code: TOO_DEEP[family as keyof typeof TOO_DEEP], facts };
}

/** Why nothing rigid may be sprayed on very soft plastic, where no sheet on the shelf is made for it. */
const softStop = (zone: Zone, { shelf }: Context): boolean =>
  baseOf(zone) === 'plastic-soft' && ![...shelf.values()].some(({ over }) => 'plastic-soft' in over);

const slidesOff = (zone: Zone): boolean =>
  isRawPlastic(topKindOf(zone)) && testOf(zone, 'tape-hold')?.outcome === 'slides-off';

/** The stop of one zone, or null when it can be planned. */
export function stopOf(zone: Zone, context: Context): Stop | null {
  const stop = <Code extends SentenceCode>(rule: string, ...said: Parameters<typeof tell<Code>>): Stop => ({
    zoneId: zone.id,
    rule,
    ...tell(...said),
  });
  const [impossible] = impossibilitiesOf(zone);
  if (impossible) return { zoneId: zone.id, rule: 'survey', ...impossible };
  // What is kept as it is, is masked and holds nothing up.
  if (roleOf(zone, context.panel) === 'keep') return null;
  if (findingOf(zone.findings, 'rust-through')) return stop('M5', 'M5.through');
  const broken = findingOf(zone.findings, 'crack') ?? findingOf(zone.findings, 'hole');
  if (broken && isMetal(baseOf(zone))) return stop('M5', 'M5.broken', { damage: broken.kind });
  if (findingOf(zone.findings, 'high') && !isMetal(baseOf(zone)) && !isBody(topKindOf(zone)))
    return stop('K2', 'K2.high-stop', { layer: labelOf(baseOf(zone)) });
  const opened = zone.findings.find(({ kind }) => findingRow(kind).isOpened);
  if (opened && baseOf(zone) === 'plastic-primed')
    return stop('P9', 'P9.primed', { finding: findingWords(opened) });
  if (slidesOff(zone)) return stop('P7', 'P7.slides');
  if (softStop(zone, context)) return stop('P5', 'P5.soft', { layer: labelOf(baseOf(zone)) });
  const tooDeep = tooDeepStop(zone, context);
  return tooDeep && stop('F3', tooDeep.code, tooDeep.facts);
}
