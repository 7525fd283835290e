import type { EventView, PanelView } from '@blue-ledge/core';
import { listen, take } from './events.ts';
import { panelQueryKey } from './queries.ts';
import { queryClient } from './query-client.ts';

/** What other screens changed: what is asked for again, and who holds the stream of a browser's tabs. */

class FakeStream extends EventTarget {
  static readonly CLOSED = 2;
  static opened: FakeStream[] = [];
  readyState = 0;
  onmessage: ((event: MessageEvent<string>) => void) | null = null;
  onerror: (() => void) | null = null;
  constructor(readonly url: string) {
    super();
    FakeStream.opened.push(this);
  }
  open(): void {
    this.readyState = 1;
    this.dispatchEvent(new Event('open'));
  }
  /** The browser tries again by itself. */
  breakOff(): void {
    this.readyState = 0;
    this.onerror?.();
  }
  /** The browser gives it up. */
  refuse(): void {
    this.readyState = FakeStream.CLOSED;
    this.onerror?.();
  }
  say(event: EventView): void {
    this.onmessage?.({ data: JSON.stringify(event) } as MessageEvent<string>);
  }
}

/** Locks of a browser of which another tab may hold the stream. */
class FakeLocks {
  isTaken = false;
  private waiting: (() => void)[] = [];
  request = async (_: string, ...more: unknown[]): Promise<unknown> => {
    const work = more.at(-1) as (lock: object | null) => unknown;
    const isForNowOnly = more.length > 1;
    if (this.isTaken && isForNowOnly) return work(null);
    if (this.isTaken) await new Promise<void>((resolve) => this.waiting.push(resolve));
    this.isTaken = true;
    return work({});
  };
  free(): void {
    this.isTaken = false;
    this.waiting.shift()?.();
  }
}

const asked: unknown[] = [];
const others: unknown[] = [];
let locks: FakeLocks;
const settled = () => jest.advanceTimersByTimeAsync(0);

beforeEach(() => {
  jest.useFakeTimers();
  FakeStream.opened = [];
  asked.length = 0;
  others.length = 0;
  locks = new FakeLocks();
  jest
    .spyOn(queryClient, 'invalidateQueries')
    .mockImplementation(async (of) => void asked.push(of?.queryKey ?? 'all'));
  Object.assign(globalThis, {
    EventSource: FakeStream,
    BroadcastChannel: class {
      onmessage = null;
      postMessage = (event: unknown) => others.push(event);
    },
  });
  Object.defineProperty(globalThis, 'navigator', { configurable: true, value: { locks } });
});
afterEach(() => {
  jest.useRealTimers();
  jest.restoreAllMocks();
  queryClient.clear();
});

const event = (subject: string, version?: number): EventView => ({
  seq: 1,
  subject,
  kind: 'changed',
  version,
});

test.each([
  ['clocks', [['clocks']]],
  ['shops/s1/stock', [['schedule', 's1'], ['shops'], ['stock']]],
  ['shops/s1/schedule', [['schedule', 's1']]],
  [
    'jobs/bus/panels/door/record',
    [['jobs'], ['schedule'], ['job', 'bus'], ['record', 'bus', 'door'], ['entries']],
  ],
  ['jobs/bus/panels/door/plans', [['jobs'], ['schedule'], ['job', 'bus'], ['plan', 'bus', 'door']]],
  ['', ['all']],
])('%j asks again for what it is about', (subject, keys) => {
  take(event(subject));
  expect(asked).toEqual(keys);
});

test('a panel that this tab wrote itself is not asked for again', () => {
  const key = panelQueryKey({ job: 'bus', panel: 'door' });
  queryClient.setQueryData(key, { version: 4, zoneVersions: {} } as unknown as PanelView);
  take(event('jobs/bus/panels/door', 4));
  expect(asked).not.toContainEqual(key);
  take(event('jobs/bus/panels/door', 5));
  expect(asked).toContainEqual(key);
});

test('one tab holds the stream and tells the others; it asks for nothing that it is about to fetch anyway', async () => {
  void listen();
  await settled();
  const [stream] = FakeStream.opened;
  stream!.open();
  expect(asked).toEqual([]);
  stream!.say(event('clocks'));
  expect([asked, others]).toEqual([[['clocks']], [event('clocks')]]);
});

test('a stream that opens late may have missed something: all is asked for again', async () => {
  void listen();
  await settled();
  await jest.advanceTimersByTimeAsync(600);
  FakeStream.opened[0]!.open();
  expect(asked).toEqual(['all']);
});

test('a stream that breaks is the browser’s to take up; one that was refused is opened anew, and all is asked for again', async () => {
  void listen();
  await settled();
  FakeStream.opened[0]!.open();
  FakeStream.opened[0]!.breakOff();
  await jest.advanceTimersByTimeAsync(10_000);
  expect(FakeStream.opened).toHaveLength(1);
  FakeStream.opened[0]!.refuse();
  await jest.advanceTimersByTimeAsync(2500);
  expect(FakeStream.opened).toHaveLength(2);
  FakeStream.opened[1]!.refuse();
  await jest.advanceTimersByTimeAsync(2500);
  expect([FakeStream.opened.length, asked]).toEqual([3, []]);
  FakeStream.opened[2]!.open();
  expect([asked, others]).toEqual([['all'], [expect.objectContaining({ kind: 'all.changed' })]]);
});

test('a tab that takes the stream over from one that was closed asks for everything again', async () => {
  locks.isTaken = true;
  void listen();
  await settled();
  expect(FakeStream.opened).toEqual([]);
  locks.free();
  await settled();
  FakeStream.opened[0]!.open();
  expect(asked).toEqual(['all']);
});

test('a browser without locks follows the stream in every tab', async () => {
  Object.defineProperty(globalThis, 'navigator', { configurable: true, value: {} });
  void listen();
  await settled();
  expect(FakeStream.opened).toHaveLength(1);
});
