import { readFileSync } from 'node:fs';
import { DOOR, askForSystems, expect, expectAccessible, test } from './fixtures.ts';

test('a school for this plan only changes the system, is told, and is taken back', async ({ page }) => {
  await askForSystems(page);
  await page.getByRole('button', { name: 'Our ways…' }).click();
  const drawer = page.getByRole('dialog', { name: 'Ways of working, for this plan' });
  await drawer.getByRole('radio', { name: /direct-to-metal build/ }).check();
  await expectAccessible(page);
  await drawer.getByRole('button', { name: 'Plan with these' }).click();
  await expect(page.getByText('For this plan only: direct-to-metal build.')).toBeVisible();
  const chosen = page.getByRole('listitem').filter({ hasText: 'Suggested.' });
  await expect(chosen).toContainText('direct-to-metal build');
  await page.getByRole('button', { name: 'As the shop works' }).click();
  await expect(chosen).toContainText('Filler kept on metal, epoxy, build');
});

test('why not: a sequence of one’s own is judged step by step, and survives a reload', async ({ page }) => {
  await askForSystems(page);
  await page.getByRole('button', { name: 'Why not…?' }).click();
  const drawer = page.getByRole('dialog', { name: 'Why not…?' });
  await drawer.getByRole('button', { name: /^Start from/ }).click();
  await drawer.getByRole('button', { name: 'Check it' }).click();
  const verdict = drawer.getByRole('region', { name: 'Verdict' });
  await expect(verdict).toContainText('Nothing is refused: this gets the panel ready for base.');
  await expect(
    verdict.getByRole('listitem').filter({ hasText: 'added: rules ask for it' }).first(),
  ).toBeVisible();

  // Without the epoxy the build lies on bare metal.
  await drawer.getByRole('button', { name: 'Remove step 2' }).click();
  await drawer.getByRole('button', { name: 'Check it' }).click();
  const refused = verdict.getByRole('listitem').filter({ hasText: 'does not protect bare steel' }).first();
  await expect(refused).toContainText('M1');
  await expect(refused).toContainText(
    'Allowed if an epoxy, or another first coat that protects metal, goes on first.',
  );
  await expectAccessible(page);
  await page.reload();
  await page.getByRole('button', { name: 'Why not…?' }).click();
  await expect(drawer.getByRole('combobox', { name: 'Product of step 2' })).toBeVisible();

  // What is allowed takes the place of the chosen system; and is taken out again.
  await drawer.getByRole('button', { name: /^Start from/ }).click();
  await drawer.getByRole('button', { name: 'Check it' }).click();
  await drawer.getByRole('button', { name: 'Use this' }).click();
  const own = page.getByRole('listitem').filter({ hasText: /Yours:.*epoxy, build, sealer/ });
  await expect(own).toContainText('Chosen.');
  await page.getByRole('button', { name: 'Take your own out' }).click();
  await expect(own).toHaveCount(0);
  // Taken out on purpose, nothing has fallen.
  await expect(page.getByText('What you chose is not ready any more.')).toHaveCount(0);
  await expect(page.getByRole('listitem').filter({ hasText: 'Suggested.' })).toBeVisible();
});

test('a plan goes on from what was really done', async ({ page }) => {
  await askForSystems(page);
  // Both in one breath: the dialog opens before the list has shown the step.
  const step = await page.getByRole('button', { name: /^\d+ High-build primer 4:1:1/ }).elementHandle();
  const doneSoFar = await page.getByRole('button', { name: /^Done so far/ }).elementHandle();
  await page.evaluate(
    ([first, second]) => {
      (first as HTMLElement).click();
      (second as HTMLElement).click();
    },
    [step, doneSoFar],
  );
  const dialog = page.getByRole('dialog', { name: 'Plan on from here' });
  const built = dialog.getByRole('listitem').filter({ hasText: /\. High-build primer 4:1:1/ });
  await built.getByRole('spinbutton', { name: /^Coats sprayed in step/ }).fill('1');
  const unticked = dialog.getByRole('checkbox').first();
  await unticked.uncheck();
  await expect(dialog.getByRole('button', { name: 'Plan the rest' })).toBeEnabled();
  await unticked.check();
  await dialog.getByRole('button', { name: 'Plan the rest' }).click();
  await expect(page.getByText(/Goes on after step \d+, from what was really done\./)).toBeVisible();
  const builds = page.getByRole('button', { name: /^\d+.*High-build primer 4:1:1/ });
  await expect(builds).toHaveCount(2);
  await page.getByRole('button', { name: 'Plan from the start' }).click();
  await expect(builds).toHaveCount(1);
});

