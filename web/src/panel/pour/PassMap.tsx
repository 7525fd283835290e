import { PAST_EDGE_MM, boundsOf, type Panel, type Passes, type SprayArea } from '@blue-ledge/core';
import { frameOf, linePath, ringPath } from '../../shared/panel-map/panel-frame.ts';

export interface SprayWay {
  readonly area: SprayArea;
  readonly way: Passes;
}

interface PassMapProps {
  readonly ways: readonly SprayWay[];
  readonly panel: Panel;
  /** Passes, counted over all areas with each area's edges as one, after which the cup is filled. */
  readonly refillAfter: readonly number[];
}

const SIZE = { width: 470, height: 250 } as const;
/** More passes than can be told apart are drawn without numbers. */
const MOST_NUMBERED = 24;

/** The gun's way: each pass with its direction, beyond the edges; on the panel where its areas are drawn. */
export function PassMap({ ways, panel, refillAfter }: PassMapProps) {
  const drawn = ways.filter(({ area }) => area.isDrawn);
  const isOnPanel = panel.outline !== undefined && drawn.length > 0;
  const shown = isOnPanel
    ? drawn
    : ways
        .slice(0, 1)
        .concat(ways.slice(1))
        .sort((a, b) => b.area.areaM2 - a.area.areaM2)
        .slice(0, 1);
  const rings = isOnPanel ? [panel.outline!] : shown.flatMap(({ area }) => area.rings);
  if (rings.length === 0) return null;
  const { left, right, top, bottom } = boundsOf(rings.flat() as never);
  const frame = frameOf(
    [
      [left - PAST_EDGE_MM, top],
      [right + PAST_EDGE_MM, top],
      [right + PAST_EDGE_MM, bottom],
      [left - PAST_EDGE_MM, bottom],
    ],
    SIZE,
  );
  const nPasses = shown.reduce((sum, { way }) => sum + way.passes.length, 0);
  const refills = new Set(refillAfter);
  // Numbers count as the refills do: over all areas, edges as one.
  const firsts = new Map<string, number>();
  ways.reduce((n, { area, way }) => {
    firsts.set(area.areaId, n + 1);
    return n + 1 + way.passes.length;
  }, 0);
  const left_ = ways.length - shown.length;
  return (
    <figure className="pass-map">
      <svg
        width={SIZE.width}
        height={SIZE.height}
        viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
        role="img"
        aria-label={`${nPasses} passes, one below the other`}
      >
        <defs>
          <marker
            id="pass-end"
            viewBox="0 0 8 8"
            refX="7"
            refY="4"
            markerWidth="7"
            markerHeight="7"
            orient="auto"
          >
            <path d="M0 0L8 4L0 8z" fill="var(--blue)" />
          </marker>
        </defs>
        {isOnPanel && <path d={ringPath(panel.outline!, frame)} className="pass-panel" />}
        {shown.map(({ area, way }) => (
          <g key={area.areaId}>
            <path
              d={area.rings.map((ring) => ringPath(ring as never, frame)).join('')}
              fillRule="evenodd"
              className="pass-area"
            />
            {way.passes.map(({ from, to }, i) => {
              const n = firsts.get(area.areaId)! + i + 1;
              const [x, y] = frame.toPx(from as never);
              return (
                <g key={i}>
                  <path
                    d={linePath([from, to], frame)}
                    className={refills.has(n - 1) ? 'pass is-refilled' : 'pass'}
                    markerEnd="url(#pass-end)"
                  />
                  {nPasses <= MOST_NUMBERED && (
                    <text
                      x={x + (to[0] > from[0] ? -3 : 3)}
                      y={y + 4}
                      textAnchor={to[0] > from[0] ? 'end' : 'start'}
                    >
                      {n}
                    </text>
                  )}
                </g>
              );
            })}
          </g>
        ))}
      </svg>
      <figcaption className="note">
        {isOnPanel ? '' : 'The area has no place on the drawn panel: shown as a rectangle of its size. '}
        {left_ > 0 && `${left_} more ${left_ === 1 ? 'area is' : 'areas are'} sprayed as well. `}1 is once
        round the edges.
      </figcaption>
    </figure>
  );
}
