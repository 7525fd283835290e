import {
  OP_LABELS,
  nextWork,
  panelKeyOf,
  type DatedStart,
  type NextWork,
  type Schedule,
} from '@blue-ledge/core';
import { Link } from 'react-router';
import type { PanelRow } from './bay-rows.ts';
import { timeText } from './bay-scale.ts';
import { urgencyText } from './bay-words.ts';

interface NextPaneProps {
  readonly schedule: Schedule;
  readonly rows: readonly PanelRow[];
  readonly start: DatedStart;
  readonly nowMin: number;
  readonly onSelect: (key: string) => void;
}

/** Cards of one person: the one that runs or comes first, and what comes after it. */
const MOST_AFTER = 2;

/** What each person does now and next, the first first, and why. */
export function NextPane({ schedule, rows, start, nowMin, onSelect }: NextPaneProps) {
  const next = nextWork(schedule, nowMin);
  return (
    <section aria-labelledby="next-head">
      <h2 id="next-head">Next at the bench</h2>
      {schedule.people.map(({ id, name }) => {
        const [first, ...after] = next.get(id) ?? [];
        return (
          <div key={id} className="next-person">
            <h3>{name}</h3>
            {first ? (
              <NextCard work={first} rows={rows} start={start} nowMin={nowMin} onSelect={onSelect} />
            ) : (
              <p className="note">No work left for {name}.</p>
            )}
            {after.length > 0 && (
              <ul className="next-after">
                {after.slice(0, MOST_AFTER).map(({ session }) => (
                  <li key={session.startMin}>
                    <b>{timeText(start, session.startMin)}</b> {nameOf(rows, session)},{' '}
                    {OP_LABELS[session.tasks[0]!.op].toLowerCase()}
                    {session.readyMin <= nowMin && <span className="note"> could begin now</span>}
                  </li>
                ))}
              </ul>
            )}
          </div>
        );
      })}
    </section>
  );
}

const nameOf = (rows: readonly PanelRow[], of: NextWork['session']): string =>
  rows.find(({ key }) => key === panelKeyOf(of))?.panel.name ?? of.panelId;

interface NextCardProps extends Omit<NextPaneProps, 'schedule'> {
  readonly work: NextWork;
}

function NextCard({
  work: { session, isRunning, isOver, urgency },
  rows,
  start,
  nowMin,
  onSelect,
}: NextCardProps) {
  const { fromN, toN, tasks } = session;
  const isClose = urgency.kind === 'window' && urgency.window.closesMin - nowMin < 60;
  const ops = [...new Set(tasks.map(({ op }) => OP_LABELS[op].toLowerCase()))].join(', ');
  return (
    <div className={`next-card ${isClose ? 'is-close' : urgency.kind === 'late' ? 'is-late' : ''}`}>
      <p className="next-when">
        {isRunning || isOver
          ? `until ${timeText(start, session.endMin, { withDay: false })}`
          : timeText(start, session.startMin)}
      </p>
      <p>
        <b>{nameOf(rows, session)}</b>
      </p>
      <p>
        {fromN === toN ? `Step ${fromN}` : `Steps ${fromN} to ${toN}`}: {ops}.
      </p>
      {isOver && <p className="next-late">Should be done by now: enter it.</p>}
      <p className="note">{urgencyText(urgency, start)}</p>
      <p className="next-acts">
        <Link to={`/jobs/${session.jobId}/panels/${session.panelId}/run?step=${fromN}`}>
          Open step {fromN}
        </Link>
        <button type="button" className="link-button" onClick={() => onSelect(panelKeyOf(session))}>
          Show its day
        </button>
      </p>
    </div>
  );
}
