import { ShopProcess } from './shop-server.ts';
import { expect, expectAccessible, test } from './fixtures.ts';

test('an empty program leads to the first plan: shop, job with its panel, survey, systems', async ({
  page,
}) => {
  const empty = await ShopProcess.begin();
  try {
    await page.goto(empty.url);
    await expect(page.getByRole('heading', { name: 'From here to the first plan' })).toBeVisible();
    await expectAccessible(page);
    await page.getByRole('button', { name: 'Set up the shop' }).click();
    await page.getByRole('spinbutton', { name: 'By day' }).fill('18');
    await page.getByRole('link', { name: 'make the first job' }).click();
    await expect(page.getByRole('heading', { name: 'Your shop' }).getByLabel('done')).toBeVisible();
    await page.getByRole('button', { name: 'Make the first job' }).click();
    await page.keyboard.type('Tailgate of the van');
    await page.getByRole('combobox', { name: 'First panels' }).click();
    await page.getByTitle('hood lid', { exact: true }).click();
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Make the job' }).click();
    await page.getByRole('combobox', { name: 'Add a finding' }).click();
    await page.keyboard.type('dent');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: 'Remove finding dent' })).toBeVisible();
    await page.getByRole('button', { name: 'Choose a system' }).click();
    await page.getByRole('button', { name: 'Ask for systems' }).click();
    await expect(page.getByRole('heading', { name: /^Plan, \d+ steps$/ })).toBeFocused();
    await expect(
      page.getByRole('status').filter({ hasText: /\d systems ready, \d+ refused\./ }),
    ).toBeAttached();
    await expect(page).toHaveTitle(/^Hood lid: System · Blue Ledge$/i);
    // The first step that is due is open, at the opening of the shop.
    await expect(page.getByRole('button', { name: /^1 / })).toHaveAttribute('aria-current', 'step');
    await expect(page.getByRole('button', { name: /^1 / })).toContainText('Mon 08:00');
  } finally {
    await empty.end();
  }
});

test('keys are listed under "?", a drawer gives the focus back, and a page that is come to has it', async ({
  page,
}) => {
  await page.goto('/jobs');
  await expect(page.getByRole('heading', { name: 'Book bus 6' })).toBeVisible();
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('main')).toBeFocused();
  await page.keyboard.press('?');
  const keys = page.getByRole('dialog', { name: 'Keys' });
  await expect(keys).toContainText('one step back or on');
  await expectAccessible(page);
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: /Book bus 6/ }).click();
  await expect(page.getByRole('heading', { name: 'Book bus 6' })).toBeFocused();
  await page.getByRole('link', { name: /^Sliding door shell/ }).click();
  await page.getByRole('link', { name: 'System', exact: true }).click();
  await expect(page.getByRole('heading', { level: 2, name: 'System', exact: true })).toBeFocused();
  await page.getByRole('button', { name: 'Ask for systems' }).click();
  const ways = page.getByRole('button', { name: 'Our ways…' });
  await ways.click();
  await expect(page.getByRole('dialog').getByRole('radio').first()).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(ways).toBeFocused();
});
