import { DOOR, LID, askForSystems, expect, expectSaved, test } from './fixtures.ts';

const LADDER = `${DOOR}/ladder`;

test('before there is a system the ladder says what to do', async ({ page }) => {
  await page.goto(LADDER);
  await expect(page.getByRole('heading', { name: 'No system yet' })).toBeVisible();
  await page.getByRole('link', { name: 'Go to System' }).click();
  await expect(page).toHaveURL(/\/system$/);
});

test('a ladder of one’s own is dragged, typed, compared with the best, and survives a reload', async ({
  page,
}) => {
  // The filler in the dent of the engine lid, which is a patch of its zone.
  await askForSystems(page, LID);
  await page.goto(`${LID}/ladder?run=${encodeURIComponent('A/low:filler')}`);
  await expect(page.getByRole('heading', { level: 2, name: /^Dent in A: filler/ })).toBeVisible();
  const row = (name: string) => page.getByRole('row').filter({ has: page.getByRole('rowheader', { name }) });
  await expect(row('In the plan')).toContainText('passes');
  const last = page.getByRole('slider', { name: /^Rung 2 of yours/ });
  await expect(last).toHaveAttribute('aria-valuetext', 'P180');

  // By pointer: the last rung is pulled up to a coarser grade, and what it leaves shows.
  const grip = (await last.boundingBox())!;
  await page.mouse.move(grip.x + grip.width / 2, grip.y + grip.height / 2);
  await page.mouse.down();
  await page.mouse.move(grip.x + grip.width / 2, grip.y - 110, { steps: 8 });
  await page.mouse.up();
  await expect(last).toHaveAttribute('aria-valuetext', /^P1[025]0$/);
  // By key: finer again, past the old one.
  await last.focus();
  const gradeOfLast = () => last.getAttribute('aria-valuetext');
  for (let i = 0; i < 9 && (await gradeOfLast()) !== 'P240'; i++) await last.press('ArrowDown');
  await expect(last).toHaveAttribute('aria-valuetext', 'P240');
  await expect(row('Yours')).toContainText('3.4');
  await expect(row('Yours')).toContainText('most 2.7');

  const typed = page.getByRole('textbox', { name: 'Grade to add' });
  await typed.fill('400');
  await typed.press('Enter');
  await expect(page.getByRole('alert')).toContainText('write P400 (35 µm) or CAMI 400 (23.6 µm, near P800)');
  await typed.fill('P150');
  await page.getByRole('button', { name: 'Add to yours' }).click();
  await expect(row('Yours')).not.toContainText('most 2.7');
  await typed.fill('CAMI 400');
  await typed.press('Enter');
  await expect(page.getByRole('status').filter({ hasText: 'taken as P800' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('slider', { name: /of yours/ })).toHaveCount(4);
  const finest = page.getByRole('slider', { name: /^Rung 4 of yours/ });
  await finest.focus();
  await finest.press('Delete');
  await expect(page.getByRole('slider', { name: /of yours/ })).toHaveCount(3);
  // It is put into the plan.
  const inPlan = row('In the plan');
  const minutesOfYours = await row('Yours').getByRole('cell').first().innerText();
  await expect(inPlan.getByRole('cell').first()).not.toHaveText(minutesOfYours);
  await page.getByRole('button', { name: 'Use yours' }).click();
  await expect(inPlan.getByRole('cell').first()).toHaveText(minutesOfYours);
  await page.goto(`${LID}/system`);
  await expect(page.getByRole('listitem').filter({ hasText: 'Chosen.' })).toContainText('Yours:');
  await expect(page.getByRole('button', { name: /Shape and finish the filler/ })).toContainText(
    'P150 › P240',
  );
  await page.getByRole('button', { name: 'Take your own out' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Suggested.' })).toBeVisible();
  await page.goto(`${LID}/ladder?run=${encodeURIComponent('A/low:filler')}`);
  await page.getByRole('button', { name: 'As planned' }).click();
  await expect(page.getByRole('slider', { name: /of yours/ })).toHaveCount(2);
});

test('what if: a coarser last grade shows, another sealer hides it; topcoating at once sinks back', async ({
  page,
}) => {
  await askForSystems(page);
  await page.goto(`${LADDER}?run=C:build`);
  const said = page.getByRole('status').filter({ hasText: /show\.$/ });
  await expect(said).toContainText('will not show');
  await page.getByRole('combobox', { name: 'Last grade' }).click();
  await page.getByRole('combobox', { name: 'Last grade' }).fill('P280');
  await page.getByTitle('P280').click();
  await expect(said).toContainText('will show');
  await page.getByRole('spinbutton', { name: 'Coats of sealer' }).fill('2');
  await expect(said).toContainText('will not show');
  await page.getByRole('button', { name: 'Reset' }).click();
  await page.getByRole('button', { name: 'C Filler' }).click();
  await expect(said).toContainText('will not show');
  await page.getByRole('spinbutton', { name: 'Hours to topcoat' }).fill('0');
  await expect(said).toContainText('will show');
});

test('gauge readings take the place of predictions: typed, from a table, doubtful ones marked, all kept', async ({
  page,
}) => {
  await askForSystems(page);
  await page.goto(`${LADDER}?view=film&build=B-15`);
  await expect(page.getByText(/^Enough: 100 µm/)).toBeVisible();
  const typed = page.getByRole('textbox', { name: 'Readings in µm' });
  await typed.fill('wet');
  await typed.press('Enter');
  await expect(page.getByText('"wet" is no number. Readings are numbers apart by spaces.')).toBeVisible();
  await typed.fill('128 131 125 133 940');
  await typed.press('Enter');
  const readings = page.getByRole('list', { name: 'Readings' });
  await expect(readings.getByText('940 doubtful')).toBeVisible();
  await expect(
    page.getByText(/short of the 93 µm it needs at its thinnest reading: lay 1 more coat/),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Remove 940 µm' }).click();
  await expect(readings.getByText('doubtful')).toHaveCount(0);

  const table = Buffer.from('zone;µm\nB;129,5\nC;1100\nB;1e9\nZ;90\n');
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'gauge.csv', mimeType: 'text/csv', buffer: table });
  await expect(page.getByText('2 readings taken from gauge.csv, 1 of other zones.')).toBeVisible();
  await expect(page.getByText('Row 4: "1e9" is no thickness from 0 to 20000 µm.')).toBeVisible();
  await expect(page.getByText('Row 5: "Z" is no zone of this panel.')).toBeVisible();
  const nothing = Buffer.from('no figures\nin here\n');
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'notes.csv', mimeType: 'text/csv', buffer: nothing });
  await expect(page.getByText(/No column of readings/)).toBeVisible();
  await expectSaved(page);
  await page.reload();
  await expect(readings.getByRole('listitem')).toHaveCount(5);
  await page.goto(`${LADDER}?view=film&build=C-15`);
  await expect(readings.getByRole('listitem')).toHaveCount(1);
  // Readings change nothing that the plan was made from.
  await page.goto(`${DOOR}/system`);
  await expect(page.getByRole('heading', { name: /^Plan, \d+ steps$/ })).toBeVisible();
  await expect(page.getByText('have changed since this plan was made')).toHaveCount(0);

  // The section shows them beside what it predicts, from the build on until the film changes again.
  const section = (n: number) => page.getByRole('group', { name: `Section after step ${n};` });
  await page.goto(`${DOOR}/system?step=18`);
  await expect(section(18)).toHaveAccessibleName(/zone B: [^;]*, 129 µm measured/);
  await page.goto(`${DOOR}/system?step=14`);
  await expect(section(14)).not.toHaveAccessibleName(/measured/);
});

test('the forecast tries every block, says how much build, is watched and stopped', async ({ page }) => {
  test.slow();
  await askForSystems(page);
  await page.goto(`${LADDER}?view=blocking&build=C-15`);
  await page.getByRole('button', { name: 'Try every block' }).click();
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
  await expect(page.getByText(/^Flexible board, 400 mm with \d+ µm of build\.$/)).toBeVisible({
    timeout: 60_000,
  });
  await expect(page.getByRole('row').filter({ hasText: 'Soft hand pad' })).toContainText(
    'too soft, it follows the waves',
  );
  await page.getByRole('button', { name: 'Watch Soft hand pad, 125 mm' }).click();
  await expect(page.getByRole('figure')).toContainText(/guide coat on \d+%/);
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByRole('button', { name: 'Try every block' })).toBeVisible();
  await page.getByRole('spinbutton', { name: 'Waves' }).fill('9999');
  await expect(page.getByRole('alert')).toContainText('Waves must be from 0 to 600 µm');
});

