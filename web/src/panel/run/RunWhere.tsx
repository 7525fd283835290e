import {
  boundsOf,
  isCoatOp,
  patchesOf,
  placeWords,
  regionsOf,
  type Panel,
  type Shop,
  type Step,
} from '@blue-ledge/core';
import { useMemo } from 'react';
import type { PlanOnScreen } from '../../api/opened-plan.ts';
import { FoundMarks, type FoundThing } from '../../shared/panel-map/FoundMarks.tsx';
import { PanelMap } from '../../shared/panel-map/PanelMap.tsx';
import { useSize } from '../../shared/use-size.ts';
import { WayOver } from './WayOver.tsx';

interface RunWhereProps {
  readonly step: Step;
  readonly all: readonly string[];
  readonly panel: Panel;
  readonly shop: Shop;
  readonly plan: PlanOnScreen;
  readonly found: readonly FoundThing[];
}

const WAYS = { block: 'cross', 'guide-coat': 'level', abrade: 'cross' } as const;

/** The box around some zones as they lie on the panel; null where nobody drew it. */
function boundsOfZones(zones: readonly string[], panel: Panel): ReturnType<typeof boundsOf> | null {
  const points = (regionsOf(panel) ?? [])
    .filter(({ zoneId }) => zones.includes(zoneId))
    .flatMap(({ polygons }) => polygons.flat(2));
  return points.length > 0 ? boundsOf(points) : null;
}

/** Where the step is done: its zones and patches lit on the map, and the way over them drawn. */
export function RunWhere({ step, all, panel, shop, plan, found }: RunWhereProps) {
  const [box, size] = useSize();
  const patches = useMemo(
    () => patchesOf(panel, shop.rules).filter(({ areaId }) => plan.opened.view.found[areaId]),
    [panel, shop, plan],
  );
  const way = isCoatOp(step.op) ? 'level' : WAYS[step.op as keyof typeof WAYS];
  const lit = new Set(step.areas);
  const bounds = useMemo(() => boundsOfZones(step.zones, panel), [step, panel]);
  return (
    <section className="pane run-where" aria-labelledby="run-where-head">
      <h3 id="run-where-head">On {placeWords(step.areas, all)}</h3>
      <div ref={box} className="run-map">
        {size.width > 0 && (
          <PanelMap
            panel={panel}
            width={size.width}
            height={size.height}
            patches={patches.filter(({ areaId }) => lit.has(areaId))}
            lit={step.zones}
            drawn={(frame) => (way && bounds ? <WayOver way={way} bounds={bounds} frame={frame} /> : null)}
            over={(frame) => <FoundMarks found={found} panel={panel} frame={frame} />}
          />
        )}
      </div>
      {way && (
        <p className="note">
          {way === 'cross'
            ? 'Cross your strokes: one way, then the other.'
            : 'Passes level and parallel, past the edge at both ends.'}
        </p>
      )}
    </section>
  );
}
