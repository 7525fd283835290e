import { DOOR, askForSystems, expect, test } from './fixtures.ts';

test('the mixes of a plan are read off a scale, and an over-pour is made right', async ({ page }) => {
  await page.goto(`${DOOR}/pour`);
  await expect(page.getByRole('heading', { name: 'Nothing to mix yet' })).toBeVisible();
  await askForSystems(page);
  await page.getByRole('link', { name: 'Pour', exact: true }).click();
  const mixes = page.getByRole('list', { name: 'Mixes' });
  await mixes.getByRole('button', { name: /High-build primer 4:1:1/ }).click();
  const card = page.getByRole('region', { name: /High-build primer 4:1:1/ });
  await expect(card).toContainText('needed, losses included');
  await expect(card).toContainText('Good for 1 h');
  const rows = card.getByRole('row');
  await expect(rows).toHaveCount(4);
  await expect(rows.nth(1)).toContainText('build base');

  // Too much hardener: the others are filled up to it, and what is right is left alone.
  await card.getByRole('spinbutton', { name: 'Poured of build base' }).fill('155');
  await card.getByRole('spinbutton', { name: 'Poured of hardener' }).fill('51');
  await card.getByRole('spinbutton', { name: 'Poured of thinner' }).fill('21,75');
  const answer = card.getByRole('status');
  await expect(answer).toContainText(/Add .* build base; .* thinner; that makes/);
  await card.getByRole('spinbutton', { name: 'Poured of hardener' }).fill('25,5');
  await expect(answer).toHaveText('It is right as it is.');
  await page.getByText('mil °F').click();
  await expect(card).toContainText('fl oz');
});
