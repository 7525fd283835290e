import type { Page } from '@playwright/test';
import { DOOR, expect, expectAccessible, expectSaved, test } from './fixtures.ts';

const zones = (page: Page) => page.getByRole('list', { name: 'Zones' }).getByRole('button');
const tool = (page: Page, name: string) => page.getByRole('button', { name });

test('zones are added, moved, bent, split, stacked and taken away, and the panel stays whole', async ({
  page,
}) => {
  await page.goto(`${DOOR}/survey?zone=B`);
  // Nothing moves by itself: a shape has handles while it is shaped, and at no other time.
  const map = page.getByRole('group', { name: 'Panel map' });
  await expect(page.getByRole('button', { name: /^Shape of zone B/ })).toHaveCount(0);
  await tool(page, 'Add a zone').click();
  await tool(page, 'Put it where there is room').click();
  await expect(zones(page)).toHaveText([/old finish/, /stripped patch/, /filled dent/, /zone D.*0.1 m²/]);
  await expect(page.getByRole('region', { name: 'Zone D' })).toBeVisible();

  // By keyboard: the shape as a whole, then one corner; the area follows, the rest of the panel makes room.
  const shape = page.getByRole('button', { name: /^Shape of zone D/ });
  await shape.focus();
  for (let i = 0; i < 8; i++) await shape.press('Shift+ArrowUp');
  await expectSaved(page);
  const corner = page.getByRole('button', { name: /^Corner 3 of zone D/ });
  await corner.focus();
  for (let i = 0; i < 4; i++) await corner.press('Shift+ArrowRight');
  await expect(zones(page).last()).toHaveText(/zone D.*0.14 m²/);
  await expectSaved(page);

  // By pointer: the shape is dragged to the left.
  const box = (await shape.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 - 30, box.y + box.height / 2, { steps: 4 });
  await page.mouse.up();
  await expect.poll(async () => (await shape.boundingBox())!.x).toBeLessThan(box.x - 15);

  await tool(page, 'Done').click();
  await expect(shape).toHaveCount(0);

  // Along a line, whose ends are taken like corners.
  await tool(page, 'Split zone D along a line').click();
  const end = page.getByRole('button', { name: /^End 1 of the split/ });
  await end.focus();
  await end.press('Shift+ArrowRight');
  await expect(page.getByText('Zone D keeps the largest part; one zone comes new.')).toBeVisible();
  await tool(page, 'Split here').click();
  await expect(zones(page)).toHaveCount(5);
  await tool(page, 'Join zone D with another').click();
  await page.getByRole('menuitem', { name: /^E, zone E: becomes part of D/ }).click();
  await expect(zones(page)).toHaveText([/old finish/, /stripped patch/, /filled dent/, /zone D.*0.14 m²/]);
  await tool(page, 'Take back the last change of the panel').click();
  await expect(zones(page)).toHaveCount(5);
  await tool(page, 'Bring zone D to the front').click();
  await expect(zones(page).last()).toHaveText(/zone D/);
  await tool(page, 'Remove zone D').click();
  await expect(zones(page)).toHaveText([/old finish/, /stripped patch/, /filled dent/, /zone E/]);
  await tool(page, 'Take back the last change of the panel').click();
  await expect(zones(page)).toHaveCount(5);
  await expectSaved(page);
  await expect(page.getByText('Zones cover 2.1 m² of the panel’s 2.1 m².')).toBeVisible();

  await page.reload();
  await expect(zones(page)).toHaveCount(5);
  await expectAccessible(page);

  // With a finger, around the damage; a tap is no zone.
  await tool(page, 'Add a zone').click();
  const sheet = (await map.boundingBox())!;
  const middle = { x: sheet.x + sheet.width / 2, y: sheet.y + sheet.height / 4 };
  await page.mouse.click(middle.x, middle.y);
  await expect(page.getByText('That was too small for a zone')).toBeVisible();
  await expectAccessible(page);
  const around = Array.from({ length: 25 }, (_, i) => (i / 24) * 2 * Math.PI);
  await page.mouse.move(middle.x + 30, middle.y);
  await page.mouse.down();
  for (const turn of around)
    await page.mouse.move(middle.x + 30 * Math.cos(turn), middle.y + 24 * Math.sin(turn));
  await page.mouse.up();
  await expect(zones(page)).toHaveCount(6);
  await expect(page.getByText(/^Zone [A-Z]: drag it, or its corners/)).toBeVisible();
  await expectSaved(page);
  // One press of Remove takes one zone, however fast it comes twice.
  await tool(page, 'Done').click();
  await page.getByRole('button', { name: /^Remove zone/ }).dblclick();
  await expect(zones(page)).toHaveCount(5);
  await expectSaved(page);
});

