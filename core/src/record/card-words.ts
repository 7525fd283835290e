import { isSolid, type LayerKind } from '../materials/layer-kinds.ts';
import { areaTitle } from '../planner/places.ts';
import { clockTime, formatMinutes } from '../units/duration.ts';
import { formatQuantity, type UnitSystem } from '../units/quantities.ts';
import { sayAgain } from '../wording/say.ts';
import { entryWords } from './entry-words.ts';
import { CARD_CAUTIONS, type CardArea, type HandOverCard } from './hand-over.ts';

/** A hand-over card in words, in the reader's units: the screen, the printed page and the PDF say the same. */

export interface CardVerdict {
  readonly state: 'ready' | 'not-yet' | 'missed';
  readonly title: string;
  readonly lines: readonly string[];
}

export interface CardLayerWords {
  readonly kind: LayerKind;
  readonly label: string;
  /** Tone, and whether it was found there; empty where there is nothing to say. */
  readonly note: string;
  /** Film; empty for what is solid. */
  readonly film: string;
}

export interface CardAreaWords {
  readonly title: string;
  readonly note: string;
  /** From the top down, as one would cut into it. */
  readonly layers: readonly CardLayerWords[];
}

export interface CardSection {
  readonly title: string;
  readonly lines: readonly string[];
}

export interface CardWords {
  readonly verdict: CardVerdict;
  readonly areas: readonly CardAreaWords[];
  readonly sections: readonly CardSection[];
  readonly cautions: readonly string[];
  /** The letters that are read out and compared. */
  readonly code: string;
}

const CODE_LETTERS = 12;

const times = (count: number, one: string): string => `${count} ${count === 1 ? one : `${one}s`}`;

function windowLine({ window, start }: HandOverCard, nowMin: number, isMissed: boolean): string {
  if (!window || !start) return 'Sanded surfaces wait for base: no window runs; keep them clean and dry.';
  const from = `Base from ${clockTime(start, Math.max(0, window.opensMin))}`;
  if (window.closesMin === undefined) return `${from}, without an end.`;
  const until = `${from} until ${clockTime(start, window.closesMin)}`;
  return isMissed
    ? `${until}. Scuff and clean before base.`
    : `${until}, ${formatMinutes(window.closesMin - nowMin)} from now.`;
}

const signedLines = ({ signedBy, start }: HandOverCard): string[] =>
  signedBy.length > 0 && start
    ? [`Signed: ${signedBy.map(({ name, atMin }) => `${name}, ${clockTime(start, atMin)}`).join('; ')}.`]
    : [];

/** Whether base may go on, and until when. @param nowMin minute of the panel's clock that is now */
function verdictOf(card: HandOverCard, nowMin: number, system: UnitSystem): CardVerdict {
  const { notYet, window } = card;
  if (notYet.length > 0)
    return {
      state: 'not-yet',
      title: 'Not ready for base',
      lines: notYet.map((reason) => sayAgain(reason, system)),
    };
  const isMissed = window?.closesMin !== undefined && nowMin > window.closesMin;
  return {
    state: isMissed ? 'missed' : 'ready',
    title: isMissed ? 'The window to base has closed' : 'Ready for base',
    lines: [windowLine(card, nowMin, isMissed), ...signedLines(card)],
  };
}

const areaWordsOf = (
  { area, layers, filmUm, isMeasured, lastGrade }: CardArea,
  system: UnitSystem,
): CardAreaWords => ({
  title: areaTitle(area),
  note: `${formatQuantity('Um', filmUm, system)} ${isMeasured ? 'by the gauge' : 'reckoned'}${
    lastGrade ? `, last scratch ${lastGrade}` : ''
  }`,
  layers: layers.toReversed().map(({ kind, label, um, toneL, isOurs }) => ({
    kind,
    label,
    note: [toneL === undefined ? '' : `grey ${toneL} of 100`, !isOurs && !isSolid(kind) ? 'found' : '']
      .filter(Boolean)
      .join(', '),
    film: isSolid(kind) ? '' : formatQuantity('Um', um, system),
  })),
});

function sectionsOf(card: HandOverCard, system: UnitSystem): CardSection[] {
  const { forPainter, deviations, broken, products, checks, readings, people } = card;
  const notByRules = broken.map(
    ({ said, count }) =>
      `Not by the rules: ${sayAgain(said, system)}${count > 1 ? ` And ${count - 1} more of this kind.` : ''}`,
  );
  const orElse = (lines: readonly string[], none: string): readonly string[] =>
    lines.length > 0 ? lines : [none];
  return [
    { title: 'For whoever lays the base', lines: forPainter },
    {
      title: 'Otherwise than planned',
      lines: orElse([...deviations, ...notByRules], 'Nothing: done as planned and by the rules.'),
    },
    {
      title: 'Products and batches',
      lines: products.map(({ name, batches }) =>
        batches.length > 0 ? `${name}, batch ${batches.join(', ')}` : `${name}, batch not written down`,
      ),
    },
    {
      title: 'Checks and readings',
      lines: orElse(
        [
          ...checks.map(({ title, outcome, by }) => `${title}: ${outcome}, ${by}`),
          ...readings.map((entry) => {
            const { title, more } = entryWords(entry, { system, nameOf: (id) => id });
            return `${title}: ${more}`;
          }),
        ],
        'None was entered.',
      ),
    },
    {
      title: 'Who did it',
      lines: [`${people.map(({ name, nActs }) => `${name}, ${times(nActs, 'step')}`).join('; ')}.`],
    },
  ];
}

/** A card in words. @param nowMin minute of the panel's clock that is now */
export const cardWords = (card: HandOverCard, nowMin: number, system: UnitSystem): CardWords => ({
  verdict: verdictOf(card, nowMin, system),
  areas: card.areas.map((area) => areaWordsOf(area, system)),
  sections: sectionsOf(card, system),
  cautions: CARD_CAUTIONS,
  code: card.head.slice(0, CODE_LETTERS),
});
