import 'fake-indexeddb/auto';
import type { Panel } from '@blue-ledge/core';
import fc from 'fast-check';
import type * as QueryClientModule from '../api/query-client.ts';
import type * as OutboxModule from './outbox.ts';
import type * as RowModule from './row.ts';
import type * as SenderModule from './sender.ts';
import { AT, FakeServer } from './testing.ts';

/** Two tabs over one kept row: each has its own memory, and hears of the other only now and then. */

const QUERY_KEY = ['panel', AT.job, AT.panel];
let server: FakeServer;
let nowMs = 1e12;

/** What the browser gives to one tab at a time. */
let lastHolder: Promise<unknown> = Promise.resolve();
const locks = {
  request: (_: string, work: () => Promise<void>) => {
    const turn = lastHolder.then(work);
    lastHolder = turn.catch(() => undefined);
    return turn;
  },
};

/** What tabs tell one another: panels at once, that the row is another one when a tab comes to hear of it. */
class FakeChannel {
  static readonly all: FakeChannel[] = [];
  onmessage: ((message: { data: unknown }) => void) | null = null;
  private readonly unheard: unknown[] = [];

  constructor() {
    FakeChannel.all.push(this);
  }

  postMessage(data: unknown): void {
    for (const other of FakeChannel.all.filter((each) => each !== this))
      if (typeof data === 'string') other.unheard.push(data);
      else other.onmessage?.({ data });
  }

  hear(): void {
    for (const data of this.unheard.splice(0)) this.onmessage?.({ data });
  }
}

class Tab {
  private readonly channel = FakeChannel.all.at(-1)!;

  private constructor(
    private readonly zoneId: string,
    private readonly outbox: typeof OutboxModule,
    readonly row: typeof RowModule,
    private readonly sender: typeof SenderModule,
    private readonly client: (typeof QueryClientModule)['queryClient'],
  ) {}

  /** A page with modules of its own. */
  static async open(zoneId: string): Promise<Tab> {
    let tab: Tab | undefined;
    await jest.isolateModulesAsync(async () => {
      const { queryClient } = await import('../api/query-client.ts');
      const modules = [await import('./outbox.ts'), await import('./row.ts'), await import('./sender.ts')];
      tab = new Tab(zoneId, ...(modules as [never, never, never]), queryClient);
    });
    tab!.sender.startOutbox();
    return tab!;
  }

  /** Shows the panel as the server has it. */
  begin(): Promise<void> {
    this.client.setQueryData(QUERY_KEY, server.view());
    return this.row.load();
  }

  edit(areaM2: number): void {
    const next = (before: Panel): Panel => ({
      ...before,
      zones: before.zones.map((each) => (each.id === this.zoneId ? { ...each, areaM2 } : each)),
    });
    const saved = this.client.getQueryData<{ panel: Panel }>(QUERY_KEY)!.panel;
    this.outbox.editPanel({ at: AT, zone: this.zoneId, field: 'area', saved, next });
  }

  undo = (): void => this.outbox.undoLast(AT, this.zoneId);
  send = (): Promise<void> => this.sender.sendAll();

  /** Hears of the row that another tab changed. */
  hear(): Promise<void> {
    this.channel.hear();
    return this.row.load();
  }

  get area(): number | undefined {
    const view = this.client.getQueryData<ReturnType<FakeServer['view']>>(QUERY_KEY)!;
    const { panel } = this.outbox.withOutbox(view, this.row.useOutbox.getState().entries);
    return panel.zones.find(({ id }) => id === this.zoneId)?.areaM2;
  }
}

let tabs: readonly [Tab, Tab];
beforeAll(async () => {
  server = new FakeServer();
  globalThis.fetch = server.fetch as typeof fetch;
  Object.assign(globalThis, { document: {}, BroadcastChannel: FakeChannel });
  tabs = [await Tab.open('A'), await Tab.open('B')];
});
beforeEach(() => {
  jest.spyOn(Date, 'now').mockImplementation(() => nowMs);
  Object.defineProperty(globalThis, 'navigator', { value: { locks }, configurable: true });
});
afterEach(() => jest.restoreAllMocks());

const steps = fc.array(
  fc.record({
    tab: fc.constantFrom(0, 1),
    act: fc.constantFrom('edit', 'edit', 'undo', 'send', 'hear'),
    areaM2: fc.integer({ min: 1, max: 40 }).map((n) => n / 100),
    /** Whether the next step waits until this one is done. */
    isAwaited: fc.boolean(),
    /** The server does it and the answer is lost. */
    losesAnswer: fc.constantFrom(false, false, false, true),
  }),
  { maxLength: 22 },
);

test('whatever two tabs do at once, each edit and each undo holds, once', async () => {
  await fc.assert(
    fc.asyncProperty(steps, async (list) => {
      server = new FakeServer();
      globalThis.fetch = server.fetch as typeof fetch;
      await tabs[0].row.decide((row) => ({ gone: row.map(({ key }) => key) }));
      for (const tab of tabs) await tab.begin();
      // What each person sees: their edits on one another, less those that they took back.
      const wanted = [[1], [0.5]];
      for (const { tab: i, act, areaM2, isAwaited, losesAnswer } of list) {
        const [tab, mine] = [tabs[i]!, wanted[i]!];
        nowMs += 5000;
        server.losesAnswers = losesAnswer;
        if (act === 'edit' && areaM2 !== mine.at(-1)) {
          tab.edit(areaM2);
          mine.push(areaM2);
        }
        if (act === 'undo' && mine.length > 1) {
          tab.undo();
          mine.pop();
          // Whether it was sent is known once the row was asked.
          await tab.row.load();
        }
        expect(tab.area).toBe(mine.at(-1));
        const done = act === 'send' ? tab.send() : act === 'hear' ? tab.hear() : Promise.resolve();
        if (isAwaited) await done;
      }
      server.losesAnswers = false;
      for (const tab of [...tabs, ...tabs]) {
        await tab.send();
        await tab.hear();
      }
      expect(server.panel.zones.map(({ areaM2 }) => areaM2)).toEqual(wanted.map((mine) => mine.at(-1)));
      for (const [i, tab] of tabs.entries()) {
        expect(tab.area).toBe(wanted[i]!.at(-1));
        const { entries } = tab.row.useOutbox.getState();
        expect(new Set(entries.map(({ state }) => state))).toEqual(
          new Set(entries.length > 0 ? ['sent'] : []),
        );
      }
    }),
    { numRuns: 120 },
  );
}, 60_000);
