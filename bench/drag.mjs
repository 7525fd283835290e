/** Dragging a block over a practice panel in Chromium: frames drawn a second, and the longest task on the main thread. */
/* global document, CanvasRenderingContext2D, PointerEvent, requestAnimationFrame -- dragInPage runs in the page */
import { amount, report } from './lib.mjs';
import { inBrowser, withServer } from './running.mjs';

/** Moves the pointer once a frame for so many ms, in the page; counts what is drawn and what blocks it. */
async function dragInPage(MS) {
  const overlay = document.querySelector('.block-overlay');
  const box = overlay.getBoundingClientRect();
  const { prototype } = CanvasRenderingContext2D;
  const draw = prototype.putImageData;
  let nFrames = 0;
  prototype.putImageData = function (...args) {
    nFrames += 1;
    return draw.apply(this, args);
  };
  const longTasks = [0];
  new PerformanceObserver((list) =>
    list.getEntries().forEach(({ duration }) => longTasks.push(duration)),
  ).observe({
    type: 'longtask',
  });
  const start = performance.now();
  const passed = () => performance.now() - start;
  while (passed() < MS) {
    const clientX = box.left + box.width / 2 + Math.cos(passed() / 300) * (box.width / 2 - 120);
    const clientY = box.top + 60 + (passed() / MS) * (box.height - 120);
    overlay.dispatchEvent(new PointerEvent('pointermove', { bubbles: true, pointerId: 1, clientX, clientY }));
    await new Promise(requestAnimationFrame);
  }
  return { perS: (nFrames / passed()) * 1000, longestMs: Math.max(...longTasks) };
}

export async function benchDrag(root) {
  await withServer(root, ({ address }) =>
    inBrowser(async (page) => {
      await page.goto(`${address}/practice?panel=high-and-low`);
      await page.getByRole('combobox', { name: 'Block' }).click();
      await page.getByTitle('Rigid board, 400 mm').click();
      await page.getByRole('application').hover();
      await page.mouse.down();
      await page.waitForTimeout(amount(1000, 100));
      const { perS, longestMs } = await page.evaluate(dragInPage, amount(4000, 200));
      report('frames a second while dragging the 400 mm board', perS, '/s', 60);
      report('longest main-thread task meanwhile', longestMs, 'ms', 50);
    }),
  );
}
