import type { Page } from '@playwright/test';
import { CORNER, act, atBench, heading } from './bench.ts';
import { askForSystems, expect, expectAccessible, expectSaved, test } from './fixtures.ts';

/** What is typed and sent: a full browser, a server that fails for now, words in the middle of typing. */

const saveState = (page: Page) => page.locator('.save-state');

test('the browser’s storage is full: what was entered stays on the screen, is sent, and the strip says so', async ({
  page,
  shop,
}) => {
  await askForSystems(page, CORNER);
  await atBench(page, CORNER);
  await shop.stop();
  await page.evaluate(() => {
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('The disk is full.', 'QuotaExceededError');
    };
  });
  for (const title of [/Degrease/, /Scuff|Dull|Mask|Sand|Abrade/]) {
    await act(page, /^Done as planned/).click();
    await expect(heading(page)).toHaveText(title);
  }
  await expect(saveState(page)).toContainText('This browser keeps nothing: its storage is full or shut.');
  await expect(saveState(page)).toContainText('2 not sent yet: a reload now loses them.');
  await expectAccessible(page);
  await shop.start();
  await expect(saveState(page)).toContainText('All is sent.');
  await expect(page.locator('.run-n')).toHaveText(/^3/);
  const { entries } = await shop.get(`/api${CORNER}/record`);
  expect(entries).toHaveLength(2);
});

test('the server has no room for now: the entry waits, is sent again by hand, and is there once', async ({
  page,
  shop,
}) => {
  await askForSystems(page, CORNER);
  await atBench(page, CORNER);
  await page.route('**/record', (route) =>
    route.request().method() === 'POST'
      ? route.fulfill({ status: 507, json: { status: 507, title: 'The disk of the server is full.' } })
      : route.continue(),
  );
  await act(page, /^Done as planned/).click();
  await expect(saveState(page)).toContainText('The server could not save 1.');
  await expect(heading(page)).toHaveText(/Degrease/);
  await page.getByRole('button', { name: 'Changes' }).click();
  await expect(page.getByText('The disk of the server is full.')).toBeVisible();
  await expectAccessible(page);
  await page.unroute('**/record');
  await page.getByRole('button', { name: 'Send again' }).click();
  await expectSaved(page);
  const { entries } = await shop.get(`/api${CORNER}/record`);
  expect(entries).toHaveLength(1);
});

test('a step that is tapped as the page is left is entered all the same, once', async ({ page, shop }) => {
  await askForSystems(page, CORNER);
  await atBench(page, CORNER);
  // The page goes in the very turn of the tap: nothing that takes a moment is done any more.
  await act(page, /^Done as planned/).evaluate((button: HTMLElement) => {
    button.click();
    window.location.reload();
  });
  await expect(heading(page)).toHaveText(/Degrease/);
  await expectSaved(page);
  const { entries } = await shop.get(`/api${CORNER}/record`);
  expect(entries).toHaveLength(1);
  expect(
    await page.evaluate(() => Object.keys(localStorage).filter((name) => name.includes('just-made'))),
  ).toEqual([]);
});

test('a long text is kept by a reload in the middle of it', async ({ page }) => {
  await page.goto('/jobs/bus-6');
  const field = page.getByLabel('What the customer said');
  await field.fill('Scraped by a gate, and the rear');
  await expect(saveState(page)).toContainText(/Saving|All saved/);
  await expect(async () => {
    const job = (await (await page.request.get('/api/jobs/bus-6')).json()) as { readonly job: object };
    expect(JSON.stringify(job.job)).toContain('Scraped by a gate, and the rear');
  }).toPass();
  await page.reload();
  await expect(field).toHaveValue('Scraped by a gate, and the rear');
});
