import { LID, askForSystems, expect, expectAccessible, expectSaved, test } from './fixtures.ts';

test('local damage is marked on the map, planned where it is, and followed in section and list', async ({
  page,
}) => {
  await page.goto(`${LID}/survey?zone=A`);
  const zones = page.getByRole('list', { name: 'Zones' });
  await expect(zones.getByRole('button')).toHaveText([
    /painted skin/,
    /dent, 90 mm/,
    /chips, 40 of 4 mm/,
    /pitted rust, 60 mm/,
    /upper edge/,
  ]);

  // A mark is moved by keys, and stays where it was put.
  const mark = page.getByRole('button', { name: /^dent in A, move with arrow keys/ });
  const placeOf = async () => (await mark.boundingBox())!.x;
  const before = await placeOf();
  await mark.focus();
  await mark.press('Shift+ArrowRight');
  await expect.poll(placeOf).toBeGreaterThan(before + 3);
  await expectSaved(page);
  await expectAccessible(page);

  // Picked, its edge is drawn larger: the survey says how large.
  await mark.press('Enter');
  const edge = page.getByRole('slider', { name: 'Size of dent in A' });
  await edge.focus();
  await edge.press('Shift+ArrowRight');
  await expect(zones.getByRole('button', { name: /dent, 120 mm/ })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Findings' }).getByLabel('across').first()).toHaveValue(
    '120',
  );
  const handle = (await edge.boundingBox())!;
  await page.mouse.move(handle.x + handle.width / 2, handle.y + handle.height / 2);
  await page.mouse.down();
  await page.mouse.move(handle.x + handle.width / 2 - 4, handle.y + handle.height / 2, { steps: 3 });
  await page.mouse.up();
  await expect(zones.getByRole('button', { name: /dent, (\d|10\d|11\d)\d? mm/ })).toBeVisible();
  await page.getByRole('region', { name: 'Findings' }).getByLabel('across').first().fill('90');
  await page.keyboard.press('Tab');
  await expect(zones.getByRole('button', { name: /dent, 90 mm/ })).toBeVisible();
  await expectSaved(page);

  // A size that nobody gave is said to be taken.
  await page.getByRole('combobox', { name: 'Add a finding' }).click();
  await page.getByTitle('high spot').click();
  await expect(zones.getByRole('button', { name: /high spot, taken as 40 mm/ })).toBeVisible();
  await page.getByRole('button', { name: 'Remove finding high spot' }).click();
  await expectSaved(page);

  await askForSystems(page, LID);
  const steps = page.getByRole('region', { name: /^Plan, \d+ steps$/ });
  await expect(steps.getByRole('button', { name: /Fill the dent/ })).toContainText('dent in A');
  await expect(steps.getByRole('button', { name: /Condition the pits/ })).toContainText('pitted rust in A');
  await expect(steps.getByRole('button', { name: /Block the build/ })).toContainText(
    'chips, dent and pitted rust in A',
  );
  // The edge only gets clear: no undercoat on it.
  for (const coat of ['Epoxy primer', 'High-build primer', 'Sealer 3:1:1'])
    await expect(steps.getByRole('button', { name: new RegExp(coat) })).not.toContainText('B');
  await steps.getByRole('button', { name: /Block the build/ }).click();
  await expect(
    page.getByRole('group', { name: /zone A\/low: epoxy \d+ µm, filler 2000 µm, high-build/ }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Core through chips in A' }).press('Enter');
  await expect(page).toHaveURL(/zone=A%2Fchips/);
  await expectAccessible(page);
});

test('a zone that goes to the welder holds the panel, until it is planned apart', async ({ page, shop }) => {
  const layers = [{ kind: 'steel' }, { kind: 'old-finish', um: 100 }];
  const zone = { id: 'A', name: 'finish', areaM2: 1, substrate: 'old-finish', layers };
  const sill = { ...zone, id: 'B', name: 'sill', areaM2: 0.2, findings: [{ kind: 'rust-through' }] };
  await shop.send('POST', '/api/jobs/bus-6/panels', {
    panel: { id: 'side', name: 'Side', areaM2: 1.2, zones: [zone, sill] },
  });
  await askForSystems(page, '/jobs/bus-6/panels/side');
  await expect(page.getByText('Rusted through: weld in sound metal, then plan again.')).toBeVisible();
  await expect(page.getByText(/Nothing is chosen meanwhile/)).toBeVisible();
  await page.getByRole('button', { name: 'Plan the rest without it' }).click();
  await expectSaved(page);
  await page.getByRole('button', { name: 'Plan again' }).click();
  await expect(page.getByText(/Nothing is chosen meanwhile/)).toHaveCount(0);
  await expect(page.getByRole('listitem').filter({ hasText: 'Suggested.' })).toBeVisible();
});

test('a second dent is found by what people call it, and is a patch of its own', async ({ page }) => {
  await page.goto(`${LID}/survey?zone=A`);
  const add = page.getByRole('combobox', { name: 'Add a finding' });
  await add.click();
  await add.fill('ding');
  await page.getByTitle('dent', { exact: true }).click();
  const findings = page.getByRole('region', { name: 'Findings' });
  const second = findings.getByRole('listitem', { name: 'dent 2' });
  await second.getByLabel('depth').fill('0.4');
  await second.getByLabel('across').fill('40');
  await page.keyboard.press('Tab');
  const zones = page.getByRole('list', { name: 'Zones' });
  await expect(zones.getByRole('button', { name: /dent 2, 40 mm/ })).toBeVisible();
  await expect(zones.getByRole('button', { name: /dent, 90 mm/ })).toBeVisible();
  await expect(findings.getByRole('listitem', { name: 'dent 1' }).getByLabel('depth')).toHaveValue('2');
  await expectSaved(page);
  // What is found of a zone as a whole is found once.
  await add.click();
  await add.fill('orange');
  await page.getByTitle('orange peel', { exact: true }).click();
  await add.click();
  await add.fill('orange');
  await expect(page.getByTitle('orange peel', { exact: true })).toHaveCount(0);
  await expect(page.getByText('Nothing is called that.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expectAccessible(page);

  await askForSystems(page, LID);
  const steps = page.getByRole('region', { name: /^Plan, \d+ steps$/ });
  // Each by its own depth: the shallow one is glazed, the deep one filled.
  await expect(steps.getByRole('button', { name: /Glaze/ }).first()).toContainText('dent 2');
  await expect(steps.getByRole('button', { name: /Fill the dent/ }).first()).not.toContainText('dent 2');
});
