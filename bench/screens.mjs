/** Stages of a panel of eight zones in Chromium: the longest task on the main thread, opening and scrubbing. */
/* global window -- runs in the page */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { amount, report } from './lib.mjs';
import { mixedPanel } from './panels.mjs';
import { inBrowser, withServer } from './running.mjs';

/** Long tasks since they were read last, ms. */
function watchTasks() {
  window.tasksMs = [];
  new PerformanceObserver((list) =>
    list.getEntries().forEach(({ duration }) => window.tasksMs.push(duration)),
  ).observe({ type: 'longtask', buffered: true });
}

const longestMs = (page) => page.evaluate(() => Math.max(0, ...window.tasksMs.splice(0)));

export async function benchScreens(root) {
  await withServer(root, async ({ address, ask }) => {
    const demo = JSON.parse(readFileSync(join(root, 'demo/book-bus-6.ledge.json'), 'utf8'));
    const panel = { ...mixedPanel(8), id: 'eight' };
    await ask('POST', '/jobs', { ...demo, panels: [panel] });
    await ask('POST', '/jobs/bus-6/panels/eight/plans', {});
    await inBrowser(async (page) => {
      await page.addInitScript(watchTasks);
      const open = async (what, act, aim) => {
        await act();
        await page.waitForTimeout(amount(2000, 500));
        report(`${what}: longest task`, await longestMs(page), 'ms', aim);
      };
      const stage = (name) => page.getByRole('link', { name }).first().click();
      const panelPage = `${address}/jobs/bus-6/panels/eight`;
      await open('starting the app at Survey with 8 zones', () => page.goto(`${panelPage}/survey`));
      await open('opening System with 8 zones', () => stage('System'), 100);
      await open('opening Ladder', () => stage('Ladder'), 100);
      await open('opening Survey', () => stage('Survey'), 100);
      await open('starting the app at System', () => page.goto(`${panelPage}/system`), 100);
      const slider = page.getByRole('slider', { name: 'Step' });
      await slider.focus();
      const nSteps = Number(await slider.getAttribute('aria-valuemax'));
      for (let i = 0; i < amount(nSteps, 3); i++) {
        await slider.press('ArrowLeft');
        await page.waitForTimeout(30);
      }
      report('scrubbing it: longest task', await longestMs(page), 'ms', 50);
    });
  });
}
