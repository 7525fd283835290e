import type { ShopView } from '@blue-ledge/core';
import { DOOR, askForSystems, expect, expectAccessible, expectSaved, test } from './fixtures.ts';

/** The shop's own products: written, kept, taken in, and laid by plans. */

test('a sheet is written, and the plan lays it and says that the shelf has changed', async ({
  page,
  shop,
  request,
}) => {
  await askForSystems(page);
  await page.goto('/shelf');
  await page.getByRole('button', { name: 'New product' }).click();
  const dialog = page.getByRole('dialog', { name: 'New product' });
  await dialog.getByLabel('What you call it').fill('Quick build');
  await dialog.getByRole('combobox', { name: 'It begins as' }).fill('High-build');
  await page.getByTitle('High-build primer: High-build primer 4:1:1').click();
  await dialog.getByRole('button', { name: 'Write its sheet' }).click();

  // What cannot be is refused by its name, what is unusual is asked about; neither is lost by a reload.
  const bar = page.getByRole('region', { name: 'Save the sheet' });
  const save = bar.getByRole('button', { name: 'Put it on the shelf' });
  await page.getByLabel('Most in one application').fill('40');
  await expect(bar).toContainText('Most in one application must be at least the film of one coat.');
  await expect(save).toBeDisabled();
  await page.getByLabel('Most in one application').fill('200');
  await page.getByLabel('Flash between coats').fill('400');
  await page.reload();
  await expect(page.getByLabel('Flash between coats')).toHaveValue('400');
  await save.click();
  const sure = page.getByRole('dialog', { name: 'Sure?' });
  await expect(sure).toContainText('A flash of 6.7 h between coats is long.');
  await sure.getByRole('button', { name: 'Look again' }).click();
  await page.getByLabel('Flash between coats').fill('8');
  await page.getByLabel('Sands after').first().fill('60');
  // The same cans thinned as sealer: a way of its own, with its own pot life.
  await page.getByRole('button', { name: 'as sealer', exact: true }).click();
  const ways = page.getByRole('region', { name: 'Mixed in other ways' });
  await ways.getByLabel('Pot life').fill('95');
  await save.click();
  await expect(page.getByText('High-build primer, version 1')).toBeVisible();
  const [{ id: shopId }] = (await (await request.get(`${shop.url}/api/shops`)).json()) as [ShopView];
  const kept = (await (await request.get(`${shop.url}/api/shops/${shopId}/sheets`)).json()) as object[];
  expect(kept).toMatchObject([
    { potLifeMin: 60, modes: [{ id: 'as-sealer', kind: 'sealer', potLifeMin: 95 }] },
  ]);
  await expectAccessible(page);

  await page.goto(`${DOOR}/system`);
  await expect(page.getByText('Product sheets have changed since this plan was made.')).toBeVisible();
  // What would change is shown before anything does.
  await page.getByRole('button', { name: 'What would change?' }).click();
  const preview = page.getByRole('dialog', { name: 'What planning again would change' });
  await expect(preview.getByRole('list', { name: 'Changed sheets' })).toContainText(
    'Quick build: new on the shelf.',
  );
  await expect(preview.getByRole('columnheader', { name: /^Planned again:/ })).toBeVisible();
  await preview.getByRole('button', { name: 'Plan again' }).click();
  await expect(page.getByRole('button', { name: /^\d+ Quick build, as sealer/ })).toBeVisible();
  await page.getByRole('button', { name: /^\d+ Quick build Mon/ }).click();
  const detail = page.getByRole('region', { name: 'Step in detail' });
  await detail.getByRole('button', { name: 'Other products for this…' }).click();
  await expect(detail).toContainText('No other product on this shelf does the same work.');
});

test('another product is taken for a plan, with what it costs in sight, and taken back', async ({
  page,
  shop,
  request,
}) => {
  const [{ id }] = (await (await request.get(`${shop.url}/api/shops`)).json()) as [ShopView];
  const generic = (await (await request.get(`${shop.url}/api/shelf/sheets`)).json()) as { id: string }[];
  const build = generic.find((sheet) => sheet.id === 'build-4-1-1')!;
  const sheets = [
    { ...build, id: 'usual', name: 'Usual build' },
    { ...build, id: 'slow', name: 'Slow build', sandAfterMin: 400, pricePerLitre: 36 },
  ];
  await request.post(`${shop.url}/api/shops/${id}/sheets`, { data: { sheets } });
  await askForSystems(page);
  await page.getByRole('button', { name: /^\d+ Usual build/ }).click();
  const detail = page.getByRole('region', { name: 'Step in detail' });
  await detail.getByRole('button', { name: 'Other products for this…' }).click();
  const other = detail.getByRole('listitem').filter({ hasText: 'Slow build' });
  await expect(other).toContainText(/ready .* later, material .* dearer/);
  await other.getByRole('button', { name: 'Take Slow build' }).click();
  await expect(page.getByText('For this plan only: Slow build.')).toBeVisible();
  await expect(page.getByRole('button', { name: /^\d+ Slow build/ })).toBeVisible();
  await page.getByRole('button', { name: 'As the shelf prefers' }).click();
  await expect(page.getByRole('button', { name: /^\d+ Usual build/ })).toBeVisible();
});

