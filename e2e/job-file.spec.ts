import { readFileSync } from 'node:fs';
import { expect, test } from './fixtures.ts';
import { demoJob } from './shop-server.ts';

const fileOf = (content: unknown, name = 'job.ledge.json') => ({
  name,
  mimeType: 'application/json',
  buffer: Buffer.from(typeof content === 'string' ? content : JSON.stringify(content)),
});

test('a job is taken in from its file and can be saved as one again', async ({ page }) => {
  const job = demoJob();
  job.job = { ...job.job, id: 'bus-7', title: 'Book bus 7', berth: 'bay 2' };
  await page.goto('/jobs');
  await page.getByLabel('Job file').setInputFiles(fileOf(job));
  const asked = page.getByRole('dialog', { name: 'In which shop is Book bus 7 planned?' });
  await expect(asked.getByRole('radio', { name: 'Saltmarsh Coachworks', exact: true })).toBeChecked();
  await asked.getByRole('button', { name: 'Take it in' }).click();
  await expect(page.getByRole('heading', { name: 'Book bus 7' })).toBeVisible();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Save as job file' }).click(),
  ]);
  const saved = JSON.parse(readFileSync(await download.path(), 'utf8'));
  expect(saved.job).toMatchObject({ id: 'bus-7', berth: 'bay 2' });
  expect(saved.panels.map(({ zones }: { zones: unknown[] }) => zones.length)).toEqual([3, 2, 1, 1, 1, 2]);
});

const cases: [string, () => unknown, RegExp][] = [
  ['broken JSON', () => '{"format": ', /This is not JSON/],
  [
    'no panels',
    () => ({ ...demoJob(), panels: undefined }),
    /panels: is missing: a job needs a list of panels/,
  ],
  [
    'a negative area',
    () => JSON.parse(JSON.stringify(demoJob()).replace('"areaM2":0.35', '"areaM2":-0.35')),
    /panels\.0\.zones\.1\.areaM2: must be more than 0 m²/,
  ],
  [
    'a newer version',
    () => ({ ...demoJob(), version: 2 }),
    /This program reads version 1|this program reads version 1/,
  ],
  ['the same job again', demoJob, /is here already/],
  ['9 MB of text', () => 'x'.repeat(9 * 1024 * 1024), /larger than a job file may be/],
];

for (const [name, content, message] of cases)
  test(`a bad file gets one clear message: ${name}`, async ({ page }) => {
    await page.goto('/jobs');
    await page.getByLabel('Job file').setInputFiles(fileOf(content()));
    if (name === 'the same job again') await page.getByRole('button', { name: 'Take it in' }).click();
    await expect(page.getByRole('alert')).toContainText(message);
    await expect(page.getByRole('heading', { level: 2 })).toHaveText(['Book bus 6']);
  });
