import { CORNER, act, atBench } from './bench.ts';
import { askForSystems, expect, expectSaved, test } from './fixtures.ts';

/** A tablet whose own clock is wrong shows and writes the server's time everywhere. */

const OFF_MIN = 28 * 60;

test('a clock that is 28 h ahead: plan, bay, entries, clocks and card have the server’s time', async ({
  page,
  context,
  shop,
}) => {
  await context.addInitScript((offMin) => {
    const Before = Date;
    const now = (): number => Before.now() + offMin * 60_000;
    globalThis.Date = new Proxy(Before, {
      construct: (target, args: unknown[]) =>
        Reflect.construct(target, args.length === 0 ? [now()] : args) as Date,
      get: (target, name) => (name === 'now' ? now : (Reflect.get(target, name) as unknown)),
    });
  }, OFF_MIN);
  await askForSystems(page, CORNER);
  await expect(page.getByText('times by the bay')).toBeVisible();
  // Monday morning, not Tuesday noon.
  await expect(page.locator('.step-clock').first()).toContainText(/^Mon 0\d:/);
  await atBench(page, CORNER);
  await act(page, /^Done as planned/).click();
  await expectSaved(page);
  const { entries } = await shop.get(`/api${CORNER}/record`);
  expect(entries[0].at).toMatch(/^2026-12-0[67]T/);
  await page.goto('/bay');
  await expect(page.getByText(/^(until )?(Mon )?0\d:\d\d$/).first()).toBeVisible();
  await expect(page.locator('.bay-now')).toContainText(/^0\d:\d\d$/);
  await page.goto(`${CORNER}/hand-over`);
  await expect(page.getByText(/^By the record as it stood on Mon 7 Dec 2026 0\d:\d\d\.$/)).toBeVisible();
});
