import { labelOf, isSolid, type LayerKind } from '../materials/layer-kinds.ts';
import type { Grade } from '../materials/grades.ts';
import type { Defect } from '../operations/mishaps.ts';
import { areasForBase, topOf, type ZoneState } from '../operations/state.ts';
import { windowsOf } from '../operations/windows.ts';
import { GOVERNS } from '../operations/caution-words.ts';
import { bandsOfColor, hidingOver } from '../film/hiding.ts';
import type { Target } from '../survey/shop.ts';
import type { DatedStart } from '../planner/work-start.ts';
import type { Role } from '../survey/zone.ts';
import { NO_HASH, type RecordHead } from './chain.ts';
import { askedChecks, isUnchecked, type AskedCheck } from './asked-checks.ts';
import { heldOf, type Holding } from './corrections.ts';
import { DEFECT_WORDS } from './defect-words.ts';
import type { BodyOf, NewEntry } from './entry.ts';
import { isBroken, whyNotNow, type Fold } from './fold.ts';
import type { Said, Step } from '../planner/plan.ts';
import { OP_LABELS, rowOf } from '../operations/table.ts';
import { placeWords } from '../planner/places.ts';
import { saidOf } from '../planner/steps.ts';
import { grouped } from '../units/grouped.ts';
import { minutesOfMoment } from '../units/moment.ts';
import { capital } from '../units/capital.ts';

/** The ready-for-base card of a panel: what lies under, how it came to be, and what whoever lays the base has to know. */

export interface CardLayer {
  readonly kind: LayerKind;
  readonly label: string;
  readonly um: number;
  readonly toneL?: number;
  /** It was laid here, not found. */
  readonly isOurs: boolean;
}

export interface CardArea {
  readonly area: string;
  readonly role: Role;
  /** From the substrate up. */
  readonly layers: readonly CardLayer[];
  readonly filmUm: number;
  /** A gauge read it; else the film is reckoned from coats and sanding. */
  readonly isMeasured: boolean;
  readonly lastGrade: Grade | null;
}

/** From when to when base bonds, minutes of the panel's clock; an end that is left out never comes. */
export interface BaseWindow {
  readonly opensMin: number;
  readonly closesMin?: number;
  /** Area whose coat closes first. */
  readonly area?: string;
}

/**
 * How far a panel is on its card: base is on; not ready (something is open, failed, or a window has closed); ready, but
 * not all of it was looked at or done by the rules; ready with every check passed, or waived by name.
 */
export type CardState = SignedState | 'not-ready' | 'base-on';
/** What a card can be signed as. */
export type SignedState = NonNullable<BodyOf<'sign'>['state']>;

/** Who signed, minute of the panel's clock, and as what; and how many entries came after it that it does not cover. */
export interface Signature {
  readonly name: string;
  readonly atMin: number;
  readonly state?: SignedState;
  readonly nSince: number;
}

export interface HandOverCard {
  readonly start: DatedStart | null;
  readonly areas: readonly CardArea[];
  readonly window: BaseWindow | null;
  /** Those that the steps that were done ask for, and what else was looked at. */
  readonly checks: readonly AskedCheck[];
  readonly readings: readonly Extract<Holding, { kind: 'reading' }>[];
  readonly products: readonly {
    readonly name: string;
    readonly sheetId: string;
    readonly batches: readonly string[];
  }[];
  readonly people: readonly { readonly name: string; readonly nActs: number }[];
  /** What was otherwise than it should be, in words. */
  readonly deviations: readonly string[];
  /** Rules that were not kept on the way, each kind once: the first of it, and how many there were. */
  readonly broken: readonly { readonly said: Said; readonly count: number }[];
  /** Defects that were found, and nothing was done about since. */
  readonly openDefects: readonly { readonly defect: Defect; readonly zones: readonly string[] }[];
  /** Why it may not be handed over yet; empty where it may. */
  readonly notYet: readonly Said[];
  /** What base and clear must not do to what lies here. */
  readonly forPainter: readonly string[];
  /** Steps of the plan that were passed over. */
  readonly nLeftOut: number;
  /** The hand-over itself is in the record, for all that gets base. */
  readonly isHanded: boolean;
  /** Base is on: its windows and clocks have ended. */
  readonly base: { readonly by: string; readonly atMin: number } | null;
  readonly signedBy: readonly Signature[];
  /** Entries that it was made of, and the hash of the last one: a card and a record that belong together have the same. */
  readonly nEntries: number;
  readonly head: string;
}

