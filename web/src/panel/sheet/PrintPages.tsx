interface PrintPagesProps {
  /** What the sheet is of, on the top of every page. */
  readonly heading: string;
}

/** Text inside a CSS string: what would end it, or a tag, is written by its number. */
const cssText = (text: string): string =>
  `"${text.replaceAll(/["\\<>\n\r]/g, (sign) => `\\${sign.charCodeAt(0).toString(16)} `)}"`;

/** Heading and page number on every printed page. */
export const PrintPages = ({ heading }: PrintPagesProps) => (
  <style>
    {`@page {
      margin: 16mm 12mm 14mm;
      @top-left { content: ${cssText(heading)}; font-size: 10pt; }
      @bottom-right { content: "Page " counter(page) " of " counter(pages); font-size: 10pt; }
    }`}
  </style>
);
