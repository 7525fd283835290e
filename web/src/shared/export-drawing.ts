/** Saves a drawing of the page as a file of its own: SVG, or PNG at twice its size. */

import { download } from './save-as.ts';

const FONT = "'Barlow Condensed', 'Arial Narrow', sans-serif";
/** What a drawing takes from the page's style sheets and has to carry along. */
const CARRIED = ['font-family', 'font-size', 'font-weight', 'fill', 'stroke', 'stroke-width', 'text-anchor'];
const PNG_SCALE = 2;

function carryStyles(from: Element, to: Element): void {
  const style = getComputedStyle(from);
  for (const name of CARRIED) {
    const value = style.getPropertyValue(name);
    if (value && value !== 'none') (to as SVGElement).style.setProperty(name, value);
  }
  [...from.children].forEach((child, i) => {
    const copy = to.children[i];
    if (copy) carryStyles(child, copy);
  });
}

const token = (name: string): string =>
  getComputedStyle(document.documentElement).getPropertyValue(name).trim();

/** Names of tokens mean nothing outside of the page: what they stand for is written in their place. */
const withoutTokens = (svg: string): string =>
  svg.replaceAll('var(--f-label)', FONT).replaceAll(/var\((--[\w-]+)\)/g, (_, name: string) => token(name));

/** The drawing as a document that stands by itself, its patterns included. */
export function standaloneSvg(drawing: SVGSVGElement): string {
  const copy = drawing.cloneNode(true) as SVGSVGElement;
  carryStyles(drawing, copy);
  const { width, height } = drawing.getBoundingClientRect();
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('width', String(Math.round(width)));
  copy.setAttribute('height', String(Math.round(height)));
  const patterns = document.querySelector('svg defs pattern')?.closest('defs');
  if (patterns) copy.insertBefore(patterns.cloneNode(true), copy.firstChild);
  return withoutTokens(new XMLSerializer().serializeToString(copy));
}

const svgUrl = (drawing: SVGSVGElement): string =>
  `data:image/svg+xml;charset=utf-8,${encodeURIComponent(standaloneSvg(drawing))}`;

export function saveSvg(drawing: Element | null | undefined, name: string): void {
  if (drawing instanceof SVGSVGElement) download(svgUrl(drawing), `${name}.svg`);
}

export async function savePng(drawing: Element | null | undefined, name: string): Promise<void> {
  if (!(drawing instanceof SVGSVGElement)) return;
  const { width, height } = drawing.getBoundingClientRect();
  const image = new Image();
  image.src = svgUrl(drawing);
  await image.decode();
  const canvas = document.createElement('canvas');
  canvas.width = width * PNG_SCALE;
  canvas.height = height * PNG_SCALE;
  const context = canvas.getContext('2d')!;
  context.fillStyle = token('--sheet');
  context.fillRect(0, 0, canvas.width, canvas.height);
  context.drawImage(image, 0, 0, canvas.width, canvas.height);
  download(canvas.toDataURL('image/png'), `${name}.png`);
}
