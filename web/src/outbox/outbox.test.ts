import 'fake-indexeddb/auto';
import { editOf, isSameJson, withEdit, type Panel } from '@blue-ledge/core';
import type { Entry, PanelEntry } from './entry.ts';
import { changeEntries } from './outbox-db.ts';
import { changeFields, editPanel, settle, undoLast, withOutbox } from './outbox.ts';
import { load, useOutbox } from './row.ts';
import { sendAgain, sendAll } from './sender.ts';
import { AT, DOOR, FakeServer, zone } from './testing.ts';

/** The row of writes against a server that keeps a panel, remembers keys, and can be away. */

let server: FakeServer;
let nowMs = 1e12;
beforeEach(async () => {
  jest.spyOn(Date, 'now').mockImplementation(() => nowMs);
  server = new FakeServer();
  globalThis.fetch = server.fetch as typeof fetch;
  await load();
  await changeEntries((row) => ({ gone: row.map(({ key }) => key) }));
  await load();
});
afterEach(() => jest.restoreAllMocks());

const entries = (): readonly Entry[] => useOutbox.getState().entries;
const states = (): string[] => entries().map(({ state }) => state);
const seen = (): Panel => withOutbox(server.view(), entries()).panel;
const areaOf = (id: string, { zones }: Panel): number | undefined =>
  zones.find((each) => each.id === id)?.areaM2;
const later = (): void => void (nowMs += 5000);

const editZone = (id: string, fields: Partial<Panel['zones'][number]>, field = 'area'): void => {
  later();
  editPanel({
    at: AT,
    zone: id,
    field,
    saved: server.panel,
    next: (before) => ({
      ...before,
      zones: before.zones.map((each) => (each.id === id ? { ...each, ...fields } : each)),
    }),
  });
};
const editWhole = (next: (before: Panel) => Panel): void => {
  later();
  editPanel({ at: AT, field: 'panel', saved: server.panel, next });
};
const split = (before: Panel): Panel => ({
  ...before,
  zones: [zone('A', 0.4), zone('D', 0.6), ...before.zones.slice(1)],
});

test('an edit is seen at once, sent under its key, and holds', async () => {
  editZone('B', { areaM2: 0.3 });
  expect([areaOf('B', seen()), areaOf('B', server.panel)]).toEqual([0.3, 0.5]);
  await sendAll();
  expect([areaOf('B', server.panel), states()]).toEqual([0.3, ['sent']]);
});

test('what is typed quickly into one field is one write and one undo; another field is another', () => {
  editZone('B', { areaM2: 0.3 });
  const typeOn = (areaM2: number, field: string) =>
    editPanel({
      at: AT,
      zone: 'B',
      field,
      saved: server.panel,
      next: (before) => ({
        ...before,
        zones: before.zones.map((each) => (each.id === 'B' ? { ...each, areaM2 } : each)),
      }),
    });
  typeOn(0.35, 'area');
  expect(entries()).toHaveLength(1);
  typeOn(0.36, 'name');
  expect(entries()).toHaveLength(2);
  undoLast(AT, 'B');
  expect(areaOf('B', seen())).toBe(0.35);
  undoLast(AT, 'B');
  expect([entries(), seen()]).toEqual([[], DOOR]);
});

test('undoing an edit of the panel leaves a later edit of a zone as it is', async () => {
  editWhole(split);
  await sendAll();
  editZone('B', { areaM2: 0.3 });
  await sendAll();
  undoLast(AT, undefined);
  await sendAll();
  expect(server.panel.zones.map(({ id, areaM2 }) => [id, areaM2])).toEqual([
    ['A', 1],
    ['B', 0.3],
  ]);
});

test('an undo that no longer fits is refused, and nothing is written over', async () => {
  editWhole(split);
  await sendAll();
  editZone('D', { areaM2: 0.5 });
  await sendAll();
  undoLast(AT, undefined);
  await sendAll();
  expect(areaOf('D', server.panel)).toBe(0.5);
  const refused = entries().at(-1) as PanelEntry;
  expect(refused).toMatchObject({ state: 'refused', undoes: expect.any(String) as string });
  settle(refused, 'theirs');
  expect(seen()).toEqual(server.panel);
});

