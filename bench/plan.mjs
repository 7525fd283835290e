/** Planning one panel: the demo door, then doors with more and more zones. */
import { readFileSync } from 'node:fs';
import { planPanel, readJobText } from '@blue-ledge/core';
import { percentile, report, timed } from './lib.mjs';

export async function benchPlan(root) {
  const { value } = readJobText(readFileSync(`${root}/demo/book-bus-6.ledge.json`, 'utf8'));
  const [door] = value.panels;
  const task = { panel: door, shop: value.shop, target: value.job.target };
  const times = await timed(() => planPanel(task), 60, 10);
  report('plan the door, median', percentile(times, 0.5), 'ms', 50);
  report('plan the door, p95', percentile(times, 0.95), 'ms', 50);
  for (const nZones of [1, 3, 6, 9, 12]) {
    const zones = Array.from({ length: nZones }, (_, i) => ({ ...door.zones[i % 3], id: `Z${i}` }));
    const panel = { ...door, areaM2: door.areaM2 * Math.ceil(nZones / 3), zones };
    report(
      `plan ${nZones} zones, median`,
      percentile(await timed(() => planPanel({ ...task, panel }), 15), 0.5),
      'ms',
    );
  }
}
