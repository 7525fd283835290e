import {
  familyOf,
  isBody,
  isSolid,
  isTopcoat,
  labelOf,
  type Family,
  type LayerKind,
} from '../materials/layer-kinds.ts';
import { sentence } from '../wording/say.ts';
import type { SentenceCode } from '../wording/sentences.ts';
import type { FindingKind } from './finding.ts';
import type { Zone } from './zone.ts';
import { baseOf, testOf, topKindOf } from './zone-facts.ts';

/** What in a survey cannot be true together, each with its remedy. Nothing of it is refused while it is typed in. */

/** Findings that need something of the zone: which family must be on top, or carry it. */
const NEEDS: Partial<
  Record<FindingKind, { readonly on: 'top' | 'base'; readonly families: readonly Family[] }>
> = {
  'rust-surface': { on: 'base', families: ['metal'] },
  'rust-pitted': { on: 'base', families: ['metal'] },
  'rust-through': { on: 'base', families: ['metal'] },
  peeling: { on: 'top', families: ['finish', 'primer', 'topcoat'] },
  checked: { on: 'top', families: ['finish', 'primer', 'topcoat'] },
  reacted: { on: 'top', families: ['finish', 'primer', 'topcoat'] },
  chips: { on: 'top', families: ['finish', 'primer', 'topcoat'] },
  'orange-peel': { on: 'top', families: ['finish', 'primer', 'topcoat'] },
  'release-agent': { on: 'base', families: ['plastic', 'composite'] },
  'unknown-plastic': { on: 'base', families: ['plastic'] },
  crack: { on: 'base', families: ['plastic', 'composite'] },
  hole: { on: 'base', families: ['plastic', 'composite'] },
};

const say = (code: SentenceCode, facts: Record<string, string | number> = {}): string =>
  sentence(code, facts);

function stackProblems({ layers }: Zone): string[] {
  const top = layers[layers.length - 1]!;
  const buried = layers.slice(1).find(({ kind }) => isSolid(kind) && kind !== 'plastic-primed');
  if (buried) return [say('survey.buried', { layer: labelOf(buried.kind), under: labelOf(layers[0]!.kind) })];
  if (!isSolid(layers[0]!.kind) && layers.length > 1 && isBody(layers[0]!.kind))
    return [say('survey.no-base', { layer: labelOf(layers[0]!.kind) })];
  const soft = layers.find(
    ({ kind }, i) => isBody(kind) && ['etch', 'promoter'].includes(layers[i - 1]?.kind ?? ''),
  );
  if (soft) return [say('survey.body-over-etch', { layer: labelOf(soft.kind) })];
  return isTopcoat(top.kind) ? [say('survey.topcoat', { layer: labelOf(top.kind) })] : [];
}

/** A maker's primer on plastic peels and chips like any finish. */
const surfaceFamily = (kind: LayerKind): Family => (kind === 'plastic-primed' ? 'finish' : familyOf(kind));

function findingProblems(zone: Zone): string[] {
  const top = surfaceFamily(topKindOf(zone));
  const base = familyOf(baseOf(zone));
  const odd = zone.findings.flatMap(({ kind }) => {
    const need = NEEDS[kind];
    if (!need || need.families.includes(need.on === 'top' ? top : base)) return [];
    const layer = need.on === 'top' ? topKindOf(zone) : baseOf(zone);
    return [say('survey.finding', { finding: kind.replaceAll('-', ' '), layer: labelOf(layer) })];
  });
  const wants = new Set(
    zone.findings.flatMap((finding) => (finding.kind === 'texture' ? [finding.want] : [])),
  );
  return wants.size > 1 ? [...odd, say('survey.texture')] : odd;
}

function testProblems(zone: Zone): string[] {
  const float = testOf(zone, 'float');
  const rub = testOf(zone, 'solvent-rub');
  const magnet = testOf(zone, 'magnet')?.outcome;
  const top = topKindOf(zone);
  const base = familyOf(baseOf(zone));
  const isSteel = baseOf(zone) === 'steel' || baseOf(zone) === 'zinc-steel';
  const hasBody = zone.layers.some(({ kind }) => isBody(kind));
  const layer = labelOf(baseOf(zone));
  return [
    ...(magnet === 'falls-off' && isSteel && !hasBody ? [say('survey.no-steel', { layer })] : []),
    ...(magnet === 'holds' && !isSteel ? [say('survey.steel', { layer })] : []),
    ...(float && base !== 'plastic' ? [say('survey.float', { layer: labelOf(baseOf(zone)) })] : []),
    ...(rub?.outcome === 'none' && top === 'old-finish-soluble' ? [say('survey.rub')] : []),
    ...(testOf(zone, 'gauge') && base !== 'metal'
      ? [say('survey.gauge', { layer: labelOf(baseOf(zone)) })]
      : []),
  ];
}

/** What no panel can be: a stack or a finding that its material does not have. Nothing is planned on it. */
export const impossibilitiesOf = (zone: Zone): string[] => [...stackProblems(zone), ...findingProblems(zone)];

/** All that contradicts itself in this zone, tests included, each with how to put it right; empty where all fits. */
export const contradictionsOf = (zone: Zone): string[] => [...impossibilitiesOf(zone), ...testProblems(zone)];
