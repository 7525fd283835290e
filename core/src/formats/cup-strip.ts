import type { PDFFont, PDFPage } from 'pdf-lib';
import { alongWallMm, cupMarkMm, cupVolumeMl, type Cup } from '../film/cup.ts';

/** A strip for any cup, true to scale: printed, measured by its check bar, cut out and taped to the cup's wall. */

export interface StripMark {
  readonly name: string;
  /** What is in the cup once this part is in. */
  readonly readMl: number;
}

export interface CupStrip {
  readonly title: string;
  readonly cup: Cup;
  readonly marks: readonly StripMark[];
}

/** A mark by its height inside the cup and its place on the strip, mm from the bottom. */
export interface PlacedMark extends StripMark {
  readonly heightMm: number;
  readonly stripMm: number;
}

const PT_PER_MM = 72 / 25.4;
const PAGE_MM = { width: 210, height: 297 } as const;
const STRIP = { leftMm: 30, bottomMm: 16, widthMm: 60 } as const;
const BAR = { leftMm: 130, lengthMm: 100 } as const;
/** Longest strip that an A4 page takes with its margins. */
const LONGEST_MM = PAGE_MM.height - STRIP.bottomMm - 20;
const LABEL_MM = 4.6;
const TEXT_PT = 9;

/**
 * Where marks lie on a cup and on a strip along its wall.
 * @throws {RangeError} where the batch does not fit the cup
 */
export const placedMarks = ({ cup, marks }: Pick<CupStrip, 'cup' | 'marks'>): PlacedMark[] =>
  marks.map((mark) => {
    const heightMm = cupMarkMm(cup, mark.readMl);
    return { ...mark, heightMm, stripMm: alongWallMm(cup, heightMm) };
  });

/** Heights of labels, none nearer to the next than a line of text; each as near to its mark as that lets it. */
function labelHeights(stripMm: readonly number[]): number[] {
  const heights: number[] = [];
  for (const at of stripMm) heights.push(Math.max(at, (heights.at(-1) ?? -Infinity) + LABEL_MM));
  return heights;
}

interface Pen {
  readonly line: (
    fromMm: readonly [number, number],
    toMm: readonly [number, number],
    widthPt?: number,
  ) => void;
  readonly text: (words: string, atMm: readonly [number, number], sizePt?: number) => void;
}

/** Draws in mm from the lower left corner; words that the font cannot write are given in another way. */
function penOn(page: PDFPage, font: PDFFont, fallback: string): Pen {
  const writable = (words: string): string => {
    try {
      font.encodeText(words);
      return words;
    } catch {
      return fallback;
    }
  };
  return {
    line: ([x1, y1], [x2, y2], widthPt = 0.6) =>
      page.drawLine({
        start: { x: x1 * PT_PER_MM, y: y1 * PT_PER_MM },
        end: { x: x2 * PT_PER_MM, y: y2 * PT_PER_MM },
        thickness: widthPt,
      }),
    text: (words, [x, y], size = TEXT_PT) =>
      page.drawText(writable(words), { x: x * PT_PER_MM, y: y * PT_PER_MM, size, font }),
  };
}

const amount = (ml: number): string => (ml < 100 ? ml.toFixed(1) : ml.toFixed(0));

/**
 * The strip as a PDF of one A4 page.
 * @throws {RangeError} where the batch does not fit the cup, or the cup is taller than a page
 */
export async function cupStripPdf(strip: CupStrip): Promise<Uint8Array> {
  const { cup, title, marks } = strip;
  const placed = placedMarks(strip);
  const lengthMm = alongWallMm(cup, cup.heightMm);
  if (lengthMm > LONGEST_MM)
    throw new RangeError(
      `the cup is ${Math.round(lengthMm)} mm along its wall; a page takes ${LONGEST_MM} mm: measure the marks instead`,
    );
  const { PDFDocument, StandardFonts } = await import('pdf-lib');
  const pdf = await PDFDocument.create();
  pdf.setTitle('Cup strip');
  const page = pdf.addPage([PAGE_MM.width * PT_PER_MM, PAGE_MM.height * PT_PER_MM]);
  const font = await pdf.embedFont(StandardFonts.Helvetica);
  const pen = penOn(page, font, 'Cup strip');
  const { leftMm, bottomMm, widthMm } = STRIP;
  const rightMm = leftMm + widthMm;
  const topMm = bottomMm + lengthMm;

  pen.text(title, [leftMm, topMm + 5], 11);
  pen.line([leftMm, bottomMm], [leftMm, topMm]);
  pen.line([rightMm, bottomMm], [rightMm, topMm]);
  pen.line([leftMm, topMm], [rightMm, topMm]);
  // The lower edge is the inside bottom of the cup: all marks count from it.
  pen.line([leftMm, bottomMm], [rightMm, bottomMm], 1.2);
  pen.text('this edge: inside bottom of the cup', [leftMm, bottomMm - 5], 8);
  const heights = labelHeights(placed.map(({ stripMm }) => stripMm));
  placed.forEach((mark, i) => {
    const y = bottomMm + mark.stripMm;
    const labelY = bottomMm + heights[i]!;
    pen.line([leftMm, y], [leftMm + 14, y], 0.9);
    pen.line([leftMm + 14, y], [leftMm + 16, labelY], 0.4);
    const words = `${i + 1}  ${mark.name.slice(0, 24)}`;
    penOn(page, font, `${i + 1}  part ${i + 1}`).text(words, [leftMm + 17, labelY - 1], TEXT_PT);
  });

  pen.line([BAR.leftMm, bottomMm], [BAR.leftMm, bottomMm + BAR.lengthMm], 1.2);
  for (const y of [bottomMm, bottomMm + BAR.lengthMm])
    pen.line([BAR.leftMm - 2, y], [BAR.leftMm + 2, y], 0.6);
  const said = [
    'This bar is 100 mm.',
    'Measure it. Where it is not, print again',
    'at 100 %, not fitted to the page.',
    '',
    `Cup: bottom ${cup.bottomMm} mm, top ${cup.topMm} mm,`,
    `height ${cup.heightMm} mm inside, ${cupVolumeMl(cup).toFixed(0)} ml.`,
    'Marks are along the wall: cut along the',
    'edge and tape it to the cup.',
    '',
    ...marks.flatMap(({ name, readMl }, i) => [
      `${i + 1}  ${name.slice(0, 24)}`,
      `    to ${amount(readMl)} ml, ${placed[i]!.heightMm.toFixed(1)} mm high`,
    ]),
  ];
  said.forEach((words, i) => pen.text(words, [BAR.leftMm + 6, bottomMm + BAR.lengthMm - 4 - i * 4.6]));
  return pdf.save();
}
