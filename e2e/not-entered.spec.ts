import type { Page } from '@playwright/test';
import { CORNER, atBench, heading } from './bench.ts';
import { expect, expectAccessible, expectSaved, test } from './fixtures.ts';
import type { ShopServer } from './shop-server.ts';

/** What nobody entered is not done: the bay and the bench ask, and several steps are entered at once. */

/** The corner planned for eight o'clock and seen in the bay; then two and a half hours pass and nobody enters anything. */
async function letTimePass(page: Page, shop: ShopServer): Promise<void> {
  await page.request.post(`/api${CORNER}/plans`, { data: { startOn: '2026-12-07', startMin: 480 } });
  await page.goto('/bay');
  await expect(page.getByText(/^Steps? 1\b/)).toBeVisible();
  await shop.later(150);
  await page.reload();
}

interface Act {
  readonly kind: string;
  readonly at: string;
  readonly body: { readonly step: { readonly n: number }; readonly afterwards?: true };
}

test('time passes and nobody enters anything: bay and bench name the same step, ask, and take several at their times', async ({
  page,
  shop,
}) => {
  await letTimePass(page, shop);
  // Not sent on to a later step, and not taken as done.
  const asked = page.getByRole('button', { name: /^New rear corner: steps 1 to \d+, by Mon \d\d:\d\d$/ });
  await expect(asked).toBeVisible();
  await expect(page.getByText(/^Steps? 1\b/)).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('link', { name: 'Open step 1' }).click();
  await expect(heading(page)).toHaveText(/Wash/);
  await expect(page.getByText('Next', { exact: true })).toBeVisible();
  await atBench(page, CORNER);
  await page.getByRole('button', { name: 'Were they done?' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('radio', { name: 'At their times in the bay' })).toBeChecked();
  const boxes = dialog.getByRole('checkbox', { checked: true });
  const count = await boxes.count();
  expect(count).toBeGreaterThan(2);
  // The last of them was not done yet.
  await boxes.last().uncheck();
  await expect(dialog.getByText('not kept')).toBeHidden();
  await expectAccessible(page);
  await dialog.getByRole('button', { name: `Enter ${count - 1} steps as done` }).click();
  await expectSaved(page);
  await expect(page.locator('.run-n')).toHaveText(new RegExp(`^${count}Step`));
  const { entries, verified } = await shop.get(`/api${CORNER}/record`);
  expect(verified.intact).toBe(true);
  const acts = entries as Act[];
  expect(acts.map(({ body }) => body.step.n)).toEqual(acts.map((_, i) => i + 1));
  expect(acts.every(({ body }) => body.afterwards === true)).toBe(true);
  // At the times at which they stood in the bay, not all now.
  expect(new Set(acts.map(({ at }) => at)).size).toBe(acts.length);
  await page.goto('/record/bus-6/corner');
  await expect(page.getByText('entered afterwards').first()).toBeVisible();
  await expect(page.getByText('Not by the rules:')).toBeHidden();
});

test('steps that were not done are put off, and steps ahead of their time are entered one after the other', async ({
  page,
  shop,
}) => {
  await letTimePass(page, shop);
  await page.getByRole('button', { name: /^New rear corner: steps 1 to/ }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Not yet' }).click();
  await expect(page.getByText('Nobody entered these. Were they done?')).toBeHidden();
  await expect(page.getByText(/^Steps? 1\b/)).toBeVisible();
  await atBench(page, CORNER);
  await page.getByRole('button', { name: 'Several steps…' }).click();
  await dialog.getByRole('checkbox').nth(2).check();
  await dialog.getByRole('textbox', { name: 'The last ended at' }).fill('2026-12-07T23:30');
  await expect(dialog.getByText('That lies ahead')).toBeVisible();
  await expect(dialog.getByRole('button', { name: 'Enter 3 steps as done' })).toBeDisabled();
  await dialog.getByRole('textbox', { name: 'The last ended at' }).fill('2026-12-07T09:50');
  await dialog.getByRole('button', { name: 'Enter 3 steps as done' }).click();
  await expectSaved(page);
  const { entries } = await shop.get(`/api${CORNER}/record`);
  expect((entries as Act[]).map(({ body }) => body.step.n)).toEqual([1, 2, 3]);
});
