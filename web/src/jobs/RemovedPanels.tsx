import { Button } from 'antd';
import { usePutPanelBack } from '../api/queries.ts';
import { useRemovedPanels } from '../api/store-queries.ts';
import { Problem } from '../shared/Problem.tsx';
import { UndoOutlined } from '../shared/icons.tsx';
import { removalWords } from './removal-words.ts';

/** Panels that were removed from a job, with the way back; nothing where none was. */
export function RemovedPanels({ job }: { readonly job: string }) {
  const { data: removed = [] } = useRemovedPanels(job);
  const putBack = usePutPanelBack(job);
  if (removed.length === 0) return null;
  return (
    <section className="removed-panels" aria-labelledby="removed-panels-head">
      <h2 id="removed-panels-head">Removed panels</h2>
      {putBack.error && <Problem error={putBack.error} />}
      <ul>
        {removed.map(({ id, name, removal }) => (
          <li key={id}>
            <span>
              <b>{name}</b> <span className="note">{removalWords(removal, '')}</span>
            </span>
            <Button
              icon={<UndoOutlined />}
              aria-label={`Put ${name} back`}
              loading={putBack.isPending && putBack.variables === id}
              onClick={() => putBack.mutate(id)}
            >
              Put it back
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
