/** `npm run demo`: from a bare clone to a running shop with the demo job in it. */
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { main, root } from './run.mjs';
import { serve } from './serve.mjs';

const files = readdirSync(join(root, 'demo'))
  .filter((name) => name.endsWith('.ledge.json'))
  .map((name) => readFileSync(join(root, 'demo', name), 'utf8'));

let address = '';
await main(async () => {
  address = await serve({ LEDGE_DATA: process.env.LEDGE_DATA ?? join(root, 'data') });
});
const today = new Date();
const two = (value) => String(value).padStart(2, '0');
const now = {
  startOn: `${today.getFullYear()}-${two(today.getMonth() + 1)}-${two(today.getDate())}`,
  startMin: today.getHours() * 60 + today.getMinutes(),
};
await seed();
console.log(`Blue Ledge is at ${address}`);

/** Takes the demo jobs in and plans them, where no job of a real shop lies; those that are there stay as the user left them. */
async function seed() {
  const own = new Set(files.map((text) => JSON.parse(text).job.id));
  const jobsOf = async (which) => (await (await fetch(`${address}/api/jobs?limit=100${which}`)).json()).jobs;
  const jobs = await jobsOf('');
  const removed = new Set((await jobsOf('&removed=true')).map(({ id }) => id));
  if (jobs.length > 0 && !jobs.some(({ id }) => own.has(id)))
    return console.error('This data folder holds jobs of its own: the demo jobs were left out.');
  for (const body of files) {
    // One that the user removed does not come again under another id.
    if (removed.has(JSON.parse(body).job.id)) continue;
    const headers = { 'content-type': 'application/json' };
    const response = await fetch(`${address}/api/jobs`, { method: 'POST', headers, body });
    if (!response.ok && response.status !== 409) console.error(await response.text());
    // A job that was worked through has its record; there is nothing left to plan.
    if (!response.ok || JSON.parse(body).panels.some(({ record }) => record)) continue;
    const { id } = await response.json();
    await fetch(`${address}/api/jobs/${id}/plans`, {
      method: 'POST',
      headers,
      body: JSON.stringify({ now }),
    });
  }
}
