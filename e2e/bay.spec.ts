import type { Page } from '@playwright/test';
import { expect, expectAccessible, test } from './fixtures.ts';

/** The bay: all panels of a shop on one chart, what is next, and work that is moved. */

async function planAll(page: Page, job = 'bus-6'): Promise<void> {
  const answer = await page.request.post(`/api/jobs/${job}/plans`, {
    data: { now: { startOn: '2026-12-07', startMin: 450 } },
  });
  expect(answer.ok()).toBe(true);
}

const panels = (page: Page) => page.getByRole('list', { name: 'Panels' }).getByRole('listitem');
const label = (page: Page, name: string) => page.getByRole('button', { name: new RegExp(`^\\d+ ${name}`) });

test('panels that are not planned wait and say so; planned ones stand on the chart with who does what next', async ({
  page,
}) => {
  await page.goto('/');
  await expect(page).toHaveURL(/\/bay\//);
  await expect(page.getByRole('heading', { name: 'Bay', level: 1 })).toBeVisible();
  await expect(page.getByText('It is not planned yet').first()).toBeVisible();
  await planAll(page);
  await expect(label(page, 'Sliding door shell')).toBeVisible();
  await expect(page.getByText(/all ready/)).toBeVisible();
  await expect(page.getByRole('list', { name: 'Booth' })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Prep A' })).toBeVisible();
  await expect(page.getByText(/^Steps? \d/).first()).toBeVisible();
  await expectAccessible(page);
});

test('a foreman moves a step by its dialog, sees what it breaks and what mends it, and takes it back', async ({
  page,
}) => {
  await planAll(page);
  await page.goto('/bay');
  await label(page, 'Sliding door shell').click();
  const pane = page.getByRole('region', { name: /Sliding door shell/ });
  const ready = (await pane.getByText(/^Ready/).innerText()).match(/Ready (\w+ \d\d:\d\d)/)![1]!;
  const coat = pane.getByRole('listitem').filter({ hasText: 'in the booth' }).first();
  await coat.getByRole('button', { name: /^Move/ }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Begins').fill('2026-12-10T10:30');
  await expect(dialog.getByText(/Breaks: .*mended/).first()).toBeVisible();
  await expect(dialog.getByText(/Sliding door shell ready \w+ \d\d:\d\d/)).toBeVisible();
  await dialog.getByRole('button', { name: 'Move it there' }).click();
  await expect(page.getByText(/is held to Thu 10:30/)).toBeVisible();
  await expect(pane.getByText('Thu 10:30')).toBeVisible();
  await expect(pane.getByText(`Ready ${ready}`)).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(pane.getByText(`Ready ${ready}`)).toBeVisible();
});

test('a bar is dragged to another time, and another screen sees it', async ({ page, context }) => {
  await planAll(page);
  await page.goto('/bay');
  const bar = panels(page).first().locator('[data-bar]:not(.is-alone)').first();
  await expect(bar).toBeVisible();
  const other = await context.newPage();
  await other.goto('/bay');
  await expect(panels(other).first()).toBeVisible();
  const box = (await bar.boundingBox())!;
  await page.mouse.move(box.x + 3, box.y + 10);
  await page.mouse.down();
  await page.mouse.move(box.x + 143, box.y + 12, { steps: 6 });
  // While it is dragged the whole schedule says what the move comes to.
  await expect(page.locator('.bay-ghost')).toContainText(/ready \w+|Nothing else moves|Put in/);
  await page.mouse.up();
  await expect(page.getByText(/is held to/)).toBeVisible();
  await expect(other.locator('.bay-bar.is-pinned')).toHaveCount(1);
});

test('printed for the wall, every panel is on the paper', async ({ page, shop }) => {
  for (const job of ['marsh-tractor', 'pilot-car']) {
    await shop.takeDemo(job);
    await planAll(page, job);
  }
  await planAll(page);
  await page.setViewportSize({ width: 1280, height: 500 });
  await page.goto('/bay');
  await expect(panels(page).first()).toBeVisible();
  const names = page.locator('.bay-name:visible b');
  expect(await names.count()).toBeLessThan(12);
  await page.emulateMedia({ media: 'print' });
  await expect(names).toHaveCount(12);
  await expect(page.getByText(/12 Bumper cover: ready/)).toBeVisible();
});

test('the chart is worked by keys alone', async ({ page }) => {
  await planAll(page);
  await page.goto('/bay');
  const bars = panels(page).first().locator('[data-bar]');
  await expect(bars.first()).toBeVisible();
  await bars.first().focus();
  await page.keyboard.press('ArrowRight');
  await expect(bars.nth(1)).toBeFocused();
  await page.keyboard.press('ArrowDown');
  await expect(panels(page).nth(1).locator('[data-bar]:focus')).toHaveCount(1);
  const width = async () => (await page.locator('.bay-inner').boundingBox())!.width;
  const before = await width();
  await page.keyboard.press('+');
  expect(await width()).toBeGreaterThan(before);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: /^2 / })).toBeVisible();
});

test('people, breaks and holidays are set on the shop’s page, and the bay follows', async ({ page }) => {
  await planAll(page);
  await page.goto('/shop');
  await page.getByRole('button', { name: 'Another person' }).click();
  await page.getByLabel('Name of Person 3').fill('Prep C');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('status').filter({ hasText: 'All saved' })).toBeVisible();
  await page.getByRole('button', { name: 'Say it by the hour' }).click();
  await expect(page.getByLabel('Air of 6 o’clock')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('link', { name: 'Bay', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Prep C' })).toBeVisible();
});
