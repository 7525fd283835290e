import { LAYER_KINDS, type LayerKind } from '@blue-ledge/core';
import { patternId } from './patterns.ts';

interface SwatchProps {
  readonly kind: LayerKind;
  readonly width?: number;
  readonly height?: number;
}

/** A material as pattern and letter code together. */
export function Swatch({ kind, width = 44, height = 22 }: SwatchProps) {
  const { code, label } = LAYER_KINDS[kind];
  return (
    <svg width={width} height={height} role="img" aria-label={label} style={{ flex: 'none' }}>
      <rect
        width={width}
        height={height}
        fill={`url(#${patternId(kind)})`}
        stroke="var(--ink)"
        strokeWidth="1.5"
      />
      <rect x={width / 2 - 11} y={height / 2 - 8} width="22" height="16" fill="var(--sheet)" />
      <text
        x={width / 2}
        y={height / 2 + 4.5}
        textAnchor="middle"
        fontSize="13"
        fontWeight="600"
        fill="var(--ink)"
      >
        {code}
      </text>
    </svg>
  );
}
