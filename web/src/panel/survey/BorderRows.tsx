import { MOST_BORDERS, type Panel, type PanelBorder } from '@blue-ledge/core';
import { AutoComplete, Button, Select } from 'antd';
import { PlusOutlined } from '../../shared/icons.tsx';
import { useJob } from '../../api/queries.ts';
import { RemoveButton } from '../../shared/RemoveButton.tsx';
import { usePanelContext } from '../panel-context.ts';

const WORDS: Record<PanelBorder['plan'], string> = {
  blend: 'colour fades out on it',
  refinish: 'is painted too',
  keep: 'stays as it is',
};
const OPTIONS = Object.entries(WORDS).map(([value, label]) => ({ value, label }));

interface BorderRowsProps {
  readonly panel: Panel;
  readonly onChange: (panel: Panel) => void;
}

/** What lies beside the panel on the vehicle: the plan covers it, and sands what is blended before primer makes dust. */
export function BorderRows({ panel, onChange }: BorderRowsProps) {
  const { key } = usePanelContext();
  const others = (useJob(key.job).data?.panels ?? []).filter(({ id }) => id !== panel.id);
  const borders = panel.borders ?? [];
  const put = (next: PanelBorder[]): void => onChange({ ...panel, borders: next });
  const change = (i: number, border: Partial<PanelBorder>): void =>
    put(borders.map((old, j) => (j === i ? { ...old, ...border } : old)));
  return (
    <section aria-labelledby="borders-head" className="part-rows border-rows">
      <h3 id="borders-head">What borders it</h3>
      <p className="note">
        {panel.offVehicle
          ? 'Nothing borders it while it is off the vehicle.'
          : 'A blended neighbour is sanded and covered before the primer of this panel makes dust.'}
      </p>
      <ul>
        {borders.map((border, i) => (
          <li key={`${border.name} ${i}`}>
            <AutoComplete
              aria-label={`Neighbour ${i + 1}`}
              defaultValue={border.name}
              options={others.map(({ name }) => ({ value: name }))}
              onBlur={({ target }) => {
                const name = (target as HTMLInputElement).value.trim().slice(0, 60);
                if (name && name !== border.name) change(i, { name });
              }}
              onSelect={(name: string) => change(i, { name })}
            />
            <Select
              aria-label={`What becomes of ${border.name}`}
              value={border.plan}
              options={OPTIONS}
              onChange={(plan) => change(i, { plan })}
            />
            <RemoveButton
              label={`Remove neighbour ${border.name}`}
              onRemove={() => put(borders.filter((_, j) => j !== i))}
            />
          </li>
        ))}
      </ul>
      <Button
        icon={<PlusOutlined />}
        disabled={panel.offVehicle || borders.length >= MOST_BORDERS}
        onClick={() => put([...borders, { name: `panel ${borders.length + 1}`, plan: 'keep' }])}
      >
        Add a neighbour
      </Button>
    </section>
  );
}
