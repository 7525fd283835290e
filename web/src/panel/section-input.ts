import {
  assumedFilms,
  foundStacks,
  measuredFilmUm,
  patchesOf,
  readArea,
  regionsOf,
  spansAlong,
  strataOf,
  type CutLine,
  type CutSpan,
  type Panel,
  type PanelPatch,
  type PanelView,
  type Stack,
  type Step,
  type System,
  type Zone,
} from '@blue-ledge/core';
import { cutSpans } from '../shared/panel-map/map-layout.ts';
import type { SectionInput } from '../shared/section/section-layout.ts';

/** What the strata section draws: for one system of a plan, or for a survey that nobody has planned yet. */

type Stacks = Readonly<Record<string, Stack>>;

/** @param found stacks as the plan found them; zones the plan does not know are left out */
export const sectionInput = (
  found: Stacks,
  system: System,
  { panel, shop }: Planned,
  cut: CutLine | null,
): SectionInput => sectionOf(found, system.steps, { panel, shop }, cut);

export const surveySection = ({ panel, shop }: Planned, cut: CutLine | null): SectionInput =>
  sectionOf(foundStacks(panel, shop.rules), [], { panel, shop }, cut);

/** A panel and the shop whose figures say how far its patches reach. */
type Planned = Pick<PanelView, 'panel' | 'shop'>;

/** Zones along the cut of a drawn panel; all zones of one that nobody drew, or whose cut misses it. */
function spansOf(panel: Panel, drawn: readonly Zone[], cut: CutLine | null): readonly CutSpan[] {
  const regions = cut ? regionsOf(panel) : null;
  const spans = cut && regions ? spansAlong(cut, regions) : [];
  const known = spans.filter(({ zoneId }) => drawn.some(({ id }) => id === zoneId));
  return known.length > 0 ? known : cutSpans(drawn, panel.areaM2);
}

/** Wherever the line lies, it is taken through the patches of the zones that it crosses: they are what is worked on. */
function withPatches(spans: readonly CutSpan[], patches: readonly PanelPatch[]): CutSpan[] {
  const isWidest = (span: CutSpan): boolean =>
    spans.every((other) => other.zoneId !== span.zoneId || other.mm <= span.mm || other === span) &&
    spans.findIndex((other) => other.zoneId === span.zoneId && other.mm === span.mm) === spans.indexOf(span);
  return spans.flatMap((span) => {
    const mine = patches.filter(({ zoneId }) => zoneId === span.zoneId);
    if (mine.length === 0 || !isWidest(span)) return [span];
    const rest = { ...span, mm: span.mm / (mine.length + 1) };
    return [
      ...mine.flatMap(({ areaId, extent }) => [
        rest,
        { zoneId: areaId, mm: Math.min(span.mm, Math.sqrt(extent.featherM2) * 1000) },
      ]),
      rest,
    ];
  });
}

function sectionOf(
  found: Stacks,
  steps: readonly Step[],
  { panel, shop }: Planned,
  cut: CutLine | null,
): SectionInput {
  const drawn = panel.zones.filter((zone) => found[zone.id]);
  const patches = patchesOf(panel, shop.rules).filter(({ areaId }) => found[areaId]);
  const zoneOf = (areaId: string): Zone => drawn.find(({ id }) => id === readArea(areaId).zone)!;
  const areas = [...drawn.map(({ id }) => id), ...patches.map(({ areaId }) => areaId)];
  const lowOf = (areaId: string): number => {
    const patch = patches.find((other) => other.areaId === areaId);
    const own = patch
      ? [patch.finding]
      : patches.some(({ zoneId }) => zoneId === areaId)
        ? []
        : zoneOf(areaId).findings;
    const low = own.find((finding) => finding.kind === 'low');
    return low ? low.depthMm * 1000 : 0;
  };
  return {
    spans: withPatches(spansOf(panel, drawn, cut), patches),
    strata: strataOf(found, steps),
    assumed: new Set(assumedFilms({ zones: drawn }).map(({ zoneId, kind }) => `${zoneId}/${kind}`)),
    substrates: Object.fromEntries(areas.map((id) => [id, zoneOf(id).layers[0]!.kind])),
    hollowsUm: Object.fromEntries(areas.map((id) => [id, hollowUm(id, lowOf(id), found, steps)])),
    tones: Object.fromEntries(
      steps.flatMap(({ n, toneL }) => (toneL === undefined ? [] : [[`step-${n}`, toneL]])),
    ),
    measuredUm: Object.fromEntries(drawn.map((zone) => [zone.id, measuredFilmUm(zone, steps)])),
  };
}

/** Depth of an area's hollow: the most filler that ever lies in it, or the low that the survey found. */
function hollowUm(areaId: string, lowUm: number, found: Stacks, steps: readonly Step[]): number {
  const stacks = [
    found[areaId] ?? [],
    ...steps.flatMap((step) => (step.stacks[areaId] ? [step.stacks[areaId]!] : [])),
  ];
  const filled = stacks.map((stack) =>
    stack.reduce((sum, { kind, um }) => (kind === 'filler' ? sum + um : sum), 0),
  );
  return Math.max(0, ...filled, lowUm);
}
