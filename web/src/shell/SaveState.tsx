import type { JobView, PanelView, ShopView } from '@blue-ledge/core';
import { Button, Popover } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { jobQueryKey, panelQueryKey, shopsQueryKey } from '../api/queries.ts';
import { queryClient } from '../api/query-client.ts';
import { isPending, type Entry } from '../outbox/entry.ts';
import { addressOf, whatOf } from '../outbox/entry-words.ts';
import { giveUp } from '../outbox/outbox.ts';
import { sendAgain } from '../outbox/sender.ts';
import { useOutbox } from '../outbox/row.ts';
import { useUnsent } from '../outbox/use-outbox.ts';
import { useConnection } from '../state/connection.ts';

/** Saved ones that are listed below what is not saved yet. */
const MOST_SAVED = 5;

/** Whether all is saved, and on a press the changes themselves: what waits, what was refused, what was saved last. */
export function SaveState() {
  const [isOpen, setIsOpen] = useState(false);
  const isLost = useConnection((state) => state.isLost);
  const isUnkept = useOutbox((state) => state.isUnkept);
  return (
    <div className={isLost || isUnkept ? 'save-state save-state-lost' : 'save-state'}>
      <p role="status">
        <Words />
      </p>
      <Popover
        open={isOpen}
        onOpenChange={setIsOpen}
        trigger="click"
        placement="bottomRight"
        getPopupContainer={(button) => button.parentElement!}
        title="Changes made in this browser"
        content={<ChangeList onLeave={() => setIsOpen(false)} />}
      >
        <button type="button" className="save-list-button" aria-expanded={isOpen}>
          Changes
        </button>
      </Popover>
    </div>
  );
}

function Words() {
  const isLost = useConnection((state) => state.isLost);
  const { nWaiting, nRefused, nPutOff } = useUnsent();
  const isUnkept = useOutbox((state) => state.isUnkept);
  if (isUnkept)
    return (
      <>
        <b>This browser keeps nothing: its storage is full or shut.</b>{' '}
        {nWaiting > 0
          ? `${nWaiting} not sent yet: a reload now loses ${nWaiting === 1 ? 'it' : 'them'}.`
          : 'All is sent.'}
      </>
    );
  if (isLost)
    return (
      <>
        <b>The server does not answer.</b> {nWaiting > 0 ? 'Your changes are kept here; ' : ''}trying again
        every 2 s.
      </>
    );
  if (nPutOff > 0)
    return (
      <>
        <b>The server could not save {nPutOff}.</b> Sent again by itself.
      </>
    );
  if (nRefused > 0) return <>{nRefused} not saved</>;
  return <>{nWaiting > 0 ? `Saving ${nWaiting}…` : 'All saved'}</>;
}

const STATE_WORDS: Readonly<Record<Entry['state'], string>> = {
  waiting: 'waits',
  sending: 'on its way',
  refused: 'not saved',
  sent: 'saved',
};

/** The panel, job or shop that a write is about, by its name where it is known here. */
function nameOf(entry: Entry): string {
  if (entry.kind === 'panel') {
    const name = queryClient.getQueryData<PanelView>(panelQueryKey(entry.at))?.panel.name ?? entry.at.panel;
    return entry.zone === undefined ? name : `${name}, zone ${entry.zone}`;
  }
  if (entry.kind === 'clock') return entry.title;
  if (entry.kind === 'record')
    return queryClient.getQueryData<PanelView>(panelQueryKey(entry.at))?.panel.name ?? entry.at.panel;
  const { of, id } = entry.change;
  if (of === 'jobs') return queryClient.getQueryData<JobView>(jobQueryKey(id))?.job.title ?? `Job ${id}`;
  const shops = queryClient.getQueryData<ShopView[]>(shopsQueryKey);
  return shops?.find((shop) => shop.id === id)?.name ?? 'Shop';
}

function ChangeList({ onLeave }: { readonly onLeave: () => void }) {
  const entries = useOutbox((state) => state.entries);
  const pending = entries.filter(isPending);
  const saved = entries.filter((entry) => !isPending(entry)).slice(-MOST_SAVED);
  if (pending.length + saved.length === 0)
    return <p className="save-list-none">None yet. Each is sent as soon as it is made.</p>;
  return (
    <ul className="save-list">
      {[...pending, ...saved.toReversed()].map((entry) => (
        <li key={entry.key} className={`save-entry save-entry-${entry.state}`}>
          <b className="save-entry-state">{STATE_WORDS[entry.state]}</b>
          <span>
            <Link to={addressOf(entry)} onClick={onLeave}>
              {nameOf(entry)}
            </Link>
            : {whatOf(entry)}
            {entry.state === 'refused' && <Refused entry={entry} />}
            {entry.state === 'waiting' && entry.putOff && (
              <span className="save-entry-why">
                {entry.putOff.why}
                <Button onClick={() => sendAgain(entry.key)}>Send again</Button>
              </span>
            )}
          </span>
        </li>
      ))}
    </ul>
  );
}

function Refused({ entry }: { readonly entry: Entry }) {
  const isConflict = entry.kind === 'panel' && entry.theirs !== undefined;
  return (
    <span className="save-entry-why">
      {isConflict
        ? 'Somebody changed it in the meantime: open it and choose.'
        : (entry.lines ?? []).map((line) => <span key={line}>{line}</span>)}
      <Button onClick={() => giveUp(entry.key)}>Give this change up</Button>
    </span>
  );
}
