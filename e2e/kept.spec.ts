import { chmodSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { DOOR, expect, expectAccessible, expectSaved, test } from './fixtures.ts';

/** What is written stays: removed things come back, records are checked, backups are made, and each says what it did. */

const NOTE = {
  id: 'note-1',
  by: 'Prep A',
  kind: 'note',
  body: { text: 'A run on the sill' },
};

test('what was removed is found after a reload, told how long it is kept, and put back with its record', async ({
  page,
}) => {
  await page.goto('/jobs/bus-6');
  await page.getByRole('button', { name: 'Remove Nose cap' }).click();
  await expect(page.getByText('Nose cap was removed.')).toBeVisible();
  await page.reload();
  const removed = page.getByRole('region', { name: 'Removed panels' });
  await expect(removed).toContainText(/Nose cap removed Mon \d\d:\d\d, kept until Wed 6 Jan 2027/);
  await expectAccessible(page);

  // A new panel of that name is another one; the old one comes back beside it.
  await page.getByRole('button', { name: 'Add a panel' }).click();
  const dialog = page.getByRole('dialog', { name: 'Add a panel' });
  await dialog.getByRole('textbox', { name: 'Name' }).fill('Nose');
  await dialog.getByRole('button', { name: 'Add the panel' }).click();
  await expect(page).toHaveURL(/panels\/nose-2\/survey/);
  await expectSaved(page);
  await page.goto('/jobs/bus-6');
  await removed.getByRole('button', { name: 'Put Nose cap back' }).click();
  await expect(page.getByRole('heading', { level: 2, name: 'Nose cap' })).toBeVisible();
  await expect(removed).toHaveCount(0);

  await page.goto('/jobs');
  await page.getByRole('button', { name: 'Remove Book bus 6' }).click();
  await expect(page.getByText('Book bus 6 was removed.')).toBeVisible();
  await page.reload();
  await page.getByText('Removed', { exact: true }).click();
  await expect(page.getByRole('main').getByRole('listitem')).toHaveText([/Book bus 6.*removed Mon/]);
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Put Book bus 6 back' }).click();
  await expect(page.getByText('No job was removed in the last month.')).toBeVisible();
});

test('a backup is made by a tap, copied to a second folder, and says where it is not safe', async ({
  page,
}) => {
  const second = mkdtempSync(join(tmpdir(), 'ledge-second-'));
  await page.goto('/shop');
  const backups = page.getByRole('region', { name: 'Backups' });
  await expect(backups).toContainText('There is no backup yet.');
  await expect(backups).toContainText(
    'No second folder is set: if this disk breaks, data and backups go together.',
  );
  const folder = backups.getByRole('textbox', { name: /^Second folder/ });
  await folder.fill('/nowhere/at/all');
  await backups.getByRole('button', { name: 'Use this folder' }).click();
  await expect(backups.getByRole('alert')).toContainText(
    'folder: is not there: make it first, or put its disk in',
  );
  await folder.fill(second);
  await backups.getByRole('button', { name: 'Use this folder' }).click();
  await expect(backups).toContainText('That folder is on the same disk as the data');
  await backups.getByRole('button', { name: 'Back up now' }).click();
  await expect(backups).toContainText(/The last backup was made Mon \d\d:\d\d: 0 entries, 0 photos, \d+ kB/);
  expect(readdirSync(second)).toEqual([expect.stringMatching(/^blue-ledge-2026-12-07-\d{6}\.zip$/)]);
  await expectAccessible(page);
  // The disk is taken out.
  rmSync(second, { recursive: true });
  await backups.getByRole('button', { name: 'Back up now' }).click();
  await expect(backups.getByRole('alert')).toContainText(/was made, but not copied to the second folder/);
  await backups.getByText(/backups beside the data/).click();
  await expect(backups).toContainText('restore FILE --to FOLDER');
});

test('a photo that was exchanged is found by the check, told in words, and its record is opened from there', async ({
  page,
  shop,
}) => {
  await page.goto('/record');
  const check = page.getByRole('region', { name: /^Whether all records/ });
  await expect(check).toContainText(/All 0 records are as they were written/);
  const dot = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    'base64',
  );
  const sent = await fetch(`${shop.url}/api/photos`, {
    method: 'POST',
    headers: { 'content-type': 'image/png' },
    body: dot,
  });
  const { photoId } = (await sent.json()) as { photoId: string };
  const at = new Date((await shop.get('/api/clocks')).nowMs).toISOString();
  const entered = await shop.send('POST', `/api${DOOR}/record`, {
    ...NOTE,
    at,
    kind: 'photo',
    body: { photoId },
  });
  expect(entered.status).toBe(200);
  const file = join(shop.photos, `${photoId}.png`);
  chmodSync(file, 0o600);
  writeFileSync(file, Buffer.concat([dot, Buffer.from('x')]));
  await check.getByRole('button', { name: 'Check all records' }).click();
  await expect(check).toContainText(
    'A photo in the record of Sliding door shell, Book bus 6, is not the one that was taken.',
  );
  await expect(check).toContainText('compare it with a backup');
  await expectAccessible(page);
  await page.goto('/jobs');
  const notice = page
    .getByRole('alert')
    .filter({ hasText: 'Something that was written is not as it was written' });
  await expect(notice).toBeVisible();
  await notice.getByRole('link', { name: 'What it is' }).click();
  await check.getByRole('link', { name: 'Open this record' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Sliding door shell' })).toBeVisible();
});
