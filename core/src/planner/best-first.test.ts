import fc from 'fast-check';
import { bestFirst, type Problem } from './best-first.ts';

type Edges = readonly (readonly [from: number, to: number, cost: number])[];

const problemOf = (edges: Edges, goal: number): Problem<number> => ({
  start: 0,
  expand: (node) => edges.filter(([from]) => from === node).map(([, state, cost]) => ({ state, cost })),
  isGoal: (node) => node === goal,
  key: String,
  bound: () => 0,
});

/** Shortest way by relaxing every edge as often as there are nodes. */
function bruteForce(edges: Edges, goal: number, nNodes: number): number {
  const best = Array.from({ length: nNodes }, (_, i) => (i === 0 ? 0 : Infinity));
  for (let round = 0; round < nNodes; round++)
    for (const [from, to, cost] of edges) best[to] = Math.min(best[to]!, best[from]! + cost);
  return best[goal]!;
}

test('finds the cheapest way, as relaxing every edge does', () => {
  const node = fc.nat(7);
  fc.assert(
    fc.property(fc.array(fc.tuple(node, node, fc.nat(20)), { maxLength: 30 }), node, (edges, goal) => {
      const found = bestFirst(problemOf(edges, goal), 1000).next();
      expect(found.done ? Infinity : found.value.cost).toBe(bruteForce(edges, goal, 8));
    }),
  );
});

test('gives up at its limit and says so', () => {
  const endless: Problem<number> = {
    start: 0,
    expand: (n) => [{ state: n + 1, cost: 1 }],
    isGoal: () => false,
    key: String,
    bound: () => 0,
  };
  expect(bestFirst(endless, 50).next()).toEqual({ done: true, value: { looked: 50, gaveUp: true } });
});
