interface MapLetterProps {
  readonly id: string;
  readonly at: readonly [number, number];
  /** Side of the plaque, px. */
  readonly size?: number;
  readonly isSelected: boolean;
}

/** A zone's letter on its plaque. */
export function MapLetter({ id, at: [x, y], size = 24, isSelected }: MapLetterProps) {
  return (
    <g transform={`translate(${x} ${y}) scale(${size / 24})`} pointerEvents="none">
      <rect x="-12" y="-12" width="24" height="24" fill={isSelected ? 'var(--blue)' : 'var(--ink)'} />
      <text
        y="6"
        textAnchor="middle"
        fill="var(--sheet)"
        fontSize="16"
        fontWeight="600"
        fontFamily="var(--f-label)"
      >
        {id.slice(0, 3)}
      </text>
    </g>
  );
}
