/** `npm run shots`: one current picture of each main view in docs/screenshots, from the demo data. */
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium as launcher } from '@playwright/test';
import { chromium } from './chromium.mjs';
import { build } from './build.mjs';
import { root } from './run.mjs';
import { setup } from './setup.mjs';

const PORT = '4688';
const address = `http://127.0.0.1:${PORT}`;
const DOOR = '/jobs/bus-6/panels/door';
const HATCH = '/jobs/bus-6/panels/hatch';

/** Name of the picture, address, and what is done before it is taken. */
const VIEWS = [
  [
    'bay',
    '/bay',
    async (page) => {
      await page.locator('[data-bar]').first().waitFor({ timeout: 30_000 });
      await page.waitForTimeout(500);
    },
  ],
  ['jobs', '/jobs'],
  ['job', '/jobs/bus-6'],
  ['shop', '/shop'],
  ['survey', `${DOOR}/survey?zone=C`],
  [
    'system',
    `${DOOR}/system?step=12`,
    async (page) => {
      await page.getByRole('button', { name: 'The last coat is on: start its clock' }).click();
      await page.waitForTimeout(800);
      await page.goto(`${address}${DOOR}/system?step=15`);
      await page.waitForTimeout(1200);
    },
  ],
  ['ladder', `${DOOR}/ladder?run=C:build`],
  [
    'ladder-blocking',
    `${DOOR}/ladder?view=blocking&build=C-15`,
    async (page) => {
      await page.getByRole('button', { name: 'Try every block' }).click();
      await page.getByText(/with \d+ µm of build/).waitFor({ timeout: 90_000 });
      await page.getByRole('button', { name: 'Watch Flexible board, 400 mm' }).click();
      await page.waitForTimeout(3000);
    },
  ],
  [
    'practice',
    '/practice?panel=high-and-low',
    async (page) => {
      await page.getByRole('combobox', { name: 'Block' }).click();
      await page.getByTitle('Rigid board, 400 mm').click();
      const box = await page.getByRole('application').boundingBox();
      await page.mouse.move(box.x + 110, box.y + 40);
      await page.mouse.down();
      for (let i = 0; i < 26; i++) {
        const x = box.x + (i % 2 ? 110 : box.width - 110);
        const y = box.y + 40 + (((i * 37) % 100) / 100) * (box.height - 80);
        await page.mouse.move(x, y, { steps: 10 });
      }
      await page.mouse.up();
      await page.getByRole('application').press('f');
      await page.getByRole('button', { name: 'I am done' }).click();
      await page.waitForTimeout(500);
    },
  ],
  [
    'pour',
    `${DOOR}/pour?step=15`,
    async (page) => {
      await page.getByRole('button', { name: 'Pour it part by part' }).click();
      await page.getByRole('spinbutton', { name: 'Reading of the scale' }).fill('360');
    },
  ],
  ['gun', `${DOOR}/pour?step=15&show=Gun`],
  ['plan-sheet', `${DOOR}/plan-sheet`],
  [
    'run',
    `${HATCH}/run`,
    async (page) => {
      await page.getByRole('button', { name: 'Who works here?' }).click();
      await page.getByRole('dialog').getByRole('button', { name: 'Prep A' }).click();
      await page.getByRole('button', { name: /^Begin/ }).click();
      await page
        .getByRole('button', { name: /^Guide coat is gone/ })
        .first()
        .click();
      await page.waitForTimeout(1200);
    },
  ],
  ['hand-over', '/jobs/bus-6/panels/corner/hand-over'],
  ['record', '/record/bus-5/door'],
  [
    'cases',
    '/practice/cases?case=bare-patch',
    async (page) => {
      for (const op of ['epoxy', 'high-build', 'sealer']) {
        await page.getByRole('combobox', { name: 'Add a step' }).fill(op);
        await page.getByTitle(op, { exact: true }).click();
      }
      for (const n of [1, 2])
        await page
          .getByRole('group', { name: `Areas of step ${n}` })
          .getByText('A', { exact: true })
          .click();
      await page.getByRole('button', { name: 'Judge it' }).click();
      await page.waitForTimeout(2500);
    },
  ],
  [
    'product',
    '/shelf',
    async (page) => {
      await page.getByRole('button', { name: 'Take High-build primer 4:1:1 over' }).click();
      await page.getByLabel('Price of a litre').fill('36,5');
      await page.waitForTimeout(500);
    },
  ],
  [
    'shelf',
    '/shelf',
    async (page) => {
      for (const name of ['High-build primer 4:1:1', 'Sealer 3:1:1', 'Epoxy primer 1:1']) {
        await page.goto(`${address}/shelf`);
        await page.getByRole('button', { name: `Take ${name} over`, exact: true }).click();
        await page.getByRole('button', { name: 'Put it on the shelf' }).click();
        await page.getByText('version 1').waitFor();
      }
      await page.goto(`${address}/shelf`);
      await page.waitForTimeout(800);
    },
  ],
  [
    'stock',
    '/shelf',
    async (page) => {
      await page.getByRole('link', { name: 'Stock' }).click();
      await page.getByRole('button', { name: 'New cans' }).click();
      await page.getByRole('combobox', { name: 'Product' }).fill('High-build');
      await page.getByTitle('High-build primer 4:1:1', { exact: true }).click();
      await page.getByRole('textbox', { name: 'Batch' }).fill('24-117');
      await page.getByRole('button', { name: 'Put the can in' }).click();
      await page.getByRole('heading', { name: 'Cans', exact: true }).waitFor();
      await page.waitForTimeout(800);
    },
  ],
];

