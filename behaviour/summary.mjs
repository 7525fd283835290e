/** What the planner does with a kept panel, in few words, and a hash of all of it. */
import { createHash } from 'node:crypto';
import { shopSchema, targetSchema } from '@blue-ledge/core';
import { makePlan } from '../core/dist/planner/make-plan.js';
import { openPlan } from '../core/dist/planner/view-plan.js';
import { panelOf } from '../core/dist/survey/sketch.js';
import { canonical } from '../core/dist/units/canonical.js';

const HASH_LENGTH = 12;
const MINUTE_DIGITS = 1;

const hashOf = (value) => createHash('sha256').update(canonical(value)).digest('hex').slice(0, HASH_LENGTH);
const figure = (number) => Number(number.toFixed(MINUTE_DIGITS));
const unique = (list) => [...new Set(list)];

/** "12 abrade A A/low P320>P500 machine 14.5+0 [B3 S1]": operation, places, ways, hands-on and waiting minutes, rules. */
function lineOf({ n, op, areas, grits, tool, coats, sheetId, handsOnMin, waitMin, why }) {
  const ways = [grits?.join('>'), tool, sheetId, coats && `x${coats}`].filter(Boolean);
  const rules = unique(why.map(({ rule }) => rule)).filter(Boolean);
  return `${n} ${op} ${[...areas, ...ways].join(' ')} ${figure(handsOnMin)}+${figure(waitMin)} [${rules.join(' ')}]`;
}

const totalsOf = ({ id, totals: { handsOnMin, elapsedMin, materialCost } }) =>
  `${id} ${figure(handsOnMin)} min of ${figure(elapsedMin)}, ${figure(materialCost)}`;

/** @param kept a panel of panels.jsonl @returns {object} what is kept of it in record.jsonl */
export function summaryOf({ seed, zones, panel, shop, target }) {
  const stored = makePlan({
    panel: panelOf(zones, panel),
    shop: shopSchema.parse(shop),
    target: targetSchema.parse(target),
    sheets: [],
  });
  const { view } = openPlan(stored);
  const { chosen, systems, stopped, warnings } = view;
  const best = systems.find(({ id }) => id === chosen);
  const of = (verdict) => systems.filter((system) => system.verdict === verdict);
  return {
    seed,
    hash: hashOf(view),
    chosen,
    ready: of('ready').map(totalsOf),
    refused: of('refused').map(
      ({ id, refusedBy }) => `${id}: ${refusedBy.map(({ code }) => code).join(' ')}`,
    ),
    steps: best?.steps.map(lineOf) ?? [],
    remarks: unique(best?.remarks.map(({ code, level }) => `${code} (${level})`) ?? []),
    notices: unique([
      ...stopped.map(({ zoneId, rule }) => `${zoneId} stopped by ${rule}`),
      ...warnings.map(({ code, text }) => code || text),
    ]),
  };
}

/** "1.2 m² steel/ecoat:20 with low; 0.5 m² aluminium": a kept panel in words. */
export const wordsOf = ({ zones }) =>
  zones
    .map(({ areaM2, stack, findings, tests = [] }) => {
      const found = [...findings, ...tests].map(({ kind }) => kind).join(', ');
      return `${areaM2} m² ${stack}${found && ` with ${found}`}`;
    })
    .join('; ');
