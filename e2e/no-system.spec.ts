import type { Page } from '@playwright/test';
import { CORNER } from './bench.ts';
import { askForSystems, expect, expectAccessible, test } from './fixtures.ts';

/** A plan that nobody can keep is said to be one, everywhere; what changes no plan is not called a change. */

async function changeShop(page: Page, shop: object): Promise<void> {
  const shops = (await (await page.request.get('/api/shops')).json()) as { readonly id: string }[];
  const answer = await page.request.patch(`/api/shops/${shops[0]!.id}`, { data: { shop } });
  expect(answer.ok()).toBe(true);
}

test('too cold and damp: planned again no system is ready, and every screen says why', async ({ page }) => {
  await askForSystems(page, CORNER);
  await changeShop(page, { celsius: 11, relativeHumidity: 92, nightCelsius: 9 });
  await page.reload();
  await expect(
    page.getByText(/temperature 20 °C, now 11 °C; humidity 50 ?%, now 92 ?%; night/),
  ).toBeVisible();
  await page.goto('/bay');
  const outdated = page.getByText(/^Planned with other settings of the shop: New rear corner\. /);
  await expect(outdated).toBeVisible();
  await outdated.getByRole('link', { name: 'New rear corner' }).click();
  await page.getByRole('button', { name: 'What would change?' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByText('No system would be ready as things are.')).toBeVisible();
  await expect(dialog.getByText(/above dew point/)).toBeVisible();
  await dialog.getByRole('button', { name: 'Plan again' }).click();
  const notice = page.getByRole('alert').filter({ hasText: 'no system gets this panel ready as things are' });
  await expect(notice).toContainText(/Planned Mon 7 Dec 2026 \d\d:\d\d/);
  await expect(notice).toContainText('above dew point');
  await expect(page.getByText('Suggested.')).toBeHidden();
  await expect(page.getByText('Breaks no rule')).toBeHidden();
  await expectAccessible(page);
  await notice.getByRole('button', { name: 'The plan before…' }).click();
  await expect(dialog.getByText(/^Made Mon 7 Dec 2026/)).toBeVisible();
  await page.keyboard.press('Escape');
  await page.goto(`${CORNER}/run`);
  await expect(page.getByText(/Only .* above dew point/)).toBeVisible();
  await page.goto('/bay');
  const waiting = page.getByRole('region', { name: 'Waiting' }).getByRole('listitem');
  await expect(waiting.filter({ hasText: 'New rear corner' })).toContainText('above dew point');
});

test('somebody off and a new price change no plan', async ({ page }) => {
  await askForSystems(page, CORNER);
  await changeShop(page, {
    people: [
      { id: 'prep-a', name: 'Prep A', daysOff: [{ from: '2026-12-09', to: '2026-12-09' }] },
      { id: 'prep-b', name: 'Prep B' },
    ],
    rules: { bareMetalLimitMin: 60, labourPerHour: 70 },
  });
  await page.reload();
  await expect(page.getByText('times by the bay')).toBeVisible();
  await expect(page.getByText('changed since this plan was made')).toBeHidden();
});
