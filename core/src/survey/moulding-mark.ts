/** What is moulded into the back of a plastic part, read by the letters that stand for its kinds of plastic. */

/** What a mark says: an olefin of low surface energy, another plastic, or nothing that can be relied on. */
export type MarkedPlastic = 'olefin' | 'other' | 'unknown';

/** Abbreviations of olefins and of what is blended from them. */
const OLEFINS: ReadonlySet<string> = new Set(
  'PP PE EPDM EPM EPR TPO TPE TEO TPV PEHD HDPE PELD LDPE'.split(' '),
);

/** Abbreviations of the usual plastics that are none. */
const OTHERS: ReadonlySet<string> = new Set(
  'ABS AES ASA PA PBT PC PET PF PMMA POM PPE PPO PPS PS PUR PVC SAN SB SMC BMC TPU TPUR RIM RRIM UP EP'.split(
    ' ',
  ),
);

/** What is mixed in says nothing of the plastic: talc, glass, mineral, toughened, with their percent. */
const FILLER = /^(T|TD|TV|GF|GD|GB|GM|G|M|MD|MX|X|CF|HI|K|FR|I|REC|R)?\d*$/;

/**
 * What a moulding mark says; any case, with or without its angle brackets. An olefin anywhere in a blend makes it one; a
 * mark with anything that is not known says nothing, as if there were none (P7).
 */
export function readMark(text: string): MarkedPlastic {
  const mark = text.trim().toUpperCase();
  const parts = mark.split(/[^A-Z0-9]+/).filter((part) => part !== '');
  // The number of a polyamide is part of its name, that of the others is a grade.
  const kinds = parts.filter((part) => !FILLER.test(part)).map((part) => part.replace(/\d+$/, ''));
  // Letters with a stroke between them, as in P/E, are one abbreviation.
  if ([...kinds, kinds.join('')].some((kind) => OLEFINS.has(kind))) return 'olefin';
  return kinds.length > 0 && kinds.every((kind) => OTHERS.has(kind)) ? 'other' : 'unknown';
}
