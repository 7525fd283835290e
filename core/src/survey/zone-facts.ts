import { isRawPlastic, familyOf, type LayerKind } from '../materials/layer-kinds.ts';
import { findingOf } from './finding.ts';
import { readMark, type MarkedPlastic } from './moulding-mark.ts';
import type { PanelFacts } from './panel.ts';
import type { Role, Zone } from './zone.ts';

/** What follows for a zone from its survey as a whole: from its layers, findings and tests together. */

/** What carries the stack. */
export const baseOf = (zone: Pick<Zone, 'layers'>): LayerKind => zone.layers[0]!.kind;

/** What lies on top. */
export const topKindOf = ({ layers }: Pick<Zone, 'layers'>): LayerKind => layers[layers.length - 1]!.kind;

type ZoneTest = NonNullable<Zone['tests']>[number];
type TestOf<K extends ZoneTest['kind']> = Extract<ZoneTest, { kind: K }>;

/** The last test of a kind, typed, or undefined where it was not done. */
export const testOf = <K extends ZoneTest['kind']>(
  zone: Pick<Zone, 'tests'>,
  kind: K,
): TestOf<K> | undefined => zone.tests?.findLast((test): test is TestOf<K> => test.kind === kind);

/** What the zone's surface is at, °C: measured on it, else taken as the room's air. */
export const surfaceCelsius = (zone: Pick<Zone, 'tests'>, roomCelsius: number): number =>
  testOf(zone, 'dew')?.surfaceCelsius ?? roomCelsius;

/** What the moulding mark says; undefined where nobody looked for one. */
const markOf = (zone: Zone): MarkedPlastic | undefined => {
  const mark = testOf(zone, 'moulding-mark');
  return mark && readMark(mark.outcome);
};

/** Nothing tells what plastic it is: nobody knew it at survey, or the mark on what was taken for rigid plastic says nothing. */
export function isUnknownPlastic(zone: Zone): boolean {
  const mark = markOf(zone);
  if (mark === 'olefin' || mark === 'other') return false;
  if (findingOf(zone.findings, 'unknown-plastic')) return true;
  return mark === 'unknown' && baseOf(zone) === 'plastic-rigid' && testOf(zone, 'float') === undefined;
}

/** Plastic on which nothing holds without a promoter; an unknown one is taken for it until a test says otherwise. */
export function isLowEnergy(zone: Zone): boolean {
  const base = baseOf(zone);
  if (base === 'plastic-olefin' || base === 'plastic-soft') return true;
  if (!isRawPlastic(base)) return false;
  const mark = markOf(zone);
  if (mark === 'olefin' || mark === 'other') return mark === 'olefin';
  const float = testOf(zone, 'float');
  return float ? float.outcome === 'floats' : isUnknownPlastic(zone);
}

/** Parts that bend in use: every two-pack coat on them wants its flexible additive. */
export const isFlexible = (zone: Zone): boolean =>
  baseOf(zone) === 'plastic-soft' || (familyOf(baseOf(zone)) === 'plastic' && isLowEnergy(zone));

export type Texture = 'smooth' | 'keep' | 'flatten';

/** What becomes of the surface: the zone's own finding decides, else the panel's finish. */
export function textureOf(zone: Zone, panel: Pick<PanelFacts, 'finish'>): Texture {
  const own = findingOf(zone.findings, 'texture')?.want;
  return own ?? (panel.finish === 'keep-texture' ? 'keep' : 'smooth');
}

/** What becomes of a zone: its own role, else its panel's. */
export const roleOf = (zone: Pick<Zone, 'role'>, panel: Pick<PanelFacts, 'role'>): Role =>
  zone.role ?? panel.role;

/** Colour only fades out there: a spot may be mended in it, more may not. */
export const fadesOut = (role: Role | undefined): boolean => role === 'blend' || role === 'clear-only';

const FINISHES: ReadonlySet<LayerKind> = new Set(['old-finish', 'old-finish-soluble', 'texture']);

/** Colour may fade out on it: a finish, not what a finish still has to come on. */
export const bearsFading = (kind: LayerKind): boolean => FINISHES.has(kind);

/** Usual radius of a crown by shape and by how the panel lies, mm; a flat panel has none (defaults of models.md 7). */
const USUAL_CROWN_MM = { door: 8000, lid: 20_000, sharp: 600 } as const;

/** Radius of a panel's crown, mm, and whether somebody measured it; null where the panel is flat. */
export function crownOf({
  shape,
  orientation,
  crownRadiusMm,
}: Pick<PanelFacts, 'shape' | 'orientation' | 'crownRadiusMm'>): {
  readonly radiusMm: number;
  readonly isMeasured: boolean;
} | null {
  if (shape === 'flat') return null;
  if (crownRadiusMm !== undefined) return { radiusMm: crownRadiusMm, isMeasured: true };
  const usual = shape === 'sharp' ? 'sharp' : orientation === 'horizontal' ? 'lid' : 'door';
  return { radiusMm: USUAL_CROWN_MM[usual], isMeasured: false };
}

/** Radius of a crown under a straightedge, mm: chord² / (8 x gap). */
export const crownRadiusMm = (chordMm: number, gapMm: number): number => chordMm ** 2 / (8 * gapMm);
