import fc from 'fast-check';
import { alongWallMm, cupMarkMm, cupVolumeMl, cupsFor, printedReading, usableMl, type Cup } from './cup.ts';

const size = fc.integer({ min: 20, max: 400 });
const cups: fc.Arbitrary<Cup> = fc.record({ bottomMm: size, topMm: size, heightMm: size });

test('marks rise with the volume and hold what they say, in any cup', () => {
  fc.assert(
    fc.property(
      cups,
      fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 2 }),
      (cup, shares) => {
        const volumes = shares.map((share) => share * cupVolumeMl(cup)).sort((a, b) => a - b);
        const marks = volumes.map((ml) => cupMarkMm(cup, ml));
        marks.forEach((mm, i) => {
          expect(cupVolumeMl(cup, mm)).toBeCloseTo(volumes[i]!, 4);
          if (i > 0) expect(mm).toBeGreaterThanOrEqual(marks[i - 1]!);
          expect(alongWallMm(cup, mm)).toBeGreaterThanOrEqual(mm);
        });
      },
    ),
  );
});

test('a wall that leans is longer than the cup is high', () => {
  expect(alongWallMm({ bottomMm: 60, topMm: 140, heightMm: 80 }, 80)).toBeCloseTo(89.4, 1);
  expect(alongWallMm({ bottomMm: 90, topMm: 90, heightMm: 80 }, 80)).toBe(80);
});

test('a cup printed for another ratio is read by its own lines', () => {
  const printed = { parts: [4, 1], lineMl: 100, lines: 5 };
  expect(printedReading(printed, 300)).toEqual({ column: 0, line: 3 });
  expect(printedReading(printed, 510)).toEqual({ column: 1, line: 4.08 });
  expect(printedReading(printed, 626)).toBeNull();
  expect(() => printedReading({ ...printed, lineMl: 0 }, 100)).toThrow(RangeError);
});

test('a batch that no cup can be stirred in is split into equal ones', () => {
  const cup = { bottomMm: 70, topMm: 90, heightMm: 120 };
  expect(cupsFor(usableMl(cup), cup)).toBe(1);
  expect(cupsFor(600, cup)).toBe(2);
  expect(cupsFor(5000, cup)).toBe(10);
});
