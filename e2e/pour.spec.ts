import type { ShopView } from '@blue-ledge/core';
import { readFile } from 'node:fs/promises';
import { DOOR, askForSystems, expect, expectAccessible, expectSaved, test } from './fixtures.ts';

/** Pour: what is mixed, poured part by part, made right, taken from the stock, and sprayed with which gun. */

const BUILD = /High-build primer 4:1:1/;

test('a mix is poured by scale; too much of one part is made right, and its clock runs', async ({ page }) => {
  await page.goto(`${DOOR}/pour`);
  await expect(page.getByRole('heading', { name: 'Nothing to mix yet' })).toBeVisible();
  await askForSystems(page);
  await page.getByRole('link', { name: 'Pour', exact: true }).click();
  await page.getByRole('list', { name: 'Mixes' }).getByRole('button', { name: BUILD }).click();
  const card = page.getByRole('region', { name: BUILD });
  await expect(card).toContainText('needed, losses included');
  await expect(card).toContainText('Good for 1 h');
  await expect(card).toContainText('within this shop’s limit of 540 g/l');

  await card.getByRole('button', { name: 'Pour it part by part' }).click();
  const guide = card.getByRole('region', { name: /^Pour build base/ });
  await expect(guide).toContainText('until the scale reads 393 g');
  const reading = card.getByRole('spinbutton', { name: 'Reading of the scale' });
  await reading.fill('393');
  await guide.getByRole('button', { name: 'It is in: next' }).click();

  // 40 g of hardener too much, and a reload in between: nothing is lost, and the base is asked for again.
  await reading.fill('498');
  await expect(card.getByRole('status').filter({ hasText: 'Too much.' })).toContainText(
    /right again with .* build base; .* thinner; that makes .* more than was wanted/,
  );
  await card.getByRole('button', { name: 'Take it so' }).click();
  await page.reload();
  await expect(card.getByRole('heading', { name: /^Pour build base, more of it/ })).toBeVisible();
  const target = await card.locator('.guide-target b').innerText();
  await reading.fill(target.replace(/[^\d.]/g, ''));
  await card.getByRole('button', { name: 'It is in: next' }).click();
  await expect(card.getByRole('heading', { name: /^Pour thinner/ })).toBeVisible();
  await reading.fill((await card.locator('.guide-target b').innerText()).replace(/[^\d.]/g, ''));
  await card.getByRole('button', { name: 'It is in: next' }).click();
  await card.getByRole('button', { name: 'Stirred: start its clock' }).click();
  await expect(card.getByRole('timer').filter({ hasText: 'left, good until' })).toBeVisible();
  await expectAccessible(page);
});

test('a strip is printed for a cup of the shop, true to scale', async ({ page }) => {
  await askForSystems(page);
  await page.goto(`${DOOR}/pour`);
  await page.getByRole('list', { name: 'Mixes' }).getByRole('button', { name: BUILD }).click();
  const cup = page.getByRole('region', { name: 'In a cup' });
  await expect(cup.getByRole('row').nth(1)).toContainText(/build base.*mm.*line 3\.2 of its column 4/);
  const download = page.waitForEvent('download');
  await cup.getByRole('button', { name: 'Print a strip for this cup (PDF)' }).click();
  const file = await download;
  expect(file.suggestedFilename()).toBe('cup-strip-cup-600.pdf');
  expect((await readFile(await file.path())).subarray(0, 5).toString()).toBe('%PDF-');
});

test('a gun is set up: a smaller tip takes more coats, a small compressor does not last, what worked is kept', async ({
  page,
}) => {
  await page.goto('/shelf');
  await page.getByRole('link', { name: 'Equipment' }).click();
  await page.getByRole('spinbutton', { name: 'Delivers of Screw compressor' }).fill('120');
  await page.getByRole('spinbutton', { name: 'Tank of Screw compressor' }).fill('10');
  await page.getByRole('button', { name: 'Another gun' }).click();
  const name = page.getByRole('textbox', { name: 'Name of Gun 3' });
  await name.fill('');
  await expect(page.getByText('A gun needs a name: it is kept once it has one.')).toBeVisible();
  await page.getByRole('textbox', { name: 'Name of gun 3' }).fill('Old gun');
  await expectSaved(page);
  await expectAccessible(page);

  await askForSystems(page);
  await page.goto(`${DOOR}/pour`);
  await page.getByRole('list', { name: 'Mixes' }).getByRole('button', { name: BUILD }).click();
  await page.getByRole('tab', { name: 'Gun' }).click();
  const card = page.getByRole('region', { name: BUILD });
  await expect(card).toContainText('Inside the sheet’s 1.7 to 2 mm.');
  await expect(card.getByRole('status').filter({ hasText: 'Air does not last.' })).toContainText(
    'or take a gun of at most',
  );
  await card.getByRole('combobox', { name: 'Gun' }).click();
  await page.getByTitle('Old gun', { exact: true }).click();
  await expect(card).toContainText('only reduced by 15 %');
  await expect(card).toContainText(/so thin a mix, or so heavy a coat, takes more/);
  await card.getByRole('textbox', { name: 'What to remember about it' }).fill('2 bar, one hand away');
  await card.getByRole('button', { name: 'Keep this set-up' }).click();
  await expect(card).toContainText('Old gun, 1.4 mm, reduced 15 %');
  await expectSaved(page);
  await page.reload();
  await expect(card).toContainText('2 bar, one hand away');
  await expectAccessible(page);
});

