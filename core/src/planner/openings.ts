import type { OpenIssue } from '../survey/open-issue.ts';
import { hasIssue } from '../operations/issues.ts';
import { isRawPlastic, isSolid, labelOf } from '../materials/layer-kinds.ts';
import type { Act } from '../operations/act.ts';
import { ruleIn, type Context } from '../operations/context.ts';
import { WARMED_OUT_UM, glazeForPinholes, lowWayOf } from '../operations/lows.ts';
import { bodyFiller, plasticPaste } from '../operations/products.ts';
import {
  foundFilmUm,
  idsOf,
  isFoundFinish,
  isOpenBody,
  takesCoats,
  topOf,
  type PanelState,
  type ZoneState,
} from '../operations/state.ts';
import { textureOf } from '../survey/zone-facts.ts';
import { wantsMoreBuild } from '../rules/build.ts';
import { unsoundFinish } from '../rules/finish.ts';
import { grindOut, sandOut, strip } from '../rules/remedies.ts';
import { meansOf } from '../operations/act.ts';
import type { Reason } from '../wording/reason.ts';

/**
 * What has to be opened before anybody can say which coats go where: unsound film, film over a dent, rust under finish
 * or filler, body work on what lets go of it. The rules would ask for each of these at the first coat; they are done
 * first, because candidates for that coat depend on what then lies open.
 */

const reason = (rule: string, code: Reason['code'], facts: Reason['facts'] = {}): Reason => ({
  rule,
  code,
  facts,
  source: 'default',
});

/** Body work that has to go, and why. */
const GROUND_OUT: readonly (readonly [OpenIssue, Reason])[] = [
  ['bad-ground', reason('F2', 'F2.found')],
  ['bleeds', reason('F4', 'F4.bleeds')],
];

/** Whether filler or paste may lie on what is on top. */
const takesFiller = (zone: ZoneState, context: Context): boolean => {
  const { kind } = topOf(zone);
  const sheet = isRawPlastic(zone.stack[0]!.kind) ? plasticPaste(context, kind) : bodyFiller(context, kind);
  return sheet === undefined || kind in sheet.over;
};

/** A hollow that is too deep to be levelled or glazed as it lies. */
const isFilled = (zone: ZoneState, context: Context): boolean =>
  zone.surface.lowUm > 0 && lowWayOf(zone, context) === 'fill';

/** Why a film that was found is opened, or null where it may stay. */
function whyOpened(zone: ZoneState, context: Context): Reason | null {
  const layer = labelOf(topOf(zone).kind);
  if (!isFoundFinish(zone)) {
    // A coat of ours that lets go, or that rust has come up under.
    if (hasIssue(zone, 'uncured')) return reason('B3', 'B3.never', { layer });
    if (hasIssue(zone, 'unsound') && !isSolid(topOf(zone).kind)) return reason('O0', 'O0.unsound', { layer });
    const isOverRust = isOpenBody(zone) && (hasIssue(zone, 'rust') || hasIssue(zone, 'pits'));
    return isOverRust ? reason('M5', 'M5.under', { layer }) : null;
  }
  const limit = ruleIn(context, 'stripFilmUm');
  const filmUm = foundFilmUm(zone);
  if (filmUm > limit.value)
    return { ...reason('O1', 'O1.thick', { filmUm, limitUm: limit.value }), source: limit.source };
  if (topOf(zone).kind === 'texture' && textureOf(zone.zone, context.panel) === 'flatten')
    return reason('P3', 'plan.open');
  if (hasIssue(zone, 'rust') || hasIssue(zone, 'pits')) return reason('M5', 'M5.under', { layer });
  if (hasIssue(zone, 'high')) return reason('K2', 'K2.high-under', { layer });
  if (hasIssue(zone, 'break'))
    return isRawPlastic(zone.stack[0]!.kind)
      ? reason('P9', 'P9.bare', { layer })
      : reason('GP2', 'GP2.bare', { layer });
  if (isFilled(zone, context) && !takesFiller(zone, context)) return reason('F2', 'F2.over', { layer });
  if (zone.surface.hasPinholes && !glazeForPinholes(zone, context))
    return reason('F7', 'F7.under', { layer });
  return null;
}

interface Opened {
  readonly zone: ZoneState;
  readonly why: Reason;
}

/** A shallow dent in painted plastic may be warmed out instead of being filled, levelled or opened. */
export function warmings(zones: readonly ZoneState[]): Act[] {
  const dents = zones.filter(
    (zone) =>
      zone.patch !== null &&
      isFoundFinish(zone) &&
      isRawPlastic(zone.stack[0]!.kind) &&
      zone.surface.lowUm > 0 &&
      zone.surface.lowUm <= WARMED_OUT_UM,
  );
  return dents.length === 0
    ? []
    : [{ op: 'warm-out', zones: idsOf(dents), why: [reason('P6', 'plan.warm-out')] }];
}

/** A build with a flaw that is too thin to be blocked over it: the flaw is sanded out before it is built up again. */
function spoiledBuilds(panel: PanelState, context: Context): Act[] {
  const [first, ...others] = panel.zones
    .filter((zone) => hasIssue(zone, 'flaw') && takesCoats(zone) && wantsMoreBuild(zone, panel, context))
    .map((zone) => sandOut(zone, context)([reason('O0', 'O0.flaw', { layer: labelOf(topOf(zone).kind) })]));
  if (!first) return [];
  const isAlike = (act: Act): boolean => meansOf(act) === meansOf(first);
  return [{ ...first, zones: [first, ...others.filter(isAlike)].flatMap(({ zones }) => zones).sort() }];
}

/** The next opening that has to be done, with its alternative where there is one; empty where all lies open. */
export function openings(panel: PanelState, context: Context): Act[] {
  for (const [issue, why] of GROUND_OUT) {
    const zones = panel.zones.filter((zone) => hasIssue(zone, issue) && takesCoats(zone));
    if (zones.length > 0) return [grindOut(zones, context)([why])];
  }
  const { zones: unsound, said } = unsoundFinish(panel, context);
  const known = unsound.map((zone): Opened => ({ zone, why: { rule: 'O1', ...said } }));
  const others = panel.zones.flatMap((zone): Opened[] => {
    const why = takesCoats(zone) ? whyOpened(zone, context) : null;
    return why && !known.some((opened) => opened.zone === zone) ? [{ zone, why }] : [];
  });
  const opened = [...known, ...others];
  if (opened.length === 0) return spoiledBuilds(panel, context);
  // Whole zones and patches are opened in their own way: whole ones first.
  const whole = opened.filter(({ zone }) => !zone.patch);
  const together = whole.length > 0 && whole.length < opened.length ? whole : opened;
  const zones = together.map(({ zone }) => zone);
  const why = together
    .map((entry) => entry.why)
    .filter((one, i, all) => all.findIndex(({ code }) => code === one.code) === i);
  return [strip(zones, context)(why), ...warmings(zones)];
}
