import type { ProductSheet } from '@blue-ledge/core';
import { Button } from 'antd';
import { EditRows, type Column } from '../shared/EditRows.tsx';
import { PlusOutlined } from '../shared/icons.tsx';

type Component = ProductSheet['components'][number];
type Choice = NonNullable<Component['choices']>[number];

interface MixFieldsProps {
  readonly components: readonly Component[];
  readonly onChange: (components: Component[]) => void;
}

const MOST = 6;
const MOST_CHOICES = 5;
const NEW: Component = { name: 'thinner', parts: 1, gramsPerMl: 0.87, volumeSolids: 0 };

const COLUMNS: readonly Column<Component>[] = [
  { kind: 'text', head: 'What', name: 'Name', of: 'name', most: 60 },
  { kind: 'number', head: 'Parts', of: 'parts', from: 0.01, to: 1000 },
  {
    kind: 'number',
    head: 'g/ml',
    name: 'Density',
    of: 'gramsPerMl',
    from: 0.3,
    to: 25,
    whenEmpty: 'not said',
  },
  {
    kind: 'number',
    head: 'Solids, vol. %',
    name: 'Solids',
    of: 'volumeSolids',
    from: 0,
    to: 1,
    times: 100,
  },
  {
    kind: 'number',
    head: 'Solvent (VOC)',
    name: 'Solvent',
    of: 'vocGPerL',
    quantity: 'GPerL',
    from: 0,
    to: 2000,
    whenEmpty: 'model',
  },
];

const CHOICE_COLUMNS: readonly Column<Choice>[] = [
  { kind: 'text', head: 'In its place', name: 'Name', of: 'name', most: 60 },
  { kind: 'number', head: 'From', of: 'fromCelsius', quantity: 'Celsius', from: -30, to: 60 },
  { kind: 'number', head: 'Under', of: 'toCelsius', quantity: 'Celsius', from: -30, to: 60 },
];

/** What is mixed, in parts by volume, with density and solids of each: scale readings and film come from them. */
export function MixFields({ components, onChange }: MixFieldsProps) {
  const put = (nth: number, component: Component): void =>
    onChange(components.map((each, i) => (i === nth ? component : each)));
  return (
    <>
      <EditRows
        columns={COLUMNS}
        rows={components}
        nameOf={({ name }, nth) => name || `component ${nth + 1}`}
        onChange={put}
        onRemove={
          components.length > 1 ? (nth) => onChange(components.filter((_, i) => i !== nth)) : undefined
        }
      />
      <p className="note">
        Parts under “mixing ratio”; density, solids by volume and VOC under “physical data”. Solids by weight
        are higher and would give too much film. Without a density it is poured by volume.
      </p>
      {components.length < MOST && (
        <Button icon={<PlusOutlined />} onClick={() => onChange([...components, NEW])}>
          Another component
        </Button>
      )}
      <details className="mix-choices" open={components.some(({ choices }) => choices)}>
        <summary>Hardener or thinner by temperature</summary>
        {components.map((component, nth) => (
          <Choices key={nth} component={component} onChange={(next) => put(nth, next)} />
        ))}
      </details>
    </>
  );
}

interface ChoicesProps {
  readonly component: Component;
  readonly onChange: (component: Component) => void;
}

/** Slow and fast ones of a component, each for its temperatures. */
function Choices({ component, onChange }: ChoicesProps) {
  const { choices = [], ...rest } = component;
  const put = (next: readonly Choice[]): void =>
    onChange(next.length === 0 ? rest : { ...component, choices: [...next] });
  const last = choices.at(-1);
  return (
    <div className="mix-choice">
      <span>
        {component.name}{' '}
        {choices.length < MOST_CHOICES && (
          <Button
            size="small"
            onClick={() => {
              const fromCelsius = last?.toCelsius ?? 25;
              put([
                ...choices,
                { name: `slow ${component.name}`, fromCelsius, toCelsius: Math.min(60, fromCelsius + 15) },
              ]);
            }}
          >
            Add one for other temperatures
          </Button>
        )}
      </span>
      {choices.length > 0 && (
        <EditRows
          columns={CHOICE_COLUMNS}
          rows={choices}
          nameOf={({ name }) => name}
          onChange={(nth, choice) => put(choices.map((each, i) => (i === nth ? choice : each)))}
          onRemove={(nth) => put(choices.filter((_, i) => i !== nth))}
        />
      )}
    </div>
  );
}
