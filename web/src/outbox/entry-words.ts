import type { PanelEdit } from '@blue-ledge/core';
import type { Entry } from './entry.ts';

/** A write in words: what of which panel, job or shop it changes, and where that is on screen. */

/** Fields of panels and zones as their places on screen call them. */
export const FIELD_WORDS: Readonly<Record<string, string>> = {
  name: 'name',
  areaM2: 'area',
  isAreaMeasured: 'area',
  shape: 'shape',
  orientation: 'orientation',
  role: 'role',
  offVehicle: 'on or off the vehicle',
  new: 'new part',
  finish: 'surface of the finish',
  crownRadiusMm: 'radius',
  count: 'number of parts',
  bodyLines: 'body lines',
  kind: 'outline',
  outline: 'outline',
  parts: 'parts',
  borders: 'neighbours',
  zones: 'zones',
  substrate: 'layers',
  layers: 'layers',
  findings: 'findings',
  tests: 'tests',
  readings: 'gauge readings',
  face: 'face',
  quality: 'quality',
  apart: 'planned apart',
  title: 'title',
  customer: 'customer',
  customerWords: 'customer’s words',
  dueOn: 'due day',
  target: 'target',
  shopId: 'shop',
  profile: 'place',
  celsius: 'temperature',
  relativeHumidity: 'humidity',
  nightCelsius: 'night temperature',
  usualDay: 'air by the hour',
  people: 'people',
  breaks: 'breaks',
  holidays: 'holidays',
  booths: 'booths',
  rules: 'figures',
  schools: 'ways of working',
  stock: 'grades in stock',
  tools: 'tools',
  guns: 'guns',
  compressors: 'compressors',
  heaters: 'ovens and lamps',
  blocks: 'blocks',
  cups: 'cups',
  setups: 'set-ups',
  noneOf: 'kinds of product that it lacks',
  currency: 'currency',
  vocLimitGPerL: 'solvent limit',
};

const wordOf = (field: string): string => FIELD_WORDS[field] ?? field;

const MOST_NAMED = 3;
/** "area, shape and 2 more" */
function listed(words: readonly string[]): string {
  const each = [...new Set(words)];
  const [named, more] = [each.slice(0, MOST_NAMED), each.length - MOST_NAMED];
  return more > 0 ? `${named.join(', ')} and ${more} more` : named.join(', ');
}

function wordsOfEdit({ changes, order }: PanelEdit): string {
  const words = changes.map(({ path: [first, id, field], from, to }) => {
    if (id === undefined) return wordOf(first);
    if (field !== undefined) return wordOf(field);
    return from === undefined ? `zone ${id} added` : to === undefined ? `zone ${id} removed` : `zone ${id}`;
  });
  return listed(order && words.length === 0 ? ['order of the zones'] : words);
}

const CLOCK_WORDS = {
  start: 'clock started',
  stop: 'clock stopped',
  resume: 'clock runs again',
  begun: 'when the clock began',
} as const;

/** What a write changes: "area, shape". */
export function whatOf(entry: Entry): string {
  if (entry.kind === 'panel')
    return `${entry.undoes === undefined ? '' : 'taken back: '}${wordsOfEdit(entry.edit)}`;
  if (entry.kind === 'clock') return CLOCK_WORDS[entry.act.kind];
  if (entry.kind === 'record') return entry.title;
  const { shop = {}, things = {}, ...own } = entry.change.fields as { shop?: object; things?: object };
  return listed([own, shop, things].flatMap(Object.keys).map(wordOf));
}

/** Address of the place where it was changed. */
export function addressOf(entry: Entry): string {
  if (entry.kind === 'clock') return '/bay?clocks=open';
  if (entry.kind === 'fields')
    return entry.change.of === 'shops' ? '/shop' : `/jobs/${encodeURIComponent(entry.change.id)}`;
  const { at } = entry;
  const panel = `/jobs/${encodeURIComponent(at.job)}/panels/${encodeURIComponent(at.panel)}`;
  if (entry.kind === 'record') return `${panel}/run`;
  const { zone } = entry;
  return `${panel}/survey${zone === undefined ? '' : `?zone=${encodeURIComponent(zone)}`}`;
}
