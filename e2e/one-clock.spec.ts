import type { Page } from '@playwright/test';
import { CORNER } from './bench.ts';
import { DOOR, expect, expectSaved, test } from './fixtures.ts';

/** One clock: plan, paper and bay say the same times of a panel; limits are told from the coat that was really laid. */

/** All panels planned: two people and one booth, so that no panel stands at the hours of its plan alone. */
async function planAll(page: Page): Promise<void> {
  const answer = await page.request.post('/api/jobs/bus-6/plans', {
    data: { now: { startOn: '2026-12-07', startMin: 450 } },
  });
  expect(answer.ok()).toBe(true);
}

const isIn = (text: string | null): string => text!.match(/\w{3} (\d+ \w{3} )?\d\d:\d\d/)![0];

test('System and the sheet stand at the times of the bay, whoever moves them there', async ({
  page,
  shop,
}) => {
  await planAll(page);
  await page.goto('/bay');
  await page.getByRole('button', { name: /^\d+ Sliding door shell/ }).click();
  const pane = page.getByRole('region', { name: /Sliding door shell/ });
  await expect(pane.getByText(/^Ready/)).toBeVisible();
  const { schedule } = await shop.get(`/api/shops/${await shopId(page)}/schedule`);
  interface Task {
    readonly panelId: string;
    readonly n: number;
    readonly part: number;
    readonly startMin: number;
  }
  const task = (schedule.tasks as Task[]).find(({ panelId, n }) => panelId === 'door' && n === 11)!;
  const at = new Date(Date.parse('2026-12-07T07:30:00Z') + task.startMin * 60_000).toISOString();
  const time = at.slice(11, 16);
  await page.goto(`${DOOR}/system`);
  await expect(page.getByText('times by the bay')).toBeVisible();
  const row = page.locator('.step-row').nth(10);
  await expect(row.locator('.step-clock')).toContainText(time);
  await page.goto(`${DOOR}/plan-sheet`);
  await expect(page.getByText('times by the bay')).toBeVisible();
  const sheetRow = page.getByRole('row').nth(11);
  await expect(sheetRow).toContainText(time);
  // The next coat is told from the coat that the bay lays, not from that of the plan alone.
  const withNext = page.locator('.sheet-when', { hasText: /from \w{3} / });
  const rows = await page.getByRole('row').filter({ has: withNext }).all();
  expect(rows.length).toBeGreaterThan(2);
  for (const each of rows) {
    const [when, next] = await Promise.all([
      each.locator('.sheet-when').first().textContent(),
      each.locator('.sheet-when').last().textContent(),
    ]);
    expect(momentOf(isIn(next))).toBeGreaterThanOrEqual(momentOf(isIn(when)));
  }
});

/** Minutes of "Mon 7 Dec 08:15" in its month. */
const momentOf = (text: string): number => {
  const [, day, hour, minute] = text.match(/\w{3} (\d+) \w{3} (\d\d):(\d\d)/)!;
  return (Number(day) * 24 + Number(hour)) * 60 + Number(minute);
};

async function shopId(page: Page): Promise<string> {
  const shops = (await (await page.request.get('/api/shops')).json()) as { readonly id: string }[];
  return shops[0]!.id;
}

test('a plan that nobody began is never late; a start that somebody chose holds the bay, and can be missed', async ({
  page,
  shop,
}) => {
  await page.request.post(`/api${CORNER}/plans`, { data: { startOn: '2026-12-07', startMin: 480 } });
  await shop.later(200);
  await page.goto(`${CORNER}/system`);
  await expect(page.getByText('times by the bay')).toBeVisible();
  await expect(page.getByText('has passed')).toBeHidden();
  // It begins now, not at the hour at which it was planned.
  await expect(page.locator('.step-clock').first()).toContainText(/Mon 1[01]:/);
  const start = page.locator('.start-time input');
  await start.fill('2026-12-08T09:15');
  await start.blur();
  await expect(page.getByText('times by the bay, not before the start that was chosen')).toBeVisible();
  await expect(page.locator('.step-clock').first()).toContainText('Tue 09:15');
  await expectSaved(page);
  await page.goto('/bay');
  await expect(page.getByText(/^Tue 09:15/).first()).toBeVisible();
  await shop.later(2 * 24 * 60);
  await page.goto(`${CORNER}/system`);
  await expect(page.getByText(/Its start, Tue 09:15, has passed\./)).toBeVisible();
});
