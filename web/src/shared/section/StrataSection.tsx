import { LAYER_KINDS, formatNumber, type StrataLayer, type UnitSystem } from '@blue-ledge/core';
import { area, line } from 'd3-shape';
import { useMemo } from 'react';
import { patternId } from '../materials/patterns.ts';
import { coreLayers, coreX } from './core-strip.ts';
import {
  axisTicks,
  layoutSection,
  removedUm,
  type Plaque,
  type SectionGeometry,
  type SectionInput,
} from './section-layout.ts';

interface StrataSectionProps {
  readonly input: SectionInput;
  /** Step whose end is shown; 0 is as found. */
  readonly n: number;
  readonly width: number;
  readonly height: number;
  readonly system: UnitSystem;
  readonly core?: string | undefined;
  readonly showsRemoved: boolean;
  readonly onPick: (zoneId: string) => void;
}

/** Room for the core and its figures at the right of the section, px. */
const CORE_PX = 128;

const ribbonPath = area<readonly [number, number, number]>()
  .x(([x]) => x)
  .y0(([, , bottom]) => bottom)
  .y1(([, top]) => top);
const linePath = line<readonly [number, number]>();
const between = area<readonly [x: number, before: number, now: number]>()
  .x(([x]) => x)
  .y0(([, , now]) => now)
  .y1(([, before]) => before);

/** The cross-section along the cut after one step, with what that step took off as a ghost. */
export function StrataSection({
  input,
  n,
  width,
  height,
  system,
  core,
  showsRemoved,
  onPick,
}: StrataSectionProps) {
  const size = useMemo(() => ({ width: width - CORE_PX, height }), [width, height]);
  const now = useMemo(() => layoutSection(input, n, size), [input, n, size]);
  const before = useMemo(() => (n > 0 ? layoutSection(input, n - 1, size) : null), [input, n, size]);
  const bottom = height - 8;
  const ground = `${linePath([...now.ground]) ?? ''}L${now.ground[now.ground.length - 1]![0]} ${bottom}L${now.ground[0]![0]} ${bottom}Z`;
  return (
    <svg
      width="100%"
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={describe(input, n)}
      className="section-drawing"
    >
      <Ticks geometry={now} system={system} width={size.width} />
      <path d={ground} fill={`url(#${patternId('steel')})`} stroke="#14212B" strokeWidth="1.2" />
      {now.ribbons.map((ribbon) => (
        <path
          key={ribbon.slot}
          d={ribbonPath([...ribbon.points]) ?? ''}
          fill={`url(#${patternId(ribbon.kind)})`}
          stroke="#14212B"
          strokeWidth="1"
        />
      ))}
      {now.breakY !== null && <BreakMark geometry={now} input={input} />}
      {showsRemoved && before && <Removed before={before} now={now} />}
      {showsRemoved && before && <RemovedTag before={before} removed={removedUm(input, n)} system={system} />}
      <path d={linePath([...now.surface]) ?? ''} fill="none" stroke="#14212B" strokeWidth="2.2" />
      <OuterBreaks geometry={now} bottom={bottom} />
      <ZoneTabs geometry={now} core={core} bottom={bottom} onPick={onPick} />
      {core && (
        <Core
          geometry={now}
          zoneId={core}
          layers={input.strata[n]!.zones[core] ?? []}
          x0={size.width}
          bottom={bottom}
          system={system}
        />
      )}
      {now.plaques.map((plaque) => (
        <PlaqueMark key={`${plaque.kind} ${plaque.x} ${plaque.y}`} plaque={plaque} system={system} />
      ))}
    </svg>
  );
}

/** Code and thickness of a layer, on a plaque as wide as its text. */
function PlaqueMark({
  plaque: { x, y, kind, um },
  system,
}: {
  readonly plaque: Plaque;
  readonly system: UnitSystem;
}) {
  const figure = formatNumber('Um', um, system);
  const width = 32 + 7.5 * figure.length;
  return (
    <g transform={`translate(${x} ${y})`}>
      <rect
        x={-width / 2}
        y="-9.5"
        width={width}
        height="19"
        fill="#F9F7F1"
        stroke="#14212B"
        strokeWidth="1"
      />
      <text y="4.8" textAnchor="middle" fontSize="13" fill="#14212B">
        {LAYER_KINDS[kind].code} <tspan fontWeight="600">{figure}</tspan>
      </text>
    </g>
  );
}

