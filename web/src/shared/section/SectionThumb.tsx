import { area } from 'd3-shape';
import { useMemo } from 'react';
import { patternId } from '../materials/patterns.ts';
import { ribbonPath } from './paths.ts';
import { layoutSection, type SectionInput } from './section-layout.ts';

/** Drawn at this size and shown smaller, so that a card tells a system at a glance. */
const SIZE = { width: 330, height: 200 } as const;
const FRAME = '44 36 274 142';

/** The section as it is when the last step of a system is done, without figures. */
export function SectionThumb({ input }: { readonly input: SectionInput }) {
  const { ground, ribbons } = useMemo(() => layoutSection(input, input.strata.length - 1, SIZE), [input]);
  const floor = area<readonly [number, number]>()
    .x(([x]) => x)
    .y0(SIZE.height)
    .y1(([, y]) => y);
  return (
    <svg className="section-thumb" viewBox={FRAME} preserveAspectRatio="none" aria-hidden="true">
      <path
        d={floor([...ground]) ?? ''}
        fill={`url(#${patternId(Object.values(input.substrates)[0] ?? 'steel')})`}
      />
      {ribbons.map(({ slot, kind, points }) => (
        <path
          key={slot}
          d={ribbonPath([...points]) ?? ''}
          fill={`url(#${patternId(kind)})`}
          stroke="var(--ink)"
          strokeWidth="2"
        />
      ))}
    </svg>
  );
}
