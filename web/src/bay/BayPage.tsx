import { panelKeyOf, capital, OP_LABELS, type ShopScheduleView, type ShopView } from '@blue-ledge/core';
import { Button, Select } from 'antd';
import { Fragment, useMemo } from 'react';
import { Link, Navigate, useLocation, useNavigate, useParams, useSearchParams } from 'react-router';
import { calendarPath, useSchedule } from '../api/schedule-queries.ts';
import { useShops } from '../api/queries.ts';
import { Pending, Problem } from '../shared/Problem.tsx';
import { useServerNow } from '../clocks/use-server-now.ts';
import { MinusOutlined, PlusOutlined, PrinterOutlined } from '../shared/icons.tsx';
import { PageTitle } from '../shell/PageTitle.tsx';
import { datedText, nowHere } from '../state/now.ts';
import { serverNow } from '../state/server-time.ts';
import { BayChart } from './BayChart.tsx';
import { heldRows, lanesOf, panelRows, type PanelRow } from './bay-rows.ts';
import { nowOnAxis, openHours, timeText } from './bay-scale.ts';
import { useBayView } from './bay-view.ts';
import { dueText, heldText } from './bay-words.ts';
import { download } from '../shared/save-as.ts';
import { saveScheduleCsv } from './schedule-csv.ts';
import { FindBetter } from './FindBetter.tsx';
import { NextPane } from './NextPane.tsx';
import { NotEnteredOfShop } from './NotEnteredOfShop.tsx';
import { PanelPane } from './PanelPane.tsx';
import { UndoMove, useBayMoves } from './bay-moves.tsx';
import './bay.css';

/** Every panel in the shop on one shop-time chart; the first shop where none is named. */
export function BayPage() {
  const { shop: id } = useParams();
  const { search } = useLocation();
  const { data: shops, error } = useShops();
  if (!shops) return <Pending error={error} what="the bay" />;
  const [first] = shops;
  // An empty program begins with its first steps.
  if (!first) return <Navigate to="/jobs" replace />;
  const shop = shops.find((candidate) => candidate.id === id);
  if (!shop) return <Navigate to={{ pathname: `/bay/${first.id}`, search }} replace />;
  return <BayOfShop key={shop.id} shop={shop} shops={shops} />;
}

interface BayProps {
  readonly shop: ShopView;
  readonly shops: readonly ShopView[];
}

function BayOfShop({ shop, shops }: BayProps) {
  const { data, error, isFetching } = useSchedule(shop.id);
  const navigate = useNavigate();
  return (
    <main className="page bay-page">
      <PageTitle name={`Bay, ${shop.name}`} />
      <div className="page-head bay-head">
        <h1>Bay</h1>
        {data?.schedule && <Summary view={data} />}
        <div className="head-actions">
          {shops.length > 1 && (
            <Select
              aria-label="Shop"
              value={shop.id}
              options={shops.map((other) => ({ value: other.id, label: other.name }))}
              onChange={(other) => void navigate(`/bay/${other}`)}
            />
          )}
          {data?.schedule && data.schedule.panels.length > 0 && (
            <FindBetter shopId={shop.id} more={exportsOf(data, shop)} />
          )}
          <Button icon={<PrinterOutlined />} aria-label="Print for the wall" onClick={() => window.print()} />
        </div>
      </div>
      {error && <Problem error={error} />}
      {!data && !error && <p role="status">{isFetching ? 'Putting the work into the shop’s hours…' : ''}</p>}
      {data?.problem && (
        <div className="problem" role="alert">
          <b>{data.problem}</b> <Link to={`/shop/${shop.id}`}>Open the shop</Link>
        </div>
      )}
      {data?.schedule && <Board shop={shop} view={data} />}
    </main>
  );
}

/** What a schedule is taken away as. */
const exportsOf = (view: ShopScheduleView, shop: ShopView) => [
  { key: 'csv', label: 'Save as a table (CSV)', act: () => saveScheduleCsv(view, shop.name) },
  ...view.schedule!.people.map(({ id, name }) => ({
    key: `ics ${id}`,
    label: `Calendar of ${name} (iCalendar)`,
    act: () => download(calendarPath(shop.id, id), `${name}.ics`),
  })),
];

const MIN_MS = 60_000;

function Summary({ view: { schedule, start, jobs } }: { readonly view: ShopScheduleView }) {
  const { panels, makespanMin, lowerBoundMin, boundBy, late, waiting } = schedule!;
  if (panels.length === 0) return null;
  const nJobs = new Set(panels.map(({ jobId }) => jobId)).size;
  const by = { chain: 'its longest panel', people: 'the hours of its people', booths: 'its booth' }[boundBy];
  return (
    <p className="bay-summary">
      {panels.length} {panels.length === 1 ? 'panel' : 'panels'} of {nJobs} {nJobs === 1 ? 'job' : 'jobs'} of{' '}
      {Object.keys(jobs).length}; all ready <b>{timeText(start, makespanMin)}</b>
      {late.length > 0 && <b className="bay-late">, {late.length} late</b>}
      {waiting.length > 0 && <b>, {waiting.length} not in it</b>}
      <span className="note" title="What no order of this work can beat, limits and pauses left out (model)">
        {' '}
        not before {timeText(start, lowerBoundMin)}, by {by}
      </span>
    </p>
  );
}

