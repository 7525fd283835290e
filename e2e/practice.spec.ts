import { expect, expectAccessible, test } from './fixtures.ts';

test('a panel is blocked by pointer: guide coat goes, the score follows, and a reload brings it back', async ({
  page,
}) => {
  await page.goto('/practice');
  await expect(page.getByRole('heading', { level: 2, name: 'Flat lid, one high' })).toBeVisible();
  const score = page.getByRole('region', { name: 'Score' });
  await expect(score).toContainText('Nothing is blocked yet.');
  await page.getByRole('combobox', { name: 'Block' }).click();
  await page.getByTitle('Rigid board, 400 mm').click();

  await page.evaluate(() => {
    const seen: number[] = [];
    new PerformanceObserver((list) =>
      list.getEntries().forEach(({ duration }) => seen.push(duration)),
    ).observe({
      type: 'longtask',
    });
    Object.assign(window, { longTasks: seen });
  });
  const board = page.getByRole('application');
  const box = (await board.boundingBox())!;
  await page.mouse.move(box.x + 120, box.y + 60);
  await page.mouse.down();
  for (let i = 0; i < 22; i++)
    await page.mouse.move(
      box.x + (i % 2 ? 120 : box.width - 120),
      box.y + 60 + ((i % 8) * (box.height - 120)) / 7,
      { steps: 15 },
    );
  await page.mouse.up();
  const longest = await page.evaluate(() =>
    Math.max(0, ...(window as unknown as { longTasks: number[] }).longTasks),
  );
  test
    .info()
    .annotations.push({ type: 'longest main-thread task while dragging', description: `${longest} ms` });

  // While the work goes on there is no score: only what is to be seen.
  await expect(score).toContainText(/of blocking; guide coat is left on \d+/);
  await expect(score).not.toContainText('of 100');
  const words = await score.textContent();
  await page.reload();
  await expect(score).toHaveText(words!);
  await page.getByRole('button', { name: 'I am done' }).click();
  await expect(score).toContainText('of 100');
  await expect(score.getByRole('heading', { name: 'What you did' })).toBeVisible();
  await expect(score).toContainText(/Rigid board, 400 mm, P240 for \d/);
  await expectAccessible(page);
  await expect(page.getByRole('button', { name: /1\. Flat lid, one high best \d+ of 100/ })).toBeVisible();
  await page.getByRole('button', { name: 'Start over' }).click();
  await expect(score).toContainText('Nothing is blocked yet.');
});

test('a panel is blocked by keys alone, felt by palm, and looked at in raking light', async ({ page }) => {
  await page.goto('/practice?panel=body-line');
  const board = page.getByRole('application');
  await board.focus();
  await board.press('r');
  await expect(board).toHaveAccessibleName(/lifted.*turned 15 degrees/);
  await board.press(' ');
  await expect(board).toHaveAccessibleName(/on the panel/);
  for (let i = 0; i < 12; i++) await board.press('ArrowRight');
  await board.press(' ');
  await expect(page.getByRole('region', { name: 'Score' })).not.toContainText('Nothing is blocked yet.');
  await page.getByRole('button', { name: 'Turn the block' }).click();
  await expect(board).toHaveAccessibleName(/turned 30 degrees/);
  await page.getByRole('button', { name: 'Feel across the block' }).click();
  await expect(page.getByText(/^Felt \d+ mm across: \d+ µm from low to high/)).toBeVisible();
  await board.press('v');
  await expect(page.getByRole('img', { name: 'Panel in raking light' })).toBeVisible();
  await page.getByRole('button', { name: 'Dust guide coat' }).click();
  await page.getByRole('button', { name: '6. Large hood, thin build' }).click();
  await expect(page.getByRole('heading', { level: 2, name: 'Large hood, thin build' })).toBeVisible();
});

test('a case is tried, refused by its rule, solved, and counted; a reload keeps it', async ({ page }) => {
  await page.goto('/practice/cases?case=stripped-lid');
  await expect(page.getByRole('heading', { name: 'A stripped engine lid' })).toBeVisible();
  const add = async (op: string): Promise<void> => {
    await page.getByRole('combobox', { name: 'Add a step' }).fill(op);
    await page.getByTitle(op, { exact: true }).click();
  };
  await add('sealer');
  await page.getByRole('button', { name: 'Judge it' }).click();
  const said = page.getByRole('region', { name: 'What the planner says' });
  await expect(said).toContainText('It does not get the panel ready.');
  await expect(said).toContainText('does not protect bare steel');
  await expectAccessible(page);
  await add('epoxy');
  await page.getByRole('button', { name: 'Step 2 earlier' }).click();
  await page.getByRole('button', { name: 'Judge it' }).click();
  await expect(said).toContainText('of 100');
  await page.getByRole('button', { name: 'Show the planner’s system' }).click();
  await expect(said.getByRole('listitem').filter({ hasText: 'Hand over to base' }).first()).toBeVisible();
  await expectAccessible(page);
  await page.reload();
  await expect(page.getByRole('button', { name: /1\. A stripped engine lid .*\d+ of 100/ })).toBeVisible();
  await expect(page.getByRole('combobox', { name: 'Product of step 2' })).toBeVisible();
});
