import { DOOR, expect, expectAccessible, expectSaved, test } from './fixtures.ts';

test('a job without a file: made, found, copied, put away, removed and put back', async ({ page }) => {
  await page.goto('/jobs');
  await page.getByRole('button', { name: 'New job' }).click();
  const dialog = page.getByRole('dialog', { name: 'New job' });
  await expect(dialog.getByRole('button', { name: 'Make the job' })).toBeDisabled();
  await dialog.getByRole('textbox', { name: 'Title' }).fill('Ferry office van');
  await dialog.getByRole('combobox', { name: 'First panels' }).click();
  await page.getByTitle('door', { exact: true }).click();
  await page.getByTitle('fender', { exact: true }).click();
  await dialog.getByRole('textbox', { name: 'Title' }).click();
  await expectAccessible(page);
  await dialog.getByRole('button', { name: 'Make the job' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Ferry office van' })).toBeVisible();
  await expect(page.getByRole('list', { name: 'Panels' }).getByRole('listitem')).toHaveCount(2);

  // What was agreed is kept by itself.
  await page.getByRole('textbox', { name: 'What the customer said' }).fill('Match the other van.');
  await page.getByRole('textbox', { name: 'Customer', exact: true }).click();
  await expectSaved(page);

  await page.goto('/jobs');
  const cards = page.getByRole('main').getByRole('listitem');
  await expect(cards).toHaveCount(2);
  await page.getByRole('searchbox', { name: 'Find a job' }).fill('ferry');
  await expect(cards).toHaveText([/Ferry office van.*2 surveyed/]);
  await page.getByRole('button', { name: 'Copy Ferry office van' }).click();
  await expect(cards).toHaveCount(2);
  await page.getByRole('button', { name: 'Put Ferry office van (copy) away' }).click();
  await expect(cards).toHaveCount(1);
  await page.getByRole('button', { name: 'Remove Ferry office van' }).click();
  await expect(page.getByText('Ferry office van was removed.')).toBeVisible();
  await page.getByRole('button', { name: 'Put it back' }).click();
  await expect(cards).toHaveText([/Ferry office van/]);
  await page.getByText('Put away', { exact: true }).click();
  await expect(cards).toHaveText([/Ferry office van \(copy\)/]);
  await cards.getByRole('link').click();
  await expect(page.getByRole('textbox', { name: 'What the customer said' })).toHaveValue(
    'Match the other van.',
  );
});

test('two tabs of one browser: both edits hold, each sees the other’s, and undo takes back its own', async ({
  page,
  context,
}) => {
  const other = await context.newPage();
  await page.goto(`${DOOR}/survey?zone=A`);
  await other.goto(`${DOOR}/survey?zone=B`);
  const name = (tab: typeof page) =>
    tab.getByRole('region', { name: /^Zone/ }).getByRole('textbox', { name: 'Name' });
  const area = (tab: typeof page) => tab.getByRole('spinbutton', { name: 'Area' });
  await expect(area(other)).toHaveValue('0.35');
  await name(page).fill('old paint');
  await name(page).press('Enter');
  await area(other).fill('0.3');
  await expectSaved(page);
  await expectSaved(other);
  await expect(other.getByRole('button', { name: /old paint/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /stripped patch/ })).toContainText('0.3 m²');
  await other.getByRole('region', { name: 'Zone B' }).getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: /stripped patch/ })).toContainText('0.35 m²');
  await expect(page.getByRole('button', { name: /old paint/ })).toBeVisible();
});
