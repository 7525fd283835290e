/** `npm run shots`: one current picture of each main view in docs/screenshots, from the demo data. */
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium as launcher } from '@playwright/test';
import { chromium } from './chromium.mjs';
import { build, root, setup } from './setup.mjs';

const PORT = '4688';
const address = `http://127.0.0.1:${PORT}`;
const DOOR = '/jobs/bus-6/panels/door';

/** Name of the picture, address, and what is done before it is taken. */
const VIEWS = [
  ['jobs', '/jobs'],
  ['job', '/jobs/bus-6'],
  ['survey', `${DOOR}/survey?zone=C`],
  ['system', `${DOOR}/system?step=20`],
  [
    'system-refused',
    `${DOOR}/system`,
    (page) =>
      page
        .getByRole('button', { name: /refused/ })
        .first()
        .click(),
  ],
  ['plan-sheet', `${DOOR}/plan-sheet`],
  ['caution-sheet', `${DOOR}/caution-sheet`],
  [
    'panel-facts',
    `${DOOR}/survey?zone=B`,
    async (page) => {
      await page.getByRole('button', { name: 'Panel facts' }).click();
      await page.waitForTimeout(500);
    },
  ],
  [
    'schools',
    `${DOOR}/system?step=20`,
    async (page) => {
      await page.getByRole('button', { name: 'Schools…' }).click();
      await page.waitForTimeout(500);
    },
  ],
  [
    'why-not',
    `${DOOR}/system?step=20`,
    async (page) => {
      await page.getByRole('button', { name: 'Why not…?' }).click();
      await page.getByRole('button', { name: /^Start from/ }).click();
      await page.getByRole('button', { name: 'Remove step 2' }).click();
      await page.getByRole('button', { name: 'Judge it' }).click();
      await page.getByRole('heading', { name: 'Not like this.' }).scrollIntoViewIfNeeded();
      await page
        .getByRole('listitem')
        .filter({ hasText: 'does not protect' })
        .last()
        .scrollIntoViewIfNeeded();
    },
  ],
  ['plastic', '/jobs/bus-6/panels/trim/system?step=12'],
];

setup();
build(['core', 'server', 'web']);
const folder = mkdtempSync(join(tmpdir(), 'ledge-shots-'));
const server = spawn(process.execPath, [join(root, 'server/bundle/main.mjs')], {
  env: { ...process.env, PORT, LEDGE_DATA: folder, LEDGE_WEB: join(root, 'web/dist') },
  stdio: 'ignore',
});
const send = (path, body) =>
  fetch(address + path, { method: 'POST', headers: { 'content-type': 'application/json' }, body });
while (
  !(await fetch(`${address}/api/health`).then(
    (r) => r.ok,
    () => false,
  ))
)
  await new Promise((r) => setTimeout(r, 50));
for (const name of readdirSync(join(root, 'demo')))
  await send('/api/jobs', readFileSync(join(root, 'demo', name)));
await send('/api/jobs/bus-6/plans');
await send(`/api${DOOR}/plans`);

const browser = await launcher.launch({
  executablePath: chromium(),
  args: ['--no-sandbox', '--disable-gpu'],
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' });
mkdirSync(join(root, 'docs/screenshots'), { recursive: true });
for (const [name, path, act] of VIEWS) {
  await page.goto(address + path, { waitUntil: 'networkidle' });
  if (act) await act(page);
  await page.waitForTimeout(300);
  await page.screenshot({ path: join(root, `docs/screenshots/${name}.png`) });
}
await browser.close();
server.kill();
rmSync(folder, { recursive: true });