function areaOf(zone: ZoneState, measured: ReadonlySet<string>): CardArea {
  const layers = zone.stack.map(({ kind, um, laid }): CardLayer => ({
    kind,
    label: labelOf(kind),
    um: Math.round(um),
    ...(laid?.toneL === undefined ? {} : { toneL: laid.toneL }),
    isOurs: laid !== undefined,
  }));
  return {
    area: zone.zone.id,
    role: zone.role,
    layers,
    filmUm: layers.reduce((sum, { kind, um }) => (isSolid(kind) ? sum : sum + um), 0),
    isMeasured: measured.has(zone.zone.id),
    lastGrade: zone.surface.scratch?.grade ?? null,
  };
}

/** The window in which base bonds on every fresh coat; null where only sanded surfaces wait for it. */
function windowOf({ panel, context }: Fold): BaseWindow | null {
  const open = panel.zones.flatMap((zone) =>
    zone.surface.scratch || !topOf(zone).laid
      ? []
      : windowsOf(zone, context)
          .filter(({ kind }) => kind === 'recoat')
          .map((window) => ({ ...window, area: zone.zone.id })),
  );
  if (open.length === 0) return null;
  const first = open.reduce((a, b) => (b.closesAtMin < a.closesAtMin ? b : a));
  return {
    opensMin: Math.max(...open.map(({ opensAtMin }) => opensAtMin)),
    ...(Number.isFinite(first.closesAtMin) ? { closesMin: first.closesAtMin, area: first.area } : {}),
  };
}

const isOf =
  <K extends Holding['kind']>(kind: K) =>
  (entry: Holding): entry is Extract<Holding, { kind: K }> =>
    entry.kind === kind;

function productsIn(entries: readonly Holding[], { context }: Fold): HandOverCard['products'] {
  const used = entries.filter(isOf('act')).filter(({ body }) => body.sheetId !== undefined);
  const ids = [...new Set(used.map(({ body }) => body.sheetId!))];
  return ids.map((sheetId) => {
    const of = used.filter(({ body }) => body.sheetId === sheetId);
    const batches = of.flatMap(({ body }) => body.values?.batch ?? []);
    const name = of.at(-1)?.body.sheetName ?? context.shelf.get(sheetId)?.name ?? sheetId;
    return { name, sheetId, batches: [...new Set(batches)] };
  });
}

const counted = (names: readonly string[]): { name: string; nActs: number }[] =>
  [...new Set(names)].map((name) => ({ name, nActs: names.filter((other) => other === name).length }));

/** "Not passed: Film is read." or, where it passed in the end, how often it did not. */
const failedText = ({ title, outcome, nFailed }: AskedCheck): string =>
  outcome === 'fails'
    ? `Not passed: ${title}.`
    : `${title}: failed${nFailed > 1 ? ` ${nFailed} times` : ''} before it ${outcome === 'waived' ? 'was waived' : 'passed'}.`;

function deviationsIn(
  entries: readonly Holding[],
  checks: readonly AskedCheck[],
  nWithdrawn: number,
): string[] {
  const defects = entries
    .filter(isOf('defect'))
    .map(({ body }) => `${DEFECT_WORDS[body.defect].title} on ${placeWords(body.zones)}, found on the way.`);
  const otherwise = entries
    .filter(isOf('act'))
    .flatMap(({ body }) =>
      Object.entries(body.instead ?? {}).map(
        ([what, planned]) =>
          `${body.sheetName ?? capital(OP_LABELS[body.op])} on ${placeWords(body.zones)}: ${what} differ, ${planned} were planned.`,
      ),
    );
  const failed = checks.filter(({ nFailed }) => nFailed > 0).map(failedText);
  const corrected = entries.filter(({ correctedBy }) => correctedBy).length + nWithdrawn;
  const said = counted([...defects, ...otherwise, ...failed]);
  return [
    ...said.map(({ name, nActs }) => (nActs > 1 ? `${name} (${nActs} times)` : name)),
    ...(corrected > 0 ? [`${corrected} ${corrected === 1 ? 'entry was' : 'entries were'} corrected.`] : []),
  ];
}

