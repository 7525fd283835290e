/** The words with a large first letter: the beginning of a sentence, or a heading. */
export const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