test('figures, grades and tools of the shop shape the ladder', async ({ page }) => {
  await askForSystems(page);
  await page.goto('/shop');
  await page.getByRole('searchbox', { name: 'Find a figure' }).fill('gloss at standard');
  const limit = page.getByRole('spinbutton', { name: /groove that passes in the gloss at standard/ });
  await limit.fill('99');
  await expect(page.getByRole('alert')).toContainText('The figure must be from 0.1 to 10 µm.');
  await limit.fill('0.2');
  await limit.press('Enter');
  const stock = page.getByRole('combobox', { name: 'Grades on the shelf' });
  await stock.fill('CAMI 400');
  await stock.press('Enter');
  await expect(page.getByText('A ladder needs at least two grades: add another one.')).toBeVisible();
  await expect(page.getByText(/CAMI 400 has grains of 23.6 µm: taken as P800/)).toBeVisible();
  await stock.fill('P180');
  await stock.press('Enter');
  await expect(page.getByText('A ladder needs at least two grades')).toHaveCount(0);
  await stock.press('Escape');
  await expectSaved(page);
  await page.goto(`${LADDER}?run=C:build`);
  // The plan keeps the shop that it was made for, until it is made again.
  await expect(page.getByText('What it was planned from has changed since')).toBeVisible();
  await expect(page.getByRole('row').filter({ hasText: 'In the plan' })).toContainText('passes');
  await page.goto(`${DOOR}/system`);
  await expect(page.getByText('have changed since this plan was made')).toBeVisible();
  await page.getByRole('button', { name: 'Plan again' }).click();
  await expect(page.getByText('have changed since this plan was made')).toHaveCount(0);
  // With P180 and P800 alone nothing stays under such a limit, and the planner says so.
  await expect(page.getByRole('alert')).toContainText('No system on this shelf');
});