test('panel facts: an outline for a panel that had none, its size, parts and their bags', async ({
  page,
  shop,
}) => {
  const zone = {
    id: 'A',
    name: 'finish',
    areaM2: 1.2,
    substrate: 'old-finish',
    layers: [{ kind: 'steel' }, { kind: 'old-finish', um: 100 }],
  };
  const patch = { id: 'B', name: 'patch', areaM2: 0.2, substrate: 'steel', layers: [{ kind: 'steel' }] };
  await shop.send('POST', '/api/jobs/bus-6/panels', {
    panel: { id: 'lid-2', name: 'Hood lid', areaM2: 1.4, zones: [zone, patch] },
  });
  await page.goto('/jobs/bus-6/panels/lid-2/survey');
  await expect(page.getByText('Drawn by area only.')).toBeVisible();
  await page.getByRole('button', { name: 'Panel facts' }).click();
  const facts = page.getByRole('dialog', { name: 'Panel facts' });
  await facts.getByRole('combobox', { name: 'Outline' }).click();
  await page.getByTitle('hood lid', { exact: true }).click();
  await expect(facts.getByRole('spinbutton', { name: 'Width' })).toBeVisible();
  await facts.getByRole('button', { name: 'Add a part' }).click();
  await facts.getByRole('textbox', { name: 'Part 1', exact: true }).fill('badge');
  await facts.getByRole('textbox', { name: 'Part 1', exact: true }).blur();
  await expectAccessible(page);
  await facts.getByRole('button', { name: 'Close' }).click();
  await expectSaved(page);
  await page.reload();
  await expect(page.getByText('Drawn by area only.')).toHaveCount(0);
  await zones(page).filter({ hasText: 'patch' }).click();
  await tool(page, 'Shape zone B and move it').click();
  await expect(page.getByRole('button', { name: /^Corner 1 of zone B/ })).toBeVisible();

  // What comes off is the first step of the plan.
  await page.getByRole('button', { name: 'Choose a system' }).click();
  await page.getByRole('button', { name: 'Ask for systems' }).click();
  await page.getByRole('button', { name: /^1 Take parts off/ }).click();
  await expect(page.getByRole('region', { name: 'Step in detail' })).toContainText('badge (bag 1)');
});

test('body lines are drawn and bent, corners are measured, neighbours named: the plan keeps to them', async ({
  page,
}) => {
  await page.goto(`${DOOR}/survey?zone=B`);
  await tool(page, 'Body lines').click();
  await tool(page, 'Draw one').click();
  await tool(page, 'Bend it').click();
  const bend = page.getByRole('button', { name: /^Corner 2 of body line 1/ });
  await bend.focus();
  await bend.press('Shift+ArrowUp');
  await expect(page.getByText('Body line 1 of 1: drag it, or its corners.')).toBeVisible();
  await expectAccessible(page);
  await tool(page, 'Done').click();

  await tool(page, 'Corners of the panel').click();
  const corner = page.getByRole('button', { name: /^Corner 2 of the panel/ });
  await corner.focus();
  await corner.press('ArrowLeft');
  await tool(page, 'Done').click();
  await page.getByRole('button', { name: 'Panel facts' }).click();
  const facts = page.getByRole('dialog', { name: 'Panel facts' });
  await expect(facts.getByTitle('from measurements')).toBeVisible();
  const left = facts.getByRole('spinbutton', { name: 'Corner 1 from the left' });
  await left.fill('40');
  await left.press('Enter');
  await facts.getByRole('button', { name: 'Add a neighbour' }).click();
  const neighbour = facts.getByRole('combobox', { name: 'Neighbour 1' });
  await neighbour.fill('rear quarter');
  await neighbour.blur();
  await facts.getByRole('combobox', { name: 'What becomes of rear quarter' }).click();
  await page.getByTitle('colour fades out on it').click();
  await expectAccessible(page);
  await facts.getByRole('button', { name: 'Close' }).click();
  await expectSaved(page);

  await page.getByRole('button', { name: 'Choose a system' }).click();
  await page.getByRole('button', { name: 'Ask for systems' }).click();
  await page.getByRole('button', { name: /Block the build/ }).click();
  const detail = page.getByRole('region', { name: 'Step in detail' });
  await expect(detail).toContainText('A body line runs through B, C');
  await expect(detail).toContainText('Sanded, wiped and covered before this: rear quarter.');
});

