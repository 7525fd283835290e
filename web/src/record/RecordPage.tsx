import {
  dayText,
  DEFECTS,
  DEFECT_WORDS,
  ENTRY_KINDS,
  KIND_WORDS,
  type FoundEntry,
  type RecordFacets,
} from '@blue-ledge/core';
import { Button, Input, Pagination, Select } from 'antd';
import dayjs from 'dayjs';
import { Link } from 'react-router';
import { useEntries, useRecordFacets } from '../api/record-queries.ts';
import { DownloadOutlined } from '../shared/icons.tsx';
import { Pending } from '../shared/Problem.tsx';
import { download } from '../shared/save-as.ts';
import { useSearchPut } from '../shared/use-search-put.ts';
import { PageTitle } from '../shell/PageTitle.tsx';
import { EntryLine } from './EntryLine.tsx';
import { Integrity } from './Integrity.tsx';
import './record.css';

const A_PAGE = 50;
/** What the address may ask for, as the server takes it. */
const ASKED = ['text', 'job', 'panel', 'kind', 'defect', 'person', 'product', 'from', 'to'] as const;

/** Record: what was really done, by whom and under which conditions, on every panel; found by words and facts. */
export function RecordPage() {
  const [search, put] = useSearchPut();
  const page = Number(search.get('page') ?? 1) || 1;
  const asked = Object.fromEntries(
    ASKED.flatMap((name) => (search.get(name) ? [[name, search.get(name)!]] : [])),
  );
  const { data, error } = useEntries({
    ...asked,
    offset: String((page - 1) * A_PAGE),
    limit: String(A_PAGE),
  });
  const { data: facets } = useRecordFacets();
  const panelAsked = search.get('panel') ? JSON.stringify([search.get('job'), search.get('panel')]) : null;
  const set = (name: (typeof ASKED)[number], value: string | undefined): void =>
    put({ [name]: value || null, page: null });
  if (!data) return <Pending error={error} what="the record" />;
  const { entries, nEntries } = data;
  const isAll = Object.keys(asked).length === 0;
  const save = (kind: 'csv' | 'json'): void =>
    download(
      `/api/record/${kind === 'csv' ? 'table' : 'file'}?${new URLSearchParams(asked)}`,
      `record.${kind}`,
    );
  return (
    <main className="page">
      <PageTitle name="Record" />
      <div className="page-head">
        <h1>Record</h1>
        <span className="note">{nEntries === 1 ? '1 entry' : `${nEntries} entries`}</span>
        <div className="head-actions">
          <Button icon={<DownloadOutlined />} onClick={() => save('csv')}>
            Save as CSV
          </Button>
          <Button icon={<DownloadOutlined />} onClick={() => save('json')}>
            Save as JSON
          </Button>
        </div>
      </div>
      <Integrity />
      <div className="record-find">
        <Input.Search
          aria-label="Find in the record"
          placeholder="words: a product, a batch, a note"
          allowClear
          maxLength={120}
          value={search.get('text') ?? ''}
          onChange={({ target }) => set('text', target.value)}
        />
        <Filter
          label="Kind"
          all="all kinds"
          value={search.get('kind')}
          options={ENTRY_KINDS.map((kind) => ({ value: kind, label: KIND_WORDS[kind] }))}
          onChange={(kind) => set('kind', kind)}
        />
        <Filter
          label="Defect"
          all="any defect"
          value={search.get('defect')}
          options={DEFECTS.map((defect) => ({ value: defect, label: DEFECT_WORDS[defect].title }))}
          onChange={(defect) => set('defect', defect)}
        />
        <Filter
          label="Product"
          all="any product"
          value={search.get('product')}
          options={facets?.products.map(({ sheetId, name }) => ({ value: sheetId, label: name })) ?? []}
          onChange={(sheetId) => set('product', sheetId)}
        />
        <Filter
          label="Panel"
          all="any panel"
          value={panelAsked}
          options={facets?.panels.map(panelOption) ?? []}
          onChange={(value) => {
            const [job, panel] = value === undefined ? [null, null] : (JSON.parse(value) as [string, string]);
            put({ job, panel, page: null });
          }}
        />
        <Filter
          label="Person"
          all="anybody"
          value={search.get('person')}
          options={facets?.people.map((name) => ({ value: name, label: name })) ?? []}
          onChange={(name) => set('person', name)}
        />
        <label>
          from{' '}
          <input
            type="date"
            value={search.get('from') ?? ''}
            onChange={({ target }) => set('from', target.value)}
          />
        </label>
        <label>
          to{' '}
          <input
            type="date"
            value={search.get('to') ?? ''}
            onChange={({ target }) => set('to', target.value)}
          />
        </label>
      </div>
      {entries.length === 0 ? (
        <p className="empty">
          {isAll
            ? 'Nothing is written yet. What is done at the bench (a panel’s Run stage) is entered here by itself: who, when, what with, readings, checks and what went wrong.'
            : 'Nothing in the record fits that. Take a filter out, or try a shorter word.'}
        </p>
      ) : (
        daysOf(entries).map(([day, found]) => (
          <section key={day} className="record-day">
            <h2>{`${dayText(day)} ${day.slice(0, 4)}`}</h2>
            <ol>
              {found.map(({ entry, jobId, jobTitle, panelId, panelName, isWithdrawn }) => (
                <EntryLine
                  key={`${jobId}/${panelId}/${entry.id}`}
                  entry={entry}
                  isWithdrawn={isWithdrawn}
                  where={
                    <Link to={`/record/${encodeURIComponent(jobId)}/${encodeURIComponent(panelId)}`}>
                      {panelName}, {jobTitle}
                    </Link>
                  }
                />
              ))}
            </ol>
          </section>
        ))
      )}
      {nEntries > A_PAGE && (
        <Pagination
          current={page}
          pageSize={A_PAGE}
          total={nEntries}
          showSizeChanger={false}
          onChange={(to) => put({ page: String(to) })}
          className="jobs-pages"
        />
      )}
    </main>
  );
}

interface FilterProps {
  readonly label: string;
  /** Shown while nothing is picked. */
  readonly all: string;
  readonly value: string | null;
  readonly options: readonly { readonly value: string; readonly label: string }[];
  readonly onChange: (value: string | undefined) => void;
}

/** One thing to look for, found as one types; taken out again by its cross. */
const Filter = ({ label, all, value, options, onChange }: FilterProps) => (
  <Select
    aria-label={label}
    allowClear
    showSearch={{ optionFilterProp: 'label' }}
    placeholder={all}
    popupMatchSelectWidth={false}
    value={value ?? undefined}
    options={[...options]}
    onChange={onChange}
  />
);

/** A panel, called by its name and its job's. */
const panelOption = ({ jobId, panelId, name, jobTitle }: RecordFacets['panels'][number]) => ({
  value: JSON.stringify([jobId, panelId]),
  label: `${name}, ${jobTitle}`,
});

/** Entries by the day of the shop's clock, in their order. */
function daysOf(entries: readonly FoundEntry[]): [day: string, entries: FoundEntry[]][] {
  const days = new Map<string, FoundEntry[]>();
  for (const found of entries) {
    const day = dayjs(found.entry.at).format('YYYY-MM-DD');
    days.set(day, [...(days.get(day) ?? []), found]);
  }
  return [...days];
}
