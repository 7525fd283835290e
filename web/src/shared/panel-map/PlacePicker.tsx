import { areaWords, patchesOf, readArea, regionsOf, type Panel, type Shop } from '@blue-ledge/core';
import { useMemo } from 'react';
import { useSize } from '../use-size.ts';
import { PanelMap } from './PanelMap.tsx';
import type { Frame, Point } from './panel-frame.ts';
import { useDrag } from './use-drag.ts';

export interface PickedPlace {
  readonly area: string;
  /** Where on a panel that is drawn, mm. */
  readonly atMm?: [number, number] | undefined;
}

interface PlacePickerProps {
  readonly panel: Panel;
  readonly shop: Shop;
  /** Areas that may be picked. */
  readonly areas: readonly string[];
  readonly place: PickedPlace;
  readonly onPick: (place: PickedPlace) => void;
}

/** The map of a panel, tapped where something is: its area, and on a drawn panel the very place. */
export function PlacePicker({ panel, shop, areas, place, onPick }: PlacePickerProps) {
  const [box, size] = useSize();
  const isDrawn = regionsOf(panel) !== null;
  const patches = useMemo(
    () => patchesOf(panel, shop.rules).filter(({ areaId }) => areas.includes(areaId)),
    [panel, shop, areas],
  );
  const pick = (area: string, atMm?: Point): void => {
    if (!areas.includes(area)) return;
    onPick({ area, ...(atMm ? { atMm: [Math.round(atMm[0]), Math.round(atMm[1])] } : {}) });
  };
  return (
    <div ref={box} className="place-picker" aria-label={`Where, now ${areaWords(place.area)}`} role="group">
      {size.width > 0 && (
        <PanelMap
          panel={panel}
          width={size.width}
          height={size.height}
          patches={patches}
          lit={[readArea(place.area).zone]}
          selected={place.area}
          onSelect={pick}
          {...(isDrawn ? { onTap: pick } : {})}
          over={(frame) =>
            place.atMm ? (
              <Cross at={place.atMm} frame={frame} onMove={(atMm) => pick(place.area, atMm)} />
            ) : null
          }
        />
      )}
    </div>
  );
}

const ARM_PX = 16;

/** The place that was tapped; moved with the arrow keys or dragged. */
function Cross({
  at,
  frame,
  onMove,
}: {
  readonly at: Point;
  readonly frame: Frame;
  readonly onMove: (at: Point) => void;
}) {
  const [x, y] = frame.toPx(at);
  const drag = useDrag(frame, {
    onMove: () => undefined,
    onEnd: ([dx, dy]) => onMove([at[0] + dx, at[1] + dy]),
  });
  return (
    <g
      className="place-cross"
      transform={`translate(${x} ${y})`}
      role="button"
      tabIndex={0}
      aria-label="The place, move with arrow keys"
      {...drag}
    >
      <circle r="22" fill="transparent" />
      <circle r="9" fill="none" stroke="var(--rust)" strokeWidth="3" />
      <path
        d={`M${-ARM_PX} 0H-5M5 0H${ARM_PX}M0 ${-ARM_PX}V-5M0 5V${ARM_PX}`}
        stroke="var(--rust)"
        strokeWidth="3"
      />
    </g>
  );
}