test('two people at one panel: the later sees it and chooses', async ({ page, shop }) => {
  await page.goto(`${DOOR}/survey?zone=B`);
  await expect(zones(page)).toHaveCount(3);
  const seen = await (await fetch(`${shop.url}/api/jobs/bus-6/panels/door`)).json();
  // The screen is not told in time.
  await page.route('**/api/**', (route) =>
    route.request().method() === 'GET' ? route.abort() : route.continue(),
  );
  const added = { ...seen.panel.zones[1], id: 'D', name: 'theirs', shape: undefined, areaM2: 0.001 };
  await shop.editDoor([
    { path: ['name'], from: seen.panel.name, to: 'Left door' },
    { path: ['zones', 'D'], to: added },
  ]);
  await tool(page, 'Add a zone').click();
  await tool(page, 'Put it where there is room').click();
  const notice = page.getByRole('alert');
  await expect(notice).toContainText('Somebody changed this panel in the meantime');
  await expect(notice).toContainText(/zone D: yours “zone D”, 0\.\d+ m², theirs “theirs”, 0\.001 m²/);
  await page.unroute('**/api/**');
  await notice.getByRole('button', { name: 'Take theirs' }).click();
  await expect(page.getByRole('heading', { name: 'Left door' })).toBeVisible();
  await expect(zones(page)).toHaveCount(4);
  await expect(zones(page).last()).toHaveText(/theirs/);
  await expectSaved(page);
});

test('a survey is copied from another panel, and taken back', async ({ page }) => {
  await page.goto('/jobs/bus-6/panels/corner/survey');
  await tool(page, 'Copy the survey of another panel').click();
  await page.getByRole('button', { name: /^Sliding door shell/ }).click();
  await page.getByRole('button', { name: 'Copy Sliding door shell' }).click();
  await expect(zones(page)).toHaveText([/old finish/, /stripped patch/, /filled dent/]);
  await tool(page, 'Take back the last change of the panel').click();
  await expect(zones(page)).toHaveText([/factory e-coat/, /rub-through spots, 3 of 12 mm/]);
  await expectSaved(page);
});

test('layers are put in order by keyboard, and what cannot be is named', async ({ page }) => {
  await page.goto(`${DOOR}/survey?zone=A`);
  const grip = page.getByRole('button', { name: /^Move old finish/ });
  await grip.focus();
  await grip.press('Space');
  // The list tells where the row is; only then does it take the next key.
  const isOver = (place: number) =>
    expect(page.getByText(`was moved over droppable area layer ${place} of 3`)).toBeAttached();
  await isOver(2);
  for (const place of [1, 0]) {
    await grip.press('ArrowDown');
    await isOver(place);
  }
  await grip.press('Space');
  await expect(
    page.getByText('Bare steel cannot lie over old finish: the substrate is the lowest layer.'),
  ).toBeVisible();
  await page.getByRole('region', { name: 'Zone A' }).getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('Bare steel cannot lie over old finish')).toHaveCount(0);
});

test('panels are added, removed, put back, and planned together', async ({ page }) => {
  await page.goto('/jobs/bus-6');
  await page.getByRole('button', { name: 'Plan all panels' }).click();
  await expect(page.getByText('6 panels planned;', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'Remove Nose cap' }).click();
  await expect(page.getByText('Nose cap was removed.')).toBeVisible();
  await page.getByRole('button', { name: 'Put it back' }).click();
  await expect(page.getByRole('heading', { name: 'Nose cap' })).toBeVisible();
  await page.getByRole('button', { name: 'Add a panel' }).click();
  const dialog = page.getByRole('dialog', { name: 'Add a panel' });
  await dialog.getByRole('textbox', { name: 'Name' }).fill('Rear bumper');
  await dialog.getByRole('combobox', { name: 'Outline of the new panel' }).click();
  await page.getByTitle('bumper cover', { exact: true }).click();
  await dialog.getByRole('combobox', { name: 'Most of it is' }).click();
  await page.getByTitle('bare steel', { exact: true }).click();
  await expectAccessible(page);
  await dialog.getByRole('button', { name: 'Add the panel' }).click();
  await expect(page.getByRole('heading', { name: 'Rear bumper' })).toBeVisible();
  await expect(zones(page)).toHaveText([/bare steel.*1 m²/]);
});
