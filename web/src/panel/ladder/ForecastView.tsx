import {
  areaTitle,
  blocksFor,
  bestBlock,
  buildNeededUm,
  forecastTaskOf,
  GRADES,
  verdictAt,
  type BlockForecast,
  type ForecastPoint,
  type ForecastTask,
  type Grade,
  type SandingFigures,
  type ZoneBuild,
} from '@blue-ledge/core';
import { Button, Progress, Select } from 'antd';
import { useRef, useState } from 'react';
import { FieldCanvas } from '../../shared/FieldCanvas.tsx';
import { NumberField } from '../../shared/NumberField.tsx';
import { useFormat } from '../../state/units.ts';
import { useBlockingWorker } from '../../workers/use-blocking-worker.ts';
import { useFrames } from '../../workers/use-frames.ts';
import { usePanelContext } from '../panel-context.ts';
import { ForecastTable } from './ForecastTable.tsx';

const USUAL_GRADES = ['P180', 'P220', 'P240', 'P280', 'P320'] as const;

const isUsual = (grade: Grade): boolean => (USUAL_GRADES as readonly Grade[]).includes(grade);

type Busy = 'forecast' | 'run' | null;

/** Blocking forecast: which block levels the waves, with how much build, and the panel as it is blocked. */
export function ForecastView({
  build,
  figures,
}: {
  readonly build: ZoneBuild;
  readonly figures: SandingFigures;
}) {
  const { quantity, minutes, block: blockWords } = useFormat();
  const { view } = usePanelContext();
  const planned = forecastTaskOf(build, view);
  const [waves, setWaves] = useState(planned.waves);
  const [grade, setGrade] = useState(planned.grade);
  const [forecasts, setForecasts] = useState<readonly BlockForecast[]>([]);
  const [busy, setBusy] = useState<Busy>(null);
  const [watched, setWatched] = useState<{
    blockId: string;
    point: ForecastPoint | null;
    throughShare: number;
  } | null>(null);
  const task: ForecastTask = { ...planned, waves, grade };
  const blocks = blocksFor(task);
  const block = (id: string): string => blockWords(id, blocks);
  const asked = useRef(0);
  const frames = useFrames();
  const tell = useBlockingWorker((message, answer) => {
    if (message.kind === 'frame') return frames.show(message, answer);
    if (!('id' in message) || message.id !== asked.current) return;
    if (message.kind === 'block') setForecasts((old) => [...old, message.forecast]);
    if (message.kind === 'point')
      setWatched((old) => old && { ...old, point: message.point, throughShare: message.throughShare });
    if (message.kind === 'done') setBusy(null);
  });
  const start = (): void => {
    asked.current += 1;
    setForecasts([]);
    setWatched(null);
    setBusy('forecast');
    tell({ kind: 'forecast', id: asked.current, task });
  };
  const watch = (blockId: string): void => {
    asked.current += 1;
    setWatched({ blockId, point: null, throughShare: 0 });
    setBusy('run');
    tell({ kind: 'run', id: asked.current, task, blockId });
  };
  const stop = (): void => {
    asked.current += 1;
    tell({ kind: 'cancel' });
    setBusy(null);
  };
  const changed = (): void => {
    if (busy) stop();
    setForecasts([]);
    setWatched(null);
  };
  const best = bestBlock(forecasts, task);
  return (
    <section className="pane ladder-main forecast" aria-labelledby="forecast-head">
      <h2 id="forecast-head">{areaTitle(build.zoneId)}: how much build, which block</h2>
      <div className="forecast-ask">
        <NumberField
          label="Waves"
          quantity="Um"
          from={0}
          to={600}
          value={waves.um}
          onChange={(um) => {
            setWaves({ ...waves, um });
            changed();
          }}
        />
        <NumberField
          label="Their length"
          quantity="Mm"
          from={40}
          to={1000}
          value={waves.lengthMm}
          onChange={(lengthMm) => {
            setWaves({ ...waves, lengthMm });
            changed();
          }}
        />
        <label className="field">
          <span className="note">First grade</span>
          <Select
            aria-label="First grade"
            value={grade}
            options={GRADES.filter((each) => each === planned.grade || isUsual(each)).map((each) => ({
              value: each,
              label: each,
            }))}
            onChange={(next) => {
              setGrade(next);
              changed();
            }}
          />
        </label>
        {busy ? (
          <Button onClick={stop}>Stop</Button>
        ) : (
          <Button type="primary" className="ledge-button" onClick={start}>
            Try every block
          </Button>
        )}
        {busy === 'forecast' && (
          <Progress
            className="forecast-progress"
            aria-label="Blocks tried"
            percent={Math.round((forecasts.length / blocks.length) * 100)}
            strokeLinecap="butt"
          />
        )}
      </div>
      <p className="note">
        {task.isCrowned ? `A crown of ${quantity('Mm', task.crownRadiusMm ?? 0)} radius` : 'A flat panel'},
        crosswise strokes at {quantity('Newton', figures.blockForceN)}; level is{' '}
        {quantity('Um', task.limitUm)} over {quantity('Mm', 100)}, {quantity('Um', task.mustStayUm)} must
        stay. Model.
      </p>
      {forecasts.length === 0 && !busy && !watched ? (
        <p className="forecast-hint">
          Every block {task.blocks ? 'of this shop' : 'of a usual shop'} is pushed over these waves in
          crosswise strokes until the panel is level. The table then says how much build each one needs, and
          what becomes of the {quantity('Um', build.appliedUm)} in the plan.
        </p>
      ) : (
        <div className="forecast-found">
          <div>
            {!busy && forecasts.length > 0 && (
              <p className={best ? 'passes' : 'fails'} role="status">
                {best
                  ? `${block(best.blockId)} with ${quantity('Um', buildNeededUm(best, task)!)} of build.`
                  : 'No block levels these waves: fill or glaze first.'}
              </p>
            )}
            <ForecastTable forecasts={forecasts} task={task} best={best?.blockId ?? null} onWatch={watch} />
          </div>
          {watched && (
            <figure className="watched">
              <FieldCanvas
                subscribe={frames.subscribe}
                label={`Guide coat under ${block(watched.blockId)}`}
              />
              <figcaption>
                <b>{block(watched.blockId)}</b>
                {watched.point && (
                  <>
                    , {minutes(watched.point.minutes)}: unlevel {quantity('Um', watched.point.unlevelUm)},
                    guide coat on {Math.round(watched.point.guideLeftShare * 100)}%, through on{' '}
                    {(watched.throughShare * 100).toFixed(1)}%
                  </>
                )}
                {!busy &&
                  ` ${endOf(
                    forecasts.find(({ blockId }) => blockId === watched.blockId),
                    task,
                  )}`}
              </figcaption>
            </figure>
          )}
        </div>
      )}
    </section>
  );
}

/** What the forecast says of the planned build under the block that was watched. */
function endOf(forecast: BlockForecast | undefined, task: ForecastTask): string {
  if (!forecast) return '';
  const verdict = verdictAt(forecast, task.filmUm, task);
  return verdict.kind === 'level'
    ? 'Level.'
    : verdict.kind === 'thin'
      ? 'Too thin for this block.'
      : 'It stays unlevel.';
}
