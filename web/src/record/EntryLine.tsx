import { KIND_WORDS, entryWords, type Holding, type NewEntry } from '@blue-ledge/core';
import dayjs from 'dayjs';
import type { ReactNode } from 'react';
import { DefectDrawing } from '../shared/defects/DefectDrawing.tsx';
import { PhotoThumb } from '../shared/PhotoThumb.tsx';
import { useFormat } from '../state/units.ts';

interface EntryLineProps {
  readonly entry: NewEntry | Holding;
  readonly isWithdrawn?: boolean;
  /** Where it belongs, in lists of several panels. */
  readonly where?: ReactNode;
  /** What can be done with it. */
  readonly acts?: ReactNode;
  readonly note?: ReactNode;
}

/** One entry: when, who, what, and where. */
export function EntryLine({ entry, isWithdrawn = false, where, acts, note }: EntryLineProps) {
  const { system } = useFormat();
  const { title, more } = entryWords(entry, { system, nameOf: (id) => id });
  const isCorrected = 'correctedBy' in entry;
  const isFailed = entry.kind === 'check' && entry.body.outcome === 'fails';
  return (
    <li
      id={`entry-${entry.id}`}
      tabIndex={-1}
      className={`entry is-${isFailed ? 'failed' : entry.kind}${isWithdrawn ? ' is-withdrawn' : ''}`}
    >
      <time dateTime={entry.at}>{dayjs(entry.at).format('HH:mm')}</time>
      <span className="entry-kind">{KIND_WORDS[entry.kind]}</span>
      <div className="entry-what">
        <b>{title}</b>
        {more && <span> {more}</span>}
        {isWithdrawn && <em> taken back</em>}
        {isCorrected && !isWithdrawn && <em> corrected</em>}
        {entry.kind === 'photo' && entry.body.photoId && (
          <PhotoThumb photoId={entry.body.photoId} words={title} />
        )}
        {entry.kind === 'defect' && <DefectDrawing defect={entry.body.defect} />}
        {note}
      </div>
      <span className="entry-who">{entry.by}</span>
      {where && <span className="entry-where">{where}</span>}
      {acts}
    </li>
  );
}
