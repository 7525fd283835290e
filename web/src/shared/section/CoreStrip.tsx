import {
  LAYER_KINDS,
  areaWords,
  formatNumber,
  type LayerKind,
  type StrataLayer,
  type UnitSystem,
} from '@blue-ledge/core';
import { patternId } from '../materials/patterns.ts';
import { coreLayers, coreX } from './core-strip.ts';
import { isAssumedLayer, type SectionGeometry, type SectionInput } from './section-layout.ts';

/** So far apart two names leave room for a tone between them, px. */
const TONE_ROOM_PX = 38;
/** Letters that there is room for. */
const MOST_WORDS = 17;

interface CoreStripProps {
  readonly geometry: SectionGeometry;
  readonly zoneId: string;
  readonly layers: readonly StrataLayer[];
  readonly substrate: LayerKind;
  readonly tones: Readonly<Record<string, number>>;
  readonly assumed: SectionInput['assumed'];
  readonly x0: number;
  readonly bottom: number;
  readonly system: UnitSystem;
}

/** The core beside the section: the layers under the blue line at their own height, with figure and name. */
export function CoreStrip({
  geometry,
  zoneId,
  layers,
  substrate,
  tones,
  assumed,
  x0,
  bottom,
  system,
}: CoreStripProps) {
  const words = `Core, ${zoneId.includes('/') ? '' : 'zone '}${areaWords(zoneId)}`;
  const x = coreX(geometry, zoneId);
  if (x === null) return null;
  const cut = coreLayers(geometry, x, layers);
  const floor = cut[cut.length - 1]?.bottom ?? geometry.zeroY;
  const lastLabelY = cut[cut.length - 1]?.labelY ?? 0;
  return (
    <g>
      <text x={x0} y="17" fontSize="14" fontWeight="600" fill="var(--blue)" fontFamily="var(--f-label)">
        {words.length > MOST_WORDS ? `${words.slice(0, MOST_WORDS - 1)}…` : words}
      </text>
      <line x1={x0 + 2} x2={x0 + 2} y1="28" y2={bottom} stroke="var(--blue)" strokeWidth="2" />
      <rect
        x={x0 + 8}
        y={floor}
        width="20"
        height={Math.max(0, bottom - floor)}
        fill={`url(#${patternId(substrate)})`}
        stroke="var(--ink)"
        strokeWidth="1"
      />
      {cut.map(({ slot, kind, um, top, bottom: under, labelY }, i) => (
        <g key={slot}>
          <rect
            x={x0 + 8}
            y={top}
            width="20"
            height={Math.max(1, under - top)}
            fill={`url(#${patternId(kind)})`}
            stroke="var(--ink)"
            strokeWidth="1"
          />
          <text x={x0 + 34} y={labelY + 5} fontSize="14" fill="var(--ink-2)">
            <tspan fontSize="16" fontWeight="600" fill="var(--ink)">
              {isAssumedLayer(assumed, zoneId, { slot, kind }) ? '≈' : ''}
              {formatNumber('Um', um, system)}
            </tspan>{' '}
            {LAYER_KINDS[kind].short}
            {tones[slot] !== undefined && (cut[i + 1]?.labelY ?? bottom) - labelY > TONE_ROOM_PX && (
              <tspan x={x0 + 34} dy="15">
                grey {tones[slot]}
              </tspan>
            )}
          </text>
        </g>
      ))}
      <text
        x={x0 + 34}
        y={Math.max(Math.min(bottom - 4, floor + 24), lastLabelY + 24)}
        fontSize="14"
        fill="var(--ink-2)"
      >
        {LAYER_KINDS[substrate].label}
      </text>
    </g>
  );
}
