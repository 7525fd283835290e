import { isSolid, type LayerKind } from '../materials/layer-kinds.ts';
import { areaTitle, placeWords } from '../planner/places.ts';
import { clockTime, datedTime, formatMinutes } from '../units/duration.ts';
import { grouped } from '../units/grouped.ts';
import { formatQuantity, type UnitSystem } from '../units/quantities.ts';
import { sayAgain } from '../wording/say.ts';
import { DEFECT_WORDS } from './defect-words.ts';
import { SIGNED_AS, entryWords } from './entry-words.ts';
import type { AskedCheck } from './asked-checks.ts';
import { cardCode } from './chain.ts';
import {
  CARD_CAUTIONS,
  cardState,
  failedChecks,
  isBaseMissed,
  isHeld,
  uncheckedOf,
  type CardArea,
  type CardState,
  type HandOverCard,
  type Signature,
} from './hand-over.ts';
import { capital } from '../units/capital.ts';

/** A hand-over card in words, in the reader's units: the screen, the printed page and the PDF say the same. */

export interface CardVerdict {
  readonly state: CardState;
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
  /** When the record stood as it says: an old card is known by it. */
  readonly asOf: string;
  readonly areas: readonly CardAreaWords[];
  readonly sections: readonly CardSection[];
  readonly cautions: readonly string[];
  /** The letters that are read out and compared. */
  readonly code: string;
}

const times = (count: number, one: string, more = `${one}s`): string =>
  `${count} ${count === 1 ? one : more}`;

function windowLine({ window, start }: HandOverCard, nowMin: number, isMissed: boolean): string {
  if (!window || !start) return 'Sanded surfaces wait for base: no window runs; keep them clean and dry.';
  const from = `Base from ${clockTime(start, Math.max(0, window.opensMin))}`;
  if (window.closesMin === undefined) return `${from}, without an end.`;
  const until = `${from} until ${clockTime(start, window.closesMin)}`;
  return isMissed
    ? `${until}. Scuff and clean before base.`
    : `${until}, ${formatMinutes(window.closesMin - nowMin)} from now.`;
}

function signedText({ name, atMin, state, nSince }: Signature, start: HandOverCard['start']): string {
  const since =
    nSince > 0 ? `; ${times(nSince, 'entry', 'entries')} made since then, which it does not cover` : '';
  return `Signed by ${name}, ${datedTime(start!, atMin)}${state ? `, as ${SIGNED_AS[state]}` : ''}${since}.`;
}

const signedLines = ({ signedBy, start }: HandOverCard): string[] =>
  start ? signedBy.map((signature) => signedText(signature, start)) : [];

/** What of a panel that is ready was not looked at, not written down or not done by the rules, with counts. */
export function notCheckedLines(card: HandOverCard): string[] {
  const { checks, readings, products, broken, nLeftOut, isHanded } = card;
  const nWaived = checks.filter(({ outcome }) => outcome === 'waived').length;
  const nMade = checks.length - uncheckedOf(card).length - nWaived;
  const nUnnamed = products.filter(({ batches }) => batches.length === 0).length;
  const nBroken = broken.reduce((sum, { count }) => sum + count, 0);
  return [
    ...(nMade < checks.length ? [`${nMade} of ${checks.length} checks made`] : []),
    ...(nWaived > 0 ? [`${nWaived} waived`] : []),
    ...(readings.length === 0 ? ['no readings'] : []),
    ...(nUnnamed > 0 ? [`${times(nUnnamed, 'product')} without a batch`] : []),
    ...(nBroken > 0 ? [`${times(nBroken, 'rule')} not kept`] : []),
    ...(nLeftOut > 0 ? [`${times(nLeftOut, 'step')} of the plan left out`] : []),
    ...(isHanded ? [] : ['the hand-over itself not recorded']),
  ];
}

/** What stands against base, in words. */
function againstLines(card: HandOverCard, nowMin: number, system: UnitSystem): string[] {
  const isMissed = isBaseMissed(card, nowMin);
  return [
    ...card.openDefects.map(
      ({ defect, zones }) =>
        `${DEFECT_WORDS[defect].title} on ${placeWords(zones)}: found, and nothing was done there since.`,
    ),
    ...card.notYet.map((reason) => sayAgain(reason, system)),
    ...[...new Set(failedChecks(card).map(({ title }) => `Not passed: ${title}.`))],
    ...(isMissed ? [windowLine(card, nowMin, isMissed)] : []),
  ];
}

/** Whether base may go on, and until when. @param nowMin minute of the panel's clock that is now */
function verdictOf(card: HandOverCard, nowMin: number, system: UnitSystem): CardVerdict {
  const state = cardState(card, nowMin);
  const signed = signedLines(card);
  switch (state) {
    case 'base-on': {
      const { by, atMin } = card.base!;
      const since = card.start ? ` since ${datedTime(card.start, atMin)}` : '';
      return {
        state,
        title: 'Base is on',
        lines: [`Base is on${since}, entered by ${by}: its windows have ended.`, ...signed],
      };
    }
    case 'not-ready': {
      return {
        state,
        title: isHeld(card) ? 'Not ready for base' : 'The window to base has closed',
        lines: [...againstLines(card, nowMin, system), ...signed],
      };
    }
    case 'not-checked':
      return {
        state,
        title: 'Ready for base, but not checked',
        lines: [`${capital(notCheckedLines(card).join(', '))}.`, windowLine(card, nowMin, false), ...signed],
      };
    case 'ready':
      return { state, title: 'Ready for base', lines: [windowLine(card, nowMin, false), ...signed] };
  }
}

/** "Film is read: 2 passed (Prep A), 1 waived by Prep B (no gauge), 1 not made" */
function checksText(title: string, checks: readonly AskedCheck[]): string {
  const of = (outcome: AskedCheck['outcome']): readonly AskedCheck[] =>
    checks.filter((check) => check.outcome === outcome);
  const names = (all: readonly AskedCheck[]): string => [...new Set(all.map(({ by }) => by))].join(', ');
  const why = [...new Set(of('waived').flatMap((check) => check.why ?? []))].join('; ');
  const parts = [
    of('passes').length > 0 && `${of('passes').length} passed (${names(of('passes'))})`,
    of('fails').length > 0 && `${of('fails').length} failed (${names(of('fails'))})`,
    of('waived').length > 0 &&
      `${of('waived').length} waived by ${names(of('waived'))}${why ? ` (${why})` : ''}`,
    of(null).length > 0 && `${of(null).length} not made`,
  ];
  return `${title}: ${parts.filter(Boolean).join(', ')}`;
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
          ...[...grouped(checks, ({ title }) => title)].map(([title, all]) => checksText(title, all)),
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
  asOf: card.start ? `By the record as it stood on ${datedTime(card.start, nowMin)}.` : '',
  areas: card.areas.map((area) => areaWordsOf(area, system)),
  sections: sectionsOf(card, system),
  cautions: CARD_CAUTIONS,
  code: cardCode({ entries: card.nEntries, head: card.head }),
});
