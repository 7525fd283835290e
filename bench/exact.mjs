/**
 * Schedules of small random shops against the exact optimum, by integer programming (HiGHS): how far the makespan is above
 * it. The shops work round the clock, so that hours and nights leave nothing to chance: order and people decide.
 */
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import highs from 'highs';
import { makePlan, makeSchedule, readJobText, shopSchema } from '@blue-ledge/core';
import { actsOfPlan, panelWork } from '../core/dist/schedule/panel-work.js';
import { MOST_TORN_MIN } from '../core/dist/schedule/fit-block.js';
import { amount, report } from './lib.mjs';

const START = { startOn: '2026-12-07', startMin: 0 };
const N_SHOPS = amount(30);
const MOST_SECONDS = amount(60, 2);
const SEED = 20261207;

/** Whole numbers below a limit, the same for the same seed (mulberry32). */
function randomOf(seed) {
  let state = seed;
  return (below) => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return Math.floor((((t ^ (t >>> 14)) >>> 0) / 2 ** 32) * below);
  };
}

/** Panels are sprayed one by one: a cycle that is shared is no part of the program. */
const alone = (shop) => ({ ...shop, rules: { ...shop.rules, boothLoadM2: 0 } });

const shopOf = (nPeople) =>
  alone(
    shopSchema.parse({
      celsius: 20,
      nightCelsius: 20,
      booths: 1,
      // As many lamps as panels: nobody waits for one.
      heaters: Array.from({ length: 4 }, (_, i) => ({
        id: `h${i}`,
        name: `H${i}`,
        kind: 'lamp',
        mostCelsius: 70,
      })),
      schools: { pace: 'overnight' },
      rules: { dayBeginsHour: 0, dayEndsHour: 24, workingDaysAWeek: 7, gunWashMin: 0 },
      people: Array.from({ length: nPeople }, (_, i) => ({
        id: `p${i}`,
        name: `P${i}`,
        hours: { from: '00:00', to: '24:00' },
        days: [1, 2, 3, 4, 5, 6, 7],
      })),
    }),
  );

/** Panels of the demo jobs that a small shop has. */
function sketchesOf(root) {
  const files = readdirSync(join(root, 'demo'))
    .map((name) => readFileSync(join(root, 'demo', name), 'utf8'))
    // Work that is done is nobody's to schedule.
    .filter((text) => !text.includes('"record"'));
  return files.flatMap((text) => {
    const { value: job } = readJobText(text);
    return job.panels.map((panel) => ({ panel, target: job.job.target, sheets: job.sheets }));
  });
}

/** Steps as stretches of work: what one person does without a wait is one of them. */
function stretchesOf(work) {
  const ops = [];
  const startOf = [];
  const endOf = [];
  let open = null;
  work.steps.forEach((step, i) => {
    const block = work.blocks.findIndex(({ from, to }) => from <= i && i < to);
    const isWait = step.shape === 'wait';
    const isCure = step.act.op === 'cure';
    const inOneGo = step.shape === 'coats' || step.shape === 'watched';
    const handsMin = isCure && step.softMin === 0 ? 2 : step.handsMin;
    const isGoneOn = work.blocks.every(({ from }) => from !== i + 1);
    const lengthMin = handsMin + (inOneGo ? step.waitMin : 0);
    const joins =
      open &&
      open.block === block &&
      !isWait &&
      !isCure &&
      !step.isSprayed &&
      step.waitsFor.length === 0 &&
      step.lags.length === 0;
    if (isWait) {
      startOf.push({ op: null, step: i });
      endOf.push({ op: null, step: i });
      open = null;
      return;
    }
    if (!joins) {
      open = { block, lengthMin: 0, isSprayed: step.isSprayed, first: i, steps: [] };
      ops.push(open);
    }
    const op = ops.indexOf(open);
    startOf.push({ op, plus: open.lengthMin });
    open.lengthMin += lengthMin;
    open.steps.push(i);
    endOf.push({ op, plus: open.lengthMin + (inOneGo || isCure ? 0 : step.waitMin) });
    // Nobody goes elsewhere for the minutes that a wipe takes to dry.
    if (!inOneGo && !isCure && step.waitMin > 0 && step.waitMin <= MOST_TORN_MIN && isGoneOn)
      open.lengthMin += step.waitMin;
    else if (isCure || (step.waitMin > 0 && !inOneGo) || step.isSprayed) open = null;
  });
  return { ops, startOf, endOf };
}

