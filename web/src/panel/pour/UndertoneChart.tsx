import type { Undertones } from '@blue-ledge/core';
import { scaleLinear } from 'd3-scale';
import { curveStepAfter, line } from 'd3-shape';
import { useSize } from '../../shared/use-size.ts';

export interface ChartMark {
  readonly toneL: number;
  readonly coats: number | null;
  readonly label: string;
}

interface UndertoneChartProps {
  readonly chart: Undertones['chart'];
  /** Tones that the shelf has. */
  readonly marks: readonly ChartMark[];
  readonly idealL: number;
  readonly baseHex: string;
}

const HEIGHT = 190;
const MARGIN = { top: 12, right: 14, bottom: 44, left: 30 } as const;
/** More coats than this are drawn as this many: nobody sprays them. */
const MOST_DRAWN = 8;
const GREYS = Array.from({ length: 21 }, (_, i) => i * 5);

/** Grey of a lightness, as the screen shows it. */
const greyOf = (toneL: number): string => `lab(${toneL}% 0 0)`;

/** Coats of base against the tone under it: the fewer, the better; tones of the shelf as marks on it. */
export function UndertoneChart({ chart, marks, idealL, baseHex }: UndertoneChartProps) {
  const [box, { width }] = useSize();
  const drawn = (coats: number | null): number => Math.min(coats ?? MOST_DRAWN, MOST_DRAWN);
  const top = Math.max(2, ...chart.map(({ coats }) => drawn(coats)));
  const x = scaleLinear([0, 100], [MARGIN.left, width - MARGIN.right]);
  const y = scaleLinear([0, top], [HEIGHT - MARGIN.bottom, MARGIN.top]);
  const path = line<Undertones['chart'][number]>(
    ({ toneL }) => x(toneL),
    ({ coats }) => y(drawn(coats)),
  ).curve(curveStepAfter)(chart);
  const coats = Array.from({ length: top }, (_, i) => i + 1);
  return (
    <div ref={box} className="undertone-chart">
      {width > 0 && (
        <svg
          width={width}
          height={HEIGHT}
          role="img"
          aria-label={`Coats of base over each tone: fewest over grey ${Math.round(idealL)}`}
        >
          {coats.map((n) => (
            <g key={n}>
              <line x1={MARGIN.left} x2={width - MARGIN.right} y1={y(n)} y2={y(n)} className="chart-grid" />
              <text x={MARGIN.left - 8} y={y(n) + 4} textAnchor="end">
                {n === MOST_DRAWN ? `${n}+` : n}
              </text>
            </g>
          ))}
          {GREYS.slice(0, -1).map((tone) => (
            <rect
              key={tone}
              x={x(tone)}
              width={x(5) - x(0) + 0.5}
              y={HEIGHT - MARGIN.bottom + 2}
              height={12}
              fill={greyOf(tone + 2.5)}
            />
          ))}
          <path d={path ?? ''} className="chart-line" style={{ stroke: baseHex }} />
          <path d={path ?? ''} className="chart-line is-core" />
          {marks.map(({ toneL, coats: n, label }) => (
            <g key={`${label} ${toneL}`}>
              <circle cx={x(toneL)} cy={y(drawn(n))} r="6" className="chart-mark">
                <title>{`${label}, grey ${toneL}`}</title>
              </circle>
              <text x={x(toneL)} y={y(drawn(n)) - 10} textAnchor="middle">
                {toneL}
              </text>
            </g>
          ))}
          {[0, 25, 50, 75, 100].map((tone) => (
            <text key={tone} x={x(tone)} y={HEIGHT - MARGIN.bottom + 28} textAnchor="middle">
              {tone}
            </text>
          ))}
          <text x={width - MARGIN.right} y={HEIGHT - 2} textAnchor="end">
            tone of the undercoat, 0 black to 100 white
          </text>
        </svg>
      )}
    </div>
  );
}
