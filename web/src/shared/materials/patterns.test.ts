import { LAYER_KINDS, LAYER_KIND_NAMES } from '@blue-ledge/core';
import { PATTERNS } from './patterns.ts';

test('every material has a code, a fill and marks of its own', () => {
  const codes = LAYER_KIND_NAMES.map((kind) => LAYER_KINDS[kind].code);
  expect(new Set(codes).size).toBe(codes.length);
  const marks = LAYER_KIND_NAMES.map((kind) => JSON.stringify([PATTERNS[kind].lines, PATTERNS[kind].dots]));
  expect(new Set(marks).size).toBe(marks.length);
  for (const kind of LAYER_KIND_NAMES)
    expect([kind, PATTERNS[kind].fill !== PATTERNS[kind].ink]).toEqual([kind, true]);
});

test('codes are two letters, so that they never look like a zone’s', () => {
  for (const kind of LAYER_KIND_NAMES) expect(LAYER_KINDS[kind].code).toMatch(/^[A-Z][a-z]$/);
});
