import {
  foundStacks,
  measuredFilmUm,
  regionsOf,
  spansAlong,
  strataOf,
  type CutLine,
  type CutSpan,
  type Panel,
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
export function sectionInput(found: Stacks, system: System, panel: Panel, cut: CutLine | null): SectionInput {
  return sectionOf(found, system.steps, panel, cut);
}

export const surveySection = (panel: Panel, cut: CutLine | null): SectionInput =>
  sectionOf(foundStacks(panel), [], panel, cut);

/** Zones along the cut of a drawn panel; all zones of one that nobody drew, or whose cut misses it. */
function spansOf(panel: Panel, drawn: readonly Zone[], cut: CutLine | null): readonly CutSpan[] {
  const regions = cut ? regionsOf(panel) : null;
  const spans = cut && regions ? spansAlong(cut, regions) : [];
  const known = spans.filter(({ zoneId }) => drawn.some(({ id }) => id === zoneId));
  return known.length > 0 ? known : cutSpans(drawn, panel.areaM2);
}

function sectionOf(found: Stacks, steps: readonly Step[], panel: Panel, cut: CutLine | null): SectionInput {
  const drawn = panel.zones.filter((zone) => found[zone.id]);
  return {
    spans: spansOf(panel, drawn, cut),
    strata: strataOf(found, steps),
    substrates: Object.fromEntries(drawn.map((zone) => [zone.id, zone.layers[0]!.kind])),
    hollowsUm: Object.fromEntries(drawn.map((zone) => [zone.id, hollowUm(zone, found, steps)])),
    tones: Object.fromEntries(
      steps.flatMap(({ n, toneL }) => (toneL === undefined ? [] : [[`step-${n}`, toneL]])),
    ),
    measuredUm: Object.fromEntries(drawn.map((zone) => [zone.id, measuredFilmUm(zone, steps)])),
  };
}

/** Depth of a zone's hollow: the most filler that ever lies in it, or the low that the survey found. */
function hollowUm(zone: Zone, found: Stacks, steps: readonly Step[]): number {
  const stacks = [
    found[zone.id] ?? [],
    ...steps.flatMap((step) => (step.stacks[zone.id] ? [step.stacks[zone.id]!] : [])),
  ];
  const filled = stacks.map((stack) =>
    stack.reduce((sum, { kind, um }) => (kind === 'filler' ? sum + um : sum), 0),
  );
  const low = zone.findings.find((finding) => finding.kind === 'low');
  return Math.max(0, ...filled, low ? low.depthMm * 1000 : 0);
}
