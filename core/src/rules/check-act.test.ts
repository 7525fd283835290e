import fc from 'fast-check';
import type { Act } from '../operations/act.ts';
import { benchOf, clean, coat, coated, plain, put, sand, soiled, type Bench } from '../testing/bench.ts';
import { decideAct } from './check-act.ts';
import { newSearchMemory } from './search-memory.ts';
import { isRefusal } from './rule.ts';

const STACKS = [
  'steel',
  'steel/old-finish:100',
  'aluminium',
  'steel/filler:600',
  'plastic-olefin',
  'fiberglass',
];
const ACTS: readonly Act[] = [
  coat('seal', 'A B'),
  coat('prime-epoxy', 'A B', 2),
  coat('prime-build', 'A B', 3),
  coat('prime-etch', 'A'),
  sand('block', 'B', 'P240', 'block'),
  plain('hand-over', 'A B'),
];

const bench = fc
  .tuple(fc.constantFrom(...STACKS), fc.constantFrom(...STACKS), fc.boolean(), fc.boolean())
  .map(([a, b, isClean, isBuilt]): Bench => {
    const found = benchOf([{ stack: a }, { stack: b, areaM2: 0.2 }]);
    const washed = put(found, 'all', isClean ? clean : soiled('dusty'));
    return isBuilt ? put(washed, 'B', coated('build', 120)) : washed;
  });
const act = fc.constantFrom(...ACTS);

test('a search hears the same, up to the rule that refuses', () => {
  fc.assert(
    fc.property(bench, act, ({ state, context }, wanted) => {
      const all = decideAct(wanted, state, context);
      const memory = newSearchMemory(true);
      const brief = decideAct(wanted, state, context, memory);
      expect(all.slice(0, brief.length)).toEqual(brief);
      expect(brief.some(isRefusal)).toBe(all.some(isRefusal));
      if (!brief.some(isRefusal)) expect(brief).toEqual(all);
    }),
  );
});

test('what was heard before holds while zone and neighbour do, and no longer', () => {
  fc.assert(
    fc.property(bench, bench, act, (one, other, wanted) => {
      const memory = newSearchMemory(false);
      // The second zone is the same in both panels; what it must come level with is not.
      const beside = {
        ...one.state,
        zones: [other.state.zones[0]!, one.state.zones[1]!],
      };
      decideAct(wanted, one.state, one.context, memory);
      for (const panel of [one.state, beside, one.state])
        expect(decideAct(wanted, panel, one.context, memory)).toEqual(decideAct(wanted, panel, one.context));
    }),
  );
});
