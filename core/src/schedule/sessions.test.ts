import { MONDAY, panelsOf, scheduleOf, shopOf } from '../testing/shop-work.ts';
import { nextWork, sessionsOf, standOf, tasksByPanel } from './sessions.ts';

const shop = shopOf({
  people: [
    { id: '1', name: 'Prep A' },
    { id: '2', name: 'Prep B' },
  ],
});
const schedule = scheduleOf({
  shop,
  start: MONDAY,
  panels: panelsOf(['bare', 'corner', 'chips'], shop),
  effort: 'rules',
});

test('sessions hold all hands-on work, once, by one person each', () => {
  for (const tasks of tasksByPanel(schedule).values()) {
    const sessions = sessionsOf(tasks);
    const hands = tasks.filter(({ isUnattended }) => !isUnattended);
    expect(sessions.flatMap((session) => session.tasks)).toEqual(hands);
    for (const { startMin, endMin, readyMin } of sessions) {
      expect(endMin).toBeGreaterThan(startMin);
      expect(readyMin).toBeLessThanOrEqual(startMin);
    }
  }
});

test('what runs comes first, and what is over stays until somebody enters it', () => {
  const [first] = nextWork(schedule, 0).get('1')!;
  const at = first!.session.startMin + 1;
  expect(nextWork(schedule, at).get('1')![0]!.isRunning).toBe(true);
  const end = Math.max(...schedule.tasks.map(({ endMin }) => endMin));
  const late = nextWork(schedule, end).get('1')!;
  expect(late[0]).toMatchObject({ isRunning: false, isOver: true, session: first!.session });
});

test('bare metal presses: its session says by when it is primed, and what comes past that', () => {
  const pressed = [...nextWork(schedule, 0).values()]
    .flat()
    .flatMap(({ urgency }) => (urgency.kind === 'window' ? [urgency.window] : []));
  expect(pressed.map(({ kind }) => kind)).toContain('exposure');
  for (const { thenWhat } of pressed) expect(thenWhat).not.toBe('');
});

test.each([
  [10, 'open'],
  [95, 'close'],
  [101, 'missed'],
] as const)('a window of 100 min that is used at %d min is %s', (usedMin, stand) => {
  const [window] = schedule.windows;
  expect(standOf({ ...window!, opensMin: 0, closesMin: 100, usedMin })).toBe(stand);
});