test('a test that decides is named, entered, and then no longer asked for', async ({ page }) => {
  await askForSystems(page);
  const deciding = page.getByRole('list', { name: 'Tests that would decide' });
  await expect(deciding).toContainText('Solvent rub on zone A would decide');
  await deciding.getByRole('link', { name: 'Enter what was seen' }).click();
  await page.getByRole('combobox', { name: 'Solvent rub' }).click();
  await page.getByTitle('colour or softening: thinner-soft: strip it or isolate it').click();
  await expect(page.getByRole('combobox', { name: 'Layer 3, material' }).locator('..')).toContainText(
    'thinner-soft',
  );
  await page.getByRole('link', { name: 'System', exact: true }).click();
  await page.getByRole('button', { name: 'Plan again' }).click();
  await expect(deciding).toHaveCount(0);
  await expect(page.getByRole('listitem').filter({ hasText: 'Suggested.' })).toContainText(/epoxy/i);
});

test('cautions on paper, each with its steps', async ({ page }) => {
  await askForSystems(page);
  await page.getByRole('link', { name: 'Cautions' }).click();
  await expect(page.getByRole('heading', { name: /^Cautions/ })).toBeVisible();
  await expect(page.getByRole('row', { name: /Isocyanate hardener/ })).toContainText(
    'high-build primer 4:1:1',
  );
  await expect(page.getByText(/licensed practice govern/)).toBeVisible();
  await expectAccessible(page);
});

test('the cut is moved by keyboard, and the section follows; map and section are saved as drawings', async ({
  page,
}) => {
  await askForSystems(page);
  const section = page.getByRole('group', { name: /^Section/ });
  await expect(section.getByRole('button', { name: 'Core through zone C' }).first()).toBeVisible();
  for (const end of ['L', 'L′']) {
    const handle = page.getByRole('button', { name: new RegExp(`^End ${end} of the cut`) });
    await handle.focus();
    for (let i = 0; i < 16; i++) await handle.press('Shift+ArrowUp');
  }
  await expect(section.getByRole('button', { name: 'Core through zone C' })).toHaveCount(0);
  await expect(page).toHaveURL(/cut=/);
  await page.getByRole('button', { name: 'Legend, save' }).click();
  await expect(page.getByRole('list', { name: 'Legend' })).toContainText('high-build');
  const [svg] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as SVG' }).click(),
  ]);
  const text = readFileSync(await svg.path(), 'utf8');
  expect(text).toMatch(/^<svg[^>]* xmlns="http:\/\/www.w3.org\/2000\/svg"/);
  expect(text).toContain('<pattern');
  const [png] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as PNG' }).click(),
  ]);
  expect(
    readFileSync(await png.path())
      .subarray(1, 4)
      .toString(),
  ).toBe('PNG');
  await page.goto(`${DOOR}/survey`);
  const [map] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save the map as SVG' }).click(),
  ]);
  expect(map.suggestedFilename()).toBe('door-map.svg');
});

test('raw plastic is planned: tempered, wiped, promoted inside its window', async ({ page }) => {
  await page.goto('/jobs/bus-6/panels/trim/system');
  await page.getByRole('button', { name: 'Ask for systems' }).click();
  await page.getByRole('button', { name: /^\d+ Adhesion promoter/ }).click();
  const detail = page.getByRole('region', { name: 'Step in detail' });
  await expect(detail).toContainText('next coat 10 min to 30 min');
  await expect(detail).toContainText('P4');
  await page.getByRole('button', { name: /Temper the part/ }).click();
  await expect(detail).toContainText('never over 65 °C');
  await expect(page.getByRole('listitem').filter({ hasText: /Refused\..*P5/ })).toContainText(
    'Allowed with a product whose sheet names a flexible additive.',
  );
});
