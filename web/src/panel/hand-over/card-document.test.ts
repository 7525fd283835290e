import type { CardWords } from '@blue-ledge/core';
import { FURTHER_FONT, cardDocument, lettered } from './card-document.ts';

const words: CardWords = {
  verdict: { state: 'ready', title: 'Ready for base', lines: ['Base from Mon 09:00, without an end.'] },
  asOf: 'By the record as it stood on Tue 8 Dec 2026 14:20.',
  areas: [
    {
      title: 'Zone A',
      note: '160 µm reckoned',
      layers: [{ kind: 'sealer', label: 'sealer', note: 'grey 40 of 100', film: '25 µm' }],
    },
  ],
  sections: [{ title: 'Who did it', lines: ['Prep A, 3 steps.'] }],
  cautions: ['Base and clear: breathing protection.'],
  code: 'abcdef012345',
};

test('letters that the plain font lacks are set in the other one, and what neither has is a box', () => {
  expect(lettered('Dvířka, vlevo')).toEqual({
    text: ['Dví', { text: 'ř', font: FURTHER_FONT }, 'ka, vlevo'],
  });
  expect(lettered('Door ≈ 2 m²')).toBe('Door about 2 m²');
  expect(lettered('扉')).toBe('[?]');
});

test('the page says what the card says, on the paper of the reader', () => {
  const page = cardDocument({ heading: 'Door: hand-over card', about: 'Book bus 6.', words }, 'metric');
  expect(page.pageSize).toBe('A4');
  const text = JSON.stringify(page.content);
  for (const said of ['Ready for base', 'Zone A', 'grey 40 of 100', '25 µm', 'Prep A, 3 steps.'])
    expect(text).toContain(said);
  expect(cardDocument({ heading: 'x', about: 'y', words }, 'us').pageSize).toBe('LETTER');
});