test('an answer that is lost is asked for again under the same key, also after a reload: it is done once', async () => {
  editZone('B', { areaM2: 0.3 });
  server.losesAnswers = true;
  await sendAll();
  expect(states()).toEqual(['sending']);
  server.losesAnswers = false;
  useOutbox.setState({ entries: [] });
  await load();
  expect(states()).toEqual(['sending']);
  await sendAll();
  expect([server.asked.length, states()]).toEqual([1, ['sent']]);
});

test('an answer that is cut off does not stop the row: what was sent is asked for again, and the rest follows', async () => {
  editZone('B', { areaM2: 0.3 });
  editZone('A', { name: 'sill' }, 'name');
  server.cutsAnswers = true;
  await sendAll();
  expect(states()).toEqual(['sending', 'waiting']);
  server.cutsAnswers = false;
  await sendAll();
  expect([server.asked.length, states()]).toEqual([2, ['sent', 'sent']]);
});

test('a server that is away gets everything in order once it is back', async () => {
  server.isAway = true;
  editZone('A', { name: 'sill' }, 'name');
  editZone('B', { areaM2: 0.3 });
  changeFields({ of: 'jobs', id: 'bus', fields: { title: 'Bus' } });
  await sendAll();
  expect(entries()).toHaveLength(3);
  server.isAway = false;
  await sendAll();
  expect(server.asked.map(({ path }) => path)).toEqual([
    '/api/jobs/bus/panels/door',
    '/api/jobs/bus/panels/door',
    '/api/jobs/bus',
  ]);
  expect(states()).toEqual(['sent', 'sent']);
});

test('two tabs have one row: what the other wrote is sent once, and both edits hold', async () => {
  editZone('A', { name: 'sill' }, 'name');
  await load();
  const [mine] = entries() as [PanelEntry];
  const other: PanelEntry = {
    ...mine,
    key: 'of-the-other-tab',
    order: mine.order + 1,
    zone: 'B',
    edit: editOf(DOOR, { ...DOOR, zones: [DOOR.zones[0]!, zone('B', 0.2)] }),
  };
  await changeEntries(() => ({ put: [other] }));
  await Promise.all([sendAll(), sendAll()]);
  expect(new Set(server.asked.map(({ key }) => key)).size).toBe(2);
  expect(server.panel.zones.map(({ name, areaM2 }) => [name, areaM2])).toEqual([
    ['sill', 1],
    ['zone B', 0.2],
  ]);
});

test('what is edited while the kept row is read stays, and is what an undo takes back', async () => {
  editZone('A', { areaM2: 0.8 });
  await load();
  const reading = load();
  editZone('B', { areaM2: 0.3 });
  await reading;
  expect([areaOf('A', seen()), areaOf('B', seen())]).toEqual([0.8, 0.3]);
  undoLast(AT, 'B');
  await load();
  expect([areaOf('A', seen()), areaOf('B', seen())]).toEqual([0.8, 0.5]);
});

/** Another tab takes the row's first edit, before this one hears of it. */
const takeInOtherTab = (state: 'sending' | 'sent'): Promise<unknown> =>
  changeEntries(([first, ...rest]) => {
    const { edit } = first as PanelEntry;
    if (state === 'sent') server.panel = withEdit(server.panel, edit)!;
    return { put: [{ ...first!, state }, ...rest] };
  });

test('an edit that another tab has sent meanwhile is taken back on the server too', async () => {
  editZone('B', { areaM2: 0.3 });
  await load();
  await takeInOtherTab('sent');
  undoLast(AT, 'B');
  await sendAll();
  expect([areaOf('B', server.panel), areaOf('B', seen()), entries()]).toEqual([
    0.5,
    0.5,
    [expect.objectContaining({ field: 'undo' })],
  ]);
});

test('typing goes on over an edit that another tab is sending: both are sent, in their order', async () => {
  editZone('B', { areaM2: 0.3 });
  await load();
  await takeInOtherTab('sending');
  nowMs -= 5000;
  editZone('B', { areaM2: 0.35 });
  await sendAll();
  expect(server.asked).toHaveLength(2);
  expect([areaOf('B', server.panel), states()]).toEqual([0.35, ['sent', 'sent']]);
});

test('an edit that is taken back before the server refuses it leaves nothing behind', async () => {
  editZone('B', { areaM2: 9 });
  await load();
  await takeInOtherTab('sending');
  await load();
  undoLast(AT, 'B');
  await sendAll();
  expect([entries(), seen()]).toEqual([[], DOOR]);
});