function Board({ shop, view }: { readonly shop: ShopView; readonly view: ShopScheduleView }) {
  const { start, jobs } = view;
  const schedule = view.schedule!;
  useServerNow(MIN_MS / 2);
  const nowMin = nowOnAxis(start, nowHere());
  const [query, setQuery] = useSearchParams();
  const selected = query.get('panel');
  const select = (key: string | null): void =>
    setQuery(key === null ? {} : { panel: key }, { replace: true });
  const rows = useMemo(() => panelRows(schedule), [schedule]);
  const lanes = useMemo(() => lanesOf(schedule, rows), [schedule, rows]);
  const lastMin = Math.max(nowMin + 60, schedule.makespanMin + 120);
  const open = useMemo(() => openHours(shop.shop, start, lastMin), [shop.shop, start, lastMin]);
  const row = rows.find(({ key }) => key === selected);
  const moves = useBayMoves(shop.id, view);
  if (rows.length === 0)
    return (
      <>
        <p className="empty">
          No panel of this shop has a chosen system yet. Plan one, and it stands here with its hours: who does
          it when, what is in the booth, what cures through the night, and which window closes.
        </p>
        <p>
          <Link to="/jobs">Open the jobs</Link>
        </p>
        <Waiting view={view} />
      </>
    );
  return (
    <>
      <UndoMove moves={moves} start={start} rows={rows} />
      <NotEnteredOfShop shop={shop} view={view} />
      <Outdated view={view} />
      <div className="bay">
        <BayChart
          shopId={shop.id}
          start={start}
          rows={rows}
          lanes={lanes}
          jobs={jobs}
          open={open}
          nowMin={nowMin}
          lastMin={lastMin}
          selected={selected}
          moved={view.moves}
          onSelect={select}
          onMove={moves.move}
        />
        <aside className="bay-side">
          {row ? (
            <PanelPane
              key={row.key}
              shopId={shop.id}
              row={row}
              view={view}
              rows={rows}
              nowMin={nowMin}
              moves={moves}
              onClose={() => select(null)}
            />
          ) : (
            <>
              <NextPane schedule={schedule} rows={rows} start={start} nowMin={nowMin} onSelect={select} />
              <Waiting view={view} rows={rows} nowMin={nowMin} />
            </>
          )}
        </aside>
      </div>
      <BayFoot />
      <p className="print-only note">
        {shop.name}, {datedText(serverNow())}. {dueText(rows, start)}
      </p>
    </>
  );
}

/** Panels that are scheduled by plans of other settings of the shop: in this air they may not hold. */
function Outdated({ view: { outdated, schedule } }: { readonly view: ShopScheduleView }) {
  const panels = schedule!.panels.filter((panel) => outdated.includes(panelKeyOf(panel)));
  if (panels.length === 0) return null;
  return (
    <p className="bay-outdated" role="status">
      <b>Planned with other settings of the shop:</b>{' '}
      {panels.map(({ jobId, panelId, name }, i) => (
        <Fragment key={`${jobId} ${panelId}`}>
          {i > 0 && ', '}
          <Link to={`/jobs/${jobId}/panels/${panelId}/system`}>{name}</Link>
        </Fragment>
      ))}
      . What stands here may not hold as things are: open them and plan again.
    </p>
  );
}

function BayFoot() {
  const { zoom } = useBayView();
  return (
    <div className="bay-foot">
      <div className="bay-zoom" role="group" aria-label="Width of an hour">
        <Button icon={<MinusOutlined />} aria-label="Narrower hours" onClick={() => zoom(-1)} />
        <Button icon={<PlusOutlined />} aria-label="Wider hours" onClick={() => zoom(1)} />
      </div>
      <ul className="bay-legend" aria-label="Legend">
        <li>
          <i className="bar-swatch is-hands" /> hands-on
        </li>
        <li>
          <i className="bar-swatch is-booth" /> in the booth
        </li>
        <li>
          <i className="bar-swatch is-alone" /> flashes or cures alone
        </li>
        <li>
          <i className="bar-swatch is-window" /> window closes
        </li>
        <li>
          <i className="bar-swatch is-missed" /> window missed
        </li>
      </ul>
      <span className="note">What nobody entered is not done: it stands from now on.</span>
    </div>
  );
}

interface WaitingProps {
  readonly view: ShopScheduleView;
  readonly rows?: readonly PanelRow[];
  readonly nowMin?: number;
}

/** Panels that wait, and for what: those that are not in the schedule, and those that the weather holds. */
function Waiting({ view: { schedule, jobs, start }, rows = [], nowMin = 0 }: WaitingProps) {
  const held = heldRows(rows, nowMin).map(({ row: { panel }, task }) => ({
    ...panel,
    text: `${capital(OP_LABELS[task.op].toLowerCase())} ${heldText(task.heldBy)}, ${timeText(start, task.startMin)}.`,
  }));
  const waiting = [...schedule!.waiting, ...held];
  if (waiting.length === 0) return null;
  return (
    <section className="bay-waiting" aria-labelledby="waiting-head">
      <h2 id="waiting-head">Waiting</h2>
      <ul>
        {waiting.map(({ jobId, panelId, name, text }) => (
          <li key={`${jobId} ${panelId}`}>
            <Link to={`/jobs/${jobId}/panels/${panelId}/system`}>{name}</Link>, {jobs[jobId]}
            <p className="note">{text}</p>
          </li>
        ))}
      </ul>
    </section>
  );
}
