import { withSurveyOf, type Panel } from '@blue-ledge/core';
import { useState } from 'react';
import { useJob, usePanel } from '../../api/queries.ts';
import { Dialog } from '../../shared/dialog/Dialog.tsx';
import { Problem } from '../../shared/Problem.tsx';
import type { PanelKey } from '../../outbox/entry.ts';

interface CopySurveyProps {
  readonly panelKey: PanelKey;
  readonly panel: Panel;
  readonly onCopy: (panel: Panel) => void;
  readonly onClose: () => void;
}

/** Lays the zones of another panel of the job on this one, with their shares of its area. */
export function CopySurvey({ panelKey, panel, onCopy, onClose }: CopySurveyProps) {
  const { data: job } = useJob(panelKey.job);
  const [from, setFrom] = useState<string | null>(null);
  const others = (job?.panels ?? []).filter(({ id }) => id !== panelKey.panel);
  return (
    <Dialog title="Copy the survey of another panel" onClose={onClose}>
      <p className="note">
        Its zones, layers and findings take the place of those here; their areas are scaled to this panel. It
        can be undone.
      </p>
      {others.length === 0 && <p>This job has no other panel.</p>}
      <ul className="copy-list">
        {others.map(({ id, name, tops }) => (
          <li key={id}>
            <button type="button" onClick={() => setFrom(id)}>
              <b>{name}</b>{' '}
              <span className="note">{tops.length === 1 ? '1 zone' : `${tops.length} zones`}</span>
            </button>
          </li>
        ))}
      </ul>
      {from && (
        <Take
          panelKey={{ ...panelKey, panel: from }}
          onTake={(other) => onCopy(withSurveyOf(panel, other))}
        />
      )}
    </Dialog>
  );
}

function Take({
  panelKey,
  onTake,
}: {
  readonly panelKey: PanelKey;
  readonly onTake: (panel: Panel) => void;
}) {
  const { data, error } = usePanel(panelKey);
  if (error) return <Problem error={error} />;
  return (
    <button type="button" className="copy-take" disabled={!data} onClick={() => data && onTake(data.panel)}>
      {data ? `Copy ${data.panel.name}` : 'Fetching it…'}
    </button>
  );
}
