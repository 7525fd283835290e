import { placeText } from './in-line.ts';

test.each([
  [undefined, null],
  [{ nBefore: 0, nOwn: 1 }, null],
  [{ nBefore: 1, nOwn: 1 }, '1 plan comes first'],
  [{ nBefore: 36, nOwn: 6 }, '36 plans come first'],
  [{ nBefore: 0, nOwn: 6 }, '6 panels left'],
])('%j is said as %j', (place, words) => expect(placeText(place)).toBe(words));
