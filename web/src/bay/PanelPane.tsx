import {
  capital,
  OP_LABELS,
  formatMinutes,
  sessionsOf,
  standOf,
  type Session,
  type ShopScheduleView,
} from '@blue-ledge/core';
import { Button, Select } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { Dialog } from '../shared/dialog/Dialog.tsx';
import { CloseOutlined } from '../shared/icons.tsx';
import { fieldOf, startOfField } from '../state/now.ts';
import { axisMin, momentOf } from '@blue-ledge/core';
import type { BayMoves } from './bay-moves.tsx';
import type { PanelRow } from './bay-rows.ts';
import { timeText } from './bay-scale.ts';
import { heldText, windowText } from './bay-words.ts';
import { MoveOutcome } from './MoveOutcome.tsx';

interface PanelPaneProps {
  readonly shopId: string;
  readonly row: PanelRow;
  readonly rows: readonly PanelRow[];
  readonly view: ShopScheduleView;
  readonly nowMin: number;
  readonly moves: BayMoves;
  readonly onClose: () => void;
}

/** One panel: when it is ready, the chain of work and waits that decides it, and moving its work. */
export function PanelPane({ shopId, row, view, nowMin, moves, onClose }: PanelPaneProps) {
  const { panel, tasks } = row;
  const { start } = view;
  const schedule = view.schedule!;
  const sessions = sessionsOf(tasks);
  const [moving, setMoving] = useState<Session | null>(null);
  const inserted = schedule.inserted.filter(
    ({ jobId, panelId }) => jobId === panel.jobId && panelId === panel.panelId,
  );
  const warnings = schedule.warnings.filter(
    ({ panelId, jobId }) => jobId === panel.jobId && panelId === panel.panelId,
  );
  const late = panel.dueMin === undefined ? 0 : panel.finishMin - panel.dueMin;
  return (
    <section aria-labelledby="panel-head" className="panel-pane">
      <div className="panel-pane-head">
        <h2 id="panel-head">
          {row.nth} {panel.name}
        </h2>
        <Button type="text" icon={<CloseOutlined />} aria-label="Back to what is next" onClick={onClose} />
      </div>
      <p>
        Ready <b>{timeText(start, panel.finishMin)}</b>
        {panel.baseByMin !== undefined && <>, base by {timeText(start, panel.baseByMin)}</>}.
        {panel.dueMin !== undefined && (
          <>
            {' '}
            Due {timeText(start, panel.dueMin)}
            {late > 0 ? <b className="bay-late">, late by {formatMinutes(late)}</b> : ', in time'}.
          </>
        )}
      </p>
      {warnings.map(({ text }) => (
        <p key={text} className="problem" role="alert">
          {text}
        </p>
      ))}
      {inserted.map(({ afterN, op, why, handsOnMin }) => (
        <p key={`${afterN} ${op}`} className="bay-put-in">
          <b>Put in after step {afterN}:</b> {OP_LABELS[op].toLowerCase()}, {Math.round(handsOnMin)} min.{' '}
          {why}
        </p>
      ))}
      <ol className="chain">
        {sessions.map((session) => (
          <ChainItem
            key={session.startMin}
            session={session}
            row={row}
            view={view}
            nowMin={nowMin}
            onMove={() => setMoving(session)}
            onLetGo={() => moves.letGo(row, session.fromN)}
          />
        ))}
      </ol>
      <p>
        <Link to={`/jobs/${panel.jobId}/panels/${panel.panelId}/system`}>Open the panel</Link>
      </p>
      {moving && (
        <MoveSession
          shopId={shopId}
          session={moving}
          row={row}
          view={view}
          onMove={(toMin, personId) => {
            moves.move(row, moving.fromN, toMin, personId);
            setMoving(null);
          }}
          onClose={() => setMoving(null)}
        />
      )}
    </section>
  );
}

interface ChainItemProps {
  readonly session: Session;
  readonly row: PanelRow;
  readonly view: ShopScheduleView;
  readonly nowMin: number;
  readonly onMove: () => void;
  readonly onLetGo: () => void;
}

/** A wait that is worth a line, minutes. */
const LEAST_WAIT_MIN = 10;

