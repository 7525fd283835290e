import { readNumber, readNumbers } from './numbers.ts';

test.each([
  ['92,5', 92.5],
  ['92.5', 92.5],
  [' 1 200 ', 1200],
  ['.5', 0.5],
  ['-3', -3],
  ['1e3', 1000],
  ['1e999', null],
  ['9 2', null],
  ['92,5,1', null],
  ['', null],
  ['warm', null],
])('"%s" is read as %s', (text, value) => expect(readNumber(text)).toBe(value));

test.each([
  ['92,5', [92.5]],
  ['92,5 93,25; 94', [92.5, 93.25, 94]],
  ['95, 102, 98', [95, 102, 98]],
  ['95,102,98', [95, 102, 98]],
  ['148 152 145', [148, 152, 145]],
  ['wet', null],
  ['95 wet', null],
  [' ', null],
])('the list "%s" is read as %j', (text, values) => expect(readNumbers(text)).toEqual(values));
