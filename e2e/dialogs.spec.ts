import type { Locator, Page } from '@playwright/test';
import { DOOR, askForSystems, expect, expectSaved, test } from './fixtures.ts';
import { CORNER, act, atBench } from './bench.ts';
import { DEMO_FILE } from './shop-server.ts';

/** Every dialog by keyboard: opened with Enter, left with Esc, and the focus is back where it was. */

const button = (page: Page, name: string | RegExp): Locator =>
  page.getByRole('button', typeof name === 'string' ? { name, exact: true } : { name }).first();

const hasFocusInside = (dialog: Locator): Promise<boolean> =>
  dialog.evaluate((node) => node.contains(document.activeElement));

/** Opens a dialog with Enter on what opens it. */
async function opened(page: Page, opener: Locator, title: string | RegExp): Promise<Locator> {
  await opener.focus();
  await expect(opener).toBeFocused();
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('dialog', { name: title });
  await expect(dialog).toBeVisible();
  await expect.poll(() => hasFocusInside(dialog)).toBe(true);
  return dialog;
}

/** There with Enter and back with Esc. */
async function thereAndBack(page: Page, opener: Locator, title: string | RegExp): Promise<void> {
  const dialog = await opened(page, opener, title);
  await page.keyboard.press('Escape');
  await expect(dialog).toBeHidden();
  await expect(opener).toBeFocused();
}

test('in the strip, at jobs, in the shop and on the shelf', async ({ page }) => {
  await page.goto('/jobs');
  await thereAndBack(page, button(page, 'Keys'), 'Keys');
  await thereAndBack(page, button(page, 'Clocks'), 'Clocks');
  await thereAndBack(page, button(page, 'New job'), 'New job');
  await button(page, 'Take in a job file').focus();
  await page.getByLabel('Job file').setInputFiles(DEMO_FILE);
  const taken = page.getByRole('dialog', { name: /In which shop is/ });
  await expect(taken).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(taken).toBeHidden();
  await expect(button(page, 'Take in a job file')).toBeFocused();
  await page.goto('/jobs/bus-6');
  await thereAndBack(page, button(page, 'Add a panel'), 'Add a panel');
  await page.goto('/shop');
  await thereAndBack(page, button(page, 'New shop'), 'New shop');

  await page.goto('/shelf');
  await thereAndBack(page, button(page, 'New product'), 'New product');
  await button(page, 'Take High-build primer 4:1:1 over').click();
  await page.getByLabel('Flash between coats').fill('400');
  await thereAndBack(page, button(page, 'Put it on the shelf'), 'Sure?');
  await page.getByLabel('Flash between coats').fill('8');
  await button(page, 'Put it on the shelf').click();
  await expect(page.getByText('version 1')).toBeVisible();
  await page.goto('/shelf');
  for (const name of [/^Compare High-build/, /^Compare Epoxy primer 1:1/])
    await page.getByRole('checkbox', { name }).first().check();
  await thereAndBack(page, button(page, 'Compare the two'), 'Two products side by side');
  await button(page, 'Take in a file').focus();
  await page.getByLabel('File of product sheets').setInputFiles({
    name: 'sheets.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{}'),
  });
  const file = page.getByRole('dialog', { name: 'What the file holds' });
  await expect(file).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(button(page, 'Take in a file')).toBeFocused();
  await page.getByRole('link', { name: 'Stock' }).click();
  await thereAndBack(page, button(page, 'New cans'), 'New cans');
  await button(page, 'New cans').click();
  await page.getByRole('dialog').getByRole('combobox', { name: 'Product' }).fill('High-build');
  await page.getByTitle('High-build primer 4:1:1', { exact: true }).click();
  await button(page, 'Put the can in').click();
  await thereAndBack(page, button(page, /^Look into/), /High-build primer/);
});

test('at survey and system, and in the bay', async ({ page, shop }) => {
  await page.goto(`${DOOR}/survey`);
  await thereAndBack(page, button(page, 'Panel facts'), 'Panel facts');
  await thereAndBack(page, button(page, /^Copy/), 'Copy the survey of another panel');
  await askForSystems(page);
  await thereAndBack(page, button(page, /ready: compare them/), 'Systems that are ready, best first');
  await thereAndBack(page, button(page, 'Our ways…'), 'Ways of working, for this plan');
  await thereAndBack(page, button(page, 'Why not…?'), 'Why not…?');
  await page.goto(`${DOOR}/system?step=4`);
  await thereAndBack(page, button(page, /^Done so far/), 'Plan on from here');
  await shop.editDoor([{ path: ['zones', 'B', 'areaM2'], from: 0.35, to: 0.3 }]);
  await thereAndBack(page, button(page, 'What would change?'), 'What planning again would change');
  await thereAndBack(page, button(page, /^Choose/), 'Choose from a plan that is out of date?');

  await page.goto('/bay');
  await page.locator('[data-bar]').first().focus();
  await page.keyboard.press('Enter');
  await thereAndBack(page, button(page, /^Move/), /^Move /);
});

test('at the bench: Esc and then Enter open the same dialog again, and record nothing', async ({
  page,
  shop,
}) => {
  await askForSystems(page, CORNER);
  await page.goto(`${CORNER}/run`);
  // Enter twice neither picks the first person nor closes it.
  const who = await opened(page, button(page, 'Who works here?'), 'Who works here?');
  await page.keyboard.press('Enter');
  await expect(who).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(button(page, 'Who works here?')).toBeFocused();
  await atBench(page, CORNER);
  const entries = async (): Promise<unknown[]> =>
    (await shop.get('/api/jobs/bus-6/panels/corner/record')).entries;
  for (const [name, title] of [
    [/^Done otherwise/, 'Done otherwise'],
    [/^Log a reading/, 'Log a reading'],
    [/^Photo/, 'Photo'],
    [/^Something’s wrong/, 'What is wrong?'],
  ] as const) {
    await thereAndBack(page, act(page, name), title);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('dialog', { name: title })).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(act(page, name)).toBeFocused();
  }
  // A dialog that takes the place of another gives the focus to what opened the first.
  await opened(page, act(page, /^Something’s wrong/), 'What is wrong?');
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Run or sag/ })
    .press('Enter');
  await expect(page.getByRole('dialog', { name: /^Run or sag/ })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(act(page, /^Something’s wrong/)).toBeFocused();
  expect(await entries()).toEqual([]);
});

test('of a record: a correction, a repeat, and why a defect came', async ({ page }) => {
  await askForSystems(page, CORNER);
  await atBench(page, CORNER);
  await act(page, /^Done as planned/).click();
  await expect(page.locator('.run-n')).toContainText('2');
  await act(page, /^Something’s wrong/).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Run or sag/ })
    .click();
  await button(page, 'Enter it').click();
  await thereAndBack(page, button(page, /^Why, and how it is put right/), /why, and how it is put right$/);
  await expectSaved(page);
  await page.goto('/record/bus-6/corner');
  await thereAndBack(page, button(page, 'Correct…'), /^Correct: /);
  await thereAndBack(page, button(page, 'Repeat this set-up…'), 'Repeat this set-up');
});
