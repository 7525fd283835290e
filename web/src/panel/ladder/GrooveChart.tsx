import type { ShowVerdict, Showing } from '@blue-ledge/core';
import { VERDICT_CLASS } from './Compare.tsx';
import { scaleBand, scaleLog } from 'd3-scale';
import { useSize } from '../../shared/use-size.ts';
import { useFormat } from '../../state/units.ts';

const MARGIN = { top: 14, right: 8, bottom: 40, left: 8 } as const;
const LIMIT_WORDS = { gloss: 'gloss limit', flake: 'flake limit', 'sink-back': 'limit' } as const;
/** Room for the sentence under the chart. */
const WORDS_PX = 26;
/** Room below the least groove, as a share of it. */
const ROOM = 0.6;

/** Groove left after every coat to come, on a logarithmic scale, against the limits. */
export function GrooveChart({ showing }: { readonly showing: Showing }) {
  const { quantity } = useFormat();
  const [box, { width, height: boxPx }] = useSize();
  const height = boxPx - WORDS_PX;
  const { grooves, limits } = showing;
  const values = [...grooves.map(({ grooveUm }) => grooveUm), ...limits.map(({ limitUm }) => limitUm)];
  const floor = Math.max(1e-3, Math.min(...values) * ROOM);
  const x = scaleBand(
    grooves.map(({ after }) => after),
    [MARGIN.left, width - MARGIN.right],
  ).padding(0.25);
  const y = scaleLog([floor, Math.max(...values) * 1.25], [height - MARGIN.bottom, MARGIN.top]);
  const judgedAt = (plane: string): number =>
    plane === 'flake' ? grooves.findLastIndex(({ after }) => after.startsWith('base')) : grooves.length - 1;
  return (
    <div ref={box} className="groove-chart">
      {width > 0 && (
        <svg
          width={width}
          height={height}
          role="img"
          aria-label={wordsOf(showing, quantity('FineUm', showing.grooveUm))}
        >
          {grooves.map(({ after, grooveUm }, i) => {
            const fails = limits.some(({ plane, limitUm }) => judgedAt(plane) === i && grooveUm > limitUm);
            return (
              <g key={after}>
                <rect
                  x={x(after)}
                  width={x.bandwidth()}
                  y={y(grooveUm)}
                  height={height - MARGIN.bottom - y(grooveUm)}
                  className={fails ? 'groove fails' : 'groove'}
                />
                <text
                  x={x(after)! + x.bandwidth() / 2}
                  y={y(grooveUm) - 4}
                  textAnchor="middle"
                  className="groove-figure"
                >
                  {quantity('FineUm', grooveUm).replace(/ \D+$/, '')}
                </text>
                <CoatName words={after} x={x(after)! + x.bandwidth() / 2} y={height - MARGIN.bottom + 15} />
              </g>
            );
          })}
          {limits.map(({ plane, limitUm }) => (
            <g key={plane}>
              <line
                x1={MARGIN.left}
                x2={width - MARGIN.right}
                y1={y(limitUm)}
                y2={y(limitUm)}
                className="limit-line"
              />
              <text x={MARGIN.left + 2} y={y(limitUm) - 4} className="limit-name">
                {LIMIT_WORDS[plane]} {quantity('FineUm', limitUm)}
              </text>
            </g>
          ))}
        </svg>
      )}
      <p className={VERDICT_CLASS[showing.verdict]} role="status">
        {wordsOf(showing, quantity('FineUm', showing.grooveUm))}
      </p>
    </div>
  );
}

/** "base 2" on two lines, so that names of neighbours do not touch. */
function CoatName({ words, x, y }: { readonly words: string; readonly x: number; readonly y: number }) {
  const [name, nth] = words.split(' ');
  return (
    <text x={x} y={y} textAnchor="middle" className="coat-name">
      {name}
      {nth && (
        <tspan x={x} dy={14}>
          {nth}
        </tspan>
      )}
    </text>
  );
}

const VERDICT_WORDS: Record<ShowVerdict, string> = {
  passes: 'will not show',
  borderline: 'borderline, nearer to the limit than the model is sure of: try it, or go one grade finer',
  shows: 'will show',
};

const wordsOf = ({ verdict, plane }: Showing, groove: string): string => {
  const where =
    plane === 'flake' ? 'under the flakes' : plane === 'gloss' ? 'in the gloss' : 'after it has shrunk';
  return `${groove} ${where}: ${VERDICT_WORDS[verdict]}.`;
};
