import { useId, useState, type KeyboardEvent, type ReactNode } from 'react';
import './tabs.css';

interface Tab {
  readonly name: string;
  /** How many things are behind it; left out where it holds none to count. */
  readonly count?: number;
  readonly content: ReactNode;
}

const WAYS: Readonly<Record<string, number>> = { ArrowLeft: -1, ArrowRight: 1 };

interface TabsProps {
  readonly label: string;
  readonly tabs: readonly Tab[];
  /** The one that is shown, where its place is kept outside: in the address. */
  readonly shown?: string | null;
  readonly onShow?: (name: string) => void;
}

/** One of several parts at a time, where there is no room for all; arrow keys go from tab to tab. */
export function Tabs({ label, tabs, shown, onShow }: TabsProps) {
  const [own, setOwn] = useState(0);
  const nth = onShow
    ? Math.max(
        0,
        tabs.findIndex(({ name }) => name === shown),
      )
    : own;
  const setNth = (next: number): void => (onShow ? onShow(tabs[next]!.name) : setOwn(next));
  const id = useId();
  const press = (event: KeyboardEvent<HTMLElement>): void => {
    const way = WAYS[event.key];
    if (way === undefined) return;
    event.preventDefault();
    const next = (nth + way + tabs.length) % tabs.length;
    setNth(next);
    event.currentTarget.querySelectorAll<HTMLElement>('[role=tab]')[next]?.focus();
  };
  return (
    <div className="tabs">
      <div role="tablist" aria-label={label} onKeyDown={press}>
        {tabs.map(({ name, count }, i) => (
          <button
            key={name}
            type="button"
            role="tab"
            id={`${id}-tab-${i}`}
            aria-selected={i === nth}
            aria-controls={`${id}-panel`}
            tabIndex={i === nth ? 0 : -1}
            onClick={() => setNth(i)}
          >
            {name}
            {count !== undefined && count > 0 && <b> {count}</b>}
          </button>
        ))}
      </div>
      <div role="tabpanel" id={`${id}-panel`} aria-labelledby={`${id}-tab-${nth}`}>
        {tabs[nth]!.content}
      </div>
    </div>
  );
}