test('a refused edit stays on the screen with its reason; the next one of that zone takes its place', async () => {
  editZone('B', { areaM2: 9 });
  await sendAll();
  expect(entries()).toMatchObject([{ state: 'refused', lines: ['Zones: too large'] }]);
  expect([areaOf('B', seen()), areaOf('B', server.panel)]).toEqual([9, 0.5]);
  editZone('A', { areaM2: 0.9 });
  await sendAll();
  expect(areaOf('A', server.panel)).toBe(0.9);
  editZone('B', { areaM2: 0.4 });
  await sendAll();
  expect([states(), areaOf('B', server.panel)]).toEqual([['sent', 'sent'], 0.4]);
});

test.each([
  ['mine', 0.3],
  ['theirs', 0.7],
] as const)('an edit of what somebody changed meanwhile waits for a choice: %s', async (choice, areaM2) => {
  editZone('B', { areaM2: 0.3 });
  server.panel = { ...DOOR, zones: [DOOR.zones[0]!, zone('B', 0.7)] };
  await sendAll();
  expect(areaOf('B', seen())).toBe(0.3);
  settle(entries()[0] as PanelEntry, choice);
  await sendAll();
  expect(areaOf('B', server.panel)).toBe(areaM2);
  expect(isSameJson(seen(), server.panel)).toBe(true);
});

test('no more than thirty edits of a panel are kept to be taken back', async () => {
  for (let i = 1; i <= 34; i++) {
    editZone('B', { areaM2: i / 100 });
    await sendAll();
  }
  expect(entries()).toHaveLength(30);
  undoLast(AT, 'B');
  await sendAll();
  expect(areaOf('B', server.panel)).toBe(0.33);
});

describe('answers that are not the last word', () => {
  const putOff = () => entries()[0]!.putOff;

  test.each([500, 507, 429])('%d: it waits, and is sent again under its key by itself', async (status) => {
    server.failsWith = status;
    editZone('B', { areaM2: 0.3 });
    await sendAll();
    expect(states()).toEqual(['waiting']);
    expect(putOff()).toMatchObject({ tries: 1, why: 'The disk is full.' });
    const { key } = entries()[0]!;
    server.failsWith = null;
    // Not before its time.
    await sendAll();
    expect(states()).toEqual(['waiting']);
    nowMs = putOff()!.untilMs + 1;
    await sendAll();
    expect([areaOf('B', server.panel), states()]).toEqual([0.3, ['sent']]);
    expect(server.asked.map((asked) => asked.key)).toEqual([key]);
  });

  test('somebody sends it again at once; each try waits longer, a minute at most', async () => {
    server.failsWith = 500;
    editZone('B', { areaM2: 0.3 });
    await sendAll();
    const waits: number[] = [];
    for (let i = 0; i < 6; i++) {
      waits.push(putOff()!.untilMs - nowMs);
      await sendAgain(entries()[0]!.key);
    }
    expect(waits[1]).toBeGreaterThan(waits[0]!);
    expect(Math.max(...waits)).toBe(60_000);
    server.failsWith = null;
    await sendAgain(entries()[0]!.key);
    expect(states()).toEqual(['sent']);
  });

  test('the server away: what was put off does not ask it again and again', async () => {
    server.failsWith = 500;
    editZone('B', { areaM2: 0.3 });
    await sendAll();
    server.failsWith = null;
    server.isAway = true;
    const fetched = jest.spyOn(globalThis, 'fetch');
    nowMs = putOff()!.untilMs + 1;
    changeFields({ of: 'jobs', id: 'bus', fields: { title: 'Another' } });
    await sendAll();
    await new Promise((resolve) => setTimeout(resolve, 1500));
    // The write itself, and whether the server is back.
    expect(fetched.mock.calls.filter(([url]) => url !== '/api/health')).toHaveLength(1);
    fetched.mockRestore();
    server.isAway = false;
    await sendAll();
    expect(areaOf('B', server.panel)).toBe(0.3);
  });

  test('what comes after it about the same thing waits for it; what is about another goes', async () => {
    server.failsWith = 500;
    editZone('B', { areaM2: 0.3 });
    await sendAll();
    await sendAgain(entries()[0]!.key);
    server.failsWith = null;
    editZone('A', { areaM2: 0.9 });
    changeFields({ of: 'jobs', id: 'bus', fields: { title: 'Another' } });
    await sendAll();
    expect(server.asked.map(({ path }) => path)).toEqual(['/api/jobs/bus']);
    nowMs = putOff()!.untilMs + 1;
    await sendAll();
    expect([areaOf('A', server.panel), areaOf('B', server.panel)]).toEqual([0.9, 0.3]);
  });
});

