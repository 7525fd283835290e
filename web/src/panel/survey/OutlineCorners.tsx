import { withCorner, withFreeOutline, type Panel, type Polygon } from '@blue-ledge/core';
import { Button } from 'antd';
import { PlusOutlined } from '../../shared/icons.tsx';
import { RemoveButton } from '../../shared/RemoveButton.tsx';
import { NumberField } from '../../shared/NumberField.tsx';

interface OutlineCornersProps {
  readonly panel: Panel;
  readonly onChange: (panel: Panel) => void;
}

const LEAST_CORNERS = 3;
const MOST_MM = 100_000;
/** What the two figures of a corner are measured from. */
const SIDES = ['left', 'top'] as const;

/** A free outline as it is measured: each corner from the left and from the top. */
export function OutlineCorners({ panel, onChange }: OutlineCornersProps) {
  const outline = panel.outline!;
  const put = (next: Polygon): void => onChange(withFreeOutline(panel, next));
  const move = (nth: number, axis: 0 | 1, mm: number): void =>
    put(outline.map((corner, i) => (i === nth ? (corner.with(axis, mm) as [number, number]) : corner)));
  return (
    <section aria-labelledby="corners-head" className="part-rows corner-rows">
      <h3 id="corners-head">Measured corners</h3>
      <p className="note">From the left and from the top, around the panel in one direction.</p>
      <ol>
        {outline.map((corner, i) => (
          <li key={i}>
            <span className="step-n">{i + 1}</span>
            {SIDES.map((side, axis) => (
              <NumberField
                key={side}
                label={`Corner ${i + 1} from the ${side}`}
                isLabelHidden
                quantity="Mm"
                value={corner[axis]!}
                from={-MOST_MM}
                to={MOST_MM}
                whenLeft
                onChange={(mm) => move(i, axis as 0 | 1, mm)}
              />
            ))}
            <RemoveButton
              label={`Remove corner ${i + 1}`}
              disabled={outline.length <= LEAST_CORNERS}
              onRemove={() => put(outline.filter((_, j) => j !== i))}
            />
          </li>
        ))}
      </ol>
      <Button icon={<PlusOutlined />} onClick={() => put(withCorner(outline))}>
        Add a corner
      </Button>
    </section>
  );
}
