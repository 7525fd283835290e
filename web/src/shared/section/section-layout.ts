import {
  isBody,
  readArea,
  toShown,
  toStored,
  type CutSpan,
  type LayerKind,
  type Strata,
  type UnitSystem,
} from '@blue-ledge/core';
import { ticks } from 'd3-array';

/**
 * Geometry of the strata section: strata along a cut in, lines and labels out. Pure; React only draws it.
 * x: inner zones true to the cut at one scale, the outer two cut short with a break; no zone under MIN_SPAN px.
 * y: film at one scale over the line of sound metal; hollows and what fills them at HOLLOW_RATIO of it, with a break.
 * Layers are sampled in x and stacked slot by slot, so that a layer which ends at an edge tapers to nothing there.
 */

export interface SectionSize {
  readonly width: number;
  readonly height: number;
}

export interface SectionInput {
  readonly spans: readonly CutSpan[];
  /** Strata as found and after each step. */
  readonly strata: readonly Strata[];
  /** Solid substrate of each zone. */
  readonly substrates: Readonly<Record<string, LayerKind>>;
  /** Hollow under each zone's body work, µm. */
  readonly hollowsUm: Readonly<Record<string, number>>;
  /** Layers that nobody measured, as `zone/kind`: their thickness is taken. */
  readonly assumed: ReadonlySet<string>;
  /** Tone L* of layers that were laid with one, by slot. */
  readonly tones: Readonly<Record<string, number>>;
  /** Mean of gauge readings of all film over each zone, µm, as found and after each step; null where nobody measured. */
  readonly measuredUm: Readonly<Record<string, readonly (number | null)[]>>;
}

export interface Span {
  readonly zoneId: string;
  readonly x0: number;
  readonly x1: number;
}

export interface Ribbon {
  readonly slot: string;
  readonly kind: LayerKind;
  /** Samples left to right: x, upper y, lower y, in px. */
  readonly points: readonly (readonly [x: number, top: number, bottom: number])[];
}

export interface Plaque {
  readonly x: number;
  readonly y: number;
  readonly kind: LayerKind;
  readonly um: number;
  readonly isAssumed: boolean;
}

export interface SectionGeometry {
  readonly spans: readonly Span[];
  readonly ribbons: readonly Ribbon[];
  readonly ground: readonly (readonly [x: number, y: number])[];
  readonly surface: readonly (readonly [x: number, y: number])[];
  readonly plaques: readonly Plaque[];
  readonly zeroY: number;
  readonly pxPerUm: number;
  /** y of the break through deep body work, or null where there is none. */
  readonly breakY: number | null;
}

const EDGE = { left: 44, right: 12, top: 40, bottom: 10 } as const;
const OUTER_PX = 62;
const MIN_SPAN = 44;
/** A patch is what is looked at: wide enough for its word. */
const MIN_PATCH = 72;
/** Half the width of a feathered edge, px. */
const TAPER = 13;
const HOLLOW_RATIO = 15;
const MOST_HOLLOW_PX = 78;
const GROUND_PX = 38;
const GROUND_SHARE = 0.16;
/** Thinnest film that is still seen. */
const LEAST_FILM_PX = 5;
const SAMPLE_PX = 3;
/** A thin primer alone still fills a good part of the drawing. */
const MOST_PX_PER_UM = 3;
const LEAST_TOP_UM = 60;
/** Scale by which the depth of a hollow is drawn, before it is cut by HOLLOW_RATIO. */
const HOLLOW_PX_PER_UM = 0.85;
/** Share of the drawing's height that a hollow may take. */
const MOST_HOLLOW_SHARE = 0.3;
const PLAQUE_PX = 19;

const smooth = (t: number): number => {
  const c = Math.min(1, Math.max(0, t));
  return c * c * (3 - 2 * c);
};

/** Zones to x: outer stretches are cut short, the inner ones share what is left by their mm. */
export function layoutSpans(spans: readonly CutSpan[], width: number): Span[] {
  const room = width - EDGE.left - EDGE.right;
  const hasOuter = spans.length > 2;
  const inner = hasOuter ? spans.slice(1, -1) : spans;
  const innerMm = inner.reduce((sum, span) => sum + span.mm, 0) || 1;
  const innerPx = hasOuter ? room - 2 * OUTER_PX : room;
  const leastOf = ({ zoneId }: CutSpan): number => (zoneId.includes('/') ? MIN_PATCH : MIN_SPAN);
  const wanted = inner.map((span) => Math.max(leastOf(span), (span.mm / innerMm) * innerPx));
  const shrink = innerPx / wanted.reduce((sum, px) => sum + px, 0);
  const widths = hasOuter
    ? [OUTER_PX, ...wanted.map((px) => px * shrink), OUTER_PX]
    : wanted.map((px) => px * shrink);
  let x = EDGE.left;
  return spans.map(({ zoneId }, i) => ({ zoneId, x0: x, x1: (x += widths[i]!) }));
}

