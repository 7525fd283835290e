/** Numbers as people write them, read alike wherever they are typed: in fields, tables and on the command line. */

const NUMBER = /^[+-]?(?:\d+(?:[.,]\d*)?|[.,]\d+)(?:e[+-]?\d+)?$/i;

/** "92,5", "92.5" and "1 200" as a number; null for anything else, and for what is too large to be one. */
export function readNumber(text: string): number | null {
  const tidy = text.trim().replace(/(\d) (?=\d{3}\b)/g, '$1');
  if (!NUMBER.test(tidy)) return null;
  const value = Number(tidy.replace(',', '.'));
  return Number.isFinite(value) ? value : null;
}

/** A comma before one or two digits is a decimal comma; any other one parts two numbers. */
const DECIMAL_COMMA = /^[+-]?\d+,\d{1,2}$/;

/** The numbers of a list parted by spaces, semicolons or commas; null where one of them is none, or the list is empty. */
export function readNumbers(text: string): number[] | null {
  const parts = text
    .split(/[\s;]+/)
    .map((part) => part.replace(/,$/, ''))
    .flatMap((part) => (DECIMAL_COMMA.test(part) ? [part] : part.split(',')))
    .filter(Boolean);
  const numbers = parts.flatMap((part) => readNumber(part) ?? []);
  return parts.length > 0 && numbers.length === parts.length ? numbers : null;
}
