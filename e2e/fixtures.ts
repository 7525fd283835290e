import { AxeBuilder } from '@axe-core/playwright';
import { test as base, expect, type Page } from '@playwright/test';
import { onMondayMorning } from './shop-day.ts';
import { ShopHost, type ShopServer } from './shop-server.ts';

interface Fixtures {
  readonly shop: ShopServer;
  /** What the browser complained of; a test fails when it is not empty at its end. */
  readonly complaints: string[];
}

interface WorkerFixtures {
  readonly host: ShopHost;
}

/** Tests with a server of their own, the demo job in it, and a page that starts there. */
export const test = base.extend<Fixtures, WorkerFixtures>({
  host: [
    // eslint-disable-next-line no-empty-pattern -- Playwright wants a destructured first argument
    async ({}, use) => {
      const host = await ShopHost.begin();
      await use(host);
      await host.end();
    },
    { scope: 'worker' },
  ],
  shop: async ({ host }, use) => {
    const shop = await host.open();
    await use(shop);
    await shop.end();
  },
  context: async ({ context }, use) => {
    await onMondayMorning(context);
    await use(context);
  },
  baseURL: async ({ shop }, use) => use(shop.url),
  complaints: [
    async ({ page }, use) => {
      const complaints: string[] = [];
      page.on('pageerror', (error) => complaints.push(error.message));
      page.on('console', (message) => {
        if (message.type() === 'error' && !message.text().includes('Failed to load resource'))
          complaints.push(message.text());
      });
      await use(complaints);
      expect(complaints).toEqual([]);
    },
    { auto: true },
  ],
});

export { expect };

export const DOOR = '/jobs/bus-6/panels/door';
/** A painted lid with a dent, chips and a rust bubble, and an edge that only gets clear. */
export const LID = '/jobs/bus-6/panels/lid';

/** Goes to a panel's System stage, the door's if none is named, and asks for systems. */
export async function askForSystems(page: Page, panel = DOOR): Promise<void> {
  await page.goto(`${panel}/system`);
  await page.getByRole('button', { name: 'Ask for systems' }).click();
  await expect(page.getByRole('heading', { name: /^Plan, \d+ steps$/ })).toBeVisible();
}

/** No accessibility fault on the view as it stands. */
export async function expectAccessible(page: Page): Promise<void> {
  // There are no frames here, for which it would open a page of its own each time; what passes is not asked for.
  const { violations } = await new AxeBuilder({ page })
    .setLegacyMode(true)
    .options({ resultTypes: ['violations'] })
    .analyze();
  expect(
    violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`),
  ).toEqual([]);
}

/** Everything typed so far has reached the server. */
export const expectSaved = (page: Page) =>
  expect(page.getByRole('status').filter({ hasText: 'All saved' })).toBeVisible();
