import type { Page } from '@playwright/test';
import { CORNER, act, atBench } from './bench.ts';
import { DOOR, askForSystems, expect, expectAccessible, expectSaved, test } from './fixtures.ts';

/** What the record is good for: photos and places, the shop's own figures, and work that is repeated. */

const RECORD = `/api${CORNER}/record`;

/** A photo as a camera would give it, wider than is kept. */
const photoOf = async (page: Page) =>
  Buffer.from(
    await page.evaluate(async () => {
      const canvas = document.createElement('canvas');
      [canvas.width, canvas.height] = [3000, 2000];
      const pen = canvas.getContext('2d')!;
      pen.fillStyle = '#87918c';
      pen.fillRect(0, 0, 3000, 2000);
      const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg'));
      return [...new Uint8Array(await blob!.arrayBuffer())];
    }),
  );

/** Taps on the map of a dialog, by shares of its width and height. */
async function tapMap(page: Page, x: number, y: number): Promise<void> {
  const box = (await page.getByRole('dialog').getByLabel('Panel map').boundingBox())!;
  await page.mouse.click(box.x + box.width * x, box.y + box.height * y);
}

test('a photo is taken without the server, kept, sent once it is back, and marked where it was taken', async ({
  page,
  shop,
}) => {
  await askForSystems(page, DOOR);
  await atBench(page, DOOR);
  const photo = await photoOf(page);
  await shop.stop();
  await act(page, /^Photo/).click();
  const file = page.getByLabel('Take or choose a photo');
  await file.setInputFiles({ name: 'door.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('no picture') });
  await expect(page.getByRole('alert')).toHaveText(/This is no photo that this browser can read/);
  await expect(page.getByRole('button', { name: 'Enter it' })).toBeDisabled();
  await file.setInputFiles({ name: 'door.jpg', mimeType: 'image/jpeg', buffer: photo });
  await expect(page.getByAltText('The photo that was taken')).toBeVisible();
  await tapMap(page, 0.5, 0.5);
  await page.getByLabel('What it shows').fill('before the first wash');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Enter it' }).click();
  await expect(page.getByLabel(/^Photo on /)).toBeVisible();
  await shop.start();
  await expectSaved(page);
  const { entries } = await shop.get(`/api${DOOR}/record`);
  expect(entries).toMatchObject([
    {
      kind: 'photo',
      body: {
        photoId: expect.stringMatching(/^[0-9a-f]{64}$/),
        atMm: [expect.any(Number), expect.any(Number)],
      },
    },
  ]);
  await page.goto('/record/bus-6/door');
  const kept = page.getByRole('img', { name: /^Photo on/ }).last();
  await expect(kept).toHaveJSProperty('naturalWidth', 2000);
  await expectAccessible(page);
});

test('a defect is picked by its drawing and marked on the map; the mark leads to its entry', async ({
  page,
}) => {
  await askForSystems(page, DOOR);
  await atBench(page, DOOR);
  await act(page, /^Something’s wrong/).click();
  await expectAccessible(page);
  await page.getByRole('button', { name: /^Dust nibs/ }).click();
  await tapMap(page, 0.5, 0.9);
  await expect(page.getByRole('button', { name: 'The place, move with arrow keys' })).toBeVisible();
  await page.getByRole('button', { name: 'Enter it' }).click();
  await expect(page.getByLabel('Dust nibs on A')).toBeVisible();
  await expectSaved(page);
  await page.goto('/record/bus-6/door');
  await page.getByRole('button', { name: 'Dust nibs on A' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Dust nibs on A' })).toBeFocused();
});

test('the record’s figures are the shop’s with one tap, and back', async ({ page, shop }) => {
  const { utcOffsetMin } = await shop.get(RECORD);
  const at = new Date(Date.parse('2026-12-07T07:31:00Z') - utcOffsetMin * 60_000).toISOString();
  for (let i = 0; i < 5; i++) {
    const body = { op: 'wash', zones: ['A', 'B'], minutes: 14, again: true };
    await shop.send('POST', `/api${DOOR}/record`, { id: `wash-${i}`, at, by: 'Prep A', kind: 'act', body });
  }
  await page.goto('/shop');
  const washing = page
    .getByRole('region', { name: 'What the record says' })
    .getByRole('row', { name: /^Washing/ });
  await expect(washing).toContainText('so far, 5');
  // Five are few: it is asked, and said by how much it may be off.
  await washing.getByRole('button', { name: /^Use / }).click();
  const asked = page.getByRole('tooltip').filter({ hasText: 'all the same?' });
  await expect(asked).toContainText(/It comes from 5 pieces of work, and may be off by/);
  await asked.getByRole('button', { name: 'Use it' }).click();
  await expect(washing.getByText('in use')).toBeVisible();
  await expectSaved(page);
  await expectAccessible(page);
  const [{ shop: rules }] = await shop.get('/api/shops');
  expect(rules.rules.washMinPerM2).toBeGreaterThan(3);
  await washing.getByRole('button', { name: /^Back to 3 min/ }).click();
  await expectSaved(page);
  const [{ shop: back }] = await shop.get('/api/shops');
  expect(back.rules.washMinPerM2).toBeUndefined();
});

test('a set-up is repeated on another panel: its products, its ways to work and its coats', async ({
  page,
}) => {
  await askForSystems(page, CORNER);
  await atBench(page, CORNER);
  await act(page, /^Done as planned/).click();
  await expectSaved(page);
  await page.goto('/record/bus-6/corner');
  await page.getByRole('button', { name: 'Repeat this set-up…' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('combobox', { name: 'For which panel' }).click();
  await page.getByTitle('Roof hatch lid, Book bus 6').click();
  await expectAccessible(page);
  await dialog.getByRole('button', { name: 'Plan it like this' }).click();
  await expect(dialog.getByRole('status')).toContainText('It is planned');
  await dialog.getByRole('link', { name: 'Open its plan' }).click();
  await expect(page.getByRole('heading', { name: /^Plan, \d+ steps$/ })).toBeVisible();
});

test('entries are found by panel, product and person', async ({ page, shop }) => {
  const { utcOffsetMin } = await shop.get(RECORD);
  const at = new Date(Date.parse('2026-12-07T07:31:00Z') - utcOffsetMin * 60_000).toISOString();
  const write = (panel: string, id: string, by: string, body: object) =>
    shop.send('POST', `/api${panel}/record`, { id, at, by, kind: 'act', body });
  await write(DOOR, 'd1', 'Prep A', { op: 'wash', zones: ['A'] });
  const seal = { op: 'seal', zones: ['A'], sheetId: 'sealer-3-1-1', sheetName: 'Sealer 3:1:1' };
  await write(CORNER, 'c1', 'Prep B', seal);
  await page.goto('/record');
  await expect(page.getByText('2 entries')).toBeVisible();
  const pick = async (filter: string, title: string): Promise<void> => {
    await page.getByRole('combobox', { name: filter }).click();
    await page.getByTitle(title, { exact: true }).click();
  };
  await pick('Product', 'Sealer 3:1:1');
  await expect(page.getByText('1 entry')).toBeVisible();
  await pick('Person', 'Prep A');
  await expect(page.getByText('Nothing in the record fits that.', { exact: false })).toBeVisible();
  await page.goto('/record');
  await pick('Panel', 'Sliding door shell, Book bus 6');
  await expect(page.getByRole('listitem').filter({ hasText: 'Wash' })).toBeVisible();
  await expect(page.getByText('1 entry')).toBeVisible();
  await expectAccessible(page);
});
