import bold from '@fontsource/barlow/files/barlow-latin-600-normal.woff?url';
import furtherBold from '@fontsource/barlow/files/barlow-latin-ext-600-normal.woff?url';
import further from '@fontsource/barlow/files/barlow-latin-ext-400-normal.woff?url';
import plain from '@fontsource/barlow/files/barlow-latin-400-normal.woff?url';
import pdfMake from 'pdfmake/build/pdfmake';
import { useUnits } from '../../state/units.ts';
import { FONT, FURTHER_FONT, cardDocument, type CardPage } from './card-document.ts';

/** The card as bytes of a PDF; its fonts lie in it, so that it looks the same everywhere. */

const FILES = {
  'plain.woff': plain,
  'bold.woff': bold,
  'further.woff': further,
  'further-bold.woff': furtherBold,
} as const;

async function base64Of(url: string): Promise<string> {
  const bytes = new Uint8Array(await (await fetch(url)).arrayBuffer());
  let text = '';
  for (const byte of bytes) text += String.fromCharCode(byte);
  return btoa(text);
}

let isReady: Promise<void> | null = null;

async function takeFontsUp(): Promise<void> {
  const files = await Promise.all(
    Object.entries(FILES).map(async ([name, url]) => [name, await base64Of(url)] as const),
  );
  pdfMake.addVirtualFileSystem(Object.fromEntries(files));
  pdfMake.addFonts({
    [FONT]: { normal: 'plain.woff', bold: 'bold.woff' },
    [FURTHER_FONT]: { normal: 'further.woff', bold: 'further-bold.woff' },
  });
}

/** @throws {Error} where the fonts cannot be fetched */
export async function cardPdf(page: CardPage): Promise<Blob> {
  isReady ??= takeFontsUp().catch((error: unknown) => {
    isReady = null;
    throw error;
  });
  await isReady;
  return pdfMake.createPdf(cardDocument(page, useUnits.getState().system)).getBlob();
}
