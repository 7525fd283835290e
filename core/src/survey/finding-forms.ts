import { GRADES } from '../materials/grades.ts';
import type { Quantity } from '../units/quantities.ts';
import type { Finding, FindingKind, PlainFinding, SpreadFinding } from './finding.ts';

/** How each finding is asked for: its words, the figures it needs, and what a new one starts with. */

/** A figure of a finding; `least` and `most` are in the quantity's stored unit, a `share` is 0..1 and asked in percent. */
export type FindingField =
  | {
      readonly kind: 'number';
      readonly name: string;
      readonly label: string;
      readonly quantity: Quantity;
      readonly least: number;
      readonly most: number;
      /** May be left open. */
      readonly isOptional?: boolean;
    }
  | { readonly kind: 'share'; readonly name: string; readonly label: string; readonly isOptional?: boolean }
  | { readonly kind: 'count'; readonly name: string; readonly label: string; readonly isOptional?: boolean }
  | {
      readonly kind: 'choice';
      readonly name: string;
      readonly label: string;
      readonly options: readonly string[];
      readonly isOptional?: boolean;
    };

export interface FindingForm {
  readonly label: string;
  readonly fields: readonly FindingField[];
  readonly blank: Finding;
}

const number = (name: string, label: string, quantity: Quantity, most: number): FindingField => ({
  kind: 'number',
  name,
  label,
  quantity,
  least: 0.1,
  most,
});
const share: FindingField = { kind: 'share', name: 'share', label: 'share of the zone' };
/** Sizes that may be left open: a finding without one is taken as its kind usually is. */
const open = (field: FindingField): FindingField => ({ ...field, isOptional: true });
const sizeMm = open(number('sizeMm', 'across', 'Mm', 5000));
const lengthMm = open(number('lengthMm', 'length', 'Mm', 5000));
const areaM2 = open({ ...number('areaM2', 'spread over', 'M2', 200), least: 0.0001 } as FindingField);
const count = (label: string): FindingField => ({ kind: 'count', name: 'count', label });
const grit: FindingField = { kind: 'choice', name: 'grit', label: 'grit', options: GRADES };
const plain = (kind: PlainFinding, label: string): FindingForm => ({ label, fields: [], blank: { kind } });
/** Local damage: its size across, where somebody measured it. */
const local = (kind: PlainFinding, label: string): FindingForm => ({
  label,
  fields: [sizeMm],
  blank: { kind },
});
const spread = (kind: SpreadFinding, label: string): FindingForm => ({
  label,
  fields: [share],
  blank: { kind, share: 0.1 },
});

export const FINDING_FORMS: Record<FindingKind, FindingForm> = {
  'coarse-scratches': {
    label: 'coarse scratches',
    fields: [grit],
    blank: { kind: 'coarse-scratches', grit: 'P80' },
  },
  low: {
    label: 'dent',
    fields: [number('depthMm', 'depth', 'Mm', 50), sizeMm],
    blank: { kind: 'low', depthMm: 1 },
  },
  high: {
    label: 'high spot',
    fields: [number('heightMm', 'height', 'Mm', 50), sizeMm],
    blank: { kind: 'high', heightMm: 1 },
  },
  waves: {
    label: 'waves',
    fields: [
      number('um', 'peak to valley', 'Um', 5000),
      number('wavelengthMm', 'over a length of', 'Mm', 5000),
    ],
    blank: { kind: 'waves', um: 60, wavelengthMm: 150 },
  },
  'rub-through': {
    label: 'rub-through spots',
    fields: [number('spotMm', 'spot size', 'Mm', 5000), { kind: 'count', name: 'count', label: 'spots' }],
    blank: { kind: 'rub-through', spotMm: 10, count: 1 },
  },
  peeling: spread('peeling', 'peeling'),
  checked: spread('checked', 'checked or crazed'),
  chips: {
    label: 'chips',
    fields: [count('chips'), sizeMm, areaM2],
    blank: { kind: 'chips', count: 20, sizeMm: 4 },
  },
  reacted: spread('reacted', 'wrinkled by an earlier coat'),
  texture: {
    label: 'texture',
    fields: [{ kind: 'choice', name: 'want', label: 'wanted', options: ['keep', 'flatten'] }],
    blank: { kind: 'texture', want: 'keep' },
  },
  crack: {
    label: 'crack',
    fields: [number('lengthMm', 'length', 'Mm', 5000)],
    blank: { kind: 'crack', lengthMm: 20 },
  },
  hole: {
    label: 'hole',
    fields: [number('lengthMm', 'length', 'Mm', 5000)],
    blank: { kind: 'hole', lengthMm: 20 },
  },
  pinholes: local('pinholes', 'pinholes'),
  'rust-surface': local('rust-surface', 'surface rust'),
  'rust-pitted': local('rust-pitted', 'pitted rust'),
  'rust-through': plain('rust-through', 'rusted through'),
  'orange-peel': plain('orange-peel', 'orange peel'),
  'release-agent': plain('release-agent', 'release agent'),
  dressing: plain('dressing', 'dressing'),
  'glue-residue': plain('glue-residue', 'glue residue'),
  overspray: plain('overspray', 'overspray'),
  edge: plain('edge', 'edge to feather'),
  'open-joint': { label: 'open joint', fields: [lengthMm], blank: { kind: 'open-joint' } },
  'unknown-plastic': plain('unknown-plastic', 'unknown plastic'),
};
