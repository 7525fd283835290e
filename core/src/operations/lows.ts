import { familyOf, isBody, isRawPlastic, type LayerKind } from '../materials/layer-kinds.ts';
import type { ProductSheet } from '../materials/sheet.ts';
import type { FindingOf } from '../survey/finding.ts';
import { shopRule, type ShopRules } from '../survey/shop-rules.ts';
import { ruleIn, type Context } from './context.ts';
import { glazeFor, productsFor } from './products.ts';
import { hasIssue } from './issues.ts';
import { foundFilmUm, isFoundFinish, topOf, type ZoneState } from './state.ts';

/**
 * What takes out a low, by its depth: build levels what is shallow, glaze what is a little deeper, both on finish that is
 * only dulled. Nothing sound is opened because it is low; what is deeper still is opened and filled.
 */
export type LowWay = 'build' | 'glaze' | 'fill';

/** What a build would lie on: plastic gets its primer first. */
const underBuild = (zone: ZoneState): LayerKind => {
  const { kind } = topOf(zone);
  return isRawPlastic(kind) ? 'plastic-primer' : kind;
};

/** Whether one of a shelf's builds may lie there. */
const takesBuild = (zone: ZoneState, context: Context): boolean =>
  (['prime-build', 'prime-dtm'] as const).some((op) =>
    productsFor(op, context).some((sheets) => sheets.some(({ over }) => underBuild(zone) in over)),
  );

/** Painted plastic takes its own paste, on what is opened for it. */
const isPaintedPlastic = (zone: ZoneState): boolean =>
  isRawPlastic(zone.stack[0]!.kind) && isFoundFinish(zone);

/** A glaze that may lie on what is on top; undefined where there is none. */
export function glazeOn(zone: ZoneState, context: Context): ProductSheet | undefined {
  const { kind } = topOf(zone);
  const sheet = zone.isSoluble || isPaintedPlastic(zone) ? undefined : glazeFor(context, kind);
  return sheet && kind in sheet.over ? sheet : undefined;
}

/** Glaze for pinholes as they lie; undefined where they have to be opened first: those in paint over filler come from it. */
export const glazeForPinholes = (zone: ZoneState, context: Context): ProductSheet | undefined =>
  isFoundFinish(zone) && zone.stack.some(({ kind }) => isBody(kind)) ? undefined : glazeOn(zone, context);

/** Deepest dent in painted plastic that warmth takes out, µm (default). */
export const WARMED_OUT_UM = 5000;

/** Film that has to be left once found finish is keyed, µm (default): thinner, and it is sanded through. */
const LEAST_LEFT_UM = 8;

/** Found finish that keying would sand through: what is done on it is done on what lies below. */
const isCutThrough = (zone: ZoneState): boolean =>
  isFoundFinish(zone) && foundFilmUm(zone) - (zone.surface.scratch?.depthUm ?? 0) < LEAST_LEFT_UM;

/** What takes out the low of an area as it lies now. */
export function lowWayOf(zone: ZoneState, context: Context): LowWay {
  const { lowUm } = zone.surface;
  // Sealer of an open joint lies on a first coat: filler is under that, glaze would be on it.
  if (zone.isSoluble || isCutThrough(zone) || (hasIssue(zone, 'joint') && !isFoundFinish(zone)))
    return 'fill';
  if (lowUm <= ruleIn(context, 'buildLowUm').value && takesBuild(zone, context)) return 'build';
  // Nobody skims a whole zone with glaze.
  const glaze = zone.patch ? glazeOn(zone, context) : undefined;
  const mostUm = Math.min(ruleIn(context, 'glazeLowUm').value, glaze?.film.maxUm ?? 0);
  return glaze && lowUm <= mostUm ? 'glaze' : 'fill';
}

/** Cycles of prime and block in one build: what two do not level is glazed or filled. */
export const MOST_CYCLES = 2;
/**
 * Waves that are hollows, to be built up, glazed or filled by their depth: those of one place, whose peaks are level with
 * what is around them, and of a whole zone those that two cycles do not level. Plastic is not filled for waves.
 */
export function isHollowWave(
  { um, sizeMm, areaM2 }: FindingOf<'waves'>,
  base: LayerKind,
  rules: ShopRules,
): boolean {
  const isLocal = sizeMm !== undefined || areaM2 !== undefined;
  return familyOf(base) !== 'plastic' && (isLocal || um > MOST_CYCLES * shopRule(rules, 'buildLowUm').value);
}
