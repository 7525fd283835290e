import type { Zone } from '@blue-ledge/core';
import { patternId } from '../materials/patterns.ts';
import { layoutMap } from './map-layout.ts';

interface PanelMapProps {
  readonly zones: readonly Zone[];
  readonly areaM2: number;
  readonly width: number;
  readonly height: number;
  readonly selected?: string | undefined;
  readonly onSelect?: (zoneId: string) => void;
  readonly hasCut?: boolean;
}

/** The panel from the front: zones by pattern and letter, and the line of the cut. */
export function PanelMap({
  zones,
  areaM2,
  width,
  height,
  selected,
  onSelect,
  hasCut = false,
}: PanelMapProps) {
  const boxes = layoutMap(zones, areaM2, { width: width - 24, height: height - 8 });
  const core = boxes[boxes.length - 1]?.outline;
  const cutY = core ? core.y + core.height / 2 + 4 : 0;
  return (
    <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} role="group" aria-label="Panel map">
      <g transform="translate(12 4)">
        {boxes.map(({ id, outline }) => {
          const zone = zones.find((other) => other.id === id)!;
          const top = zone.layers[zone.layers.length - 1]!.kind;
          return (
            <rect
              key={id}
              x={outline.x}
              y={outline.y}
              width={outline.width}
              height={outline.height}
              rx={outline.corner}
              fill={`url(#${patternId(top)})`}
              stroke={id === selected ? '#1E5B8C' : '#14212B'}
              strokeWidth={id === selected ? 4 : 1.8}
              onClick={() => onSelect?.(id)}
              style={{ cursor: onSelect ? 'pointer' : 'default' }}
            />
          );
        })}
      </g>
      {hasCut && core && <CutLine y={cutY} width={width} />}
      <g transform="translate(12 4)">
        {boxes.map(({ id, label: [x, y] }) => (
          <g key={id} transform={`translate(${x} ${y})`} pointerEvents="none">
            <rect x="-12" y="-12" width="24" height="24" fill={id === selected ? '#1E5B8C' : '#14212B'} />
            <text
              y="6"
              textAnchor="middle"
              fill="#F9F7F1"
              fontSize="16"
              fontWeight="600"
              fontFamily="var(--f-label)"
            >
              {id.slice(0, 3)}
            </text>
          </g>
        ))}
      </g>
    </svg>
  );
}

function CutLine({ y, width }: { readonly y: number; readonly width: number }) {
  return (
    <g pointerEvents="none">
      <line x1="0" x2={width} y1={y} y2={y} stroke="#F9F7F1" strokeWidth="4.5" />
      <line x1="0" x2={width} y1={y} y2={y} stroke="#1E5B8C" strokeWidth="2.5" strokeDasharray="12 4 3 4" />
      {['L', 'L′'].map((text, i) => (
        <g key={text} transform={`translate(${i ? width - 10 : 10} ${y})`}>
          <rect x="-10" y="-10" width="20" height="20" fill="#1E5B8C" />
          <text y="5" textAnchor="middle" fill="#F9F7F1" fontSize="13" fontWeight="600">
            {text}
          </text>
        </g>
      ))}
    </g>
  );
}
