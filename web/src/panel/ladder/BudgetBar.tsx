import type { MeasuredBuild, ZoneBuild } from '@blue-ledge/core';
import { cumsum } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { SourceMark } from '../../shared/SourceMark.tsx';
import { useSize } from '../../shared/use-size.ts';
import { useFormat } from '../../state/units.ts';

const ROW_PX = 44;
const BAR_PX = 30;
const HEAD_PX = 96;
const LEAST_LABEL_PX = 56;

interface Part {
  readonly name: string;
  readonly um: number;
  readonly className: string;
}

/** Budget, plan and measurement as bars on one scale of film. */
export function BudgetBar({
  build,
  measured,
}: {
  readonly build: ZoneBuild;
  readonly measured: MeasuredBuild | null;
}) {
  const { quantity } = useFormat();
  const [box, { width }] = useSize();
  const { budget, appliedUm, coats, maxUm } = build;
  const needs: readonly Part[] = [
    {
      name: budget.gapUm > budget.mustStayUm ? 'fills to the neighbour' : 'must stay',
      um: budget.staysUm,
      className: 'stays',
    },
    { name: 'waves', um: budget.wavesUm, className: 'waves' },
    { name: 'texture', um: budget.peelUm, className: 'peel' },
    { name: 'grits', um: budget.ladderUm, className: 'grits' },
  ];
  const laid: readonly Part[] = Array.from({ length: coats }, (_, i) => ({
    name: `coat ${i + 1}`,
    um: appliedUm / coats,
    className: 'coat',
  }));
  const most = Math.max(maxUm, budget.neededUm, appliedUm, measured?.figures.mostUm ?? 0);
  const x = scaleLinear([0, most * 1.05], [HEAD_PX, Math.max(HEAD_PX + 1, width - 8)]);
  const height = ROW_PX * 3 + 26;
  return (
    <figure className="budget" ref={box}>
      {width > 0 && (
        <svg
          width={width}
          height={height}
          role="img"
          aria-label={`Needs ${quantity('Um', budget.neededUm)}, the plan lays ${quantity('Um', appliedUm)}`}
        >
          <Row y={0} title="It needs" parts={needs} x={x} />
          <Row y={ROW_PX} title="The plan lays" parts={laid} x={x} />
          <text x={0} y={2 * ROW_PX + 20} className="budget-title">
            Measured
          </text>
          {measured ? (
            <g transform={`translate(0 ${2 * ROW_PX})`}>
              <line
                x1={x(measured.figures.leastUm)}
                x2={x(measured.figures.mostUm)}
                y1={15}
                y2={15}
                className="measured-range"
              />
              <circle cx={x(measured.figures.meanUm)} cy={15} r={7} className="measured-mean" />
              <text x={x(measured.figures.mostUm) + 10} y={20} className="budget-words">
                {quantity('Um', measured.figures.meanUm)} {measured.after === 'blocked' ? 'left' : 'sprayed'}
              </text>
            </g>
          ) : (
            <text x={HEAD_PX} y={2 * ROW_PX + 20} className="budget-words">
              no readings yet
            </text>
          )}
          <line
            x1={x(budget.neededUm)}
            x2={x(budget.neededUm)}
            y1={0}
            y2={3 * ROW_PX}
            className="needed-line"
          />
          <line x1={x(maxUm)} x2={x(maxUm)} y1={0} y2={3 * ROW_PX} className="most-line" />
          <text x={x(maxUm)} y={3 * ROW_PX + 16} textAnchor="end" className="budget-words">
            sheet’s most {quantity('Um', maxUm)}
          </text>
          <text
            x={Math.max(HEAD_PX + 80, Math.min(x(budget.neededUm) + 4, x(maxUm) - 130))}
            y={3 * ROW_PX + 16}
            textAnchor="end"
            className="budget-words"
          >
            needs {quantity('Um', budget.neededUm)}
          </text>
        </svg>
      )}
      <figcaption>
        {needs.map(({ name, um, className }) => (
          <span key={className}>
            <i className={`budget-key ${className}`} /> {name} <b>{quantity('Um', um)}</b>
          </span>
        ))}
        <SourceMark source="model" />
      </figcaption>
    </figure>
  );
}

interface RowProps {
  readonly y: number;
  readonly title: string;
  readonly parts: readonly Part[];
  readonly x: (um: number) => number;
}

function Row({ y, title, parts, x }: RowProps) {
  const { quantity } = useFormat();
  const ends = cumsum(parts, ({ um }) => um);
  const placed = parts.map((part, i) => ({ ...part, left: x(ends[i]! - part.um), right: x(ends[i]!) }));
  return (
    <g transform={`translate(0 ${y})`}>
      <text x={0} y={20} className="budget-title">
        {title}
      </text>
      {placed
        .filter(({ um }) => um > 0)
        .map(({ name, um, className, left, right }) => (
          <g key={name}>
            <rect
              x={left}
              width={Math.max(1, right - left)}
              height={BAR_PX}
              className={`budget-part ${className}`}
            />
            {right - left > LEAST_LABEL_PX && (
              <text
                x={(left + right) / 2}
                y={20}
                textAnchor="middle"
                className={`budget-figure ${className}`}
              >
                {quantity('Um', um)}
              </text>
            )}
          </g>
        ))}
    </g>
  );
}
