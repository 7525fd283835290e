import { DOOR, askForSystems, expect, expectAccessible, expectSaved, test } from './fixtures.ts';

test('a steel door from survey to a chosen, explained and printed system', async ({ page }) => {
  await page.goto('/jobs');
  await page.getByRole('link', { name: /Book bus 6/ }).click();
  await page.getByRole('link', { name: /^Sliding door shell/ }).click();

  // The zones as found, and a change to area, finding and layer.
  const zones = page.getByRole('list', { name: 'Zones' });
  await expect(zones.getByRole('button')).toHaveText([
    /old finish.*1.5 m²/,
    /stripped patch.*0.35 m²/,
    /filled dent.*0.25 m²/,
  ]);
  await zones.getByRole('button', { name: /stripped patch/ }).click();
  const patch = page.getByRole('region', { name: 'Zone B' });
  await patch.getByRole('spinbutton', { name: 'Area' }).fill('0.3');
  await zones.getByRole('button', { name: /filled dent/ }).click();
  await expect(page.getByRole('region', { name: 'Zone C' })).toBeVisible();
  await page.getByRole('button', { name: 'Remove finding pinholes' }).click();
  await page.getByRole('spinbutton', { name: 'Thickness of filler' }).fill('1200');
  await expect(page.getByRole('group', { name: /Section as found.*zone C: filler 1200 µm/ })).toBeVisible();
  await expectSaved(page);
  await expect(zones.getByRole('button', { name: /stripped patch/ })).toContainText('0.3 m²');

  // Systems: at least two that differ in a school, and refused ones with the rule.
  await page.getByRole('button', { name: 'Choose a system' }).click();
  await page.getByRole('button', { name: 'Ask for systems' }).click();
  const cards = page.getByRole('region', { name: 'Systems to compare' });
  await expect(
    cards.getByRole('button', { name: /Old filler out, epoxy, filler, build, sealer/ }),
  ).toBeVisible();
  const kept = cards.getByRole('listitem').filter({ hasText: 'Filler kept on metal, epoxy, build, sealer' });
  await expect(kept).toContainText('Suggested.');
  await cards
    .getByRole('button', { name: /refused/ })
    .first()
    .click();
  await expect(
    cards
      .getByRole('listitem')
      .filter({ hasText: /Refused\..*M1/ })
      .first(),
  ).toContainText('does not protect bare steel');
  await expect(page.getByRole('region', { name: 'Step in detail' })).toContainText('Here it stops');

  // Choose to take the filler out, and think again.
  const out = cards.getByRole('listitem').filter({ hasText: 'Old filler out, epoxy, filler, build, sealer' });
  await out.getByRole('button', { name: /Old filler out/ }).click();
  await out.getByRole('button', { name: 'Choose' }).click();
  await expect(out).toContainText('Chosen.');
  await kept.getByRole('button', { name: /Filler kept on metal/ }).click();
  await kept.getByRole('button', { name: 'Choose' }).click();
  await expect(kept).toContainText('Chosen.');

  // Scrub: the section grows and is sanded back, and each step says what, how long and why.
  const scrubber = page.getByRole('slider', { name: 'Step' });
  const section = page.getByRole('group', { name: /^Section/ });
  await scrubber.press('Home');
  await expect(section).toHaveAccessibleName(/as found.*zone B: bare/);
  await page.getByRole('button', { name: /^\d+ High-build primer 4:1:1/ }).click();
  await expect(section).toHaveAccessibleName(/zone B: epoxy 50 µm, high-build 100 µm/);
  const detail = page.getByRole('region', { name: 'Step in detail' });
  await expect(detail).toContainText('Film budget');
  await expect(detail).toContainText('computed by a model');
  await expect(detail).toContainText('Isocyanate hardener');
  await page.getByRole('button', { name: /Block the build/ }).click();
  await expect(section).toHaveAccessibleName(/zone B: epoxy 50 µm, high-build 7\d µm/);
  await expect(detail).toContainText('P220');

  // A reload finds all of it again: zone, plan, choice and step.
  await page.reload();
  await expect(kept).toContainText('Chosen.');
  await expect(detail).toContainText('Block the build');
  await page.goto(`${DOOR}/survey?zone=C`);
  await expect(page.getByRole('spinbutton', { name: 'Thickness of filler' })).toHaveValue('1200');
  await expect(page.getByText('pinholes')).toHaveCount(0);

  // On paper.
  await page.goto(`${DOOR}/system`);
  await page.getByRole('link', { name: 'Print the plan' }).click();
  await expect(page.getByText('Filler kept on metal, epoxy, build, sealer')).toBeVisible();
  await expect(page.getByRole('row', { name: /Sealer 3:1:1/ })).toContainText(
    '1 coat, 25 µm dry, grey 40 of 100',
  );
  await expect(page.getByText(/licensed practice govern/)).toBeVisible();
});

