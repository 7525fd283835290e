import { ALLOWED_IF } from './allowed-if.ts';
import { SENTENCES, type SentenceCode } from './sentences.ts';
import { fill, say, sayAgain } from './say.ts';

test('a sentence is said in the reader’s units and starts with a capital', () => {
  const facts = { layer: 'high-build', leftMin: 201 };
  expect(say({ code: 'B3.uncured', facts })).toBe('High-build is not cured: 3 h 21 to go before sanding.');
  expect(say({ code: 'M3.dew', facts: { marginKelvin: 2, limitKelvin: 3 } }, 'us')).toMatch(
    /Only 3\.6 °F above dew point, 5\.4 °F/,
  );
});

test('a fact that is missing is a bug that shows', () =>
  expect(() => fill('{a}', {})).toThrow(/lacks the fact a/));

test('every sentence ends as one', () => {
  for (const [code, text] of Object.entries(SENTENCES))
    expect([code, /[.:}]$/.test(text)]).toEqual([code, true]);
});

test('a stored reason is said again in other units, or as it was said then', () => {
  const stored = { code: 'B3.uncured', facts: { layer: 'high-build', leftMin: 201 }, text: 'as it was' };
  expect(sayAgain(stored, 'us')).toMatch(/^High-build is not cured/);
  expect(sayAgain({ ...stored, facts: {} }, 'us')).toBe('as it was');
  expect(sayAgain({ ...stored, code: 'Z9.gone' }, 'us')).toBe('as it was');
});

test('what would make a refusal allowed names only facts that the refusal has', () => {
  const names = (text: string): string[] => [...text.matchAll(/\{(\w+)\}/g)].map(([, name]) => name!);
  const extra = { 'B2.maximum': [], 'S5.denib': [] } as Partial<Record<SentenceCode, string[]>>;
  for (const [code, text] of Object.entries(ALLOWED_IF) as [SentenceCode, string][])
    expect([code, names(SENTENCES[code])]).toEqual([
      code,
      expect.arrayContaining(names(text).filter((name) => !extra[code]?.includes(name))),
    ]);
});
