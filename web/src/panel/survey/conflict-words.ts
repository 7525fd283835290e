import {
  LAYER_KINDS,
  TEST_FORMS,
  findingWords,
  type Conflict,
  type Finding,
  type SurveyLayer,
  type Zone,
} from '@blue-ledge/core';
import { FIELD_WORDS } from '../../outbox/entry-words.ts';
import type { useFormat } from '../../state/units.ts';

/** What two people made different, in words: "area of zone B: yours 0.3 m², theirs 0.2 m²". */

type Quantity = ReturnType<typeof useFormat>['quantity'];

const NOTHING = 'nothing';
const listed = (words: readonly string[]): string => words.join(', ') || 'none';

const layerText = ({ kind, um }: SurveyLayer, quantity: Quantity): string =>
  um === undefined ? LAYER_KINDS[kind].label : `${LAYER_KINDS[kind].label} ${quantity('Um', um)}`;

/** How a field's value reads; drawings are only said to be different. */
const TEXTS: Readonly<Record<string, (value: never, quantity: Quantity) => string>> = {
  areaM2: (m2: number, quantity) => quantity('M2', m2),
  crownRadiusMm: (mm: number, quantity) => quantity('Mm', mm),
  layers: (layers: readonly SurveyLayer[], quantity) =>
    listed(layers.map((layer) => layerText(layer, quantity))),
  findings: (findings: readonly Finding[]) => listed(findings.map(findingWords)),
  tests: (tests: NonNullable<Zone['tests']>) => listed(tests.map(({ kind }) => TEST_FORMS[kind].label)),
};

function valueText(field: string | undefined, value: unknown, quantity: Quantity): string {
  if (value === undefined) return NOTHING;
  if (field === undefined) return `“${(value as Zone).name}”, ${quantity('M2', (value as Zone).areaM2)}`;
  const text = TEXTS[field];
  if (text) return text(value as never, quantity);
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  return typeof value === 'object' ? 'drawn or listed otherwise' : String(value);
}

export function conflictText(
  { path: [first, id, field], mine, theirs }: Conflict,
  quantity: Quantity,
): string {
  const name = id === undefined ? first : field;
  const of = id === undefined ? '' : `${name === undefined ? 'zone' : ' of zone'} ${id}`;
  const what = `${name === undefined ? '' : (FIELD_WORDS[name] ?? name)}${of}`;
  return `${what}: yours ${valueText(name, mine, quantity)}, theirs ${valueText(name, theirs, quantity)}`;
}