/** The program of a shop, as text that HiGHS reads. */
function programOf(works, nPeople, mostMin) {
  const rows = [];
  const binaries = new Set();
  const add = (left, sense, right) => rows.push(` r${rows.length}: ${left} ${sense} ${right}`);
  const M = mostMin;
  const shops = works.map((work) => stretchesOf(work));
  const opName = (p, k) => `s_${p}_${k}`;
  const waitName = (p, i) => `w_${p}_${i}`;
  const at = (p, { op, plus = 0, step }) => (op === null ? [waitName(p, step), 0] : [opName(p, op), plus]);
  works.forEach((work, p) => {
    const { startOf, endOf } = shops[p];
    const after = (i, from, plus, sense = '>=') => {
      const [mine, minePlus] = at(p, startOf[i]);
      const [theirs, theirPlus] = from;
      if (mine === theirs) return;
      add(`${mine} - ${theirs}`, sense, theirPlus + plus - minePlus);
    };
    work.steps.forEach((step, i) => {
      if (i > 0) after(i, at(p, endOf[i - 1]), 0);
      const isInBlock = work.blocks.every(({ from }) => from !== i);
      if (i > 0 && isInBlock && step.shape !== 'wait') after(i, at(p, endOf[i - 1]), MOST_TORN_MIN, '<=');
      for (const ref of step.waitsFor) {
        if (typeof ref !== 'number') throw new Error('a coat from before');
        const { flash, recoat, cure } = work.windowsAt(ref, 0);
        const isCure = step.act.op === 'cure';
        const minutes = Math.ceil(
          (isCure ? (cure?.opensAtMin ?? -Infinity) : Math.max(flash.opensAtMin, recoat.opensAtMin)) -
            work.offsetMin -
            1e-6,
        );
        if (!Number.isFinite(minutes)) continue;
        if (isCure) {
          // Its end, not its beginning: hands first, then it lies.
          const [name, plus] = at(p, endOf[ref]);
          endOf[i] = { op: null, step: i };
          add(`${waitName(p, i)} - ${name}`, '>=', plus + minutes + 2);
          add(`${waitName(p, i)} - ${opName(p, startOf[i].op)}`, '>=', 2);
        } else {
          after(i, at(p, endOf[ref]), minutes);
          // A flash ends when it is over, not when somebody comes.
          if (step.shape === 'wait' && step.waitsFor.length === 1 && ref === i - 1)
            after(i, at(p, endOf[ref]), minutes, '<=');
        }
      }
      for (const lag of step.lags) {
        if (typeof lag.since !== 'number') continue;
        const most =
          lag.kind === 'exposure'
            ? Math.floor(work.exposureClosesMin(0)) - 1
            : Math.floor(work.windowsAt(lag.since, 0).recoat.closesAtMin - work.offsetMin) - 1;
        after(i, at(p, endOf[lag.since]), most, '<=');
      }
    });
    const [last, plus] = at(p, endOf[work.steps.length - 1]);
    add(`span - ${last}`, '>=', plus);
    if (nPeople > 1) work.blocks.forEach((_, b) => binaries.add(`a_${p}_${b}`));
  });
  const holds = (p, k) => {
    const op = shops[p].ops[k];
    const i = op.steps.at(-1);
    const next = works[p].steps[i + 1];
    // The booth is held through the flash.
    if (next?.act.op !== 'flash') return op.lengthMin;
    const { flash, recoat } = works[p].windowsAt(i, 0);
    return (
      op.lengthMin + Math.ceil(Math.max(flash.opensAtMin, recoat.opensAtMin) - works[p].offsetMin - 1e-6)
    );
  };
  for (let p = 0; p < works.length; p++)
    for (let q = p + 1; q < works.length; q++)
      shops[p].ops.forEach((a, k) =>
        shops[q].ops.forEach((b, l) => {
          const isBooth = a.isSprayed && b.isSprayed;
          if (a.lengthMin === 0 || b.lengthMin === 0) return;
          const order = `y_${p}_${k}_${q}_${l}`;
          binaries.add(order);
          const [aMin, bMin] = isBooth ? [holds(p, k), holds(q, l)] : [a.lengthMin, b.lengthMin];
          const [sa, sb] = [opName(p, k), opName(q, l)];
          if (isBooth || nPeople === 1) {
            add(`${sb} - ${sa} + ${M + aMin} ${order}`, '>=', aMin);
            add(`${sa} - ${sb} - ${M + bMin} ${order}`, '>=', bMin - (M + bMin));
            return;
          }
          // Only where both have the same person; 0 and 1 by turns.
          const [wa, wb] = [`a_${p}_${a.block}`, `a_${q}_${b.block}`];
          for (const isSecond of [false, true]) {
            // Slack is 0 where both are the one person, at least 1 where they are not.
            const slack = isSecond ? ` - ${M} ${wa} - ${M} ${wb}` : ` + ${M} ${wa} + ${M} ${wb}`;
            const constant = isSecond ? 2 * M : 0;
            add(`${sb} - ${sa} + ${M + aMin} ${order}${slack}`, '>=', aMin - constant);
            add(`${sa} - ${sb} - ${M + bMin} ${order}${slack}`, '>=', bMin - (M + bMin) - constant);
          }
        }),
      );
  return [
    'Minimize',
    ' obj: span',
    'Subject To',
    ...rows,
    'Bounds',
    ` span <= ${mostMin}`,
    ...(binaries.size > 0 ? ['Binary', ` ${[...binaries].join('\n ')}`] : []),
    'End',
  ].join('\n');
}