/** In how many coats the base hides a tone, where its colour and its hiding card are known. */
function hidesIn(toneL: number, { base, quality }: Target): string[] {
  const { color, contrast } = base;
  if (color === undefined || contrast === undefined) return [];
  const { coats } = hidingOver(bandsOfColor(color), contrast, [toneL], quality).byTone[0]!;
  return coats === null
    ? [`Over grey ${toneL} this base does not hide by its hiding card.`]
    : [
        `Over grey ${toneL} the base hides in ${coats} ${coats === 1 ? 'coat' : 'coats'}, by its hiding card.`,
      ];
}

/** What base and clear have to know, area by area. */
function forPainter(areas: readonly CardArea[], { panel, context }: Fold): string[] {
  const blended = areas.filter(({ role }) => role === 'blend').map(({ area }) => area);
  const clear = areas.filter(({ role }) => role === 'clear-only').map(({ area }) => area);
  const kept = areas.filter(({ role }) => role === 'keep').map(({ area }) => area);
  const sealed = panel.zones.some((zone) => topOf(zone).laid?.isLast);
  const tones = [...new Set(panel.zones.flatMap((zone) => topOf(zone).laid?.toneL ?? []))];
  return [
    ...(blended.length > 0 ? [`Colour fades out on ${blended.join(', ')}: no full coat of it there.`] : []),
    ...(clear.length > 0 ? [`${clear.join(', ')} only get clear.`] : []),
    ...(kept.length > 0 ? [`${kept.join(', ')} stay as they are.`] : []),
    ...(sealed
      ? ['The sealer is not sanded: a nib is cut with P800 or finer, wet, at its spot only.']
      : ['The sanded surface is handed over as it is: do not sand it again before base.']),
    ...tones.flatMap((toneL) => hidesIn(toneL, context.target)),
    'Each coat of base flashes until it is dull; no heat before that.',
    'Past the window, scuff and clean before base; no base on a coat that a thumbnail marks.',
  ];
}

const CAUTIONS = ['Base and clear: supplied-air breathing protection, skin and eye cover.', GOVERNS];
export const CARD_CAUTIONS: readonly string[] = CAUTIONS;

/** Entries that change nothing of what was signed. */
const BESIDE: ReadonlySet<Holding['kind']> = new Set(['sign', 'note', 'photo', 'base']);

/** Signatures, each with the entries after it: in the order in which they were entered, whatever time they give. */
function signaturesIn(
  record: readonly NewEntry[],
  holding: readonly Holding[],
  zeroMin: number,
): Signature[] {
  const held = new Map(holding.map((entry) => [entry.id, entry]));
  return record.flatMap((entry, i) => {
    const signed = held.get(entry.id);
    if (signed?.kind !== 'sign') return [];
    const { name = signed.by, state } = signed.body;
    return {
      name,
      atMin: Math.max(0, minutesOfMoment(signed.at) - zeroMin),
      ...(state ? { state } : {}),
      nSince: record.slice(i + 1).filter(({ kind }) => !BESIDE.has(kind)).length,
    };
  });
}

/** The plan by which a panel was worked last. */
export interface CardPlan {
  readonly planId: string;
  readonly steps: readonly Step[];
}

/** Steps before the last that was done, and not done themselves. */
function leftOutOf(entries: readonly Holding[], { planId, steps }: CardPlan): number {
  const done = new Set(
    entries.filter(isOf('act')).flatMap(({ body: { step } }) => (step?.planId === planId ? [step.n] : [])),
  );
  const lastN = Math.max(0, ...done);
  return steps.filter(({ n, isDone }) => !isDone && n < lastN && !done.has(n)).length;
}

/**
 * Defects that somebody found and on whose areas nothing was done since: they hold a panel also where the models have
 * nothing to say, such as of a run that was noted on found finish.
 */