test('an undertone is found for the base, and kept for the job', async ({ page }) => {
  await askForSystems(page);
  await page.goto(`${DOOR}/pour?show=Undertone`);
  await page
    .getByRole('list', { name: 'Mixes' })
    .getByRole('button', { name: /Sealer 3:1:1/ })
    .click();
  const card = page.getByRole('region', { name: /Sealer 3:1:1/ });
  await expect(card).toContainText(/1 coat over Sealer 3:1:1, grey 53: mix 1 part grey 40 to/);
  await card.getByLabel('Base, hex or L* a b as measured').fill('teal');
  await expect(card.getByRole('alert')).toContainText('A colour is like #1b7f86');
  await card.getByLabel('Base, hex or L* a b as measured').fill('30 45 30');
  await card.getByRole('spinbutton', { name: 'Coats until black and white match' }).fill('3');
  await expect(card).toContainText(/The wrong tone costs/);
  await card.getByRole('button', { name: 'Keep for this job' }).click();
  await expectSaved(page);
  await page.goto(`${DOOR}/system`);
  await expect(page.getByText('The target has changed since this plan was made.')).toBeVisible();
});

test('cans are entered, a pour is booked off them, and the list knows what is to buy', async ({
  page,
  shop,
  request,
}) => {
  await askForSystems(page);
  await page.goto('/shelf');
  await page.getByRole('link', { name: 'Stock' }).click();
  await page.getByRole('button', { name: 'Enter the first cans' }).click();
  const dialog = page.getByRole('dialog', { name: 'New cans' });
  await dialog.getByRole('combobox', { name: 'Product' }).fill('High-build');
  await page.getByTitle('High-build primer 4:1:1', { exact: true }).click();
  await dialog.getByRole('spinbutton', { name: 'How many' }).fill('2');
  await dialog.getByRole('textbox', { name: 'Batch' }).fill('24-117');
  await dialog.getByRole('button', { name: 'Put 2 cans in' }).click();
  const needs = page.getByRole('region', { name: /^Shopping list/ });
  await expect(needs.getByRole('row', { name: /build base/ })).toContainText('enough');
  await expect(needs.getByRole('row', { name: /hardener High-build/ })).not.toContainText('enough');
  await expectAccessible(page);

  await page.goto(`${DOOR}/pour`);
  await page.getByRole('list', { name: 'Mixes' }).getByRole('button', { name: BUILD }).click();
  const card = page.getByRole('region', { name: BUILD });
  await expect(card).toContainText('build base: 253 ml from batch 24-117');
  await expect(card).toContainText(/hardener: .* short/);
  await card.getByRole('button', { name: 'It is mixed: start its clock' }).click();
  await card.getByRole('button', { name: 'Book it off' }).click();
  await expect(card).toContainText('Booked off.');
  const [{ id }] = (await (await request.get(`${shop.url}/api/shops`)).json()) as [ShopView];
  const cans = (await (await request.get(`${shop.url}/api/shops/${id}/stock`)).json()) as {
    leftMl: number;
  }[];
  expect(cans.map(({ leftMl }) => Math.round(leftMl)).sort()).toEqual([1000, 747]);

  await card.getByRole('link', { name: 'Stock' }).click();
  await page.getByRole('button', { name: 'Look into build base, batch 24-117' }).first().click();
  const drawer = page.getByRole('dialog');
  await drawer.getByRole('spinbutton', { name: 'What is in it' }).fill('500');
  await expect(drawer.getByRole('button', { name: 'Correct it' })).toBeDisabled();
  await drawer.getByRole('textbox', { name: 'Why' }).fill('spilt');
  await drawer.getByRole('button', { name: 'Correct it' }).click();
  await expect(drawer.getByRole('listitem').filter({ hasText: 'spilt' })).toBeVisible();
});
