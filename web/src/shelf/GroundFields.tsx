import {
  GRADES,
  LAYER_KIND_NAMES,
  isTopcoat,
  labelOf,
  type Grade,
  type LayerKind,
  type ProductSheet,
} from '@blue-ledge/core';
import { Checkbox, Select } from 'antd';

type Sheet = Pick<ProductSheet, 'over' | 'overUnsanded'>;

interface GroundFieldsProps {
  readonly sheet: Sheet;
  readonly onChange: (sheet: Sheet) => void;
}

const GROUNDS = LAYER_KIND_NAMES.filter((kind) => !isTopcoat(kind));
const OPTIONS = GRADES.map((grade) => ({ value: grade, label: grade }));
const USUAL = { coarsest: 'P180', finest: 'P320' } as const;

/** What it may lie on, and the scratch that it wants there; what is not ticked is not allowed under it. */
export function GroundFields({ sheet: { over, overUnsanded }, onChange }: GroundFieldsProps) {
  const tick = (kind: LayerKind, isOn: boolean): void => {
    const { [kind]: _, ...others } = over;
    onChange({
      over: isOn ? { ...over, [kind]: USUAL } : others,
      overUnsanded: isOn ? overUnsanded : overUnsanded.filter((other) => other !== kind),
    });
  };
  const grade = (kind: LayerKind, end: 'coarsest' | 'finest', value: Grade): void =>
    onChange({ over: { ...over, [kind]: { ...over[kind]!, [end]: value } }, overUnsanded });
  return (
    <>
      <table className="sheet-table sheet-grounds">
        <thead>
          <tr>
            <th scope="col">May lie on</th>
            <th scope="col">Coarsest scratch</th>
            <th scope="col">Finest scratch</th>
            <th scope="col">Also unsanded</th>
          </tr>
        </thead>
        <tbody>
          {GROUNDS.map((kind) => {
            const range = over[kind];
            const label = labelOf(kind);
            return (
              <tr key={kind} className={range ? '' : 'is-off'}>
                <th scope="row">
                  <Checkbox
                    checked={range !== undefined}
                    onChange={({ target }) => tick(kind, target.checked)}
                  >
                    {label}
                  </Checkbox>
                </th>
                <td>
                  {range && (
                    <Select
                      aria-label={`Coarsest scratch on ${label}`}
                      value={range.coarsest}
                      options={OPTIONS}
                      onChange={(value) => grade(kind, 'coarsest', value)}
                    />
                  )}
                </td>
                <td>
                  {range && (
                    <Select
                      aria-label={`Finest scratch on ${label}`}
                      value={range.finest}
                      options={OPTIONS}
                      onChange={(value) => grade(kind, 'finest', value)}
                    />
                  )}
                </td>
                <td>
                  {range && (
                    <Checkbox
                      aria-label={`${label}, unsanded`}
                      checked={overUnsanded.includes(kind)}
                      onChange={({ target }) =>
                        onChange({
                          over,
                          overUnsanded: target.checked
                            ? [...overUnsanded, kind]
                            : overUnsanded.filter((other) => other !== kind),
                        })
                      }
                    />
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="note">
        Under “substrates” and “surface preparation”. The smaller the number, the coarser.
      </p>
    </>
  );
}
