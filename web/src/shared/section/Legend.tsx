import { LAYER_KINDS, type LayerKind } from '@blue-ledge/core';
import { Swatch } from '../materials/Swatch.tsx';
import type { SectionInput } from './section-layout.ts';

/** Every material that the section shows at any step, with pattern, letters and name. */
export function Legend({
  input: { strata, substrates, measuredUm, assumed },
}: {
  readonly input: SectionInput;
}) {
  const laid = strata.flatMap(({ zones }) =>
    Object.values(zones)
      .flat()
      .map(({ kind }) => kind),
  );
  const kinds = new Set<LayerKind>([...Object.values(substrates), ...laid]);
  return (
    <ul className="section-legend" aria-label="Legend">
      {[...kinds].map((kind) => (
        <li key={kind}>
          <Swatch kind={kind} /> {LAYER_KINDS[kind].label}
        </li>
      ))}
      <li>
        <svg width="44" height="22" aria-hidden="true">
          <rect
            width="44"
            height="22"
            fill="url(#removed-film)"
            stroke="var(--ink-2)"
            strokeDasharray="3 3"
          />
        </svg>
        taken off by this step
      </li>
      {assumed.size > 0 && (
        <li>
          <b className="legend-sign">≈</b> not measured: the usual thickness is taken
        </li>
      )}
      {Object.values(measuredUm).some((all) => all.some((um) => um !== null)) && (
        <li>
          <svg width="44" height="22" aria-hidden="true">
            <line
              x1="2"
              x2="42"
              y1="11"
              y2="11"
              stroke="var(--rust-text)"
              strokeWidth="2.5"
              strokeDasharray="7 3"
            />
          </svg>
          surface by what the gauge read
        </li>
      )}
    </ul>
  );
}
