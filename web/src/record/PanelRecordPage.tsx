import {
  brokenWords,
  cardCode,
  dayText,
  foldRecord,
  heldOf,
  matchCard,
  regionsOf,
  stepTitle,
  verifyChain,
  type Entry,
  type Holding,
  type Panel,
  type Verified,
} from '@blue-ledge/core';
import { Button, Input } from 'antd';
import dayjs from 'dayjs';
import { useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { isOpened, usePanel, usePlan } from '../api/queries.ts';
import { usePanelRecord } from '../api/record-queries.ts';
import { enter } from '../outbox/record.ts';
import { RefusedEntries } from '../panel/run/RefusedEntries.tsx';
import { useRun, type Run } from '../panel/run/use-run.ts';
import { useWho, WhoDialog } from '../panel/run/Who.tsx';
import { takenBack, writeEntry } from '../panel/run/write-entry.ts';
import { CheckOutlined, CloseSquareOutlined } from '../shared/icons.tsx';
import { FoundMarks } from '../shared/panel-map/FoundMarks.tsx';
import { foundThings } from '../shared/panel-map/found-things.ts';
import { PanelMap } from '../shared/panel-map/PanelMap.tsx';
import { Pending } from '../shared/Problem.tsx';
import { useSize } from '../shared/use-size.ts';
import { PageTitle } from '../shell/PageTitle.tsx';
import { useFormat } from '../state/units.ts';
import { Beside } from './Beside.tsx';
import { CorrectDialog } from './CorrectDialog.tsx';
import { RepeatButton } from './RepeatDialog.tsx';
import { EntryLine } from './EntryLine.tsx';
import './record.css';

/** The record of one panel: its entries as they hold, whether the chain is whole, and the plan beside what was done. */
export function PanelRecordPage() {
  const { job = '', panel = '' } = useParams();
  const key = { job, panel };
  const { data: view, error } = usePanel(key);
  const { data: plan } = usePlan(key);
  const { record, error: recordError } = usePanelRecord(key);
  const run = useRun(isOpened(plan) ? plan : null, record);
  const held = useMemo(() => heldOf(record.entries), [record.entries]);
  const fold = useMemo(
    () =>
      run?.fold ??
      (view && foldRecord({ panel: view.panel, shop: view.shop, target: view.target }, record.entries)),
    [run, view, record.entries],
  );
  const [correcting, setCorrecting] = useState<Holding | null>(null);
  const [act, setAct] = useState<((by: string) => void) | null>(null);
  const who = useWho(view?.shop);
  if (!view || !record.kept) return <Pending error={error ?? recordError} what="the record" />;
  const as = (work: (by: string) => void): void => (who.name ? work(who.name) : setAct(() => work));
  const rows = [...held.entries, ...held.withdrawn].toSorted((a, b) => (a.at < b.at ? 1 : -1));
  const withdrawn = new Set(held.withdrawn.map(({ id }) => id));
  const planId = isOpened(plan) ? plan.id : '';
  return (
    <main className="page">
      <PageTitle name={`Record: ${view.panel.name}`} />
      <div className="page-head">
        <h1>{view.panel.name}</h1>
        <Link to={`/jobs/${job}/panels/${panel}/run`}>{view.job.title}, at the bench</Link>
        <Link to="/record">All entries</Link>
      </div>
      <RefusedEntries refused={record.refused} />
      <Chain entries={record.kept.entries} verified={record.kept.verified} nWaiting={record.waiting.length} />
      <div className="panel-record">
        <section aria-labelledby="entries-head">
          <h2 id="entries-head">Entries, the newest first</h2>
          {fold && fold.acts.length > 0 && (
            <RepeatButton
              of={key}
              name={`${view.panel.name}, ${view.job.title}`}
              fold={fold}
              nDefects={held.entries.filter(({ kind }) => kind === 'defect').length}
            />
          )}
          {rows.length === 0 && (
            <p className="empty">
              Nothing is written yet. Work on this panel is entered in its Run stage, step by step.
            </p>
          )}
          <FoundMap held={held.entries} panel={view.panel} />
          <ol className="record-entries">
            {rows.map((entry) => (
              <EntryLine
                key={entry.id}
                entry={entry}
                isWithdrawn={withdrawn.has(entry.id)}
                where={dayText(dayjs(entry.at).format('YYYY-MM-DD'))}
                acts={
                  <Button type="text" onClick={() => setCorrecting(entry)}>
                    Correct…
                  </Button>
                }
              />
            ))}
          </ol>
        </section>
        {run && (
          <section aria-labelledby="beside-head">
            <h2 id="beside-head">Planned beside done</h2>
            <Broken run={run} />
            <Beside of={key} run={run} planId={planId} />
          </section>
        )}
      </div>
      {correcting && (
        <CorrectDialog
          entry={correcting}
          isWithdrawn={withdrawn.has(correcting.id)}
          onClose={() => setCorrecting(null)}
          onWithdraw={() =>
            as((by) => {
              enter(key, takenBack(by, correcting), 'taken back');
              setCorrecting(null);
            })
          }
          onCorrect={(body) =>
            as((by) => {
              const corrected = { corrects: correcting.id, ...body };
              enter(key, writeEntry({ by, kind: 'correction', body: corrected }), 'corrected');
              setCorrecting(null);
            })
          }
        />
      )}
      {act && (
        <WhoDialog
          who={who}
          onClose={() => setAct(null)}
          onPick={(name) => {
            who.choose(name);
            act(name);
            setAct(null);
          }}
        />
      )}
    </main>
  );
}

/** Where things were found and photographed, on the map; one that is tapped is shown in the list. */
function FoundMap({ held, panel }: { readonly held: readonly Holding[]; readonly panel: Panel }) {
  const { system } = useFormat();
  const [box, size] = useSize();
  const found = useMemo(() => foundThings(held, system), [held, system]);
  if (found.length === 0 || !regionsOf(panel)) return null;
  const showEntry = (id: string): void => {
    const line = document.getElementById(`entry-${id}`);
    line?.scrollIntoView({ block: 'center' });
    line?.focus();
  };
  return (
    <div ref={box} className="found-map">
      {size.width > 0 && (
        <PanelMap
          panel={panel}
          width={size.width}
          height={size.height}
          over={(frame) => <FoundMarks found={found} panel={panel} frame={frame} onPick={showEntry} />}
        />
      )}
    </div>
  );
}

interface ChainProps {
  readonly entries: readonly Entry[];
  /** What the server found, which knows by its own chain what was written. */
  readonly verified: Verified | undefined;
  readonly nWaiting: number;
}

/** Whether the record is as it was written, and the code that stands for it. */
function Chain({ entries, verified, nWaiting }: ChainProps) {
  const own = useMemo(() => verifyChain(entries), [entries]);
  const { firstBroken } = own.intact && verified ? verified : own;
  if (entries.length === 0 && !firstBroken) return null;
  return (
    <p className={firstBroken ? 'problem chain' : 'chain'} role="status">
      {firstBroken ? (
        <>
          <CloseSquareOutlined /> <b>This record is not as it was written:</b> {brokenWords(firstBroken)}.
        </>
      ) : (
        <>
          <CheckOutlined /> The chain of {entries.length} {entries.length === 1 ? 'entry' : 'entries'} is
          whole. Code <code>{cardCode(own)}</code>
        </>
      )}
      {nWaiting > 0 && ` ${nWaiting} more on the way.`}
      <CodeCheck entries={entries} />
    </p>
  );
}

/** Whether a card belongs to this record: its code is that of one of the entries. */
function CodeCheck({ entries }: { readonly entries: readonly Entry[] }) {
  const [code, setCode] = useState('');
  const match = matchCard(entries, code);
  return (
    <label className="code-check">
      <span>Code of a card</span>
      <Input value={code} maxLength={64} onChange={({ target }) => setCode(target.value)} />
      {match && (
        <b>
          {'why' in match
            ? `does not belong to this record: ${match.why}`
            : `belongs to this record, as it was after entry ${match.nEntries} of ${entries.length}`}
        </b>
      )}
    </label>
  );
}

/** Rules that were not kept on the way. */
function Broken({ run: { state } }: { readonly run: Run }) {
  const { said } = useFormat();
  if (state.broken.length + state.problems.length === 0) return null;
  return (
    <div className="problem">
      <b>{state.broken.length > 0 ? 'Not by the rules:' : 'Not read:'}</b>
      <ul>
        {state.broken.map((broken, i) => (
          <li key={i}>
            {state.steps[broken.n - 1] && stepTitle(state.steps[broken.n - 1]!)} on {broken.zoneId}:{' '}
            {said(broken)}
          </li>
        ))}
        {state.problems.map((problem) => (
          <li key={problem}>Not counted: {problem}.</li>
        ))}
      </ul>
    </div>
  );
}
