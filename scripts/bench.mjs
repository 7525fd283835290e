/** `npm run bench`: figures and ratios, never pass or fail. */
import { benchBytes } from '../bench/bytes.mjs';
import { benchDrag } from '../bench/drag.mjs';
import { benchStart } from '../bench/start.mjs';
import { build, root, setup } from './setup.mjs';

setup();
build(['core', 'server', 'web']);
const { benchPlan } = await import('../bench/plan.mjs');
const { benchShelf } = await import('../bench/shelf.mjs');
const { benchPour } = await import('../bench/pour.mjs');
const { benchExact } = await import('../bench/exact.mjs');
const { benchSchedule } = await import('../bench/schedule.mjs');
const { benchScreens } = await import('../bench/screens.mjs');
const { benchServer } = await import('../bench/server.mjs');
const { benchRecord } = await import('../bench/record.mjs');
const { benchBlocking } = await import('../bench/blocking.mjs');
await benchPlan(root);
benchShelf(root);
benchSchedule(root);
await benchExact(root);
await benchBlocking();
await benchDrag(root);
await benchStart(root);
await benchServer(root);
await benchRecord(root);
await benchScreens(root);
await benchPour(root);
benchBytes(root);
