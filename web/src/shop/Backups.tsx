import type { BackupsView, KeptBackup } from '@blue-ledge/core';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { useBackUp, useBackups, useSecondFolder } from '../api/store-queries.ts';
import { DownloadOutlined, WarningOutlined } from '../shared/icons.tsx';
import { Problem } from '../shared/Problem.tsx';
import { count } from '../shared/count.ts';
import { datedText, momentText } from '../state/now.ts';

const MEGA = 1024 * 1024;
const sizeText = (bytes: number): string =>
  bytes < MEGA ? `${Math.ceil(bytes / 1024)} kB` : `${(bytes / MEGA).toFixed(1)} MB`;

/** Backups of everything that this server keeps: the last one, a way to the next, and where they lie. */
export function Backups() {
  const { data: view, error } = useBackups();
  const backUp = useBackUp();
  if (!view) return error ? <Problem error={error} /> : <p role="status">Fetching the backups…</p>;
  const [newest] = view.backups;
  const isBusy = backUp.isPending || view.isRunning;
  return (
    <div className="backups">
      <div className="backups-now">
        <p>
          {newest ? (
            <>
              The last backup was made <b>{momentText(newest.madeAt)}</b>: <BackupWords backup={newest} />.
              One is made every night and opened to check it; the last
              {view.mostKept} are kept.
            </>
          ) : (
            <b>There is no backup yet. One is made every night; make the first one now.</b>
          )}
        </p>
        <Button
          type={newest ? 'default' : 'primary'}
          icon={<DownloadOutlined />}
          loading={isBusy}
          onClick={() => backUp.mutate(undefined)}
        >
          {isBusy ? 'Backing up' : 'Back up now'}
        </Button>
      </div>
      {backUp.error ? (
        <Problem error={backUp.error} />
      ) : (
        view.problem && <Problem error={new Error(view.problem)} />
      )}
      <SecondFolder view={view} />
      {view.backups.length > 0 && (
        <details>
          <summary>{count(view.backups.length, 'backup', 'backups')} beside the data</summary>
          <p className="note">
            In <code>{view.folder}</code>. To put one back, stop the server and restore it into a new folder:{' '}
            <code>npm run -s ledge -- restore FILE --to FOLDER</code>, then start with that folder in
            LEDGE_DATA.
          </p>
          <ul className="backup-list">
            {view.backups.map((backup) => (
              <li key={backup.file}>
                <code>{backup.file}</code> <span className="note">{datedText(backup.madeAt)}</span>{' '}
                <BackupWords backup={backup} />
              </li>
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}

function BackupWords({
  backup: { bytes, entries, photos, nMissing = 0, problem },
}: {
  readonly backup: KeptBackup;
}) {
  if (problem !== undefined)
    return (
      <span className="field-problem">
        <WarningOutlined /> cannot be opened
      </span>
    );
  return (
    <span>
      {count(entries ?? 0, 'entry', 'entries')}, {count(photos ?? 0, 'photo', 'photos')}, {sizeText(bytes)}
      {nMissing > 0 && (
        <span className="field-problem">
          {' '}
          <WarningOutlined /> {count(nMissing, 'photo was', 'photos were')} gone or changed
        </span>
      )}
    </span>
  );
}

/** The folder or disk to which each backup is copied, and what it is worth. */
function SecondFolder({ view: { second, version } }: { readonly view: BackupsView }) {
  const set = useSecondFolder();
  const [typed, setTyped] = useState<string | null>(null);
  const shown = typed ?? second?.folder ?? '';
  const isChanged = typed !== null && typed.trim() !== (second?.folder ?? '');
  const put = (folder: string | null): void =>
    set.mutate({ folder, from: version }, { onSuccess: () => setTyped(null) });
  return (
    <div className="backups-second">
      <div className="field">
        <label htmlFor="second-folder">Second folder, best on another disk</label>
        <div className="backups-folder">
          <Input
            id="second-folder"
            value={shown}
            maxLength={1000}
            placeholder="/media/backup"
            onChange={({ target }) => setTyped(target.value)}
            onPressEnter={() => isChanged && put(shown.trim() || null)}
          />
          <Button disabled={!isChanged} loading={set.isPending} onClick={() => put(shown.trim() || null)}>
            {shown.trim() === '' && second ? 'Use none' : 'Use this folder'}
          </Button>
        </div>
      </div>
      {set.error && <Problem error={set.error} />}
      {second === null ? (
        <p className="backups-warning">
          <WarningOutlined /> No second folder is set: if this disk breaks, data and backups go together.
        </p>
      ) : second.isSameDisk ? (
        <p className="backups-warning">
          <WarningOutlined /> That folder is on the same disk as the data: if it breaks, all of it goes
          together.
        </p>
      ) : (
        <p className="note">
          {second.newest === null
            ? 'No backup is there yet: the next one is copied to it.'
            : `The newest one there is ${second.newest}.`}
        </p>
      )}
    </div>
  );
}
