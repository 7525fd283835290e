import { PATTERNS, patternId } from './patterns.ts';

/** SVG patterns of all materials, drawn once a page; `fill="url(#material-steel)"` uses them. */
export function PatternDefs() {
  return (
    <svg width="0" height="0" aria-hidden="true" style={{ position: 'absolute' }}>
      <defs>
        {(Object.keys(PATTERNS) as (keyof typeof PATTERNS)[]).map((kind) => {
          const { width, height, fill, ink, lines, stroke = 1.1, dots = [] } = PATTERNS[kind];
          return (
            <pattern
              key={kind}
              id={patternId(kind)}
              width={width}
              height={height}
              patternUnits="userSpaceOnUse"
            >
              <rect width={width} height={height} fill={fill} />
              {lines && <path d={lines} stroke={ink} strokeWidth={stroke} fill="none" />}
              {dots.map(([x, y, r]) => (
                <circle key={`${x} ${y}`} cx={x} cy={y} r={r} fill={ink} />
              ))}
            </pattern>
          );
        })}
        <pattern id="removed-film" width="5" height="5" patternUnits="userSpaceOnUse">
          <path d="M0 5 5 0" stroke="var(--char)" strokeWidth=".6" opacity=".45" />
        </pattern>
      </defs>
    </svg>
  );
}
