import type { Page } from '@playwright/test';
import { expect } from './fixtures.ts';

/** What a person does at the bench, as steps that tests share. */

export const CORNER = '/jobs/bus-6/panels/corner';

export const heading = (page: Page) => page.locator('#run-step');
export const act = (page: Page, name: RegExp) => page.getByRole('button', { name }).first();

/** Opens a panel at the bench, as Prep A. */
export async function atBench(page: Page, panel: string): Promise<void> {
  await page.goto(`${panel}/run`);
  await page.getByRole('button', { name: 'Who works here?' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Prep A' }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
}

/** Does steps until one whose title fits comes up. */
export async function doUntil(page: Page, title: RegExp): Promise<void> {
  for (let tries = 0; tries < 30 && !title.test((await heading(page).textContent()) ?? ''); tries++) {
    const before = await page.locator('.run-n').textContent();
    await act(page, /^Done (as planned|all the same)/).click();
    await expect(page.locator('.run-n')).not.toHaveText(before!);
  }
  await expect(heading(page)).toHaveText(title);
}
