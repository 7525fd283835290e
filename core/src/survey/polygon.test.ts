import { areaOfPolygonM2, countCrossings } from './polygon.ts';
import { polygonSchema } from './zone.ts';

const square: [number, number][] = [
  [0, 0],
  [1000, 0],
  [1000, 1000],
  [0, 1000],
];
const bow: [number, number][] = [square[0]!, square[2]!, square[1]!, square[3]!];
/** A star whose sides all cross one another. */
const star = Array.from({ length: 41 }, (_, i): [number, number] => {
  const turn = (i * 20 * 2 * Math.PI) / 41;
  return [Math.round(1000 * Math.cos(turn)), Math.round(1000 * Math.sin(turn))];
});

test('crossings of an outline are counted, corners that touch are none', () => {
  expect(countCrossings(square, 99)).toBe(0);
  expect(countCrossings([...square, [0, 0]], 99)).toBe(0);
  expect(countCrossings(bow, 99)).toBe(1);
  expect(countCrossings(star, 9999)).toBe((41 * (41 - 3)) / 2);
  expect(countCrossings(star, 21)).toBe(21);
  expect(areaOfPolygonM2(square)).toBe(1);
});

test('a slip of the hand is an outline, a tangle is none', () => {
  expect(polygonSchema.safeParse(bow).success).toBe(true);
  const { error } = polygonSchema.safeParse(star);
  expect(error!.issues[0]!.message).toMatch(/crosses itself more than 20 times: draw it again/);
});
