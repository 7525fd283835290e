import type { PanelView, Zone } from '@blue-ledge/core';
import { withDrafts } from '../panel/with-drafts.ts';
import { panelDrafts, zoneDrafts, type ZoneDraft } from './drafts.ts';

const { keep, drop, refuse, takeUndo, nameOf, use } = zoneDrafts;

const key = { job: 'bus', panel: 'door', zone: 'B' };
const zone = (areaM2: number): Zone => ({
  id: 'B',
  name: 'patch',
  areaM2,
  substrate: 'steel',
  layers: [{ kind: 'steel' }],
  findings: [],
});
const draft = (areaM2: number, writeKey: string): ZoneDraft => ({
  key,
  value: zone(areaM2),
  seen: 1,
  writeKey,
});

beforeEach(() => use.setState({ drafts: {}, undo: {}, refusals: {} }));

test('an edit is kept with what it replaced, and can be had back once', () => {
  keep(draft(0.3, 'w1'), zone(0.35));
  keep(draft(0.2, 'w2'), zone(0.3));
  expect(use.getState().drafts[nameOf(key)]!.value.areaM2).toBe(0.2);
  expect(takeUndo(key)!.areaM2).toBe(0.3);
  expect(takeUndo(key)!.areaM2).toBe(0.35);
  expect(takeUndo(key)).toBeNull();
});

test('a saved draft goes, unless a newer edit has taken its place', () => {
  const first = draft(0.3, 'w1');
  keep(first, null);
  keep(draft(0.2, 'w2'), null);
  drop(first);
  expect(use.getState().drafts[nameOf(key)]!.writeKey).toBe('w2');
  drop(draft(0.2, 'w2'));
  expect(use.getState().drafts).toEqual({});
});

test('a refusal stands until the next edit', () => {
  keep(draft(9, 'w1'), null);
  refuse(draft(9, 'w1'), { lines: ['Area: too large'] });
  expect(use.getState().refusals[nameOf(key)]!.lines).toEqual(['Area: too large']);
  keep(draft(0.3, 'w2'), null);
  expect(use.getState().refusals).toEqual({});
});

test('no more than thirty changes are kept to be undone', () => {
  for (let i = 1; i <= 40; i++) keep(draft(i, `w${i}`), zone(i));
  expect(use.getState().undo[nameOf(key)]).toHaveLength(30);
});

test('the screen shows the draft in place of the server’s zone, and other panels are not touched', () => {
  keep(draft(0.2, 'w1'), null);
  const view = (panel: string) =>
    ({ job: { id: 'bus' }, panel: { id: panel, zones: [zone(0.35)] } }) as unknown as PanelView;
  const { drafts } = use.getState();
  expect(withDrafts(view('door'), drafts).panel.zones[0]!.areaM2).toBe(0.2);
  expect(withDrafts(view('hatch'), drafts).panel.zones[0]!.areaM2).toBe(0.35);
});

test('a drafted panel stands in for the server’s, and zone drafts lie over it', () => {
  const view = {
    job: { id: 'bus' },
    panel: { id: 'door', name: 'door', zones: [zone(0.35)] },
  } as unknown as PanelView;
  const panel = { ...view.panel, name: 'left door', zones: [zone(0.3), { ...zone(0.1), id: 'C' }] };
  panelDrafts.keep(
    { key, value: panel, seen: { version: 1, zoneVersions: { B: 1 } }, writeKey: 'p1' },
    view.panel,
  );
  keep(draft(0.2, 'w1'), null);
  const seen = withDrafts(view, use.getState().drafts, panelDrafts.use.getState().drafts);
  expect([seen.panel.name, ...seen.panel.zones.map(({ areaM2 }) => areaM2)]).toEqual(['left door', 0.2, 0.1]);
  expect(panelDrafts.takeUndo(key)).toBe(view.panel);
});
