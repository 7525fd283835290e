import type { Browser, Page } from '@playwright/test';
import { DOOR, askForSystems, expect, expectAccessible, expectSaved, test } from './fixtures.ts';
import { onMondayMorning } from './shop-day.ts';
import type { ShopServer } from './shop-server.ts';

/** Clocks at the bench: on every screen the same, through reloads, a wrong wall clock and a server that is away. */

const chip = (page: Page, text: RegExp) =>
  page.getByRole('region', { name: 'Clocks that run' }).getByRole('button', { name: text });

/** Another screen of the shop: a browser of its own. */
async function anotherScreen(browser: Browser, shop: ShopServer): Promise<Page> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' });
  await onMondayMorning(context);
  const page = await context.newPage();
  await page.goto(`${shop.url}/bay`);
  return page;
}

/** Says that the only clock began so long ago that its first moment comes in so many seconds. */
async function endsIn(shop: ShopServer, seconds: number): Promise<void> {
  const { nowMs, clocks } = await shop.get('/api/clocks');
  const { clock, moments } = clocks[0]!;
  const startedMs = clock.startedMs - (moments[0]!.atMs - nowMs - seconds * 1000);
  await shop.send('PATCH', `/api/clocks/${clock.id}`, { startedMs });
}

test('a clock runs out on two screens, is stopped on one of them and runs again', async ({
  page,
  browser,
  shop,
}) => {
  await askForSystems(page);
  await page.goto(`${DOOR}/system?step=1`);
  await page.getByRole('button', { name: 'Start a clock for it' }).click();
  await expect(chip(page, /Sliding door shell, 1\. .*time is up at/)).toBeVisible();
  await expect(page.getByText('All saved')).toBeVisible();
  const other = await anotherScreen(browser, shop);
  await expect(chip(other, /Sliding door shell, 1\. .*time is up at/)).toBeVisible();
  await other.reload();
  await expect(chip(other, /time is up at/)).toBeVisible();

  await endsIn(shop, 3);
  for (const screen of [page, other]) {
    await expect(chip(screen, /Time is up/)).toBeVisible();
    await expect(screen.getByText(/Sliding door shell, 1\. .*\. Time is up\./)).toBeAttached();
  }

  await other.getByRole('button', { name: 'Clocks', exact: true }).click();
  const drawer = other.getByRole('dialog', { name: 'Clocks' });
  await drawer.getByRole('button', { name: 'Stop' }).click();
  await expect(chip(page, /Time is up/)).toBeHidden();
  await drawer.getByRole('button', { name: 'Let it run again' }).click();
  await expect(chip(page, /Time is up/)).toBeVisible();
  await other.context().close();
});

test('the clock of a coat says until when the next one bonds and what missing it costs, and follows the shop’s air', async ({
  page,
  shop,
}) => {
  await askForSystems(page);
  await page.goto(`${DOOR}/system?step=12`);
  await page.getByRole('button', { name: 'The last coat is on: start its clock' }).click();
  await expect(page.getByText(/next coat from \d\d:\d\d; then 15\. High-build/)).toBeVisible();
  await expectSaved(page);
  await page.goto(`${DOOR}/system?step=13`);
  await expect(page.getByText('The clock of 12. Epoxy primer 1:1.')).toBeVisible();
  await page.getByRole('button', { name: 'Clocks', exact: true }).click();
  const drawer = page.getByRole('dialog', { name: 'Clocks' });
  await expect(
    drawer.getByText(/past it, scuff and clean before the next coat, about \d+ min/),
  ).toBeVisible();
  await expectAccessible(page);
  const opens = drawer.getByText(/^from (\w+ )?\d\d:\d\d$/);
  const before = await opens.textContent();
  const [{ id }] = await shop.get('/api/shops');
  await shop.send('PATCH', `/api/shops/${id}`, { shop: { celsius: 10, nightCelsius: 8 } });
  await expect(opens).not.toHaveText(before!);
});

test('a wall clock that is set wrong moves no clock, and is said', async ({ page }) => {
  await page.goto('/bay');
  await page.getByRole('button', { name: 'Clocks', exact: true }).click();
  const drawer = page.getByRole('dialog', { name: 'Clocks' });
  await drawer.getByLabel('What for').fill('Lamp on the fender');
  await drawer.getByLabel('Minutes').fill('60');
  await drawer.getByRole('button', { name: 'Start the clock' }).click();
  await expect(drawer.getByRole('heading', { name: 'Lamp on the fender' })).toBeVisible();
  await page.evaluate(() => {
    const was = Date.now;
    const Was = Date;
    globalThis.Date = new Proxy(Was, {
      get: (target, name) => (name === 'now' ? () => was() + 7 * 60_000 : Reflect.get(target, name)),
    });
  });
  await expect(drawer.getByText(/This screen’s clock is 7 min ahead of the server’s/)).toBeVisible();
  await expect(chip(page, /Lamp on the fender.*59 min/)).toBeVisible();
});

test('a clock that is started while the server is away counts at once, and arrives', async ({
  page,
  shop,
}) => {
  await askForSystems(page);
  await page.goto(`${DOOR}/system?step=1`);
  await expect(page.getByRole('button', { name: 'Start a clock for it' })).toBeVisible();
  await shop.stop();
  await page.getByRole('button', { name: 'Start a clock for it' }).click();
  await expect(chip(page, /Sliding door shell, 1\./)).toBeVisible();
  await shop.start();
  await expect(page.getByText('All saved')).toBeVisible();
  const { clocks } = await shop.get('/api/clocks');
  expect(clocks).toHaveLength(1);
  await expect(chip(page, /Sliding door shell, 1\./)).toBeVisible();
});
