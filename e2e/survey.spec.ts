import type { Page } from '@playwright/test';
import { DOOR, expect, expectAccessible, expectSaved, test } from './fixtures.ts';

const area = (page: Page) => page.getByRole('spinbutton', { name: 'Area' });
/** Rows of the list of changes that this browser made. */
const changes = (page: Page) => page.getByRole('tooltip').getByRole('listitem');

test('every change can be undone, also after a reload', async ({ page }) => {
  await page.goto(`${DOOR}/survey?zone=B`);
  await area(page).fill('0.3');
  await expectSaved(page);
  await page.reload();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(area(page)).toHaveValue('0.35');
  await expectSaved(page);
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
});

test('absurd figures get a sentence at the field, and nothing is sent', async ({ page }) => {
  await page.goto(`${DOOR}/survey?zone=B`);
  for (const typed of ['-1', '0', '99999']) {
    await area(page).fill(typed);
    await area(page).blur();
    await expect(page.getByRole('alert')).toContainText('Area must be from');
    await expect(area(page)).toHaveValue(typed);
  }
  await expectSaved(page);
  await area(page).fill('0.34');
  await expect(page.getByRole('alert')).toHaveCount(0);
});

test('numbers mean what was typed: decimal commas, and a sentence where there are two readings', async ({
  page,
}) => {
  await page.goto(`${DOOR}/survey?zone=C`);
  const thickness = page.getByRole('spinbutton', { name: 'Thickness of filler' });
  await thickness.fill('812,5');
  await thickness.blur();
  await expect(thickness).toHaveValue('812.5');
  await expectSaved(page);
  // Key by key it is 1.25 on the way: what is refused in the end leaves the value as it was.
  await thickness.fill('');
  await thickness.pressSequentially('1,250', { delay: 60 });
  await thickness.blur();
  await expectSaved(page);
  await expect(page.getByRole('group', { name: /^Section/ })).toHaveAccessibleName(/filler 813|812/);
  await expect(page.getByRole('alert')).toHaveText(
    '"1,250" can be 1.25 or 1250: write it without the comma.',
  );
  await expect(thickness).toHaveValue('1,250');
  await thickness.press('Escape');
  await expect(thickness).toHaveValue('812.5');
  await thickness.press('ArrowUp');
  await expect(thickness).toHaveValue('813.5');
  await expectSaved(page);
  // Taken back while the field has the keyboard, the field shows what was before.
  await page.getByRole('region', { name: 'Zone C' }).getByRole('button', { name: 'Undo' }).click();
  await expect(thickness).toHaveValue('812.5');
  await thickness.focus();
  await thickness.press('Tab');
  await expectSaved(page);
  await expect(thickness).toHaveValue('812.5');
});

test('a zone larger than what is left of the panel is not saved, said so, kept, and can be undone', async ({
  page,
}) => {
  await page.goto(`${DOOR}/survey?zone=B`);
  await area(page).fill('2');
  const notice = page.getByRole('alert');
  await expect(notice).toContainText('more than the panel');
  await page.reload();
  await expect(area(page)).toHaveValue('2');
  await expect(notice).toContainText('Not saved yet; your change is kept on this screen.');
  await notice.getByRole('button', { name: 'undo the change' }).click();
  await expect(area(page)).toHaveValue('0.35');
  await expectSaved(page);
});

test('two people at one zone: the later sees both values and chooses', async ({ page, shop }) => {
  await page.goto(`${DOOR}/survey?zone=B`);
  await expect(area(page)).toHaveValue('0.35');
  // The screen is not told in time.
  await page.route('**/api/**', (route) =>
    route.request().method() === 'GET' ? route.abort() : route.continue(),
  );
  await shop.editDoor([{ path: ['zones', 'B', 'areaM2'], from: 0.35, to: 0.31 }]);
  await area(page).fill('0.2');
  const notice = page.getByRole('alert');
  await expect(notice).toContainText('0.31 m²');
  await page.unroute('**/api/**');
  await notice.getByRole('button', { name: 'Keep mine' }).click();
  await expectSaved(page);
  await page.reload();
  await expect(area(page)).toHaveValue('0.2');
});

test('a panel colder than the air: its measured surface counts against the dew point', async ({ page }) => {
  await page.goto(`${DOOR}/survey?zone=B`);
  await page.getByRole('combobox', { name: 'Another test' }).click();
  await page.getByTitle(/^Surface temperature/).click();
  const surface = page.getByRole('spinbutton', { name: 'Surface temperature' });
  await surface.fill('10');
  await surface.blur();
  await expect(page.getByText('0.7 °C above the dew point, 3 °C needed: do not coat.')).toBeVisible();
  await expectSaved(page);
  await page.getByRole('button', { name: 'Choose a system' }).click();
  await page.getByRole('button', { name: 'Ask for systems' }).click();
  await expect(page.getByText(/Only 0\.7 °C above dew point/).first()).toBeVisible();
});

test('US units show and take mils and square feet, and store the same', async ({ page }) => {
  await page.goto(`${DOOR}/survey?zone=C`);
  await page.getByRole('button', { name: 'US units' }).click();
  const thickness = page.getByRole('spinbutton', { name: 'Thickness of filler' });
  await expect(thickness).toHaveValue('35.433');
  await thickness.fill('40');
  await expectSaved(page);
  const readings = page.getByRole('textbox', { name: 'Gauge readings in mil' });
  await readings.fill('39,8 40.2 40.0');
  await readings.press('Enter');
  await expect(page.getByText('Mean 40 mil, from 39.8 mil to 40.2 mil.')).toBeVisible();
  await expectSaved(page);
  await page.getByRole('button', { name: 'Metric units' }).click();
  await expect(thickness).toHaveValue('1016');
  await expect(page.getByRole('textbox', { name: 'Gauge readings in µm' })).toHaveValue('1011 1021 1016');
});

