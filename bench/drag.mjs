/** Dragging a block over a practice panel in Chromium: frames drawn a second, and the longest task on the main thread. */
/* global document, CanvasRenderingContext2D, PointerEvent, requestAnimationFrame -- dragInPage runs in the page */
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium as launcher } from '@playwright/test';
import { chromium } from '../scripts/chromium.mjs';
import { report } from './lib.mjs';

const PORT = '4689';
const address = `http://127.0.0.1:${PORT}`;

/** Moves the pointer once a frame for four seconds, in the page; counts what is drawn and what blocks it. */
async function dragInPage() {
  const MS = 4000;
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
  const data = mkdtempSync(join(tmpdir(), 'ledge-drag-'));
  const env = { ...process.env, PORT, LEDGE_DATA: data, LEDGE_WEB: join(root, 'web/dist') };
  const server = spawn(process.execPath, [join(root, 'server/bundle/main.mjs')], { stdio: 'ignore', env });
  const browser = await launcher.launch({ executablePath: chromium(), args: ['--no-sandbox'] });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    for (let i = 0; i < 50 && !(await fetch(`${address}/api/health`).catch(() => null))?.ok; i++)
      await page.waitForTimeout(200);
    await page.goto(`${address}/practice?panel=high-and-low`);
    await page.getByRole('combobox', { name: 'Block' }).click();
    await page.getByTitle('Rigid board, 400 mm').click();
    await page.getByRole('application').hover();
    await page.mouse.down();
    await page.waitForTimeout(1000);
    const { perS, longestMs } = await page.evaluate(dragInPage);
    report('frames a second while dragging the 400 mm board', perS, '/s', 60);
    report('longest main-thread task meanwhile', longestMs, 'ms', 50);
  } finally {
    await browser.close();
    server.kill();
    rmSync(data, { recursive: true, force: true });
  }
}