test('sheets go out as a table and come in after a preview; two are compared, one is put away', async ({
  page,
}) => {
  await page.goto('/shelf');
  await page.getByRole('button', { name: 'Take Fine glaze, 2 % hardener over' }).click();
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await page.getByRole('link', { name: /^All products of/ }).click();
  await page.getByRole('button', { name: 'Duplicate Fine glaze, 2 % hardener' }).click();
  await page.getByLabel('Price of a litre').fill('31,5');
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await page.getByRole('link', { name: /^All products of/ }).click();

  await page.getByRole('checkbox', { name: 'Compare Fine glaze, 2 % hardener', exact: true }).check();
  await page.getByRole('checkbox', { name: 'Compare Fine glaze, 2 % hardener, copy' }).check();
  await page.getByRole('button', { name: 'Compare the two' }).click();
  const compared = page.getByRole('dialog', { name: 'Two products side by side' });
  await expect(compared.getByRole('row', { name: /Price of a litre.*differs/ })).toContainText('31.5');
  await page.keyboard.press('Escape');

  await page.getByRole('button', { name: 'Save them…' }).hover();
  const [table] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: 'As a table (CSV)' }).click(),
  ]);
  const stream = await table.createReadStream();
  const text = (await stream.toArray()).join('');
  const file = (content: string) => ({
    name: 'sheets.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(content),
  });
  const input = page.getByLabel('File of product sheets');
  const preview = page.getByRole('dialog', { name: 'What the file holds' });

  await input.setInputFiles(file(`\uFEFF${text.replace('31.5', 'much')}`));
  await expect(preview.getByRole('row', { name: /pricePerLitre/ })).toBeVisible();
  await expect(preview.getByRole('button', { name: /^Take in/ })).toBeDisabled();
  await input.setInputFiles(file(`\uFEFF${text.replace('31.5', '"33,5"')}`));
  await expect(preview).toContainText('another version of');
  await preview.getByRole('button', { name: 'Take in 2 sheets' }).click();
  await expect(page.getByText('0 new, 1 changed, 1 as they were.')).toBeVisible();
  await page.getByRole('button', { name: 'Good' }).click();
  const copy = page.getByRole('listitem').filter({ hasText: 'hardener, copy' });
  await expect(copy).toContainText('33.50 a litre');
  await copy.getByRole('button', { name: 'Archive' }).click();
  await expect(copy).toHaveCount(0);
  await page.getByRole('checkbox', { name: 'Archived too' }).check();
  await expect(copy).toContainText('archived');
  await page.getByRole('searchbox', { name: 'Find a product' }).fill('sealer');
  await expect(copy).toHaveCount(0);
});

test('a kind that the shop does not have is laid by no plan, and comes back when it is asked for', async ({
  page,
}) => {
  await page.goto('/shelf');
  await page.getByRole('button', { name: 'We have no epoxy', exact: true }).click();
  const none = page.getByRole('region', { name: 'None of this kind' });
  await expect(none).toContainText('you said that you have none');
  await expectAccessible(page);
  await expectSaved(page);
  await page.reload();
  await expect(none).toContainText('epoxy');
  await askForSystems(page);
  const systems = page.getByRole('region', { name: 'Systems to compare' });
  await expect(systems).toContainText('Direct-to-metal build');
  await expect(systems).not.toContainText('Epoxy,');
  await page.goto('/shelf');
  await none.getByRole('button', { name: 'Use the built-in epoxy again' }).click();
  await expect(none).toHaveCount(0);
  await expectSaved(page);
  await page.goto(`${DOOR}/system`);
  await expect(page.getByText(/lacks: epoxy, now no kind/)).toBeVisible();
});

test('what somebody else saved meanwhile is overwritten by nobody unasked', async ({
  page,
  shop,
  request,
}) => {
  const [{ id }] = (await (await request.get(`${shop.url}/api/shops`)).json()) as [ShopView];
  await page.goto('/shelf');
  await page.getByRole('button', { name: 'Take Sealer 3:1:1 over' }).click();
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await expect(page.getByText('Sealer 3:1:1 is saved.')).toBeAttached();
  await page.getByLabel('Price of a litre').fill('50');
  const at = `${shop.url}/api/shops/${id}/sheets`;
  const [sheet] = (await (await request.get(at)).json()) as [{ id: string }];
  await request.put(`${at}/${sheet.id}`, { data: { sheet: { ...sheet, pricePerLitre: 77 }, from: 1 } });
  const notice = page.getByRole('alert').filter({ hasText: 'Somebody saved version 2 meanwhile.' });
  await expect(notice).toBeVisible();
  await notice.getByRole('button', { name: 'Keep mine on top' }).click();
  await page.getByRole('button', { name: 'Save as the next version' }).click();
  await expect(page.getByText('Sealer, version 3')).toBeVisible();
  await expect(page.getByLabel('Price of a litre')).toHaveValue('50');
});

test('what is typed while a sheet is on its way to the server stays, and is saved as the next version', async ({
  page,
}) => {
  await page.goto('/shelf');
  await page.getByRole('button', { name: 'Take Sealer 3:1:1 over' }).click();
  let answer: () => void = () => undefined;
  const held = new Promise<void>((resolve) => (answer = resolve));
  await page.route('**/sheets/*', async (route) => {
    if (route.request().method() === 'PUT') await held;
    await route.continue();
  });
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  const price = page.getByLabel('Price of a litre');
  await price.fill('50');
  answer();
  await expect(page.getByText('Sealer 3:1:1 is saved.')).toBeAttached();
  await expect(price).toHaveValue('50');
  await page.getByRole('button', { name: 'Save as the next version' }).click();
  await expect(page.getByText('Sealer, version 2')).toBeVisible();
  await page.reload();
  await expect(price).toHaveValue('50');
});
