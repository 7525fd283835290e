import fc from 'fast-check';
import { readColor } from './color-text.ts';
import {
  bandsOfColor,
  bandsOfGrey,
  bandsOfHex,
  contrastOfCoats,
  hexOfBands,
  hidingOver,
  hidingOverColor,
  labOf,
  mixedToneL,
  shareOfLighter,
  undertonesFor,
} from './hiding.ts';

const tone = fc.integer({ min: 1, max: 98 });

test('mixing two tones is monotone, and a share is found again by the tone it mixes to', () => {
  fc.assert(
    fc.property(tone, tone, fc.double({ min: 0, max: 1, noNaN: true }), (a, b, share) => {
      fc.pre(Math.abs(a - b) >= 2);
      const [dark, light] = [Math.min(a, b), Math.max(a, b)];
      const mixed = mixedToneL(dark, light, share);
      expect(mixed).toBeGreaterThanOrEqual(dark - 1e-6);
      expect(mixed).toBeLessThanOrEqual(light + 1e-6);
      expect(mixedToneL(dark, light, Math.min(1, share + 0.05))).toBeGreaterThanOrEqual(mixed - 1e-9);
      const within = Math.min(light, Math.max(dark, mixed));
      expect(mixedToneL(dark, light, shareOfLighter(dark, light, within))).toBeCloseTo(within, 4);
    }),
  );
  expect(() => shareOfLighter(20, 60, 70)).toThrow(RangeError);
});

test('the contrast told by coats of a card takes that many coats', () => {
  const base = bandsOfHex('#1b7f86');
  for (const coats of [1, 2, 3, 5]) {
    const contrast = contrastOfCoats(base, coats, 'standard');
    expect(hidingOver(base, contrast, [0], 'standard').byTone[0]!.coats).toBe(coats);
  }
  expect(() => contrastOfCoats(base, 0, 'standard')).toThrow(RangeError);
});

test('two tones are mixed where the best lies between them, and never come out worse', () => {
  const base = { masstone: bandsOfHex('#1b7f86'), contrast: 0.6, quality: 'standard' } as const;
  const { ideal, offers, chart } = undertonesFor(base, [
    { id: 'sealer', tonesL: [80, 20, 40, 60] },
    { id: 'one', tonesL: [30] },
    { id: 'none', tonesL: [] },
  ]);
  expect(chart).toHaveLength(41);
  expect(offers[0]).toMatchObject({ sheetId: 'sealer', toneL: ideal.toneL, coats: ideal.coats });
  expect(offers[0]!.mixed).toMatchObject({ darkL: 40, lightL: 60 });
  expect(offers.filter(({ mixed }) => mixed)).toHaveLength(1);
  const coats = offers.map((offer) => offer.coats ?? Infinity);
  expect(coats).toEqual(coats.toSorted((a, b) => a - b));
});

test('a finish that is found counts by its own colour', () => {
  const base = { masstone: bandsOfHex('#1b7f86'), contrast: 0.6, quality: 'show' } as const;
  expect(hidingOverColor(base, base.masstone).coats).toBe(1);
  const red = hidingOverColor(base, bandsOfHex('#c01a1a')).coats!;
  expect(red).toBeGreaterThan(hidingOverColor(base, bandsOfGrey(48)).coats!);
});

test('colours are read as hex or as measured, and come back', () => {
  expect(readColor(' 1B7F86 ')).toEqual({ ok: true, color: '#1b7f86' });
  expect(readColor('48,2 -22 -14')).toEqual({ ok: true, color: { L: 48.2, a: -22, b: -14 } });
  for (const text of ['', 'teal', '#12345', '1 2', '120 0 0', '50 200 0'])
    expect([text, readColor(text).ok]).toEqual([text, false]);
  const [L, a, b] = labOf(bandsOfHex('#1b7f86'));
  expect(hexOfBands(bandsOfColor({ L, a, b }))).toBe('#1b7f86');
});