export async function benchExact(root) {
  const solver = await highs();
  const random = randomOf(SEED);
  const sketches = sketchesOf(root);
  const gaps = [];
  let nOpen = 0;
  for (let i = 0; i < N_SHOPS; i++) {
    const nPeople = 1 + random(2);
    const shop = shopOf(nPeople);
    const panels = Array.from({ length: 2 + random(2) }, (_, k) => {
      const sketch = sketches[random(sketches.length)];
      return {
        ...sketch,
        jobId: 'job',
        panelId: `panel-${k}`,
        name: sketch.panel.name,
        plan: makePlan({ ...sketch, shop }),
      };
    }).filter(({ plan }) => plan.chosen !== null);
    const { schedule } = makeSchedule({ shop, start: START, panels });
    const works = panels.map((panel) => {
      const todo = { ...panel, systemId: panel.plan.chosen };
      return panelWork(todo, START, actsOfPlan(todo));
    });
    const program = programOf(works, nPeople, Math.ceil(schedule.makespanMin));
    const solved = solver.solve(program, { time_limit: MOST_SECONDS });
    const isProven = solved.Status === 'Optimal';
    if (!isProven) nOpen += 1;
    else gaps.push(100 * (schedule.makespanMin / solved.ObjectiveValue - 1));
  }
  gaps.sort((a, b) => a - b);
  report(
    `${gaps.length} of ${N_SHOPS} small shops proven: worst over the optimum`,
    gaps.at(-1) ?? NaN,
    '%',
    2,
  );
  report('  at the optimum', gaps.filter((gap) => gap < 0.01).length, 'shops');
  if (nOpen > 0) report(`  not proven in ${MOST_SECONDS} s`, nOpen, 'shops');
}
