import type { ShopView } from '@blue-ledge/core';
import type { Page } from '@playwright/test';
import { unreadableText } from './drawn-text.ts';
import { DOOR, askForSystems, expect, expectAccessible, test } from './fixtures.ts';

/** In the light and in the dark theme, the one that is on first. */
async function expectAccessibleInBoth(page: Page): Promise<void> {
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Dark, for the booth' }).click();
  await expectAccessible(page);
}

test('every place is accessible, light and dark', async ({ page }) => {
  test.slow();
  await page.goto('/jobs');
  await expect(page.getByRole('heading', { name: 'Book bus 6' })).toBeVisible();
  await expectAccessibleInBoth(page);
  await page.goto('/jobs/bus-6');
  await expect(page.getByRole('heading', { name: 'Sliding door shell' })).toBeVisible();
  await expectAccessibleInBoth(page);
  await page.goto('/bay');
  await expect(page.getByText('It is not planned yet').first()).toBeVisible();
  await expectAccessibleInBoth(page);
  await page.goto('/shop');
  await expect(page.getByRole('heading', { name: 'How this shop works' })).toBeVisible();
  await expectAccessibleInBoth(page);
  await page.goto('/shelf');
  await page.getByRole('button', { name: 'Take Sealer 3:1:1 over' }).click();
  await expect(page.getByRole('heading', { name: 'What it may lie on' })).toBeVisible();
  await expectAccessibleInBoth(page);
  await page.getByRole('link', { name: /^All products of/ }).click();
  await expect(page.getByRole('heading', { name: 'Your own', exact: true })).toBeVisible();
  await expectAccessibleInBoth(page);
  await page.getByRole('link', { name: 'Equipment' }).click();
  await expect(page.getByRole('heading', { name: 'Mixing cups' })).toBeVisible();
  await expectAccessibleInBoth(page);
  await page.getByRole('link', { name: 'Stock' }).click();
  await expect(page.getByText('No system is chosen in an open job')).toBeVisible();
  await expectAccessibleInBoth(page);
  await page.goto('/practice');
  await expect(page.getByRole('region', { name: 'Score' })).toBeVisible();
  await expectAccessibleInBoth(page);
});

test('every stage of a panel is accessible, light and dark', async ({ page }) => {
  test.slow();
  await page.goto(`${DOOR}/survey?zone=C`);
  await expect(page.getByRole('group', { name: /Section as found/ })).toBeVisible();
  await expectAccessibleInBoth(page);
  await page.goto(`${DOOR}/system`);
  await expect(page.getByRole('heading', { name: 'No system yet' })).toBeVisible();
  await expectAccessibleInBoth(page);
  await askForSystems(page);
  await expectAccessibleInBoth(page);
  await page
    .getByRole('button', { name: /refused/ })
    .first()
    .click();
  await expectAccessibleInBoth(page);
  for (const view of ['grits', 'film', 'blocking']) {
    await page.goto(`${DOOR}/ladder?view=${view}`);
    await expect(page.getByRole('heading', { level: 2, name: /^Zone [BC]/ })).toBeVisible();
    await expectAccessibleInBoth(page);
  }
  for (const show of ['Mix', 'Gun', 'Flow cup', 'Undertone']) {
    await page.goto(`${DOOR}/pour?step=15&show=${show}`);
    await expect(page.getByRole('tab', { name: show, selected: true })).toBeVisible();
    await expectAccessibleInBoth(page);
  }
  await page.goto(`${DOOR}/plan-sheet`);
  await expect(page.getByRole('heading', { name: /Sliding door shell/ })).toBeVisible();
  await expectAccessibleInBoth(page);
});

test('addresses that lead nowhere say so', async ({ page }) => {
  await page.goto('/nowhere');
  await expect(page.getByRole('heading', { name: 'There is nothing at this address' })).toBeVisible();
  await page.goto('/jobs/nobody');
  await expect(page.getByRole('alert')).toContainText('Job "nobody" is not here');
  await page.goto('/jobs/bus-6/panels/wing/survey');
  await expect(page.getByRole('alert')).toContainText('Panel "wing" is not here');
  await page.goto(`${DOOR}/plan-sheet`);
  await expect(page.getByRole('alert')).toContainText('There is no plan to print yet.');
});

test('a step and a system can be reached by keyboard and by address', async ({ page }) => {
  await askForSystems(page);
  const scrubber = page.getByRole('slider', { name: 'Step' });
  await scrubber.focus();
  await scrubber.press('Home');
  await scrubber.press('ArrowRight');
  await expect(scrubber).toHaveAttribute('aria-valuenow', '1');
  await expect(page).toHaveURL(/step=1/);
  await page.goto(`${DOOR}/system?step=12&zone=B`);
  await expect(page.getByRole('region', { name: 'Step in detail' })).toContainText('Epoxy primer 1:1');
  await expect(page.getByRole('group', { name: /Section after step 12/ })).toBeVisible();
});

const VIEWPORTS = [
  { width: 1280, height: 800 },
  { width: 1024, height: 768 },
  // Zoomed to 150 %.
  { width: 853, height: 533 },
  { width: 800, height: 600 },
];

/** Opens each view once, and makes the window smaller and smaller over it. */
async function expectNothingCutOff(page: Page, paths: readonly string[], isDrawn: boolean): Promise<void> {
  for (const path of paths) {
    await page.setViewportSize(VIEWPORTS[0]!);
    await page.goto(path);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    for (const viewport of VIEWPORTS) {
      await page.setViewportSize(viewport);
      const where = `${path} at ${viewport.width} px`;
      const overrun = () => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
      await expect.poll(async () => [where, await overrun()]).toEqual([where, 0]);
      if (isDrawn) await expect(page.locator('main svg text').nth(3)).toBeVisible();
      await expect.poll(async () => [where, ...(await unreadableText(page))]).toEqual([where]);
    }
  }
}

test('nothing is cut off in the places, from 1280 to 800 px', async ({ page, shop, request }) => {
  test.slow();
  const [{ id: shopId }] = (await (await request.get(`${shop.url}/api/shops`)).json()) as [ShopView];
  const shelves = ['/shelf', ...['equipment', 'stock'].map((part) => `/shelf/${shopId}/${part}`)];
  await expectNothingCutOff(page, ['/jobs', '/jobs/bus-6', '/shop', ...shelves, '/practice'], false);
});

test('nothing is cut off in the stages of a panel, from 1280 to 800 px', async ({ page }) => {
  test.slow();
  await askForSystems(page);
  const stages = ['survey?zone=C', 'system', 'system?step=15&zone=C', 'system?step=29&zone=B'];
  const ladders = ['ladder', 'ladder?view=film&build=B-15', 'plan-sheet'];
  const pours = ['Mix', 'Gun', 'Flow cup', 'Undertone'].map((show) => `${DOOR}/pour?step=15&show=${show}`);
  const drawn = [...stages, ...ladders].map((stage) => `${DOOR}/${stage}`);
  await expectNothingCutOff(page, drawn, true);
  await expectNothingCutOff(page, pours, false);
});
