import {
  QUANTITIES,
  formatNumber,
  readReadings,
  readingFigures,
  type Zone,
  type ZoneBuild,
} from '@blue-ledge/core';
import { Button, Input, Segmented, Upload } from 'antd';
import { useState } from 'react';
import { UploadOutlined } from '../../shared/icons.tsx';
import { useFormat } from '../../state/units.ts';
import { usePanelContext } from '../panel-context.ts';
import { useZoneWriter } from '../survey/use-zone-edit.ts';
import { readCsv } from './read-csv.ts';

type Stage = 'build' | 'blocked';
type Reading = NonNullable<Zone['readings']>[number];

const MOST_BYTES = 1_000_000;
const MOST_PROBLEMS = 4;

/** Gauge readings of the zone by stage: typed, or from a table; doubtful ones are marked and can be taken out. */
export function Readings({ zone, build }: { readonly zone: Zone; readonly build: ZoneBuild }) {
  const { key, view } = usePanelContext();
  const { quantity, system } = useFormat();
  const { symbol } = QUANTITIES.Um[system];
  const write = useZoneWriter(key);
  const [stage, setStage] = useState<Stage>('build');
  const [typed, setTyped] = useState('');
  const [said, setSaid] = useState<readonly string[]>([]);
  const [isWrong, setIsWrong] = useState(false);
  const all = zone.readings ?? [];
  const here = all.filter(({ after }) => after === stage);
  const figures = readingFigures(here.map(({ um }) => um));
  const put = (readings: readonly Reading[]): void => write({ ...zone, readings: [...readings] }, 'readings');

  const add = (): void => {
    const read = readReadings(typed, system);
    setIsWrong('problem' in read);
    if ('problem' in read) return setSaid([read.problem]);
    put([...all, ...read.um.map((um) => ({ after: stage, um }))]);
    setTyped('');
    setSaid([]);
  };

  const take = async (file: File): Promise<void> => {
    setIsWrong(false);
    if (file.size > MOST_BYTES)
      return setSaid([`${file.name} is larger than 1 MB: a table of readings is not.`]);
    const { readings, problems } = readCsv(await file.text(), view.panel.zones, system);
    const mine = readings.filter(({ zoneId }) => zoneId === null || zoneId === zone.id);
    if (mine.length > 0) put([...all, ...mine.map(({ um }) => ({ after: stage, um }))]);
    const others = new Map<string, Reading[]>();
    for (const { zoneId, um } of readings)
      if (zoneId !== null && zoneId !== zone.id)
        others.set(zoneId, [...(others.get(zoneId) ?? []), { after: stage, um }]);
    for (const [id, added] of others) {
      const other = view.panel.zones.find((each) => each.id === id)!;
      const readingsThere = [...(other.readings ?? []), ...added];
      write({ ...other, readings: readingsThere }, 'readings');
    }
    const elsewhere = others.size > 0 ? `, ${readings.length - mine.length} of other zones` : '';
    setSaid([
      `${readings.length} readings taken from ${file.name}${elsewhere}.`,
      ...problems.slice(0, MOST_PROBLEMS),
      ...(problems.length > MOST_PROBLEMS
        ? [`${problems.length - MOST_PROBLEMS} more rows were left out.`]
        : []),
    ]);
  };

  return (
    <section className="pane ladder-side" aria-labelledby="readings-head">
      <h2 id="readings-head">Gauge readings</h2>
      <Segmented<Stage>
        aria-label="Measured when"
        value={stage}
        options={[
          { value: 'build', label: 'build sprayed' },
          { value: 'blocked', label: 'blocked' },
        ]}
        onChange={setStage}
      />
      <p className="note">
        All film on the zone, in {symbol} as the gauge shows it. {quantity('Um', build.underUm)} under the
        build are taken off (model).
      </p>
      <div className="reading-add">
        <Input
          aria-label={`Readings in ${symbol}`}
          placeholder={system === 'metric' ? 'for example 205 198 211' : 'for example 8.1 7.8 8.3'}
          value={typed}
          status={isWrong ? 'error' : ''}
          onChange={({ target }) => setTyped(target.value)}
          onPressEnter={add}
        />
        <Button onClick={add}>Add</Button>
      </div>
      <Upload
        accept=".csv,.txt,text/csv,text/plain"
        showUploadList={false}
        beforeUpload={(file) => {
          void take(file);
          return false;
        }}
      >
        <Button icon={<UploadOutlined />}>Read a table (CSV)</Button>
      </Upload>
      {said.map((words) => (
        <p key={words} className={isWrong ? 'field-problem' : 'note'} role={isWrong ? 'alert' : 'status'}>
          {words}
        </p>
      ))}
      {figures ? (
        <>
          <dl className="reading-figures">
            <div>
              <dt>mean</dt>
              <dd>{quantity('Um', figures.meanUm)}</dd>
            </div>
            <div>
              <dt>least</dt>
              <dd>{quantity('Um', figures.leastUm)}</dd>
            </div>
            <div>
              <dt>most</dt>
              <dd>{quantity('Um', figures.mostUm)}</dd>
            </div>
            <div>
              <dt>spread</dt>
              <dd>{quantity('Um', figures.spreadUm)}</dd>
            </div>
          </dl>
          <ul className="reading-list" aria-label="Readings">
            {here.map(({ um }, i) => {
              const isDoubtful = figures.doubtful.includes(i);
              return (
                <li key={i} className={isDoubtful ? 'doubtful' : ''}>
                  {formatNumber('Um', um, system)}
                  {isDoubtful && ' doubtful'}
                  <button
                    type="button"
                    aria-label={`Remove ${quantity('Um', um)}`}
                    onClick={() => put(all.filter((reading) => reading !== here[i]))}
                  >
                    ×
                  </button>
                </li>
              );
            })}
          </ul>
        </>
      ) : (
        <p className="note">No readings yet: the budget stands on what the models predict.</p>
      )}
    </section>
  );
}
