import {
  blocksFor,
  buildNeededUm,
  verdictAt,
  type BlockForecast,
  type BuildVerdict,
  type ForecastTask,
  type Misfit,
} from '@blue-ledge/core';
import { Button } from 'antd';
import { CheckOutlined, CloseSquareOutlined, MinusOutlined } from '../../shared/icons.tsx';
import { useFormat } from '../../state/units.ts';

interface ForecastTableProps {
  readonly forecasts: readonly BlockForecast[];
  readonly task: ForecastTask;
  readonly best: string | null;
  readonly onWatch: (blockId: string) => void;
}

const HOLD_WORDS = {
  diagonal: 'held across its strokes',
  'by-turns': 'along the bend and across it by turns',
  across: 'held on the straight way',
} as const;

const MISFIT_WORDS: Record<Misfit | 'slow', string> = {
  follows: 'too soft, it follows the waves',
  short: 'shorter than the waves, it goes up and down with them',
  rides: 'too stiff, it rides the crown',
  slow: 'it comes to its end before that',
};

/** Builds to compare: the planned one, and some thinner and thicker, µm. */
const buildsAround = (filmUm: number): number[] =>
  [0.5, 0.75, 1, 1.5].map((share) => Math.round(filmUm * share));

/** Blocks by builds: level, too thin, or never. */
export function ForecastTable({ forecasts, task, best, onWatch }: ForecastTableProps) {
  const { quantity, block } = useFormat();
  const builds = buildsAround(task.filmUm);
  return (
    <table className="compare forecast-table">
      <thead>
        <tr>
          <th scope="col">Block</th>
          <th scope="col">Needs</th>
          {builds.map((um) => (
            <th key={um} scope="col">
              {quantity('Um', um)}
              {um === Math.round(task.filmUm) && ' planned'}
            </th>
          ))}
          <th scope="col">
            <span className="visually-hidden">Watch</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {forecasts.map((forecast) => {
          const needUm = buildNeededUm(forecast, task);
          const name = block(forecast.blockId, blocksFor(task));
          return (
            <tr key={forecast.blockId} className={forecast.blockId === best ? 'is-best' : ''}>
              <th scope="row">
                {name}
                <span className="note">{HOLD_WORDS[forecast.hold]}</span>
              </th>
              <td>{needUm === null ? 'not with this block' : quantity('Um', needUm)}</td>
              {needUm === null ? (
                <td colSpan={builds.length} className="note">
                  <MinusOutlined /> stays {quantity('Um', forecast.points.at(-1)!.unlevelUm)} unlevel:{' '}
                  {MISFIT_WORDS[forecast.misfit ?? 'slow']}
                </td>
              ) : (
                builds.map((um) => (
                  <td key={um}>
                    <VerdictCell verdict={verdictAt(forecast, um, task)} />
                  </td>
                ))
              )}
              <td>
                <Button aria-label={`Watch ${name}`} onClick={() => onWatch(forecast.blockId)}>
                  Watch
                </Button>
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

function VerdictCell({ verdict }: { readonly verdict: BuildVerdict }) {
  const { quantity, minutes } = useFormat();
  if (verdict.kind === 'level')
    return (
      <span className="passes">
        <CheckOutlined /> {minutes(verdict.minutes)}, {quantity('Um', verdict.leftUm)} left
      </span>
    );
  if (verdict.kind === 'thin')
    return (
      <span className="fails">
        <CloseSquareOutlined /> {quantity('Um', verdict.shortUm)} too thin
      </span>
    );
  return null;
}
