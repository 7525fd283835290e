import {
  LAYER_KINDS,
  areaWords,
  formatNumber,
  patchWords,
  readArea,
  type LayerKind,
  type UnitSystem,
} from '@blue-ledge/core';
import { patternId } from '../materials/patterns.ts';
import { coreX } from './core-strip.ts';
import { ribbonPath } from './paths.ts';
import {
  axisTicks,
  type MeasuredMark,
  type Plaque,
  type SectionGeometry,
  type SectionInput,
} from './section-layout.ts';

/** Marks on the section: axis, breaks, zone letters and the plaques of its layers. */

/** Samples stand this far apart at most, px: the next one outside a stretch closes its shape. */
const SAMPLE_GAP_PX = 3.5;

interface GroundProps {
  readonly geometry: SectionGeometry;
  readonly substrates: SectionInput['substrates'];
  readonly bottom: number;
}

/** The solid substrate under the films, each kind in its own pattern. */
export function Ground({ geometry: { ground, spans }, substrates, bottom }: GroundProps) {
  return runsOf(spans, substrates).map(({ kind, x0, x1 }) => {
    const under = ground.filter(([x]) => x >= x0 - SAMPLE_GAP_PX && x <= x1 + SAMPLE_GAP_PX);
    const shape = ribbonPath(under.map(([x, y]) => [Math.min(Math.max(x, x0), x1), y, bottom] as const));
    return (
      <path
        key={x0}
        d={shape ?? ''}
        fill={`url(#${patternId(kind)})`}
        stroke="var(--ink)"
        strokeWidth="1.2"
      />
    );
  });
}

interface Run {
  readonly kind: LayerKind;
  readonly x0: number;
  readonly x1: number;
}

/** Stretches of the cut over one and the same substrate. */
function runsOf(spans: SectionGeometry['spans'], substrates: SectionInput['substrates']): Run[] {
  const runs: Run[] = [];
  for (const { zoneId, x0, x1 } of spans) {
    const kind = substrates[zoneId] ?? 'steel';
    const last = runs.at(-1);
    if (last?.kind === kind) runs[runs.length - 1] = { ...last, x1 };
    else runs.push({ kind, x0, x1 });
  }
  return runs;
}

export function Ticks({
  geometry,
  system,
  width,
}: {
  readonly geometry: SectionGeometry;
  readonly system: UnitSystem;
  readonly width: number;
}) {
  return (
    <g fontSize="12.5" fill="var(--ink-2)">
      <text x="38" y="22" textAnchor="end">
        {system === 'metric' ? 'µm' : 'mil'}
      </text>
      {axisTicks(geometry, system).map(({ figure, y }) => (
        <g key={figure}>
          <line x1="44" x2={width - 12} y1={y} y2={y} stroke="var(--line)" strokeDasharray="2 4" />
          <text x="38" y={y + 4} textAnchor="end">
            {figure}
          </text>
        </g>
      ))}
    </g>
  );
}

/** Deep body work is not to the scale of the film: a double zigzag through it, with the depth in words. */
export function BreakMark({
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
        <path d={zigzag(4)} stroke="var(--sheet)" strokeWidth="6" />
        <path d={zigzag(2)} stroke="var(--ink)" strokeWidth="1.2" />
        <path d={zigzag(7)} stroke="var(--ink)" strokeWidth="1.2" />
        <title>Depth is drawn shorter than film: {(input.hollowsUm[zoneId]! / 1000).toFixed(1)} mm</title>
      </g>
    );
  });
}