/** What the drawing shows, for those who do not see it. */
function describe({ strata }: SectionInput, n: number): string {
  const zones = Object.entries(strata[n]!.zones).map(
    ([id, layers]) =>
      `zone ${id}: ${layers.map((layer) => `${LAYER_KINDS[layer.kind].label} ${Math.round(layer.um)} µm`).join(', ') || 'bare'}`,
  );
  return `Section ${n === 0 ? 'as found' : `after step ${n}`}; from the substrate up, ${zones.join('; ')}.`;
}

function Ticks({
  geometry,
  system,
  width,
}: {
  readonly geometry: SectionGeometry;
  readonly system: UnitSystem;
  readonly width: number;
}) {
  return (
    <g fontSize="12.5" fill="#42515C">
      <text x="38" y="22" textAnchor="end">
        {system === 'metric' ? 'µm' : 'mil'}
      </text>
      {axisTicks(geometry, system).map(({ figure, y }) => (
        <g key={figure}>
          <line x1="44" x2={width - 12} y1={y} y2={y} stroke="#C6C1B3" strokeDasharray="2 4" />
          <text x="38" y={y + 4} textAnchor="end">
            {figure}
          </text>
        </g>
      ))}
    </g>
  );
}

/** Deep body work is not to the scale of the film: a double zigzag through it, with the depth in words. */
function BreakMark({
  geometry,
  input,
}: {
  readonly geometry: SectionGeometry;
  readonly input: SectionInput;
}) {
  const y = geometry.breakY!;
  const deep = geometry.spans.filter((span) => (input.hollowsUm[span.zoneId] ?? 0) > 0);
  return deep.map(({ zoneId, x0, x1 }) => {
    const middle = (x0 + x1) / 2;
    const zigzag = (dy: number) => `M${middle - 18} ${y + dy}l6 -5 6 5 6 -5 6 5 6 -5 6 5`;
    return (
      <g key={`${zoneId} ${x0}`} fill="none">
        <path d={zigzag(4)} stroke="#F9F7F1" strokeWidth="6" />
        <path d={zigzag(2)} stroke="#14212B" strokeWidth="1.2" />
        <path d={zigzag(7)} stroke="#14212B" strokeWidth="1.2" />
        <title>Depth is drawn shorter than film: {(input.hollowsUm[zoneId]! / 1000).toFixed(1)} mm</title>
      </g>
    );
  });
}

/** What the step took off: dashed old surface and hatch. */
function Removed({ before, now }: { readonly before: SectionGeometry; readonly now: SectionGeometry }) {
  const gone = before.surface.map(
    ([x, y], i) => [x, Math.min(y, now.surface[i]![1]), now.surface[i]![1]] as const,
  );
  if (!gone.some(([, was, is]) => is - was > 1)) return null;
  return (
    <g>
      <path d={between(gone) ?? ''} fill="url(#removed-film)" />
      <path
        d={linePath(gone.map(([x, was]) => [x, was] as const)) ?? ''}
        fill="none"
        stroke="#2B2B2B"
        strokeWidth="1.6"
        strokeDasharray="5 3.5"
      />
    </g>
  );
}

interface RemovedTagProps {
  readonly before: SectionGeometry;
  readonly removed: ReturnType<typeof removedUm>;
  readonly system: UnitSystem;
}

/** How much came off, on the zone that lost most, above the old surface. */
function RemovedTag({ before, removed, system }: RemovedTagProps) {
  if (removed.length === 0) return null;
  const { zoneId, um } = removed.reduce((most, other) => (other.um > most.um ? other : most));
  const span = before.spans.find((candidate) => candidate.zoneId === zoneId);
  if (!span) return null;
  const x = (span.x0 + span.x1) / 2;
  const [, y] = before.surface.reduce((best, point) =>
    Math.abs(point[0] - x) < Math.abs(best[0] - x) ? point : best,
  );
  const text = `−${formatNumber('Um', um, system)} off`;
  const width = 14 + 7.2 * text.length;
  return (
    <g transform={`translate(${x - 24} ${Math.max(46, y - 14)})`}>
      <rect x={-width / 2} y="-10" width={width} height="20" fill="#2B2B2B" />
      <text y="4.8" textAnchor="middle" fontSize="13" fontWeight="600" fill="#F9F7F1">
        {text}
      </text>
    </g>
  );
}

