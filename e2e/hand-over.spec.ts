import type { Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { CORNER, act, atBench, doUntil } from './bench.ts';
import { askForSystems, expect, expectAccessible, expectSaved, test } from './fixtures.ts';

/** The card: how far a panel is by its record, what its signature says, and how base ends it. */

/** Every step tapped as done as planned, nothing checked, nothing read. */
async function tapThrough(page: Page): Promise<void> {
  await askForSystems(page, CORNER);
  await atBench(page, CORNER);
  await doUntil(page, /Hand over/);
  await act(page, /^Done (as planned|all the same)/).click();
  await expect(page.getByText('Done by Prep A')).toBeVisible();
  await expectSaved(page);
}

const verdict = (page: Page) => page.locator('.card-verdict-bar');

test('a card that nobody checked says so, in its colour, its signature and its record', async ({
  page,
  shop,
}) => {
  await page.goto(`${CORNER}/hand-over`);
  await expect(page.getByText('Nothing to hand over yet')).toBeVisible();
  await tapThrough(page);
  await page.goto(`${CORNER}/hand-over`);
  // Taps are quick, paint is not.
  await expect(verdict(page)).toContainText(/Not ready for base.*flashes for \d+ min more/);
  await shop.later(60);
  await page.reload();
  await expect(verdict(page)).toContainText('Ready for base, but not checked');
  await expect(verdict(page)).toHaveClass(/is-unchecked/);
  await expect(verdict(page)).toContainText(
    /0 of \d+ checks made, no readings, \d+ products? without a batch/,
  );
  await expect(page.getByText(/Base from \w{3} \d+ Dec .* until /)).toBeVisible();
  await expect(page.getByText(/^By the record as it stood on \w{3} \d+ Dec 2026 \d\d:\d\d\.$/)).toBeVisible();
  await expect(page.getByRole('heading', { name: /^Not checked: \d+$/ })).toBeVisible();
  await expectAccessible(page);
  const code = await page.locator('.card-code code').textContent();
  const [saved] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as PDF' }).click(),
  ]);
  expect(saved.suggestedFilename()).toBe(`card-${code}.pdf`);
  const pdf = readFileSync(await saved.path(), 'latin1');
  expect(pdf.slice(0, 5)).toBe('%PDF-');
  // Its fonts lie in it.
  expect(pdf).toMatch(/\/FontName \/\w+\+Barlow-Regular/);
  expect(pdf).toMatch(/\/FontFile2? /);

  await page.getByRole('button', { name: 'Sign it…' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('New rear corner is ready, not checked');
  await expect(dialog).toContainText(/0 of \d+ checks made/);
  await expectAccessible(page);
  await dialog.getByRole('button', { name: 'Prep A' }).click();
  await expect(
    page.getByText(/^Signed by Prep A, .* 2026 \d\d:\d\d, as ready, not checked\.$/),
  ).toBeVisible();
  await expectSaved(page);

  await page.goto('/record/bus-6/corner');
  await expect(page.getByText(/as ready, not checked, 0 of \d+ checks made/)).toBeVisible();
  await page.getByLabel('Code of a card').fill(code!);
  await expect(page.getByText(/belongs to this record, as it was after entry \d+ of \d+/)).toBeVisible();
});

test('a check is waived by name, a defect after the hand-over takes ready back, and base ends the panel', async ({
  page,
}) => {
  await tapThrough(page);
  await page.goto(`${CORNER}/hand-over`);
  await page.getByRole('button', { name: 'Waive checks…' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('button', { name: /^Waive 0 checks/ })).toBeDisabled();
  await dialog.getByLabel('Why they are not made').fill('The gauge is away');
  await dialog
    .getByLabel(/^Film is read/)
    .first()
    .check();
  await expectAccessible(page);
  await dialog.getByRole('button', { name: 'Waive 1 check as Prep A' }).click();
  await expect(page.getByText(/Film is read: .*1 waived by Prep A \(The gauge is away\)/)).toBeVisible();
  await expectSaved(page);
  // A check leads to its step.
  await page
    .getByRole('link', { name: /^step \d+, / })
    .last()
    .click();
  await expect(page.getByText('Done by Prep A')).toBeVisible();

  await page.getByRole('button', { name: /Something’s wrong/ }).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Run or sag/ })
    .click();
  await page.getByRole('button', { name: 'Enter it' }).click();
  await expectSaved(page);
  await page.goto(`${CORNER}/hand-over`);
  await expect(verdict(page)).toContainText('Not ready for base');
  await expect(verdict(page)).toHaveClass(/is-not/);
  await expect(verdict(page)).toContainText('has a flaw');
  await expect(page.getByRole('button', { name: 'Sign it…' })).toBeHidden();
  await page.goto('/jobs/bus-6');
  await expect(page.getByText('a defect was found after hand-over')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Clocks that run' })).toContainText('New rear corner');

  await page.goto(`${CORNER}/hand-over`);
  await page.getByRole('button', { name: 'Base is on…' }).click();
  await expect(dialog).toContainText('By its card this panel is not ready for base.');
  await dialog.getByLabel('Note').fill('The run was sanded out with the base');
  await expectAccessible(page);
  await dialog.getByRole('button', { name: 'Enter it as Prep A' }).click();
  await expect(verdict(page)).toContainText('Base is on');
  await expect(page.getByRole('region', { name: 'Clocks that run' })).not.toContainText('New rear corner');
  await expectSaved(page);
  await page.goto('/jobs/bus-6');
  await expect(page.getByText('base is on')).toBeVisible();
  await page.goto('/bay');
  await expect(page.getByRole('link', { name: 'Sliding door shell' })).toBeVisible();
  await expect(page.getByText('New rear corner')).toBeHidden();
});
