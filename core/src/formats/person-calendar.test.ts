import { MONDAY, panelsOf, scheduleOf, shopOf } from '../testing/shop-work.ts';
import { personCalendar } from './person-calendar.ts';

test('a calendar has an entry for each session, in local time without a zone, and none of others', async () => {
  const shop = shopOf({ people: [{ id: '1', name: 'Prep A' }] });
  const schedule = scheduleOf({ shop, start: MONDAY, panels: panelsOf(['corner'], shop), effort: 'rules' });
  const asked = { schedule, start: MONDAY, personId: '1', jobs: { job: 'Book bus' }, shopName: 'Works' };
  const text = await personCalendar(asked);
  expect(text.match(/BEGIN:VEVENT/g)!.length).toBeGreaterThan(0);
  expect(text).toMatch(/DTSTART:20261207T080000\r\n/);
  expect(text).toMatch(/SUMMARY:corner: /);
  expect(await personCalendar({ ...asked, personId: '2' })).not.toMatch(/BEGIN:VEVENT/);
});
