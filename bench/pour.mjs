/** Sliders and readings of Pour in Chromium: what one move of them takes on the main thread, and long tasks meanwhile. */
/* global document, window, KeyboardEvent, HTMLInputElement, requestAnimationFrame -- runs in the page */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { amount, percentile, report } from './lib.mjs';
import { inBrowser, withServer } from './running.mjs';

const N_MOVES = amount(60, 3);

/** Moves a slider by keys, once a frame; ms of each move until it is rendered. */
async function slideInPage([selector, nMoves]) {
  const handle = document.querySelector(selector);
  const took = [];
  for (let i = 0; i < nMoves; i++) {
    const key = i % 20 < 10 ? 'ArrowRight' : 'ArrowLeft';
    const from = performance.now();
    handle.dispatchEvent(
      new KeyboardEvent('keydown', { key, keyCode: key === 'ArrowRight' ? 39 : 37, bubbles: true }),
    );
    await Promise.resolve();
    took.push(performance.now() - from);
    await new Promise(requestAnimationFrame);
  }
  return took;
}

/** Types numbers into a field, once a frame. */
async function typeInPage([name, nMoves]) {
  const field =
    document.querySelector(`[aria-label="${name}"]`) ??
    [...document.querySelectorAll('input')].find((each) => each.labels?.[0]?.textContent?.includes(name));
  const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set;
  const took = [];
  for (let i = 0; i < nMoves; i++) {
    const from = performance.now();
    set.call(field, String(i % 20));
    field.dispatchEvent(new Event('input', { bubbles: true }));
    await Promise.resolve();
    took.push(performance.now() - from);
    await new Promise(requestAnimationFrame);
  }
  return took;
}

function watchTasks() {
  window.tasksMs = [];
  new PerformanceObserver((list) =>
    list.getEntries().forEach(({ duration }) => window.tasksMs.push(duration)),
  ).observe({ type: 'longtask', buffered: true });
}

export async function benchPour(root) {
  await withServer(root, async ({ address, ask }) => {
    await ask('POST', '/jobs', JSON.parse(readFileSync(join(root, 'demo/book-bus-6.ledge.json'), 'utf8')));
    await ask('POST', '/jobs/bus-6/panels/door/plans', {});
    const { plan } = await ask('GET', '/jobs/bus-6/panels/door/plans/latest');
    const { acts } = plan.plan.systems.find(({ id }) => id === plan.chosen);
    const sealed = acts.findIndex(({ op }) => op === 'seal') + 1;
    await inBrowser(async (page) => {
      await page.addInitScript(watchTasks);
      const longest = () => page.evaluate(() => Math.max(0, ...window.tasksMs.splice(0)));
      /** Opens a view, and waits until what is moved in it is there and all is quiet. */
      const open = async (show, moved) => {
        await page.goto(`${address}/jobs/bus-6/panels/door/pour?step=${sealed}&show=${show}`);
        await moved.waitFor();
        await page.waitForTimeout(amount(1500, 300));
        await longest();
      };
      const told = async (what, took) => {
        report(
          `${what}: median`,
          percentile(
            took.toSorted((a, b) => a - b),
            0.5,
          ),
          'ms',
          16,
        );
        report(`${what}: slowest of ${took.length}`, Math.max(...took), 'ms', 16);
        report(`${what}: longest task`, await longest(), 'ms', 50);
      };
      await open('Undertone', page.locator('.ant-slider-handle').first());
      await told('hiding card slider', await page.evaluate(slideInPage, ['.ant-slider-handle', N_MOVES]));
      await open('Gun', page.getByLabel('Reduced by').first());
      await told('reduction of the gun', await page.evaluate(typeInPage, ['Reduced by', N_MOVES]));
      const pour = page.getByRole('button', { name: 'Pour it part by part' });
      await open('Mix', pour);
      await pour.click();
      await page.getByLabel('Reading of the scale').waitFor();
      await told('reading of the scale', await page.evaluate(typeInPage, ['Reading of the scale', N_MOVES]));
    });
  });
}