function openDefectsIn(entries: readonly Holding[]): HandOverCard['openDefects'] {
  return entries.flatMap((entry, i) => {
    if (entry.kind !== 'defect') return [];
    const isOpen = (area: string): boolean =>
      !entries
        .slice(i + 1)
        .some(
          (later) =>
            later.kind === 'act' && !rowOf(later.body.op).changesNothing && later.body.zones.includes(area),
        );
    const zones = entry.body.zones.filter(isOpen);
    return zones.length > 0 ? [{ defect: entry.body.defect, zones }] : [];
  });
}

/** Areas on which the hand-over was the last work: what is done after it asks for another one. */
function handedOver({ steps }: Fold): ReadonlySet<string> {
  const handed = new Set<string>();
  for (const { act } of steps)
    for (const area of act.zones) {
      if (act.op === 'hand-over') handed.add(area);
      else if (act.op !== 'flash' && act.op !== 'cure') handed.delete(area);
    }
  return handed;
}

export interface CardOptions {
  /** The record as the server has it. */
  readonly kept?: RecordHead | undefined;
  readonly plan?: CardPlan | undefined;
}

/**
 * The card of a panel as its record leaves it.
 * @param fold the record folded until now
 */
export function handOverCard(
  fold: Fold,
  record: readonly NewEntry[],
  { kept = { entries: 0, head: NO_HASH }, plan }: CardOptions = {},
): HandOverCard {
  const { panel, steps, happened } = fold;
  const { entries, withdrawn } = heldOf(record);
  const measured = new Set(
    happened.happenings.flatMap((happening) =>
      'seen' in happening && happening.seen === 'film' ? [happening.area] : [],
    ),
  );
  const areas = panel.zones.map((zone) => areaOf(zone, measured));
  const broken = steps.flatMap(({ remarks }) => remarks.filter(isBroken).map(({ reason }) => saidOf(reason)));
  const brokenKinds = [...grouped(broken, ({ code }) => code).values()];
  const handed = handedOver(fold);
  const forBase = areasForBase(panel);
  const checks = askedChecks(entries, fold);
  const base = entries.findLast(isOf('base'));
  return {
    start: happened.start,
    areas,
    window: windowOf(fold),
    checks,
    readings: entries.filter(isOf('reading')),
    products: productsIn(entries, fold),
    people: counted(entries.filter(isOf('act')).map(({ by }) => by)),
    deviations: deviationsIn(entries, checks, withdrawn.length),
    broken: brokenKinds.map((all) => ({
      said: all[0]!,
      count: new Set(all.map(({ text }) => text)).size,
    })),
    openDefects: openDefectsIn(entries),
    notYet: whyNotNow(fold, { op: 'hand-over', zones: forBase }),
    forPainter: forPainter(areas, fold),
    nLeftOut: plan ? leftOutOf(entries, plan) : 0,
    isHanded: forBase.every((area) => handed.has(area)),
    base: base ? { by: base.by, atMin: Math.max(0, minutesOfMoment(base.at) - happened.zeroMin) } : null,
    signedBy: signaturesIn(record, entries, happened.zeroMin),
    nEntries: kept.entries,
    head: kept.head,
  };
}

/** The window to base has closed. @param nowMin minute of the panel's clock that is now */
export const isBaseMissed = ({ window }: HandOverCard, nowMin: number): boolean =>
  window?.closesMin !== undefined && nowMin > window.closesMin;

/** Checks that failed when somebody looked last. */
export const failedChecks = ({ checks }: HandOverCard): AskedCheck[] =>
  checks.filter(({ outcome }) => outcome === 'fails');

/** Checks that the steps ask for and nobody made or waived. */
export const uncheckedOf = ({ checks }: HandOverCard): AskedCheck[] => checks.filter(isUnchecked);

/** Something stands against base besides a window that has closed. */
export const isHeld = (card: HandOverCard): boolean =>
  card.notYet.length > 0 || card.openDefects.length > 0 || failedChecks(card).length > 0;

/** How far the panel is. @param nowMin minute of the panel's clock that is now */
export function cardState(card: HandOverCard, nowMin: number): CardState {
  if (card.base) return 'base-on';
  if (isHeld(card) || isBaseMissed(card, nowMin)) return 'not-ready';
  const isWhole = card.broken.length === 0 && card.nLeftOut === 0 && card.isHanded;
  return isWhole && uncheckedOf(card).length === 0 ? 'ready' : 'not-checked';
}
