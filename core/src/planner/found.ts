import type { LayerKind } from '../materials/layer-kinds.ts';
import { assumedUm, surveyState } from '../operations/survey-state.ts';
import type { Panel } from '../survey/panel.ts';
import type { ShopRules } from '../survey/shop-rules.ts';
import { withTestsTaken } from '../survey/test-guide.ts';
import type { Stack } from './plan.ts';
import { stackOf } from './steps.ts';

/**
 * Layers of every area as found, by its id: the ground of each zone and its patches. A thickness that nobody measured is
 * the default for its kind, and what tests showed is taken in.
 */
export const foundStacks = (panel: Panel, rules: ShopRules): Record<string, Stack> =>
  Object.fromEntries(
    surveyState(withTestsTaken(panel), rules).zones.map((state) => [state.zone.id, stackOf(state.stack)]),
  );

/** A layer whose thickness nobody measured, and what is taken for it, µm. */
export interface AssumedFilm {
  readonly zoneId: string;
  readonly kind: LayerKind;
  readonly um: number;
}

/** Layers of the zones that are taken to be as thick as they usually are. */
export const assumedFilms = ({ zones }: Pick<Panel, 'zones'>): AssumedFilm[] =>
  zones.flatMap(({ id: zoneId, layers }) =>
    layers.flatMap(({ kind, um }) =>
      um === undefined && assumedUm(kind) > 0 ? [{ zoneId, kind, um: assumedUm(kind) }] : [],
    ),
  );
