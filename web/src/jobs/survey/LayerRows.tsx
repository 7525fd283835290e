import { CloseOutlined, PlusOutlined } from '@ant-design/icons';
import { LAYER_KINDS, SUBSTRATE_KINDS, isSolid, type LayerKind, type SurveyLayer } from '@blue-ledge/core';
import { Button, Select } from 'antd';
import { NumberField } from '../../shared/NumberField.tsx';
import { Swatch } from '../../shared/materials/Swatch.tsx';

interface LayerRowsProps {
  /** From the substrate up. */
  readonly layers: readonly SurveyLayer[];
  readonly onChange: (layers: SurveyLayer[], field: string) => void;
}

const MOST_UM = 20_000;
/** Thickness that a new layer starts with, µm. */
const NEW_UM: Partial<Record<LayerKind, number>> = { ecoat: 20, 'old-finish': 100, filler: 800, glaze: 150 };

const optionsFor = (kinds: readonly LayerKind[]) =>
  kinds.map((kind) => ({ value: kind, label: LAYER_KINDS[kind].label }));
const ABOVE = SUBSTRATE_KINDS.filter((kind) => !isSolid(kind));

/** The stack of a zone as found, top layer first as it lies on the panel. */
export function LayerRows({ layers, onChange }: LayerRowsProps) {
  const replace = (i: number, layer: SurveyLayer, field: string): void =>
    onChange(
      layers.map((old, j) => (j === i ? layer : old)),
      `${field} ${i}`,
    );
  const rows = layers.map((layer, i) => ({ layer, i })).reverse();
  return (
    <section aria-labelledby="layers-head">
      <h3 id="layers-head">Layers, top to bottom</h3>
      <ol className="layer-rows">
        {rows.map(({ layer, i }) => {
          const choices = new Set([layer.kind, ...(i === 0 ? SUBSTRATE_KINDS : ABOVE)]);
          return (
            <li key={`${i} of ${layers.length}`}>
              <Swatch kind={layer.kind} height={44} />
              <Select
                aria-label={`Layer ${i + 1}, material`}
                value={layer.kind}
                options={optionsFor([...choices])}
                onChange={(kind) => replace(i, { ...layer, kind }, 'kind')}
              />
              {isSolid(layer.kind) ? (
                <span className="note">substrate</span>
              ) : (
                <NumberField
                  label={`Thickness of ${LAYER_KINDS[layer.kind].label}`}
                  isLabelHidden
                  quantity="Um"
                  value={layer.um ?? null}
                  from={0}
                  to={MOST_UM}
                  onChange={(um) => replace(i, { ...layer, um }, 'thickness')}
                />
              )}
              {i > 0 && (
                <Button
                  type="text"
                  icon={<CloseOutlined />}
                  aria-label={`Remove layer ${LAYER_KINDS[layer.kind].label}`}
                  onClick={() =>
                    onChange(
                      layers.filter((_, j) => j !== i),
                      'remove layer',
                    )
                  }
                />
              )}
            </li>
          );
        })}
      </ol>
      <Select
        aria-label="Add a layer on top"
        placeholder="Add a layer on top"
        prefix={<PlusOutlined />}
        value={null}
        options={optionsFor(ABOVE)}
        onChange={(kind: LayerKind | null) =>
          kind && onChange([...layers, { kind, um: NEW_UM[kind] ?? 100 }], 'add layer')
        }
        className="add-row"
      />
    </section>
  );
}
