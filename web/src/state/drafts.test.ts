import type { PanelView, Zone } from '@blue-ledge/core';
import { withDrafts } from '../jobs/with-drafts.ts';
import { dropDraft, keepDraft, nameOf, refuseDraft, takeUndo, useDrafts, type Draft } from './drafts.ts';

const key = { job: 'bus', panel: 'door', zone: 'B' };
const zone = (areaM2: number): Zone => ({
  id: 'B',
  name: 'patch',
  areaM2,
  substrate: 'steel',
  layers: [{ kind: 'steel' }],
  findings: [],
});
const draft = (areaM2: number, writeKey: string): Draft => ({
  key,
  zone: zone(areaM2),
  version: 1,
  writeKey,
});

beforeEach(() => useDrafts.setState({ drafts: {}, undo: {}, refusals: {} }));

test('an edit is kept with what it replaced, and can be had back once', () => {
  keepDraft(draft(0.3, 'w1'), zone(0.35));
  keepDraft(draft(0.2, 'w2'), zone(0.3));
  expect(useDrafts.getState().drafts[nameOf(key)]!.zone.areaM2).toBe(0.2);
  expect(takeUndo(key)!.areaM2).toBe(0.3);
  expect(takeUndo(key)!.areaM2).toBe(0.35);
  expect(takeUndo(key)).toBeNull();
});

test('a saved draft goes, unless a newer edit has taken its place', () => {
  const first = draft(0.3, 'w1');
  keepDraft(first, null);
  keepDraft(draft(0.2, 'w2'), null);
  dropDraft(first);
  expect(useDrafts.getState().drafts[nameOf(key)]!.writeKey).toBe('w2');
  dropDraft(draft(0.2, 'w2'));
  expect(useDrafts.getState().drafts).toEqual({});
});

test('a refusal stands until the next edit', () => {
  keepDraft(draft(9, 'w1'), null);
  refuseDraft(draft(9, 'w1'), { lines: ['Area: too large'] });
  expect(useDrafts.getState().refusals[nameOf(key)]!.lines).toEqual(['Area: too large']);
  keepDraft(draft(0.3, 'w2'), null);
  expect(useDrafts.getState().refusals).toEqual({});
});

test('no more than thirty changes are kept to be undone', () => {
  for (let i = 1; i <= 40; i++) keepDraft(draft(i, `w${i}`), zone(i));
  expect(useDrafts.getState().undo[nameOf(key)]).toHaveLength(30);
});

test('the screen shows the draft in place of the server’s zone, and other panels are not touched', () => {
  keepDraft(draft(0.2, 'w1'), null);
  const view = (panel: string) =>
    ({ job: { id: 'bus' }, panel: { id: panel, zones: [zone(0.35)] } }) as unknown as PanelView;
  const { drafts } = useDrafts.getState();
  expect(withDrafts(view('door'), drafts).panel.zones[0]!.areaM2).toBe(0.2);
  expect(withDrafts(view('hatch'), drafts).panel.zones[0]!.areaM2).toBe(0.35);
});