export function OuterBreaks({
  geometry,
  bottom,
}: {
  readonly geometry: SectionGeometry;
  readonly bottom: number;
}) {
  const { spans } = geometry;
  if (spans.length < 3) return null;
  const xs = [spans[0]!.x0 + 14, spans[spans.length - 1]!.x1 - 14];
  return xs.map((x) => {
    const top = Math.min(...geometry.surface.map(([, y]) => y)) - 6;
    const wave = `M${x} ${top}q5 ${(bottom - top) / 4} 0 ${(bottom - top) / 2}t0 ${(bottom - top) / 2}`;
    return (
      <g key={x} fill="none">
        <path d={wave} stroke="var(--ink)" strokeWidth="7" />
        <path d={wave} stroke="var(--sheet)" strokeWidth="4.5" />
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

export function ZoneTabs({ geometry, core, bottom, onPick }: ZoneTabsProps) {
  const corePx = coreX(geometry, core);
  return (
    <g>
      {corePx !== null && (
        <line x1={corePx} x2={corePx} y1="28" y2={bottom} stroke="var(--blue)" strokeWidth="2" />
      )}
      {geometry.spans.map(({ zoneId, x0, x1 }, i) => (
        <g
          key={`${zoneId} ${x0}`}
          role="button"
          // A zone that the cut crosses again is picked at its first stretch.
          tabIndex={geometry.spans.findIndex((span) => span.zoneId === zoneId) === i ? 0 : -1}
          aria-label={`Core through ${zoneId.includes('/') ? '' : 'zone '}${areaWords(zoneId)}`}
          aria-pressed={zoneId === core}
          className="zone-tab"
          onClick={() => onPick(zoneId)}
          onKeyDown={({ key }) => (key === 'Enter' || key === ' ') && onPick(zoneId)}
        >
          {i > 0 && (
            <line x1={x0} x2={x0} y1="26" y2={bottom} stroke="var(--line-strong)" strokeDasharray="1 5" />
          )}
          <path d={`M${x0 + 3} 28V22H${x1 - 3}V28`} fill="none" stroke="var(--ink)" strokeWidth="1.4" />
          <Tab areaId={zoneId} middle={(x0 + x1) / 2} roomPx={x1 - x0} isPicked={zoneId === core} />
          <title>{areaWords(zoneId)}</title>
        </g>
      ))}
      {core !== undefined && corePx !== null && readArea(core).patch !== undefined && (
        <g aria-hidden="true" pointerEvents="none">
          <Tab areaId={core} middle={corePx} roomPx={Infinity} isPicked />
        </g>
      )}
    </g>
  );
}

interface TabProps {
  readonly areaId: string;
  readonly middle: number;
  /** Words that need more are left out. */
  readonly roomPx: number;
  readonly isPicked: boolean;
}

function Tab({ areaId, middle, roomPx, isPicked }: TabProps) {
  const { text, widthPx } = tabOf(areaId, roomPx);
  return (
    <>
      <rect
        x={middle - widthPx / 2}
        y="2"
        width={widthPx}
        height="20"
        fill={isPicked ? 'var(--blue)' : 'var(--ink)'}
      />
      <text x={middle} y="17" textAnchor="middle" fill="var(--sheet)" fontSize="14" fontWeight="600">
        {text}
      </text>
    </>
  );
}

const TAB_LETTER_PX = 7.4;
const TAB_PX = 24;
const LEAST_TAB_PX = 8;

/** What stands over a stretch: a zone's letters, or the words of a patch where there is room for them. */
function tabOf(areaId: string, roomPx: number): { readonly text: string; readonly widthPx: number } {
  const { zone, patch } = readArea(areaId);
  if (patch === undefined) return { text: zone.slice(0, 3), widthPx: TAB_PX };
  const words = patchWords(patch);
  const widthOf = (text: string): number => Math.max(TAB_PX, text.length * TAB_LETTER_PX + 10);
  const text = [words, words.split(' ').at(-1)!].find((each) => widthOf(each) <= roomPx);
  return text === undefined
    ? { text: '', widthPx: Math.max(LEAST_TAB_PX, roomPx - 8) }
    : { text, widthPx: widthOf(text) };
}

/** A stretch from this width on has room for the word beside the figure, px. */
const WORD_PX = 104;

/** What the gauge said, beside what is drawn: a line where the surface would be by it, its figure once for each zone. */
export const MeasuredMarks = ({
  marks,
  system,
}: {
  readonly marks: readonly MeasuredMark[];
  readonly system: UnitSystem;
}) =>
  marks.map(({ span: { zoneId, x0, x1 }, y, measuredUm }, i) => {
    const isFirst = marks.findIndex(({ span }) => span.zoneId === zoneId) === i;
    const word = x1 - x0 >= WORD_PX ? 'measured ' : '';
    return (
      <g key={`${zoneId} ${x0}`}>
        <line
          x1={x0 + 4}
          x2={x1 - 4}
          y1={y}
          y2={y}
          stroke="var(--rust-text)"
          strokeWidth="2.5"
          strokeDasharray="7 3"
        />
        {isFirst && (
          <text
            x={(x0 + x1) / 2}
            y={y - 5}
            textAnchor="middle"
            fontSize="13"
            fontWeight="600"
            fill="var(--rust-text)"
            stroke="var(--sheet)"
            strokeWidth="3.5"
            paintOrder="stroke"
          >
            {word + formatNumber('Um', measuredUm, system)}
          </text>
        )}
      </g>
    );
  });

/** Code and thickness of a layer, on a plaque as wide as its text. */
export function PlaqueMark({
  plaque: { x, y, kind, um, isAssumed },
  system,
}: {
  readonly plaque: Plaque;
  readonly system: UnitSystem;
}) {
  const figure = `${isAssumed ? '≈' : ''}${formatNumber('Um', um, system)}`;
  const width = 32 + 7.5 * figure.length;
  return (
    <g transform={`translate(${x} ${y})`}>
      <rect
        x={-width / 2}
        y="-9.5"
        width={width}
        height="19"
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth="1"
      />
      <text y="4.8" textAnchor="middle" fontSize="13" fill="var(--ink)">
        {LAYER_KINDS[kind].code} <tspan fontWeight="600">{figure}</tspan>
      </text>
    </g>
  );
}
