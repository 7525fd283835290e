import { SPRAYING_FACTS } from './facts/spraying.ts';
import { AIR_FACTS } from './facts/air.ts';
import { CLEANING_FACTS } from './facts/cleaning.ts';
import { TIME_FACTS } from './facts/times.ts';
import { SANDING_FACTS } from './facts/sanding.ts';
import { LAYER_FACTS } from './facts/layers.ts';

/** All facts that speak for or against a cause, by what is looked at. */
export const FACTS = {
  ...SPRAYING_FACTS,
  ...AIR_FACTS,
  ...CLEANING_FACTS,
  ...TIME_FACTS,
  ...SANDING_FACTS,
  ...LAYER_FACTS,
};

export type FactName = keyof typeof FACTS;
export type { Known } from './facts/fact.ts';