test('a changed survey says that the plan is old, and keeps it until it is planned again', async ({
  page,
}) => {
  await askForSystems(page);
  await page.getByRole('link', { name: 'Survey', exact: true }).click();
  await page.getByRole('button', { name: /stripped patch/ }).click();
  await page.getByRole('region', { name: 'Zone B' }).getByRole('spinbutton', { name: 'Area' }).fill('0.2');
  await expectSaved(page);
  await page.getByRole('link', { name: 'System' }).click();
  const old = page.getByText('The survey has changed since this plan was made.');
  await expect(old).toBeVisible();
  // It is not chosen from by accident.
  const other = page.getByRole('listitem').filter({ hasText: 'direct-to-metal build, sealer' });
  await other.getByRole('button', { name: /^Filler kept/ }).click();
  await other.getByRole('button', { name: 'Choose' }).click();
  const doubt = page.getByRole('dialog', { name: 'Choose from a plan that is out of date?' });
  await doubt.getByRole('button', { name: 'Cancel' }).click();
  await page.getByRole('button', { name: 'Plan again' }).click();
  await expect(old).toHaveCount(0);
});

/** The system that builds all over and seals nothing. */
const BUILT = /Filler kept on metal, epoxy, build(?!, sealer)/;

test('what was chosen is kept when all is planned again; where it is not ready any more, old stands beside new', async ({
  page,
}) => {
  await askForSystems(page);
  const cards = page.getByRole('region', { name: 'Systems to compare' });
  // From the table of all that are ready.
  await page.getByRole('button', { name: '5 ready: compare them in a table' }).click();
  const table = page.getByRole('dialog', { name: 'Systems that are ready, best first' });
  await expect(table.getByRole('row', { name: /^Remarks/ })).toContainText(
    'film that nobody needs there. B1',
  );
  await expectAccessible(page);
  const titles = await table.getByRole('columnheader').allTextContents();
  const nth = titles.filter((title) => title.trim() !== '').findIndex((title) => BUILT.test(title));
  await table.getByRole('button', { name: 'Look at it' }).nth(nth).click();
  const other = cards.getByRole('listitem').filter({ has: page.getByRole('button', { pressed: true }) });
  // The card that was looked at before has that button as well.
  await expect(other).toContainText(BUILT);
  await other.getByRole('button', { name: 'Choose' }).click();
  await expect(other).toContainText('Chosen.');
  await page.goto('/jobs/bus-6');
  await page.getByRole('button', { name: 'Plan all panels' }).click();
  await expect(
    page.getByText('6 panels planned; what was chosen is kept where it is still ready.'),
  ).toBeVisible();
  await page.goto(`${DOOR}/system`);
  await expect(other).toContainText('Chosen.');

  // The sound finish turns out to be soluble: this system cannot leave it open.
  await page.goto(`${DOOR}/survey?zone=A`);
  await page.getByRole('combobox', { name: 'Solvent rub' }).click();
  await page.getByTitle('colour or softening: thinner-soft: strip it or isolate it').click();
  await expectSaved(page);
  await page.goto('/jobs/bus-6');
  await page.getByRole('button', { name: 'Plan all panels' }).click();
  await expect(page.getByText('The system that was chosen is not ready any more on')).toBeVisible();
  await page.getByRole('status').getByRole('link', { name: 'Sliding door shell' }).click();
  await expect(page.getByText('What you chose is not ready any more.')).toBeVisible();
  await page.getByRole('button', { name: 'Compare old and new' }).click();
  const both = page.getByRole('dialog', { name: 'Old and new' });
  await expect(
    both.getByRole('columnheader', { name: /^Before: Filler kept on metal, epoxy, build/ }),
  ).toBeVisible();
  await expect(both.getByRole('row', { name: /^Steps that only this one has/ })).toContainText(' on A');
  await expectAccessible(page);
});

test('the shop’s school decides which system is proposed', async ({ page }) => {
  await page.goto('/shop');
  await expect(page.getByRole('heading', { name: 'Saltmarsh Coachworks' })).toBeVisible();
  const school = page.getByRole('group', { name: 'First coat on metal' });
  await expect(school).toContainText('one product protects and fills');
  await school.getByRole('radio', { name: /direct-to-metal build/ }).check();
  await expectSaved(page);
  await page.goto('/jobs/bus-6');
  await page.getByRole('link', { name: /^Sliding door shell/ }).click();
  await page.getByRole('link', { name: 'System' }).click();
  await page.getByRole('button', { name: 'Ask for systems' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Suggested.' })).toContainText(
    'Filler kept on metal, direct-to-metal build',
  );
});