test('work goes on while the server is away, and arrives when it is back', async ({ page, shop }) => {
  await page.goto(`${DOOR}/survey?zone=B`);
  await expect(area(page)).toHaveValue('0.35');
  await shop.stop();
  await area(page).fill('0.3');
  await expect(page.getByRole('status').filter({ hasText: 'The server does not answer' })).toContainText(
    'Your changes are kept here',
  );
  await page.getByRole('button', { name: /filled dent/ }).click();
  await page
    .getByRole('region', { name: 'Zone C' })
    .getByRole('spinbutton', { name: 'Thickness of filler' })
    .fill('1000');
  await page.getByRole('button', { name: 'Changes' }).click();
  await expect(changes(page)).toHaveText([/Sliding door shell, zone B: area/, /^waits.*zone C: layers/]);
  await shop.start();
  await expectSaved(page);
  await page.reload();
  await expect(page.getByRole('spinbutton', { name: 'Thickness of filler' })).toHaveValue('1000');
  await page.getByRole('button', { name: /stripped patch/ }).click();
  await expect(area(page)).toHaveValue('0.3');
});

test('a change of a panel that is gone is listed with its reason, and can be given up', async ({
  page,
  shop,
}) => {
  await page.goto(`${DOOR}/survey?zone=B`);
  await expect(area(page)).toHaveValue('0.35');
  // The screen is not told in time.
  await page.route('**/api/**', (route) =>
    route.request().method() === 'GET' ? route.abort() : route.continue(),
  );
  await shop.send('DELETE', '/api/jobs/bus-6/panels/door', { version: 1 });
  const answered = page.waitForResponse((answer) => answer.request().method() === 'PATCH');
  await area(page).fill('0.3');
  await answered;
  await page.unroute('**/api/**');
  await page.goto('/jobs');
  await expect(page.getByRole('status').filter({ hasText: '1 not saved' })).toBeVisible();
  await page.getByRole('button', { name: 'Changes' }).click();
  await expect(changes(page)).toHaveText(/^not saved.*zone B: area.*Panel "door" is not here/);
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Give this change up' }).click();
  await expectSaved(page);
  await expect(page.getByText('None yet. Each is sent as soon as it is made.')).toBeVisible();
});

test('a tab closed while the server is away saves its work when it is opened again', async ({
  page,
  shop,
  context,
}) => {
  await page.goto(`${DOOR}/survey?zone=B`);
  await expect(area(page)).toHaveValue('0.35');
  await shop.stop();
  await area(page).fill('0.3');
  await expect(page.getByText('The server does not answer. Your changes are kept here;')).toBeVisible();
  await page.close();
  await shop.start();
  const again = await context.newPage();
  await again.goto(`${DOOR}/survey?zone=B`);
  await expect(area(again)).toHaveValue('0.3');
  await expectSaved(again);
});

test('a school chosen while the server is away is kept over a reload, and arrives', async ({
  page,
  shop,
  context,
}) => {
  await page.goto('/jobs/bus-6');
  await expect(page.getByRole('combobox', { name: 'Target quality' })).toBeVisible();
  await shop.stop();
  await page.getByRole('combobox', { name: 'Target quality' }).click();
  await page.getByTitle('show', { exact: true }).click();
  await expect(page.getByText('The server does not answer.')).toBeVisible();
  await page.close();
  await shop.start();
  const again = await context.newPage();
  await again.goto('/jobs/bus-6');
  await expect(again.getByText('6 panels, show quality')).toBeVisible();
  await expectSaved(again);
  const { job } = await (await fetch(`${shop.url}/api/jobs/bus-6`)).json();
  expect(job.target.quality).toBe('show');
});

test('a solvent rub that softens the finish makes the plan isolate or strip it', async ({ page }) => {
  await page.goto('/jobs/bus-6/panels/hatch/survey?zone=A');
  await page.getByRole('combobox', { name: 'Solvent rub' }).click();
  await page.getByTitle('colour or softening: thinner-soft').click();
  await expectSaved(page);
  await page.getByRole('button', { name: 'Choose a system' }).click();
  await page.getByRole('button', { name: 'Ask for systems' }).click();
  const cards = page.getByRole('region', { name: 'Systems to compare' });
  await expect(cards.getByRole('button', { name: /^Thinner-soft paint off, epoxy/ }).first()).toBeVisible();
  await expect(
    cards
      .getByRole('listitem')
      .filter({ hasText: /Refused\..*O2/ })
      .first(),
  ).toContainText('softens under thinner');
});

test('a shop that is too cold gets no system, and is told why', async ({ page }) => {
  await page.goto('/shop');
  await page.getByRole('spinbutton', { name: 'By day' }).fill('4');
  await page.getByRole('spinbutton', { name: 'By day' }).press('Enter');
  await expectSaved(page);
  await page.goto(`${DOOR}/system`);
  await page.getByRole('button', { name: 'Ask for systems' }).click();
  await expect(page.getByRole('alert')).toContainText(
    'No system on this shelf gets the panel ready for base',
  );
  await expect(page.getByRole('alert')).toContainText('the shop is at 4 °C');
});
