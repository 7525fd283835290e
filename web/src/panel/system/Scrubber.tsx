import { filmHeightUm, stepTitle, type Step, type StrataLayer } from '@blue-ledge/core';
import { cumsum } from 'd3-array';
import { scaleBand, scaleLinear } from 'd3-scale';
import { useEffect, useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { LeftOutlined, RightOutlined } from '../../shared/icons.tsx';
import { patternId } from '../../shared/materials/patterns.ts';
import type { SectionInput } from '../../shared/section/section-layout.ts';
import { useSize } from '../../shared/use-size.ts';
import { useFormat } from '../../state/units.ts';

interface ScrubberProps {
  readonly input: SectionInput;
  readonly steps: readonly Step[];
  /** Step that is shown; 0 is as found. */
  readonly n: number;
  readonly core: string;
  readonly onMove: (n: number) => void;
}

const HEIGHT = 72;
const AXIS_PX = 20;
const TOP_PX = 16;
/** A step's number needs this much room. */
const NUMBER_PX = 19;

const KEYS: Record<string, (n: number, last: number) => number> = {
  ArrowLeft: (n) => n - 1,
  ArrowDown: (n) => n - 1,
  ArrowRight: (n) => n + 1,
  ArrowUp: (n) => n + 1,
  PageUp: (n) => n + 5,
  PageDown: (n) => n - 5,
  Home: () => 0,
  End: (_, last) => last,
};

/** Moves through the steps: one column for each, as high as the film of the core's zone is after it. */
export function Scrubber({ input, steps, n, core, onMove }: ScrubberProps) {
  const { quantity } = useFormat();
  const [box, { width }] = useSize();
  const last = steps.length;
  const films = input.strata.map(({ zones }) => filmHeightUm(zones[core] ?? []));
  const x = scaleBand<number>()
    .domain(films.map((_, i) => i))
    .range([0, width]);
  const y = scaleLinear()
    .domain([0, Math.max(1, ...films)])
    .range([HEIGHT - AXIS_PX, TOP_PX]);
  const every = Math.max(1, Math.ceil(NUMBER_PX / Math.max(1, x.bandwidth())));
  const step = steps[n - 1];

  // Keys come faster than the address changes: each goes on from the step that was asked for last.
  const asked = useRef(n);
  useEffect(() => {
    asked.current = n;
  }, [n]);
  const moveTo = (to: number): void => {
    asked.current = Math.min(Math.max(0, to), last);
    onMove(asked.current);
  };

  const toPointer = (event: PointerEvent<HTMLDivElement>): void => {
    const { left } = event.currentTarget.getBoundingClientRect();
    moveTo(Math.floor((event.clientX - left) / x.bandwidth()));
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const move = KEYS[event.key];
    if (!move) return;
    event.preventDefault();
    moveTo(move(asked.current, last));
  };
  return (
    <div className="scrubber">
      <button
        type="button"
        className="scrub-arrow"
        aria-label="Step back"
        disabled={n === 0}
        onClick={() => moveTo(asked.current - 1)}
      >
        <LeftOutlined />
      </button>
      <div
        ref={box}
        className="scrub-track"
        role="slider"
        tabIndex={0}
        aria-label="Step"
        aria-valuemin={0}
        aria-valuemax={last}
        aria-valuenow={n}
        aria-valuetext={
          step
            ? `after step ${n} of ${last}, ${stepTitle(step)}, ${quantity('Um', films[n] ?? 0)} of film in zone ${core}`
            : 'as found'
        }
        onKeyDown={onKeyDown}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          toPointer(event);
        }}
        onPointerMove={(event) => event.buttons === 1 && toPointer(event)}
      >
        {width > 0 && (
          <svg width={width} height={HEIGHT} aria-hidden="true">
            {input.strata.map(({ zones }, i) => (
              <Column
                key={i}
                layers={zones[core] ?? []}
                x={x(i)!}
                width={x.bandwidth()}
                y={y}
                isAhead={i > n}
              />
            ))}
            {films.map((_, i) =>
              i === n || (i % every === 0 && Math.abs(i - n) >= every) ? (
                <text
                  key={i}
                  x={x(i)! + x.bandwidth() / 2}
                  y={HEIGHT - 5}
                  textAnchor="middle"
                  fontSize="12.5"
                  fontWeight={i === n ? 700 : 400}
                  fill="var(--ink)"
                >
                  {i}
                </text>
              ) : null,
            )}
            <rect
              x={x(n)!}
              y={2}
              width={x.bandwidth()}
              height={HEIGHT - AXIS_PX - 1}
              fill="none"
              stroke="var(--blue)"
              strokeWidth="2.5"
            />
          </svg>
        )}
      </div>
      <button
        type="button"
        className="scrub-arrow"
        aria-label="Step on"
        disabled={n === last}
        onClick={() => moveTo(asked.current + 1)}
      >
        <RightOutlined />
      </button>
    </div>
  );
}

interface ColumnProps {
  readonly layers: readonly StrataLayer[];
  readonly x: number;
  readonly width: number;
  readonly y: (um: number) => number;
  readonly isAhead: boolean;
}

/** Film of the zone after one step, layer on layer; body work adds no height. Steps ahead are pale. */
function Column({ layers, x, width, y, isAhead }: ColumnProps) {
  const ums = layers.map((layer) => filmHeightUm([layer]));
  const tops = cumsum(ums);
  return (
    <g opacity={isAhead ? 0.38 : 1}>
      <line x1={x} x2={x + width} y1={y(0)} y2={y(0)} stroke="var(--ink)" strokeWidth="1.5" />
      {layers.map(({ slot, kind }, i) => (
        <rect
          key={slot}
          x={x}
          y={y(tops[i]!)}
          width={width}
          height={y(tops[i]! - ums[i]!) - y(tops[i]!)}
          fill={`url(#${patternId(kind)})`}
          stroke={ums[i]! > 0 ? 'var(--ink)' : 'none'}
          strokeWidth=".8"
        />
      ))}
    </g>
  );
}