function ChainItem({ session, row, view, nowMin, onMove, onLetGo }: ChainItemProps) {
  const { start, schedule, moves } = view;
  const { fromN, toN, personId, startMin, endMin, tasks } = session;
  const person = schedule!.people.find(({ id }) => id === personId)?.name ?? personId;
  const ops = [...new Set(tasks.map(({ op }) => OP_LABELS[op].toLowerCase()))].join(', ');
  const waits = row.tasks.filter(
    (task) =>
      task.isUnattended &&
      task.endMin <= startMin + 1 &&
      task.endMin > startMin - 1 &&
      task.endMin - task.startMin >= LEAST_WAIT_MIN,
  );
  const held = heldText(tasks[0]!.heldBy);
  const idleMin = startMin - session.readyMin;
  const pressing = row.windows.filter(
    (window) => window.usedByN >= fromN && window.usedByN <= toN && standOf(window) !== 'open',
  );
  const isHeld = moves.some(
    ({ jobId, panelId, n, at }) =>
      at && jobId === row.panel.jobId && panelId === row.panel.panelId && n === fromN,
  );
  return (
    <li className={endMin <= nowMin ? 'is-past' : ''}>
      {waits.map((wait) => (
        <p key={wait.n} className="chain-wait">
          {capital(OP_LABELS[wait.op].toLowerCase())}, alone, {formatMinutes(wait.endMin - wait.startMin)}
        </p>
      ))}
      <p>
        <b>{timeText(start, startMin)}</b> {person},{' '}
        {fromN === toN ? `step ${fromN}` : `steps ${fromN} to ${toN}`}
        {session.isInBooth ? ', in the booth' : ''}
      </p>
      <p className="note">
        {ops}, {formatMinutes(endMin - startMin)}
        {held && idleMin >= LEAST_WAIT_MIN ? `; ${held}, ${formatMinutes(idleMin)}` : ''}
      </p>
      {pressing.map((window) => (
        <p key={window.kind} className={`chain-window is-${standOf(window)}`}>
          {windowText(window, start)}; past it, {window.thenWhat}
        </p>
      ))}
      {endMin > nowMin && (
        <p className="next-acts">
          <button type="button" className="link-button" onClick={onMove}>
            Move {fromN === toN ? `step ${fromN}` : `steps ${fromN} to ${toN}`}
          </button>
          {isHeld && (
            <button type="button" className="link-button" onClick={onLetGo}>
              Let it go
            </button>
          )}
        </p>
      )}
    </li>
  );
}

interface MoveSessionProps {
  readonly shopId: string;
  readonly session: Session;
  readonly row: PanelRow;
  readonly view: ShopScheduleView;
  readonly onMove: (toMin: number, personId: string) => void;
  readonly onClose: () => void;
}

/** Moves work by its time and person, without a pointer. */
function MoveSession({ shopId, session, row, view: { start, schedule }, onMove, onClose }: MoveSessionProps) {
  const [text, setText] = useState(() => fieldOf(momentOf(start, Math.round(session.startMin))));
  const [personId, setPersonId] = useState(session.personId);
  const at = startOfField(text);
  const toMin = at ? axisMin(start, at) : null;
  return (
    <Dialog
      title={`Move ${row.panel.name}, step ${session.fromN}`}
      act={{
        label: 'Move it there',
        run: () => toMin !== null && onMove(toMin, personId),
        isOff: toMin === null || toMin < 0,
      }}
      onClose={onClose}
    >
      <label className="field">
        <span>Begins</span>
        <input
          type="datetime-local"
          className="plain-field"
          value={text}
          onChange={({ target }) => setText(target.value)}
        />
      </label>
      <label className="field">
        <span>Done by</span>
        <Select
          aria-label="Done by"
          value={personId}
          options={schedule!.people.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={setPersonId}
        />
      </label>
      {toMin !== null && toMin < 0 && (
        <p className="field-problem">That is before this schedule starts: {timeText(start, 0)}.</p>
      )}
      {toMin !== null && toMin >= 0 && (
        <MoveOutcome
          shopId={shopId}
          row={row}
          session={session}
          toMin={toMin}
          personId={personId}
          start={start}
        />
      )}
    </Dialog>
  );
}