function OuterBreaks({ geometry, bottom }: { readonly geometry: SectionGeometry; readonly bottom: number }) {
  const { spans } = geometry;
  if (spans.length < 3) return null;
  const xs = [spans[0]!.x0 + 14, spans[spans.length - 1]!.x1 - 14];
  return xs.map((x) => {
    const top = Math.min(...geometry.surface.map(([, y]) => y)) - 6;
    const wave = `M${x} ${top}q5 ${(bottom - top) / 4} 0 ${(bottom - top) / 2}t0 ${(bottom - top) / 2}`;
    return (
      <g key={x} fill="none">
        <path d={wave} stroke="#14212B" strokeWidth="7" />
        <path d={wave} stroke="#F9F7F1" strokeWidth="4.5" />
      </g>
    );
  });
}

interface ZoneTabsProps {
  readonly geometry: SectionGeometry;
  readonly core: string | undefined;
  readonly bottom: number;
  readonly onPick: (zoneId: string) => void;
}

function ZoneTabs({ geometry, core, bottom, onPick }: ZoneTabsProps) {
  const corePx = coreX(geometry, core);
  return (
    <g>
      {corePx !== null && (
        <line x1={corePx} x2={corePx} y1="28" y2={bottom} stroke="#1E5B8C" strokeWidth="2" />
      )}
      {geometry.spans.map(({ zoneId, x0, x1 }, i) => (
        <g key={`${zoneId} ${x0}`} onClick={() => onPick(zoneId)} style={{ cursor: 'pointer' }}>
          {i > 0 && <line x1={x0} x2={x0} y1="26" y2={bottom} stroke="#8A8577" strokeDasharray="1 5" />}
          <path d={`M${x0 + 3} 28V22H${x1 - 3}V28`} fill="none" stroke="#14212B" strokeWidth="1.4" />
          <rect
            x={(x0 + x1) / 2 - 12}
            y="2"
            width="24"
            height="20"
            fill={zoneId === core ? '#1E5B8C' : '#14212B'}
          />
          <text x={(x0 + x1) / 2} y="17" textAnchor="middle" fill="#F9F7F1" fontSize="14" fontWeight="600">
            {zoneId.slice(0, 3)}
          </text>
        </g>
      ))}
    </g>
  );
}

interface CoreProps {
  readonly geometry: SectionGeometry;
  readonly zoneId: string;
  readonly layers: readonly StrataLayer[];
  readonly x0: number;
  readonly bottom: number;
  readonly system: UnitSystem;
}

/** The core beside the section: the layers under the blue line at their own height, with figure and name. */
function Core({ geometry, zoneId, layers, x0, bottom, system }: CoreProps) {
  const x = coreX(geometry, zoneId);
  if (x === null) return null;
  const cut = coreLayers(geometry, x, layers);
  const floor = cut[cut.length - 1]?.bottom ?? geometry.zeroY;
  return (
    <g>
      <text x={x0} y="17" fontSize="14" fontWeight="600" fill="#1E5B8C" fontFamily="var(--f-label)">
        Core, zone {zoneId}
      </text>
      <line x1={x0 + 2} x2={x0 + 2} y1="28" y2={bottom} stroke="#1E5B8C" strokeWidth="2" />
      <rect
        x={x0 + 8}
        y={floor}
        width="20"
        height={Math.max(0, bottom - floor)}
        fill={`url(#${patternId('steel')})`}
        stroke="#14212B"
        strokeWidth="1"
      />
      {cut.map(({ slot, kind, um, top, bottom: under, labelY }) => (
        <g key={slot}>
          <rect
            x={x0 + 8}
            y={top}
            width="20"
            height={Math.max(1, under - top)}
            fill={`url(#${patternId(kind)})`}
            stroke="#14212B"
            strokeWidth="1"
          />
          <text x={x0 + 34} y={labelY + 5} fontSize="12.5" fill="#42515C">
            <tspan fontSize="16" fontWeight="600" fill="#14212B">
              {formatNumber('Um', um, system)}
            </tspan>{' '}
            {LAYER_KINDS[kind].short}
          </text>
        </g>
      ))}
      <text x={x0 + 34} y={Math.min(bottom - 4, floor + 24)} fontSize="12.5" fill="#42515C">
        substrate
      </text>
    </g>
  );
}