/** Weight of each span at x: 1 inside, sliding from one to the next across a tapered edge. */
function weightsAt(
  x: number,
  spans: readonly Span[],
): readonly (readonly [zoneId: string, weight: number])[] {
  const at = spans.findIndex((span) => x < span.x1);
  const i = at === -1 ? spans.length - 1 : at;
  const here = spans[i]!;
  const before = spans[i - 1];
  const after = spans[i + 1];
  if (before && x - here.x0 < TAPER) {
    const share = 0.5 + (x - here.x0) / (2 * TAPER);
    return [
      [here.zoneId, share],
      [before.zoneId, 1 - share],
    ];
  }
  if (after && here.x1 - x < TAPER) {
    const share = 0.5 + (here.x1 - x) / (2 * TAPER);
    return [
      [here.zoneId, share],
      [after.zoneId, 1 - share],
    ];
  }
  return [[here.zoneId, 1]];
}

/** Depth of the hollow at x, 0..1 of the zone's depth: a bowl that comes up inside its own zone. */
function bowlAt(
  x: number,
  spans: readonly Span[],
  hollowsUm: SectionInput['hollowsUm'],
): readonly [depthUm: number, share: number] {
  const span = spans.find((candidate) => x >= candidate.x0 && x <= candidate.x1);
  const depthUm = span ? (hollowsUm[span.zoneId] ?? 0) : 0;
  if (!span || depthUm === 0) return [0, 0];
  const t = (x - span.x0) / (span.x1 - span.x0);
  return [depthUm, Math.min(smooth(t * 2.4), smooth((1 - t) * 2.4))];
}

interface Scale {
  readonly film: number;
  readonly hollow: number;
}

function scaleOf({ strata, hollowsUm }: SectionInput, height: number): Scale & { zeroY: number } {
  const filmOf = (layers: readonly { kind: LayerKind; um: number }[]): number =>
    layers.reduce((sum, layer) => (isBody(layer.kind) ? sum : sum + layer.um), 0);
  const tallest = Math.max(LEAST_TOP_UM, ...strata.flatMap(({ zones }) => Object.values(zones).map(filmOf)));
  const deepest = Math.max(0, ...Object.values(hollowsUm));
  const hollowPx = Math.min(
    MOST_HOLLOW_PX,
    height * MOST_HOLLOW_SHARE,
    (deepest * HOLLOW_PX_PER_UM) / HOLLOW_RATIO + (deepest > 0 ? 22 : 0),
  );
  const zeroY = height - EDGE.bottom - Math.min(GROUND_PX, height * GROUND_SHARE) - hollowPx;
  const film = Math.min(MOST_PX_PER_UM, (zeroY - EDGE.top) / tallest);
  return { film, hollow: deepest > 0 ? hollowPx / deepest : 0, zeroY };
}

const filmPx = (um: number, film: number): number => (um > 0 ? Math.max(LEAST_FILM_PX, um * film) : 0);

/** Least distance of two figures on the axis, px. */
const TICK_PX = 36;

/** Round figures on the axis in the reader's units: what is written, and y in px. */
export function axisTicks(
  { zeroY, pxPerUm }: SectionGeometry,
  system: UnitSystem,
): { readonly figure: number; readonly y: number }[] {
  const height = zeroY - EDGE.top;
  const top = toShown('Um', height / pxPerUm, system);
  return ticks(0, top, Math.max(1, Math.floor(height / TICK_PX))).map((figure) => ({
    figure,
    y: zeroY - toStored('Um', figure, system) * pxPerUm,
  }));
}

/** The section after step `n` (0: as found). */
export function layoutSection(input: SectionInput, n: number, size: SectionSize): SectionGeometry {
  const spans = layoutSpans(input.spans, size.width);
  const scale = scaleOf(input, size.height);
  const { zones, slots } = input.strata[n]!;
  const xs = sampleXs(spans);
  const inUse = slots.filter((slot) =>
    Object.values(zones).some((layers) => layers.some((layer) => layer.slot === slot)),
  );
  const kindOf = (slot: string): LayerKind =>
    Object.values(zones)
      .flat()
      .find((layer) => layer.slot === slot)!.kind;

  const ground = xs.map((x) => {
    const [depthUm, share] = bowlAt(x, spans, input.hollowsUm);
    return [x, scale.zeroY + depthUm * share * scale.hollow] as const;
  });

  let floor = ground.map(([, y]) => y);
  const ribbons = inUse.map((slot): Ribbon => {
    const kind = kindOf(slot);
    const points = xs.map((x, i) => {
      const thickness = thicknessPx({ slot, x, spans, zones, input, scale });
      const bottom = floor[i]!;
      return [x, bottom - thickness, bottom] as const;
    });
    floor = points.map(([, top]) => top);
    return { slot, kind, points };
  });

  return {
    spans,
    ribbons,
    ground,
    surface: xs.map((x, i) => [x, floor[i]!] as const),
    plaques: plaquesOf(ribbons, spans, zones, input.assumed),
    zeroY: scale.zeroY,
    pxPerUm: scale.film,
    breakY: scale.hollow > 0 ? scale.zeroY + 16 : null,
  };
}

