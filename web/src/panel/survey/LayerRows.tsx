import {
  LAYER_KINDS,
  assumedUm,
  LAYER_KIND_NAMES,
  FINDABLE_KINDS,
  isSolid,
  type LayerKind,
  type SurveyLayer,
} from '@blue-ledge/core';
import {
  DndContext,
  KeyboardSensor,
  PointerSensor,
  closestCenter,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import {
  SortableContext,
  arrayMove,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { Select } from 'antd';
import { HolderOutlined, PlusOutlined } from '../../shared/icons.tsx';
import { NumberField } from '../../shared/NumberField.tsx';
import { RemoveButton } from '../../shared/RemoveButton.tsx';
import { Swatch } from '../../shared/materials/Swatch.tsx';

interface LayerRowsProps {
  /** From the substrate up. */
  readonly layers: readonly SurveyLayer[];
  readonly onChange: (layers: SurveyLayer[], field: string) => void;
}

const MOST_UM = 20_000;
/** What a layer starts with of which nothing usual is known, µm. */
const NEW_UM = 100;
const optionsFor = (kinds: readonly LayerKind[]) =>
  kinds.map((kind) => ({ value: kind, label: LAYER_KINDS[kind].label }));
/** What can lie on a substrate when a panel comes in: finish, body, and primers that somebody laid before. */
const ABOVE = LAYER_KIND_NAMES.filter(
  (kind) =>
    kind === 'plastic-primed' ||
    (!isSolid(kind) && LAYER_KINDS[kind].family !== 'topcoat' && kind !== 'promoter'),
);

/** The stack of a zone as found, top layer first as it lies on the panel; rows are dragged to put them in order. */
export function LayerRows({ layers, onChange }: LayerRowsProps) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const rows = layers.map((layer, i) => ({ layer, i })).reverse();
  const nameOf = (i: number): string => `layer ${i} of ${layers.length}`;
  const places = rows.map(({ i }) => nameOf(i));
  return (
    <section aria-labelledby="layers-head">
      <h3 id="layers-head">Layers, top to bottom</h3>
      <DndContext
        sensors={sensors}
        collisionDetection={closestCenter}
        onDragEnd={({ active, over }) => {
          const [from, to] = [places.indexOf(String(active.id)), places.indexOf(String(over?.id))];
          if (from === to || to < 0) return;
          onChange(arrayMove([...layers].reverse(), from, to).reverse(), 'order');
        }}
      >
        <SortableContext items={places} strategy={verticalListSortingStrategy}>
          <ol className="layer-rows">
            {rows.map(({ layer, i }) => (
              <LayerRow
                key={nameOf(i)}
                name={nameOf(i)}
                place={i}
                layer={layer}
                onChange={(next, field) =>
                  onChange(
                    layers.map((old, j) => (j === i ? next : old)),
                    `${field} ${i}`,
                  )
                }
                onRemove={() =>
                  onChange(
                    layers.filter((_, j) => j !== i),
                    'remove layer',
                  )
                }
              />
            ))}
          </ol>
        </SortableContext>
      </DndContext>
      <Select
        aria-label="Add a layer on top"
        placeholder="Add a layer on top"
        prefix={<PlusOutlined />}
        showSearch={{ optionFilterProp: 'label' }}
        value={null}
        options={optionsFor(ABOVE)}
        onChange={(kind: LayerKind | null) =>
          kind && onChange([...layers, { kind, um: assumedUm(kind) || NEW_UM }], 'add layer')
        }
        className="add-row"
      />
    </section>
  );
}

interface LayerRowProps {
  readonly name: string;
  /** From the substrate up; 0 is the substrate. */
  readonly place: number;
  readonly layer: SurveyLayer;
  readonly onChange: (layer: SurveyLayer, field: string) => void;
  readonly onRemove: () => void;
}

/** A layer of which only the kind is known. */
const unmeasured = ({ um: _um, ...layer }: SurveyLayer): SurveyLayer => layer;

/** Coats that nobody measures with a film gauge. */
const IN_MM: ReadonlySet<LayerKind> = new Set<LayerKind>(['texture', 'seam']);
const UM_PER_MM = 1000;

function LayerRow({ name, place, layer, onChange, onRemove }: LayerRowProps) {
  const { label } = LAYER_KINDS[layer.kind];
  const isThick = IN_MM.has(layer.kind);
  const perShown = isThick ? UM_PER_MM : 1;
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id: name });
  const choices = new Set([layer.kind, ...(place === 0 ? FINDABLE_KINDS : ABOVE)]);
  const style = transform ? { transform: `translateY(${transform.y}px)`, transition } : { transition };
  return (
    <li ref={setNodeRef} style={style}>
      <button
        type="button"
        className="layer-grip"
        {...attributes}
        {...listeners}
        aria-label={`Move ${label}: space takes it up, arrow keys move it`}
      >
        <Swatch kind={layer.kind} height={44} />
        <HolderOutlined />
      </button>
      <Select
        aria-label={`Layer ${place + 1}, material`}
        value={layer.kind}
        options={optionsFor([...choices])}
        onChange={(kind) => onChange({ ...layer, kind }, 'kind')}
      />
      {isSolid(layer.kind) && place === 0 ? (
        <span className="note">substrate</span>
      ) : (
        <NumberField
          label={`Thickness of ${label}`}
          isLabelHidden
          quantity={isThick ? 'Mm' : 'Um'}
          value={layer.um === undefined ? null : layer.um / perShown}
          assumed={layer.um === undefined ? assumedUm(layer.kind) / perShown : undefined}
          onClear={() => onChange(unmeasured(layer), 'thickness')}
          from={0}
          to={MOST_UM / perShown}
          onChange={(shown) =>
            onChange({ ...layer, um: Math.round(shown * perShown * 10) / 10 }, 'thickness')
          }
        />
      )}
      {place > 0 && <RemoveButton label={`Remove layer ${label}`} onRemove={onRemove} />}
    </li>
  );
}
