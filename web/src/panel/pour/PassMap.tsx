import { PAST_EDGE_MM, boundsOf, type Panel, type Pass, type SprayArea } from '@blue-ledge/core';
import { useId } from 'react';
import { frameOf, linePath, ringPath, type Point } from '../../shared/panel-map/panel-frame.ts';

export interface SprayWay {
  readonly area: SprayArea;
  readonly passes: readonly Pass[];
}

interface PassMapProps {
  readonly ways: readonly SprayWay[];
  readonly panel: Panel;
  /** Passes, counted over all areas, after which the cup is filled. */
  readonly refillAfter: readonly number[];
}

const SIZE = { width: 470, height: 260 } as const;
/** More passes than can be told apart are drawn without numbers. */
const MOST_NUMBERED = 24;

/** The gun's way over the largest area: each pass with its direction, past the panel's edges; on the panel where it is drawn. */
export function PassMap({ ways, panel, refillAfter }: PassMapProps) {
  const arrow = useId();
  const shown = ways.toSorted((a, b) => b.area.areaM2 - a.area.areaM2)[0];
  if (!shown) return null;
  const { area, passes } = shown;
  const { left, right, top, bottom } = boundsOf(area.rings.flat() as Point[]);
  const margin = PAST_EDGE_MM * 2;
  const frame = frameOf(
    [
      [left - margin, top - margin / 2],
      [right + margin, top - margin / 2],
      [right + margin, bottom + margin / 2],
      [left - margin, bottom + margin / 2],
    ],
    SIZE,
  );
  const before = ways.slice(0, ways.indexOf(shown)).reduce((sum, way) => sum + way.passes.length, 0);
  const refills = new Set(refillAfter);
  const nOthers = ways.length - 1;
  return (
    <figure className="pass-map">
      <svg
        width={SIZE.width}
        height={SIZE.height}
        viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
        role="img"
        aria-label={passes.length === 1 ? '1 pass' : `${passes.length} passes, one below the other`}
      >
        <defs>
          <marker
            id={arrow}
            viewBox="0 0 8 8"
            refX="7"
            refY="4"
            markerWidth="6"
            markerHeight="6"
            orient="auto"
          >
            <path d="M0 0L8 4L0 8z" fill="var(--blue)" />
          </marker>
        </defs>
        {area.isDrawn && panel.outline && <path d={ringPath(panel.outline, frame)} className="pass-panel" />}
        <path
          d={area.rings.map((ring) => ringPath(ring, frame)).join('')}
          fillRule="evenodd"
          className="pass-area"
        />
        {passes.map(({ from, to }, i) => {
          const n = before + i + 1;
          const isFromLeft = to[0] > from[0];
          const [x, y] = frame.toPx(from);
          return (
            <g key={i}>
              <path
                d={linePath([from, to], frame)}
                className={refills.has(n - 1) ? 'pass is-refilled' : 'pass'}
                markerEnd={`url(#${arrow})`}
              />
              {passes.length <= MOST_NUMBERED && (
                <text x={x + (isFromLeft ? -4 : 4)} y={y + 4} textAnchor={isFromLeft ? 'end' : 'start'}>
                  {n}
                </text>
              )}
            </g>
          );
        })}
      </svg>
      <figcaption className="note">
        {area.areaIds.join(', ')}
        {!area.isDrawn && ' has no place on the drawn panel: shown as a rectangle of its size'}.
        {nOthers > 0 && ` ${nOthers === 1 ? '1 more area is' : `${nOthers} more areas are`} sprayed as well.`}
      </figcaption>
    </figure>
  );
}
