import { surveyState } from '../operations/survey-state.ts';
import type { Panel } from '../survey/panel.ts';
import type { Stack } from './plan.ts';
import { stackOf } from './steps.ts';

/** Layers of every zone as found, by zone id; a thickness that nobody measured is the default for its kind. */
export const foundStacks = (panel: Panel): Record<string, Stack> =>
  Object.fromEntries(surveyState(panel).zones.map((state) => [state.zone.id, stackOf(state.stack)]));
