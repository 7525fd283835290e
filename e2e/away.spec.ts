import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { CORNER, act, atBench } from './bench.ts';
import { askForSystems, expect, expectAccessible, expectSaved, test } from './fixtures.ts';

/** The server away, and a page left open over an update: the true cause is said, nothing is blank, nothing is lost. */

test('a screen that was never opened says that the server is away, and comes by itself when it is back', async ({
  page,
  shop,
}) => {
  await askForSystems(page, CORNER);
  await atBench(page, CORNER);
  // As if nothing had been fetched ahead.
  await page.route('**/assets/PourStage*', (route) => route.abort());
  await shop.stop();
  await act(page, /^Done as planned/).click();
  await page.getByRole('link', { name: 'Pour' }).click();
  await expect(page.getByRole('heading', { name: 'The server does not answer' })).toBeVisible();
  await expect(
    page.getByText('What you entered is kept here and sent when the server is back.'),
  ).toBeVisible();
  await expect(page.getByText('All saved')).toBeHidden();
  await expectAccessible(page);
  await page.unroute('**/assets/PourStage*');
  await shop.start();
  await expect(page.getByRole('heading', { name: 'For the whole panel' })).toBeVisible();
  await expectSaved(page);
  const { entries } = await shop.get(`/api${CORNER}/record`);
  expect(entries).toHaveLength(1);
});

test('stages are fetched ahead: one that was never opened opens without the server', async ({
  page,
  shop,
}) => {
  const fetched = page.waitForResponse(/\/assets\/LadderStage/);
  await askForSystems(page, CORNER);
  await fetched;
  await expect(page.getByText('times by the bay')).toBeVisible();
  // The whole list is through.
  await page.waitForLoadState('networkidle');
  await shop.stop();
  await page.getByRole('link', { name: 'Ladder' }).click();
  await expect(page.getByRole('heading', { name: /grit|Ladder/i }).first()).toBeVisible();
  await shop.start();
});

test('a page left open over an update is told, and the new version keeps what was typed', async ({
  page,
  shop,
}) => {
  await askForSystems(page, CORNER);
  const parts = JSON.parse(
    readFileSync(join(import.meta.dirname, '../web/dist/parts.json'), 'utf8'),
  ) as object;
  await page.route('**/parts.json', (route) =>
    route.fulfill({ json: { ...parts, entry: 'assets/index-newer.js' } }),
  );
  await page.route('**/assets/RunStage*', (route) => route.abort());
  await page.getByRole('link', { name: 'Run' }).click();
  await expect(page.getByRole('heading', { name: 'A new version of Blue Ledge is here' })).toBeVisible();
  await expectAccessible(page);
  await page.unroute('**/assets/RunStage*');
  await page.unroute('**/parts.json');
  await page.getByRole('main').getByRole('button', { name: 'Load the new version' }).click();
  await expect(page.locator('#run-step')).toBeVisible();

  // Told also where no part is missing: the server was away and came back newer.
  await page.route('**/parts.json', (route) =>
    route.fulfill({ json: { ...parts, entry: 'assets/index-newer.js' } }),
  );
  await shop.stop();
  await page.getByRole('button', { name: 'Who works here?' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Prep A' }).click();
  await act(page, /^Done as planned/).click();
  await expect(page.getByText(/The server does not answer\./)).toBeVisible();
  await shop.start();
  await expect(page.getByText('A new version of Blue Ledge is on the server.')).toBeVisible();
  await page.unroute('**/parts.json');
  await page.getByRole('button', { name: 'Load the new version' }).click();
  await expect(page.locator('.run-n')).toHaveText(/^2/);
  await expectSaved(page);
});

test('a fault of the program is shown with its reference, and the server has it in its log', async ({
  page,
  complaints,
}) => {
  await page.goto('/jobs');
  await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible();
  const told = page.waitForRequest('**/api/faults');
  await page.evaluate(() => {
    void Promise.reject(new Error('a promise nobody waits for'));
  });
  const notice = page.getByRole('alert').filter({ hasText: 'A fault of the program' });
  await expect(notice).toContainText('a promise nobody waits for');
  const { reference } = (await told).postDataJSON() as { readonly reference: string };
  await expect(notice).toContainText(reference);
  await expectAccessible(page);
  await notice.getByRole('button', { name: 'Close the notice' }).click();
  await expect(notice).toBeHidden();
  expect(complaints.splice(0)).toEqual(['a promise nobody waits for']);
});

test('what was made before the stream of events was open is on the page once it is', async ({ page }) => {
  // The stream comes late, as on a machine that is busy while the program starts.
  let open: () => void = () => undefined;
  const held = new Promise<void>((resolve) => (open = resolve));
  await page.route('**/api/events', async (route) => {
    await held;
    await route.continue();
  });
  await askForSystems(page, CORNER);
  const bay = page.getByText('times by this plan alone: it is not in the bay');
  await expect(bay).toBeVisible();
  open();
  await expect(page.getByText('times by the bay')).toBeVisible();
});
