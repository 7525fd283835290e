import { at, benchOf, body, coat, coated, plain, put, sand } from '../testing/bench.ts';
import { OPS, isBodyOp, isCoatOp, isSandOp, type Act, type OpName } from './act.ts';
import { OPEN_ISSUES, settlersOf } from './issues.ts';
import { costOf } from './perform.ts';
import { eachOp, rowOf } from './table.ts';

/** Laws over the rows of operations and issues: what a row must say, whoever adds one. */

const WORDS = 15;

function actOf(op: OpName): Act {
  if (isCoatOp(op)) return coat(op, 'A');
  if (isBodyOp(op)) return body(op, 'A');
  if (isSandOp(op)) return sand(op, 'A', 'P240', rowOf(op).tool);
  return op === 'cure' ? { op, method: 'air', zones: ['A'], why: [] } : plain(op, 'A');
}

const bench = at(
  put(
    benchOf([{ stack: 'steel/old-finish:120', findings: [{ kind: 'low', depthMm: 1, areaM2: 0.5 }] }], {
      panel: { parts: [{ name: 'handle', plan: 'remove' }] },
    }),
    'all',
    coated('build', 150, { flashedAtMin: 30 }),
  ),
  1,
);

test.each(OPS)('%s takes time', (op) => {
  const { handsOnMin, waitMin } = costOf(actOf(op), bench.state, bench.context);
  expect(handsOnMin + waitMin).toBeGreaterThan(0);
});

test.each(OPS)('%s is called something, says what can hurt and what is looked at', (op) => {
  const { label, title, cautions, checks } = rowOf(op);
  expect(label).toMatch(/^[a-z].{2,}/);
  expect(typeof title === 'string' ? title : title({ why: [] })).toMatch(/^[A-Z].{2,}/);
  if (cautions !== 'none' && typeof cautions !== 'function') expect(cautions.length).toBeGreaterThan(0);
  const looked = typeof checks === 'function' ? checks({ tool: undefined }) : checks;
  expect('none' in looked ? looked.none.length : WORDS * looked.length).toBeGreaterThanOrEqual(WORDS);
});

test('no two operations are called alike', () => {
  const labels = Object.values(eachOp(({ label }) => label));
  expect(new Set(labels).size).toBe(OPS.length);
});

test.each(OPEN_ISSUES)('%s is settled by some operation', (issue) => {
  expect(settlersOf(issue).filter((op) => OPS.includes(op))).not.toEqual([]);
});
