import type { CardAreaWords, CardWords, UnitSystem } from '@blue-ledge/core';
import type { Content, TableLayout, TDocumentDefinitions } from 'pdfmake/interfaces';

/** A hand-over card as a page to be set: what is said where, without fonts or bytes. */

export interface CardPage {
  readonly heading: string;
  readonly about: string;
  readonly words: CardWords;
}

/** Font of letters that the plain one lacks. */
export const FONT = 'Barlow';
export const FURTHER_FONT = 'Barlow Further';

/** Latin letters with marks that the plain font lacks. */
const FURTHER = /[\u0100-\u0130\u0132-\u0151\u0154-\u02BA\u1E00-\u1E9F\u1EF2-\u1EFF]+/u;
/** What neither has: a box stands for it, so that nobody reads past it. */
const UNKNOWN =
  /[^\n\u0020-\u02BC\u02C6\u02DA\u02DC\u1E00-\u1E9F\u1EF2-\u1EFF\u2000-\u206F\u20AC\u2122\u2212]/gu;
const BOX = '[?]';

/** Words set in the fonts that have their letters. */
export function lettered(words: string): Content {
  const known = words.replaceAll(/≈\s*/g, 'about ').replaceAll(UNKNOWN, BOX);
  const runs = known.split(new RegExp(`(${FURTHER.source})`, 'u')).filter(Boolean);
  return runs.length > 1 || FURTHER.test(known)
    ? { text: runs.map((text) => (FURTHER.test(text) ? { text, font: FURTHER_FONT } : text)) }
    : known;
}

const LINES_BETWEEN: TableLayout = {
  hLineWidth: (i, { table }) => (i === 0 || i === table.body.length ? 0 : 0.5),
  vLineWidth: () => 0,
  hLineColor: () => '#c6c1b3',
  paddingLeft: () => 0,
  paddingRight: () => 0,
};

const areaTable = ({ title, note, layers }: CardAreaWords): Content => ({
  unbreakable: layers.length < 12,
  margin: [0, 0, 0, 10],
  stack: [
    { text: [{ text: title, bold: true }, `  ${note}`], margin: [0, 0, 0, 3] },
    {
      layout: LINES_BETWEEN,
      table: {
        widths: ['*', 110, 60],
        body: layers.map(({ label, note: more, film }) => [
          lettered(label),
          { text: more, color: '#42515c' },
          { text: film, alignment: 'right', bold: true },
        ]),
      },
    },
  ],
});

const VERDICT_COLOR = {
  ready: '#3a5630',
  'base-on': '#3a5630',
  'not-checked': '#7f4a00',
  'not-ready': '#8e2f1b',
} as const;

/** The page: verdict, what lies under base, what the painter must know, and the code. */
export function cardDocument({ heading, about, words }: CardPage, system: UnitSystem): TDocumentDefinitions {
  const { verdict, asOf, areas, sections, cautions, code } = words;
  return {
    info: { title: heading },
    pageSize: system === 'us' ? 'LETTER' : 'A4',
    pageMargins: [42, 42, 42, 48],
    defaultStyle: { font: FONT, fontSize: 10, lineHeight: 1.15 },
    footer: (page, pages) => ({
      margin: [42, 12, 42, 0],
      columns: [
        { text: `Code ${code}: the record of this panel shows the same`, fontSize: 9 },
        { text: `${page} of ${pages}`, alignment: 'right', fontSize: 9 },
      ],
    }),
    content: [
      { ...asText(lettered(heading)), fontSize: 17, bold: true },
      asText(lettered(about)),
      { ...asText(lettered(asOf)), margin: [0, 0, 0, 8] },
      {
        margin: [0, 0, 0, 10],
        table: {
          widths: ['*'],
          body: [
            [
              {
                margin: [6, 4, 6, 4],
                stack: [
                  { text: verdict.title, bold: true, fontSize: 13, color: VERDICT_COLOR[verdict.state] },
                  ...verdict.lines.map(lettered),
                ],
              },
            ],
          ],
        },
      },
      { text: 'What lies under base', bold: true, fontSize: 12, margin: [0, 0, 0, 4] },
      ...areas.map(areaTable),
      ...sections.flatMap(({ title, lines }): Content[] => [
        { text: title, bold: true, fontSize: 12, margin: [0, 6, 0, 3] },
        lines.length === 1 ? lettered(lines[0]!) : { ul: lines.map(lettered) },
      ]),
      { text: cautions.join(' '), fontSize: 9, margin: [0, 10, 0, 0] },
    ],
  };
}

const asText = (content: Content): { readonly text: Content } => ({ text: content });
