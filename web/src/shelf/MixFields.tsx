import type { ProductSheet } from '@blue-ledge/core';
import { Button, Input } from 'antd';
import { NumberInput } from '../shared/NumberInput.tsx';
import { RemoveButton } from '../shared/RemoveButton.tsx';
import { PlusOutlined } from '../shared/icons.tsx';

type Component = ProductSheet['components'][number];

interface MixFieldsProps {
  readonly components: readonly Component[];
  readonly onChange: (components: Component[]) => void;
}

const MOST = 6;
const NEW: Component = { name: 'thinner', parts: 1, gramsPerMl: 0.87, volumeSolids: 0 };

/** What is mixed, in parts by volume, with density and solids of each: scale readings and film come from them. */
export function MixFields({ components, onChange }: MixFieldsProps) {
  const put = (nth: number, changes: Partial<Component>): void =>
    onChange(components.map((one, i) => (i === nth ? { ...one, ...changes } : one)));
  return (
    <>
      <table className="sheet-table">
        <thead>
          <tr>
            <th scope="col">What</th>
            <th scope="col">Parts</th>
            <th scope="col">Density, g/ml</th>
            <th scope="col">Solids, % by volume</th>
            <th>
              <span className="visually-hidden">Remove</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {components.map((component, i) => (
            <tr key={i}>
              <td>
                <Input
                  aria-label={`Name of component ${i + 1}`}
                  value={component.name}
                  maxLength={60}
                  status={component.name.trim() === '' ? 'error' : ''}
                  onChange={({ target }) => put(i, { name: target.value })}
                />
              </td>
              <td>
                <NumberInput
                  name={`Parts of ${component.name}`}
                  value={component.parts}
                  from={0.01}
                  to={1000}
                  onChange={(parts) => put(i, { parts })}
                />
              </td>
              <td>
                <NumberInput
                  name={`Density of ${component.name}`}
                  value={component.gramsPerMl}
                  from={0.3}
                  to={25}
                  onChange={(gramsPerMl) => put(i, { gramsPerMl })}
                />
              </td>
              <td>
                <NumberInput
                  name={`Solids of ${component.name}`}
                  value={Math.round(component.volumeSolids * 1000) / 10}
                  from={0}
                  to={100}
                  onChange={(percent) => put(i, { volumeSolids: percent / 100 })}
                />
              </td>
              <td>
                {components.length > 1 && (
                  <RemoveButton
                    label={`Remove ${component.name}`}
                    onRemove={() => onChange(components.filter((_, nth) => nth !== i))}
                  />
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="note">
        Parts under “mixing ratio”; density and solids by volume under “physical data”. Solids by weight are
        higher and would give too much film.
      </p>
      {components.length < MOST && (
        <Button icon={<PlusOutlined />} onClick={() => onChange([...components, NEW])}>
          Another component
        </Button>
      )}
    </>
  );
}
