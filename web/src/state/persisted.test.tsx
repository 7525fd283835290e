import type { PersistedStore, persisted as Persisted } from './persisted.ts';

/** Stores that are kept in the browser, in two tabs of it: each loads the program for itself, over one storage. */

const NAME = 'ledge-begun-steps';

interface Begun {
  readonly byStep: Readonly<Record<string, number>>;
}
interface Tab {
  readonly useBegunSteps: PersistedStore<Begun>;
  readonly beginStep: (step: string, atMs: number) => void;
  readonly endStep: (step: string) => void;
}

function openTab(): Tab {
  let tab: Tab | undefined;
  jest.isolateModules(() => {
    tab = jest.requireActual<Tab>('./begun-steps.ts');
  });
  return tab!;
}

/** A store with a form of its own, as a page of that release has it. */
function openRelease(version: number, migrate?: (kept: unknown) => { readonly count: number }) {
  let made: PersistedStore<{ readonly count: number }> | undefined;
  jest.isolateModules(() => {
    const { persisted } = jest.requireActual<{ readonly persisted: typeof Persisted }>('./persisted.ts');
    made = persisted('ledge-count', { count: 0 }, { version, ...(migrate ? { migrate } : {}) });
  });
  return made!;
}

const stepsOf = ({ useBegunSteps }: Tab): string[] => Object.keys(useBegunSteps.getState().byStep);
const keptSteps = (): string[] =>
  Object.keys((JSON.parse(localStorage.getItem(NAME)!) as { state: Begun }).state.byStep);
/** Browsers tell the other tabs a moment later. */
const hear = (key = NAME): boolean => window.dispatchEvent(new StorageEvent('storage', { key }));

beforeEach(() => localStorage.clear());
afterEach(() => jest.restoreAllMocks());

test('what is kept is there after a reload', () => {
  openTab().beginStep('plan/1', 1000);
  expect(stepsOf(openTab())).toEqual(['plan/1']);
});

test('a second tab’s "Begin" leaves the first one’s alone, told of it or not', () => {
  const [one, two] = [openTab(), openTab()];
  one.beginStep('plan/1', 1000);
  two.beginStep('plan/2', 2000);
  expect(keptSteps().toSorted()).toEqual(['plan/1', 'plan/2']);
  hear();
  expect(stepsOf(one).toSorted()).toEqual(['plan/1', 'plan/2']);
  one.endStep('plan/2');
  two.endStep('plan/1');
  expect(keptSteps()).toEqual([]);
});

test('nothing is read anew where nothing has changed: what hangs on it stays the same thing', () => {
  const tab = openTab();
  tab.beginStep('plan/1', 1000);
  const { byStep } = tab.useBegunSteps.getState();
  hear();
  hear('ledge-something-else');
  expect(tab.useBegunSteps.getState().byStep).toBe(byStep);
});

test('storage that is full or locked loses nothing of this tab, and is written once it can be', () => {
  const tab = openTab();
  tab.beginStep('plan/1', 1000);
  const full = jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  tab.beginStep('plan/2', 2000);
  tab.beginStep('plan/3', 3000);
  expect(stepsOf(tab)).toEqual(['plan/1', 'plan/2', 'plan/3']);
  full.mockRestore();
  tab.beginStep('plan/4', 4000);
  expect(keptSteps()).toEqual(['plan/1', 'plan/2', 'plan/3', 'plan/4']);
});

test.each(['{', 'null', '7', '{"state":5,"version":1}', '[]'])(
  '%s in its place counts as nothing',
  (text) => {
    localStorage.setItem(NAME, text);
    const tab = openTab();
    tab.beginStep('plan/1', 1000);
    expect([stepsOf(tab), keptSteps()]).toEqual([['plan/1'], ['plan/1']]);
  },
);

test('a page that was left open over an update writes nothing over what the newer one keeps', () => {
  const older = openRelease(1);
  older.setState({ count: 3 });
  const newer = openRelease(2, (kept) => ({ count: (kept as { count: number }).count * 10 }));
  expect(newer.getState()).toEqual({ count: 30 });
  older.setState({ count: 4 });
  expect(older.getState()).toEqual({ count: 4 });
  expect(JSON.parse(localStorage.getItem('ledge-count')!)).toEqual({ state: { count: 30 }, version: 2 });
});