/** Until what was begun without being waited for is through. */
const settled = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 20));

test('the browser’s storage is full: the row lives on in memory, nothing older is put over it, and it is sent', async () => {
  server.isAway = true;
  editZone('B', { areaM2: 0.3 });
  await sendAll();
  const put = jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  editZone('A', { areaM2: 0.9 });
  editZone('B', { areaM2: 0.4 });
  await settled();
  expect(useOutbox.getState().isUnkept).toBe(true);
  expect([areaOf('A', seen()), areaOf('B', seen())]).toEqual([0.9, 0.4]);
  // There is room again: what the browser keeps is older than what lives here.
  put.mockRestore();
  await load();
  editZone('A', { areaM2: 0.8 });
  await settled();
  expect([areaOf('A', seen()), areaOf('B', seen())]).toEqual([0.8, 0.4]);
  server.isAway = false;
  await sendAll();
  expect([areaOf('A', server.panel), areaOf('B', server.panel)]).toEqual([0.8, 0.4]);
  useOutbox.setState({ isUnkept: false });
});

describe('what a page made that was left before the browser kept it', () => {
  const LEFT = 'ledge-just-made left';
  /** Names of the locks that open pages hold. */
  let open: readonly string[] = [];
  const left = (made: readonly Entry[]): void => localStorage.setItem(LEFT, JSON.stringify(made));
  const notes = (): string[] =>
    Object.keys(localStorage).filter((name) => name.startsWith('ledge-just-made'));
  beforeAll(() => {
    globalThis.localStorage = Object.create({
      getItem(this: Record<string, string>, name: string) {
        return this[name] ?? null;
      },
      setItem(this: Record<string, string>, name: string, text: string) {
        this[name] = text;
      },
      removeItem(this: Record<string, string>, name: string) {
        delete this[name];
      },
    }) as Storage;
    const query = () => Promise.resolve({ held: open.map((name) => ({ name })) });
    const request = (_: string, work: () => Promise<void>) => work();
    Object.defineProperty(globalThis, 'navigator', {
      value: { locks: { query, request } },
      configurable: true,
    });
  });
  afterAll(() => Reflect.deleteProperty(globalThis, 'navigator'));
  afterEach(() => notes().forEach((name) => localStorage.removeItem(name)));

  /** An edit as a page would have made it. */
  const made = async (): Promise<Entry> => {
    editZone('B', { areaM2: 0.3 });
    await load();
    const [entry] = entries();
    await changeEntries((row) => ({ gone: row.map(({ key }) => key) }));
    await load();
    return entry!;
  };

  test('is noted in the same turn, and only until the browser keeps it', async () => {
    editZone('B', { areaM2: 0.3 });
    expect(notes()).toHaveLength(1);
    await load();
    expect(notes()).toEqual([]);
  });

  test('waits and is sent once by the next page, however often it is found', async () => {
    const entry = await made();
    left([{ ...entry, state: 'sending' }]);
    await load();
    expect([states(), notes()]).toEqual([['waiting'], []]);
    left([entry]);
    await load();
    await sendAll();
    left([entry]);
    await load();
    await sendAll();
    expect(server.asked.map(({ key }) => key)).toEqual([entry.key]);
    expect(areaOf('B', server.panel)).toBe(0.3);
  });

  test('is left to its page as long as that is open', async () => {
    const entry = await made();
    open = [LEFT];
    left([entry]);
    await load();
    expect([states(), notes()]).toEqual([[], [LEFT]]);
    open = [];
    await load();
    expect([states(), notes()]).toEqual([['waiting'], []]);
  });

  test('a note that cannot be read is no obstacle', async () => {
    const entry = await made();
    localStorage.setItem(`${LEFT} too`, '{"half');
    left([entry]);
    await load();
    expect([states(), notes()]).toEqual([['waiting'], []]);
  });
});