const { database } = await setup();
await Promise.all([build(['core', 'server', 'web']), database]);
const folder = mkdtempSync(join(tmpdir(), 'ledge-shots-'));
// Monday morning, before the shop opens: pictures are the same on every day.
const MORNING = '2026-12-07T07:30:00';
const withMorning = ['--import', join(root, 'e2e/server-morning.mjs')];
const server = spawn(process.execPath, [...withMorning, join(root, 'server/bundle/main.mjs')], {
  env: {
    ...process.env,
    PORT,
    LEDGE_DATA: folder,
    LEDGE_WEB: join(root, 'web/dist'),
    LEDGE_MORNING: MORNING,
  },
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
/** What was worked on last Friday as it is planned, and up to which step. */
const WORKED = { hatch: 'block', corner: undefined };

/** The record of a panel that was done as planned, up to its first step of an operation. */
async function recordOf(job, panel, until) {
  const { chainOf, makePlan, openPlan } = await import('@blue-ledge/core');
  const { shop, sheets } = job;
  const start = { startOn: '2026-12-04', startMin: 480 };
  const { view, actsOf } = openPlan(makePlan({ panel, shop, sheets, target: job.job.target, ...start }));
  const { steps } = view.systems.find(({ id }) => id === view.chosen);
  const nth = steps.findIndex(({ op }) => op === until);
  const zeroMs = new Date('2026-12-04T08:00:00').getTime();
  const entries = steps.slice(0, nth < 0 ? steps.length : nth).map((step, i) => {
    const { idleMin: _idle, isSplit: _split, ...act } = actsOf(view.chosen)[i];
    const values = { batch: '24-117', celsius: 20, relativeHumidity: 52 };
    return {
      id: `${panel.id}-${step.n}`,
      at: new Date(zeroMs + step.endMin * 60_000).toISOString(),
      by: i % 3 === 0 ? 'Prep B' : 'Prep A',
      kind: 'act',
      body: {
        ...act,
        ...(step.sheetName ? { sheetName: step.sheetName, values } : {}),
        minutes: Math.round(step.handsOnMin),
      },
    };
  });
  return chainOf(entries);
}

async function withRecords(text) {
  const { readJobText } = await import('@blue-ledge/core');
  const job = JSON.parse(text);
  const { value } = readJobText(text);
  for (const panel of job.panels)
    if (panel.id in WORKED)
      panel.record = await recordOf(
        value,
        value.panels.find(({ id }) => id === panel.id),
        WORKED[panel.id],
      );
  return JSON.stringify(job);
}

for (const name of readdirSync(join(root, 'demo')))
  await send('/api/jobs', await withRecords(readFileSync(join(root, 'demo', name), 'utf8')));
const now = { startOn: '2026-12-07', startMin: 450 };
for (const job of ['bus-6', 'marsh-tractor', 'pilot-car'])
  await send(`/api/jobs/${job}/plans`, JSON.stringify({ now }));

const browser = await launcher.launch({
  executablePath: await chromium(),
  args: ['--no-sandbox', '--disable-gpu'],
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' });
await page.addInitScript((morning) => {
  const RealDate = Date;
  const shiftMs = RealDate.parse(morning) - RealDate.now();
  const shifted = () => RealDate.now() + shiftMs;
  globalThis.Date = new Proxy(RealDate, {
    construct: (target, args) => Reflect.construct(target, args.length === 0 ? [shifted()] : args),
    get: (target, name) => (name === 'now' ? shifted : Reflect.get(target, name)),
  });
}, MORNING);
mkdirSync(join(root, 'docs/screenshots'), { recursive: true });
for (const [name, path, act] of VIEWS) {
  // The stream of events never ends: the network is never idle.
  await page.goto(address + path);
  await page.waitForTimeout(1200);
  if (act) await act(page);
  await page.waitForTimeout(300);
  await page.screenshot({ path: join(root, `docs/screenshots/${name}.png`) });
}
await browser.close();
server.kill();
rmSync(folder, { recursive: true });
