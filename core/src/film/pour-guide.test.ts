import fc from 'fast-check';
import { guidePour } from './pour-guide.ts';
import { askedTolerance, rescueOf } from './rescue.ts';

const amounts = fc.array(fc.integer({ min: 1, max: 800 }), { minLength: 2, maxLength: 4 });

test('parts come in their order, each within its share', () => {
  const meant = [400, 100, 200];
  const { addMl, fromMl, toMl } = guidePour(meant, [0, 0, 0], 3).next!;
  expect([addMl, fromMl, toMl].map((ml) => Number(ml.toFixed(6)))).toEqual([400, 388, 412]);
  expect(guidePour(meant, [395, 0, 0], 3).next).toMatchObject({ part: 1, addMl: expect.closeTo(100, 6) });
  expect(guidePour(meant, [395, 101, 0], 3)).toMatchObject({ moreMl: 0, next: { part: 2 } });
  expect(guidePour(meant, [395, 101, 199], 3).next).toBeNull();
});

test('an over-pour sends back to what is short now, and comes to what the rescue comes to', () => {
  const guide = guidePour([400, 100, 200], [400, 130, 0], 3);
  expect(guide.next).toMatchObject({ part: 0 });
  expect(guide.batchMl).toBeCloseTo(700 * (130 / 102.7), 6);
  const { addMl } = rescueOf([4, 1, 2], [400, 130, 0], askedTolerance(3));
  expect(guide.next!.addMl).toBeCloseTo(addMl[0]!, 6);
});

test('a part before that is short leaves less room to the next one: tolerances do not add up', () => {
  const { next } = guidePour([400, 100, 200], [388, 0, 0], 3);
  expect(next).toMatchObject({ part: 1, addMl: expect.closeTo(100, 6) });
  expect(next!.toMl).toBeLessThan(101);
  // Each within 3 % of what was meant, and the hardener 4.3 % over its share of what is there.
  expect(guidePour([400, 100, 200], [388, 103, 200], 3).next).not.toBeNull();
});

test('whole grams are enough: what is asked for is right also where it is poured half a gram short', () => {
  let poured = [400, 130, 0];
  for (let n = 0; n < 2; n++) {
    const { part, addMl } = guidePour([400, 100, 200], poured, 3).next!;
    poured = poured.map((ml, i) => (i === part ? ml + addMl - 0.4 : ml));
  }
  expect(guidePour([400, 100, 200], poured, 3).next).toBeNull();
});

test('whoever pours within what is asked for ends with every part right by what is in the cup', () => {
  const cases = amounts.chain((meant) =>
    fc.tuple(
      fc.constant(meant),
      fc.tuple(...meant.map(() => fc.integer({ min: 0, max: 900 }))),
      fc.integer({ min: 0, max: 10 }),
      fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 12, maxLength: 12 }),
    ),
  );
  fc.assert(
    fc.property(cases, ([meant, before, tolerance, places]) => {
      const sum = (all: readonly number[]): number => all.reduce((a, b) => a + b, 0);
      let poured: number[] = [...before];
      for (const place of places) {
        const { next, batchMl } = guidePour(meant, poured, tolerance);
        expect(batchMl).toBeGreaterThanOrEqual(sum(meant) - 1e-6);
        if (!next) {
          poured.forEach((ml, i) => {
            const share = (meant[i]! / sum(meant)) * sum(poured);
            expect(Math.abs(ml - share)).toBeLessThanOrEqual((tolerance / 100) * share + 1e-5);
          });
          return;
        }
        expect(next.addMl).toBeGreaterThan(0);
        expect(next.addMl).toBeGreaterThanOrEqual(next.fromMl - 1e-6);
        expect(next.addMl).toBeLessThanOrEqual(next.toMl + 1e-6);
        const added = next.fromMl + (next.toMl - next.fromMl) * place;
        poured = poured.map((ml, part) => (part === next.part ? ml + added : ml));
      }
      throw new Error(`not right after ${places.length} pours: ${poured.join()}`);
    }),
  );
});

test.each([
  [[], [], 3],
  [[4, 0], [0, 0], 3],
  [[4, 1], [0], 3],
  [[4, 1], [-1, 0], 3],
  [[4, 1], [0, 0], 60],
])('refuses %j poured %j at %d %%', (meant, poured, tolerance) => {
  expect(() => guidePour(meant, poured, tolerance)).toThrow(RangeError);
});
