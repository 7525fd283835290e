/** Numbers as people write them, read alike wherever they are typed: in fields, tables and on the command line. */

const NUMBER = /^[+-]?(?:\d+(?:\.\d*)?|\.\d+)(?:e[+-]?\d+)?$/i;

/** Groups of three digits parted by a sign; the first one does not begin with 0. */
const grouped = (sign: string): RegExp => new RegExp(`^[+-]?[1-9]\\d{0,2}(?:\\${sign}\\d{3})+$`);
const [COMMA_GROUPS, DOT_GROUPS] = [grouped(','), grouped('.')];

/** What a text can mean as a number: nothing, one thing, or either of two. */
export type NumberMeanings = readonly [] | readonly [number] | readonly [number, number];

const numberOf = (text: string): number | null => {
  const value = NUMBER.test(text) ? Number(text) : Number.NaN;
  return Number.isFinite(value) ? value : null;
};

const meanings = (...values: readonly (number | null)[]): NumberMeanings =>
  values.filter((value) => value !== null) as unknown as NumberMeanings;

/**
 * What a text means as a number, in either habit: "92.5" and "92,5", "1 200", "1,234.5" and "1.234,5". A comma before
 * three digits can be a decimal sign or part thousands: "12,500" is 12.5 or 12500. A single dot is a decimal sign, as
 * the program itself writes it.
 */
export function meaningsOf(text: string): NumberMeanings {
  const tidy = text.trim().replace(/(\d)[ \u00a0\u202f](?=\d{3}(?!\d))/g, '$1');
  const parts = tidy.split(/[.,]/);
  const lastSign = /[.,](?=[^.,]*$)/.exec(tidy)?.[0];
  if (lastSign === undefined || (parts.length === 2 && lastSign === '.')) return meanings(numberOf(tidy));
  if (parts.length === 2) {
    const isEither = COMMA_GROUPS.test(tidy);
    return meanings(numberOf(tidy.replace(',', '.')), isEither ? numberOf(tidy.replace(',', '')) : null);
  }
  if (COMMA_GROUPS.test(tidy) || DOT_GROUPS.test(tidy)) return meanings(numberOf(parts.join('')));
  // Both signs: the last one parts the decimals, the other one thousands.
  const [whole, decimals] = [tidy.slice(0, -parts.at(-1)!.length - 1), parts.at(-1)!];
  const groups = lastSign === '.' ? COMMA_GROUPS : DOT_GROUPS;
  return groups.test(whole) ? meanings(numberOf(`${whole.replace(/[.,]/g, '')}.${decimals}`)) : [];
}

/** A text as the one number that it means; null where it means none, or either of two. */
export function readNumber(text: string): number | null {
  const [value, other] = meaningsOf(text);
  return value === undefined || other !== undefined ? null : value;
}

/** Why a text is not one number, for the person who wrote it; null where it is one. */
export function numberProblem(text: string): string | null {
  const [value, other] = meaningsOf(text);
  const written = `"${text.trim()}"`;
  if (value === undefined) return `${written} is no number.`;
  return other === undefined ? null : `${written} can be ${value} or ${other}: write it without the comma.`;
}

/** Spaces, semicolons and new lines part numbers, and so does a comma with a space behind it; a comma alone does not. */
const partsOf = (text: string): string[] =>
  text
    .split(/[\s;]+/)
    .map((part) => part.replace(/,$/, ''))
    .filter(Boolean);

/** The numbers of a list; null where one of them is none, can be read in two ways, or the list is empty. */
export function readNumbers(text: string): number[] | null {
  const parts = partsOf(text);
  const numbers = parts.flatMap((part) => readNumber(part) ?? []);
  return parts.length > 0 && numbers.length === parts.length ? numbers : null;
}

/** Why a list is not one of numbers: about the first of them that is none; null where all are. */
export const numbersProblem = (text: string): string | null =>
  partsOf(text)
    .map(numberProblem)
    .find((problem) => problem !== null) ?? null;

/**
 * A number's text with its decimal point moved: `movedPoint('0.4217', 2)` is `42.17`. Done in the text, so that no digit
 * is lost to rounding. @param text as `String(number)` writes it @param places to the right; to the left below 0
 */
export function movedPoint(text: string, places: number): string {
  const [, sign, whole, decimals = '', exponent = '0'] = /^(-?)(\d+)(?:\.(\d+))?(?:e([+-]?\d+))?$/.exec(
    text,
  )!;
  const at = whole!.length + Number(exponent) + places;
  const digits = `${whole}${decimals}`;
  const filled = at <= 0 ? `${'0'.repeat(1 - at)}${digits}` : digits.padEnd(at, '0');
  const point = Math.max(at, 1);
  const moved = `${filled.slice(0, point)}.${filled.slice(point)}`;
  return `${sign}${moved.replace(/^0+(?=\d)/, '').replace(/\.?0*$/, '')}`;
}
