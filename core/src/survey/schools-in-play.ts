import { familyOf, isBody, isRawPlastic } from '../materials/layer-kinds.ts';
import { findingOf } from './finding.ts';
import type { Panel } from './panel.ts';
import { SCHOOLS, type SchoolName } from './schools.ts';
import type { Zone } from './zone.ts';
import { baseOf, topKindOf } from './zone-facts.ts';

/** Which schools can shape the plan of a panel: the others would change nothing on it. */

const isBareMetal = (zone: Zone): boolean => familyOf(topKindOf(zone)) === 'metal';
const mayBeStripped = (zone: Zone): boolean =>
  zone.findings.some(({ kind }) => kind === 'peeling' || kind === 'checked' || kind === 'reacted') ||
  topKindOf(zone) === 'old-finish-soluble' ||
  zone.layers.some(({ um }) => (um ?? 0) > 300);
const hasBody = (zone: Zone): boolean =>
  zone.layers.some(({ kind }) => isBody(kind)) || findingOf(zone.findings, 'low') !== undefined;
const isRaw = (zone: Zone): boolean => isRawPlastic(topKindOf(zone));
const isWorkedOn = (zone: Zone): boolean => isBareMetal(zone) || hasBody(zone) || mayBeStripped(zone);

const IN_PLAY: Record<SchoolName, (zone: Zone) => boolean> = {
  firstCoat: isWorkedOn,
  filler: hasBody,
  ecoat: (zone) => topKindOf(zone) === 'ecoat',
  sealerCoats: () => true,
  epoxySealer: (zone) => isWorkedOn(zone) || zone.layers.some(({ kind }) => kind === 'epoxy'),
  build: isWorkedOn,
  fillerFinish: hasBody,
  rawPlasticSolvent: isRaw,
  plasticSystem: (zone) => isRaw(zone) || isRawPlastic(baseOf(zone)),
  strip: mayBeStripped,
  pace: () => true,
  finalSand: () => true,
  guideCoat: isWorkedOn,
  firstTone: isWorkedOn,
};

export const schoolsInPlay = ({ zones }: Pick<Panel, 'zones'>): SchoolName[] =>
  (Object.keys(SCHOOLS) as SchoolName[]).filter((name) => zones.some(IN_PLAY[name]));
