import { decideAct } from '../rules/check-act.ts';
import { newSearchMemory } from '../rules/search-memory.ts';
import { changed } from '../operations/changed-area.ts';
import type { PanelState } from '../operations/state.ts';
import { surveyState } from '../operations/survey-state.ts';
import type { TimeWindow } from '../operations/time-window.ts';
import { shopSchema, targetSchema } from '../survey/shop.ts';
import { panelOf, type ZoneSketch } from '../testing/bench.ts';
import { crossings } from '../testing/matrix.ts';
import { benchOfTask } from './bench-of-task.ts';
import { searchSystems } from './search-systems.ts';

/** What rules said before and is remembered is what they would say now: in every state that a search comes through. */

const moved = (window: TimeWindow, byMin: number): TimeWindow => ({
  ...window,
  opensAtMin: window.opensAtMin + byMin,
  closesAtMin: window.closesAtMin + byMin,
});

/** The same panel, with all its coats laid so many minutes later. */
const laidLater = (panel: PanelState, byMin: number): PanelState => ({
  ...panel,
  zones: panel.zones.map((zone) =>
    changed(zone, {
      stack: zone.stack.map((layer) => {
        if (!layer.laid) return layer;
        const { flash, recoat, cure } = layer.laid;
        const later = cure && { ...cure, ...moved(cure, byMin) };
        return {
          ...layer,
          laid: { ...layer.laid, flash: moved(flash, byMin), recoat: moved(recoat, byMin), cure: later },
        };
      }),
    }),
  ),
});

/** Acts of the systems of a panel where the answer that is remembered differs from a new one. */
function misremembered(zones: readonly ZoneSketch[]): string[] {
  const { context, stopped } = benchOfTask({
    panel: panelOf(zones),
    shop: shopSchema.parse({ celsius: 20, nightCelsius: 14 }),
    target: targetSchema.parse({}),
  });
  if (stopped.length > 0) return [];
  const { ready } = searchSystems(surveyState(context.panel, context.shop.rules), context);
  const memory = newSearchMemory(false);
  const steps = ready.flatMap((way) => way.steps);
  // Each act is asked about before every step, as a search does while it prepares it, and at other times: all but how
  // clean it is and when its coats dried may be alike.
  const asked = steps.flatMap(({ act }, i) =>
    steps
      .slice(Math.max(0, i - 6), i + 1)
      .flatMap(({ before }) =>
        [before, laidLater(before, -600), laidLater(before, 600)].map((panel) => ({ act, before: panel })),
      ),
  );
  return asked.flatMap(({ act, before }) => {
    const isSame =
      JSON.stringify(decideAct(act, before, context, memory)) ===
      JSON.stringify(decideAct(act, before, context));
    return isSame ? [] : [`${act.op} on ${act.zones.join(' ')}`];
  });
}

const MIXED: ZoneSketch[] = [
  { stack: 'steel/ecoat:20/old-finish:95', findings: [{ kind: 'low', depthMm: 1 }, { kind: 'chips' }] },
  { stack: 'steel/filler:900', findings: [{ kind: 'pinholes' }] },
  { stack: 'plastic-olefin', findings: [{ kind: 'overspray' }] },
  { stack: 'fiberglass', findings: [{ kind: 'release-agent' }] },
];

test('on a panel of many grounds', () => {
  expect(misremembered(MIXED)).toEqual([]);
});

/** A fixed part of them: each search is asked about many times over. */
const ONE_OF = 300;

test('on crossings of the matrix', () => {
  const some = crossings().filter((_, i) => i % ONE_OF === 0);
  expect(some.flatMap(misremembered)).toEqual([]);
});
