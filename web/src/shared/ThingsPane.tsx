import { Button } from 'antd';
import { useState } from 'react';
import { EditRows, type Column } from './EditRows.tsx';
import { PlusOutlined } from './icons.tsx';
import './things.css';

interface Thing {
  readonly id: string;
  readonly name: string;
}

interface ThingsPaneProps<T extends Thing> {
  readonly title: string;
  readonly about: string;
  readonly empty: string;
  /** One of them: "gun". */
  readonly called: string;
  readonly things: readonly T[];
  readonly columns: readonly Column<T>[];
  readonly make: (id: string, nth: number) => T;
  /** Keeps a thing; null takes it away. */
  readonly onPut: (id: string, thing: T | null) => void;
  /** What is wrong with a thing as a whole; such a one is not kept. */
  readonly problemOf?: (thing: T) => string | null;
  readonly noteOf?: (thing: T) => string;
}

/** Things of one kind in a table: changed in place, kept one by one; what was taken away can be put back. */
export function ThingsPane<T extends Thing>({
  title,
  about,
  empty,
  called,
  things,
  columns,
  make,
  onPut,
  problemOf = () => null,
  noteOf,
}: ThingsPaneProps<T>) {
  const [gone, setGone] = useState<T | null>(null);
  /** Things that cannot be kept as they are written, until they can. */
  const [unfit, setUnfit] = useState<Readonly<Record<string, T>>>({});
  const rows = things.map((thing) => unfit[thing.id] ?? thing);
  const put = (thing: T): void => {
    const { [thing.id]: _, ...others } = unfit;
    const isUnfit = problemOf(thing) !== null || thing.name.trim() === '';
    setUnfit(isUnfit ? { ...others, [thing.id]: thing } : others);
    if (!isUnfit) onPut(thing.id, thing);
  };
  const problems = Object.values(unfit).map(
    (thing) => problemOf(thing) ?? `A ${called} needs a name: it is kept once it has one.`,
  );
  const head = `${called}s-head`;
  return (
    <section className="pane things" aria-labelledby={head}>
      <h2 id={head}>{title}</h2>
      <p className="note">{about}</p>
      {rows.length === 0 ? (
        <p className="empty">{empty}</p>
      ) : (
        <EditRows
          columns={columns}
          rows={rows}
          nameOf={({ name }, nth) => name || `${called} ${nth + 1}`}
          onChange={(_, thing) => put(thing)}
          onRemove={(nth) => {
            setGone(rows[nth]!);
            onPut(rows[nth]!.id, null);
          }}
        />
      )}
      {noteOf && rows.length > 0 && (
        <p className="note">{rows.map((thing) => `${thing.name} ${noteOf(thing)}`).join('; ')}.</p>
      )}
      {problems.map((words) => (
        <p key={words} className="field-problem" role="alert">
          {words}
        </p>
      ))}
      <p className="things-acts">
        <Button icon={<PlusOutlined />} onClick={() => put(make(crypto.randomUUID(), things.length + 1))}>
          Another {called}
        </Button>
        {gone && !things.some(({ id }) => id === gone.id) && (
          <Button
            onClick={() => {
              onPut(gone.id, gone);
              setGone(null);
            }}
          >
            Put {gone.name} back
          </Button>
        )}
      </p>
    </section>
  );
}
