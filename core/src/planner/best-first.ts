import TinyQueue from 'tinyqueue';

/**
 * Best-first (A*) search over states of any kind; it knows nothing of films.
 * Nodes are taken up by f = cost so far + bound; ties go to the node that was offered first, so a search repeats
 * exactly. Goals are yielded in order of cost; the caller stops when it has enough. O((n log n) x expand).
 */
export interface Problem<State> {
  readonly start: State;
  readonly expand: (state: State) => readonly { readonly state: State; readonly cost: number }[];
  readonly isGoal: (state: State) => boolean;
  /** States with the same key are the same place; a dearer way to it is followed only where no cheaper one covers it. */
  readonly key: (state: State) => string;
  /** Whether a state does as well as a dearer one of the same place, so that the latter may be left; by default it does. */
  readonly covers?: (cheaper: State, dearer: State, costsMore: number) => boolean;
  /** Lower bound on the cost to a goal; 0 is always admissible. */
  readonly bound: (state: State) => number;
}

export interface Found<State> {
  readonly state: State;
  readonly cost: number;
  /** States taken up so far. */
  readonly looked: number;
}

interface Node<State> {
  readonly state: State;
  readonly cost: number;
  readonly f: number;
  readonly order: number;
}

/** Yields goals from cheap to dear, and ends when the space or `limit` states are used up. */
export function* bestFirst<State>(
  problem: Problem<State>,
  limit: number,
): Generator<Found<State>, { looked: number; gaveUp: boolean }> {
  const { start, expand, isGoal, key, bound, covers = () => true } = problem;
  let order = 0;
  const queue = new TinyQueue<Node<State>>(
    [{ state: start, cost: 0, f: bound(start), order }],
    (a, b) => a.f - b.f || a.order - b.order,
  );
  const closed = new Map<string, Node<State>[]>();
  let looked = 0;
  for (let node = queue.pop(); node; node = queue.pop()) {
    if (looked >= limit) return { looked, gaveUp: true };
    const place = key(node.state);
    const before = closed.get(place);
    if (before?.some(({ state, cost }) => covers(state, node.state, node.cost - cost))) continue;
    if (before) before.push(node);
    else closed.set(place, [node]);
    looked++;
    if (isGoal(node.state)) {
      yield { state: node.state, cost: node.cost, looked };
      continue;
    }
    for (const edge of expand(node.state)) {
      const cost = node.cost + edge.cost;
      queue.push({ state: edge.state, cost, f: cost + bound(edge.state), order: ++order });
    }
  }
  return { looked, gaveUp: false };
}
