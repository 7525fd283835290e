import {
  editOf,
  jobFactsSchema,
  panelFactsSchema,
  shopSchema,
  zoneSchema,
  type Panel,
} from '@blue-ledge/core';
import type { PanelEntry } from './entry.ts';
import { FIELD_WORDS, addressOf, whatOf } from './entry-words.ts';

const zone = (id: string, areaM2 = 1): Panel['zones'][number] => ({
  id,
  name: id,
  areaM2,
  substrate: 'steel',
  layers: [{ kind: 'steel' }],
  findings: [],
});
const door = { id: 'door', name: 'door', areaM2: 3, zones: [zone('A'), zone('B')] } as unknown as Panel;
const entryTo = (after: Panel, more: Partial<PanelEntry> = {}): PanelEntry => ({
  kind: 'panel',
  key: 'k',
  order: 1,
  state: 'waiting',
  at: { job: 'bus', panel: 'door' },
  field: 'x',
  editedMs: 0,
  edit: editOf(door, after),
  ...more,
});

test('every field that can be changed has its word', () => {
  const schemas = [panelFactsSchema, zoneSchema, jobFactsSchema, shopSchema];
  const fields = schemas.flatMap(({ shape }) => Object.keys(shape)).filter((name) => name !== 'id');
  expect(fields.filter((name) => !(name in FIELD_WORDS))).toEqual([]);
});

test.each<[string, Panel, Partial<PanelEntry>]>([
  ['area', { ...door, zones: [zone('A', 0.8), zone('B')] }, {}],
  ['taken back: area', { ...door, zones: [zone('A', 0.8), zone('B')] }, { undoes: 'other' }],
  ['zone C added', { ...door, zones: [...door.zones, zone('C')] }, {}],
  ['zone B removed', { ...door, zones: [zone('A')] }, {}],
  ['order of the zones', { ...door, zones: [zone('B'), zone('A')] }, {}],
  ['name, role, number of parts and 1 more', { ...door, name: 'x', role: 'blend', count: 2, new: true }, {}],
])('%s', (words, after, more) => expect(whatOf(entryTo(after, more))).toBe(words));

test('fields of a job and of a shop are named, and where they are', () => {
  const head = { kind: 'fields', key: 'k', order: 1, state: 'waiting' } as const;
  const job = { ...head, change: { of: 'jobs', id: 'bus', fields: { title: 'Bus', dueOn: null } } } as const;
  const shop = { ...head, change: { of: 'shops', id: 's', fields: { shop: { celsius: 9 } } } } as const;
  expect([whatOf(job), addressOf(job)]).toEqual(['title, due day', '/jobs/bus']);
  expect([whatOf(shop), addressOf(shop)]).toEqual(['temperature', '/shop']);
  expect(addressOf(entryTo(door, { zone: 'A' }))).toBe('/jobs/bus/panels/door/survey?zone=A');
});
