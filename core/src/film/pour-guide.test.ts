import fc from 'fast-check';
import { guidePour } from './pour-guide.ts';
import { rescueOf } from './rescue.ts';

const amounts = fc.array(fc.integer({ min: 1, max: 800 }), { minLength: 2, maxLength: 4 });

test('parts come in their order, each within its share', () => {
  const meant = [400, 100, 200];
  expect(guidePour(meant, [0, 0, 0], 3).next).toEqual({ part: 0, addMl: 400, fromMl: 388, toMl: 412 });
  expect(guidePour(meant, [395, 0, 0], 3).next).toMatchObject({ part: 1, addMl: 100 });
  expect(guidePour(meant, [395, 101, 0], 3)).toMatchObject({ moreMl: 0, next: { part: 2 } });
  expect(guidePour(meant, [395, 101, 199], 3).next).toBeNull();
});

test('an over-pour sends back to what is short now, and comes to what the rescue comes to', () => {
  const guide = guidePour([400, 100, 200], [400, 130, 0], 3);
  expect(guide.next).toMatchObject({ part: 0 });
  expect(guide.batchMl).toBeCloseTo(700 * (130 / 103), 6);
  const { addMl } = rescueOf([4, 1, 2], [400, 130, 0], 3);
  expect(guide.next!.fromMl).toBeCloseTo(addMl[0]!, 6);
});

test('whoever pours what is asked for ends with every part right, however much went in before', () => {
  fc.assert(
    fc.property(
      amounts.chain((meant) =>
        fc.tuple(
          fc.constant(meant),
          fc.tuple(...meant.map(() => fc.integer({ min: 0, max: 900 }))),
          fc.integer({ min: 0, max: 10 }),
        ),
      ),
      ([meant, before, tolerance]) => {
        let poured: number[] = [...before];
        for (let i = 0; i <= meant.length; i++) {
          const { next, batchMl } = guidePour(meant, poured, tolerance);
          expect(batchMl).toBeGreaterThanOrEqual(meant.reduce((a, b) => a + b, 0) - 1e-6);
          if (!next) return;
          expect(next.addMl).toBeGreaterThan(0);
          poured = poured.map((ml, part) => (part === next.part ? ml + next.addMl : ml));
        }
        throw new Error(`not right after ${meant.length} pours: ${poured.join()}`);
      },
    ),
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
