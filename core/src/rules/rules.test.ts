import { OPS } from '../operations/act.ts';
import { RULES } from './all-rules.ts';

test('every rule of the trade is here, in the order in which it is named', () => {
  const ids = [...new Set(RULES.map(({ id }) => id))];
  expect(ids.join(' ')).toBe(
    'M1 M2 M3 M4 M5 K2 M6 M7 M8 M9 M10 F1 F2 F3 F4 F5 F6 F7 O1 O2 O3 O4 O5 N1 N2 N3 P1 P2 P3 P4 P5 P6 P7 P8 P9 P10 GP1 GP2 GP3 GP4 GP5 B1 B2 B3 B4 B5 K3 K1 K4 K5 K6 K7 S1 S2 S3 S4 S5 S6 S7 S8 C1 C2 C3 O0',
  );
});

test('every rule says what it asks, and speaks on operations that exist', () => {
  for (const { id, asks, on } of RULES) {
    expect([id, asks.length > 20]).toEqual([id, true]);
    expect(OPS).toEqual(expect.arrayContaining([...on]));
  }
});
