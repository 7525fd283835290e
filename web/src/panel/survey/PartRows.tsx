import type { Panel } from '@blue-ledge/core';
import { PlusOutlined } from '../../shared/icons.tsx';
import { RemoveButton } from '../../shared/RemoveButton.tsx';
import { Button, Input, Select } from 'antd';

const PLANS = [
  ['remove', 'comes off'],
  ['glued', 'glued, off'],
  ['mask', 'is masked'],
  ['leave', 'is left'],
] as const;

interface PartRowsProps {
  readonly panel: Panel;
  readonly onChange: (panel: Panel) => void;
}

/** Parts on the panel: which come off and into which bag, which are masked, which are left. */
export function PartRows({ panel, onChange }: PartRowsProps) {
  const { parts } = panel;
  const put = (next: Panel['parts']): void => onChange({ ...panel, parts: next });
  const change = (i: number, part: Partial<Panel['parts'][number]>): void =>
    put(parts.map((old, j) => (j === i ? { ...old, ...part } : old)));
  return (
    <section aria-labelledby="parts-head" className="part-rows">
      <h3 id="parts-head">What sits on it</h3>
      <p className="note">
        A well masked part beats a broken clip; a handle left on is where clear later peels.
      </p>
      <ul>
        {parts.map((part, i) => (
          <li key={`${part.name} ${i}`}>
            <Input
              aria-label={`Part ${i + 1}`}
              defaultValue={part.name}
              maxLength={60}
              onBlur={({ target }) => target.value.trim() && change(i, { name: target.value.trim() })}
            />
            <Select
              aria-label={`What happens to ${part.name}`}
              value={part.glued && part.plan === 'remove' ? 'glued' : part.plan}
              options={PLANS.map(([value, label]) => ({ value, label }))}
              onChange={(way: (typeof PLANS)[number][0]) =>
                change(i, way === 'glued' ? { plan: 'remove', glued: true } : { plan: way, glued: undefined })
              }
            />
            <Input
              aria-label={`Bag for the fasteners of ${part.name}`}
              placeholder="bag"
              disabled={part.plan !== 'remove'}
              defaultValue={part.bag ?? ''}
              maxLength={30}
              onBlur={({ target }) => change(i, { bag: target.value.trim() || undefined })}
            />
            <RemoveButton
              label={`Remove ${part.name}`}
              onRemove={() => put(parts.filter((_, j) => j !== i))}
            />
          </li>
        ))}
      </ul>
      <Button
        icon={<PlusOutlined />}
        onClick={() =>
          put([...parts, { name: `part ${parts.length + 1}`, plan: 'remove', bag: String(parts.length + 1) }])
        }
      >
        Add a part
      </Button>
    </section>
  );
}