const sampleXs = (spans: readonly Span[]): number[] => {
  const [from, to] = [spans[0]?.x0 ?? 0, spans[spans.length - 1]?.x1 ?? 0];
  const count = Math.max(1, Math.round((to - from) / SAMPLE_PX));
  return Array.from({ length: count + 1 }, (_, i) => from + ((to - from) * i) / count);
};

interface Spot {
  readonly slot: string;
  readonly x: number;
  readonly spans: readonly Span[];
  readonly zones: Strata['zones'];
  readonly input: SectionInput;
  readonly scale: Scale;
}

/** Body work, and what a film fills of it, lie in the hollow; film lies at film scale, tapered at the edges of its zones. */
function thicknessPx({ slot, x, spans, zones, input, scale }: Spot): number {
  return weightsAt(x, spans).reduce((sum, [zoneId, weight]) => {
    const layer = (zones[zoneId] ?? []).find((candidate) => candidate.slot === slot);
    if (!layer) return sum;
    const [depthUm, share] = bowlAt(x, spans, input.hollowsUm);
    const inHollowPx = (um: number): number => share * Math.min(um, depthUm) * scale.hollow;
    if (!isBody(layer.kind)) {
      const { um, hollowUm = 0 } = layer;
      return sum + weight * filmPx(um - hollowUm, scale.film) + inHollowPx(hollowUm);
    }
    // Glaze where there is no hollow is a skin that is only just seen.
    if ((input.hollowsUm[zoneId] ?? 0) === 0) return sum + weight * LEAST_FILM_PX;
    return sum + inHollowPx(layer.um);
  }, 0);
}

/** One plaque for each layer that is thick enough, in the widest zone that has it; none overlaps another. */
/** A layer that was found, in a zone or a patch of it, and that nobody measured. */
export const isAssumedLayer = (
  assumed: SectionInput['assumed'],
  areaId: string,
  { slot, kind }: Pick<Ribbon, 'slot' | 'kind'>,
): boolean => slot.startsWith('found-') && assumed.has(`${readArea(areaId).zone}/${kind}`);

function plaquesOf(
  ribbons: readonly Ribbon[],
  spans: readonly Span[],
  zones: Strata['zones'],
  assumed: SectionInput['assumed'],
): Plaque[] {
  const taken: Plaque[] = [];
  for (const { slot, kind, points } of ribbons) {
    const places = spans
      .filter((span) => zones[span.zoneId]?.some((layer) => layer.slot === slot))
      .sort((a, b) => b.x1 - b.x0 - (a.x1 - a.x0));
    for (const span of places) {
      const x = (span.x0 + span.x1) / 2;
      const [, top, bottom] = points.reduce((best, point) =>
        Math.abs(point[0] - x) < Math.abs(best[0] - x) ? point : best,
      );
      const um = zones[span.zoneId]!.find((layer) => layer.slot === slot)!.um;
      const isAssumed = isAssumedLayer(assumed, span.zoneId, { slot, kind });
      const plaque = { x, y: (top + bottom) / 2, kind, um, isAssumed };
      const isFree =
        bottom - top >= PLAQUE_PX &&
        taken.every((other) => Math.abs(other.y - plaque.y) >= PLAQUE_PX || Math.abs(other.x - x) > 60);
      if (!isFree) continue;
      taken.push(plaque);
      break;
    }
  }
  return taken;
}

/** What a gauge read over a stretch, and where it stands beside the drawn surface. */
export interface MeasuredMark {
  readonly span: Span;
  readonly y: number;
  readonly measuredUm: number;
}

/** Marks of what was measured after step `n`, each as far off the drawn surface as the film is off what is drawn. */
export function measuredMarks(
  { measuredUm, strata }: SectionInput,
  n: number,
  { spans, surface, pxPerUm }: SectionGeometry,
): MeasuredMark[] {
  return spans.flatMap((span) => {
    const um = measuredUm[span.zoneId]?.[n];
    if (um === null || um === undefined) return [];
    const drawnUm = (strata[n]!.zones[span.zoneId] ?? []).reduce((sum, layer) => sum + layer.um, 0);
    const x = (span.x0 + span.x1) / 2;
    const [, surfaceY] = surface.reduce((best, point) =>
      Math.abs(point[0] - x) < Math.abs(best[0] - x) ? point : best,
    );
    const y = Math.max(EDGE.top, surfaceY - (um - drawnUm) * pxPerUm);
    return [{ span, y, measuredUm: um }];
  });
}

/** What step `n` took off each zone, µm; zones that lost nothing are left out. */
export function removedUm(
  { strata }: SectionInput,
  n: number,
): { readonly zoneId: string; readonly um: number }[] {
  const thickness = (zones: Strata['zones'], id: string): number =>
    (zones[id] ?? []).reduce((sum, layer) => sum + layer.um, 0);
  const before = strata[n - 1]?.zones ?? {};
  return Object.keys(before)
    .map((zoneId) => ({ zoneId, um: thickness(before, zoneId) - thickness(strata[n]!.zones, zoneId) }))
    .filter(({ um }) => um > 0.5);
}
