import { labelOf, isSolid, type LayerKind } from '../materials/layer-kinds.ts';
import type { Grade } from '../materials/grades.ts';
import { areasForBase, topOf, type ZoneState } from '../operations/state.ts';
import { windowsOf } from '../operations/windows.ts';
import { GOVERNS } from '../planner/cautions.ts';
import { bandsOfColor, hidingOver } from '../film/hiding.ts';
import type { Target } from '../survey/shop.ts';
import type { DatedStart } from '../planner/work-start.ts';
import type { Role } from '../survey/zone.ts';
import { NO_HASH } from './chain.ts';
import { checkTitle } from './checks.ts';
import { heldOf, type Holding } from './corrections.ts';
import { DEFECT_WORDS } from './defect-words.ts';
import type { NewEntry } from './entry.ts';
import { isBroken, whyNotNow, type Fold } from './fold.ts';
import type { Said } from '../planner/plan.ts';
import { saidOf } from '../planner/steps.ts';
import { grouped } from '../units/grouped.ts';
import { minutesOfMoment } from '../units/moment.ts';

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

export interface HandOverCard {
  readonly start: DatedStart | null;
  readonly areas: readonly CardArea[];
  readonly window: BaseWindow | null;
  readonly checks: readonly {
    readonly title: string;
    readonly outcome: 'passes' | 'fails';
    readonly by: string;
  }[];
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
  /** Why it may not be handed over yet; empty where it may. */
  readonly notYet: readonly Said[];
  /** What base and clear must not do to what lies here. */
  readonly forPainter: readonly string[];
  /** With the minute of the panel's clock. */
  readonly signedBy: readonly { readonly name: string; readonly atMin: number }[];
  /** Hash of the last entry: a card and a record that belong together have the same. */
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

/** The last word of each check on each step. */
function checksIn(entries: readonly Holding[]): HandOverCard['checks'] {
  const last = new Map(
    entries
      .filter(isOf('check'))
      .map((entry) => [`${entry.body.check} ${entry.body.step?.planId} ${entry.body.step?.n}`, entry]),
  );
  return [...last.values()].map(({ body: { check, outcome }, by }) => ({
    title: checkTitle(check),
    outcome,
    by,
  }));
}

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

function deviationsIn(entries: readonly Holding[], nWithdrawn: number): string[] {
  const defects = entries
    .filter(isOf('defect'))
    .map(({ body }) => `${DEFECT_WORDS[body.defect].title} on ${body.zones.join(', ')}, found on the way.`);
  const otherwise = entries
    .filter(isOf('act'))
    .flatMap(({ body }) =>
      Object.entries(body.instead ?? {}).map(
        ([what, planned]) =>
          `${body.sheetName ?? body.op} on ${body.zones.join(', ')}: ${what} differ, ${planned} were planned.`,
      ),
    );
  const failed = checksIn(entries).flatMap(({ title, outcome }) =>
    outcome === 'fails' ? [`Not passed: ${title}.`] : [],
  );
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

/**
 * The card of a panel as its record leaves it.
 * @param fold the record folded until now
 */
export function handOverCard(fold: Fold, record: readonly NewEntry[], head: string = NO_HASH): HandOverCard {
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
  const handed = new Set(steps.flatMap(({ act }) => (act.op === 'hand-over' ? act.zones : [])));
  const forBase = areasForBase(panel);
  return {
    start: happened.start,
    areas,
    window: windowOf(fold),
    checks: checksIn(entries),
    readings: entries.filter(isOf('reading')),
    products: productsIn(entries, fold),
    people: counted(entries.filter(isOf('act')).map(({ by }) => by)),
    deviations: deviationsIn(entries, withdrawn.length),
    broken: brokenKinds.map((all) => ({
      said: all[0]!,
      count: new Set(all.map(({ text }) => text)).size,
    })),
    notYet: forBase.every((area) => handed.has(area))
      ? []
      : whyNotNow(fold, { op: 'hand-over', zones: forBase }),
    forPainter: forPainter(areas, fold),
    signedBy: entries.filter(isOf('sign')).map(({ body: { name }, by, at }) => ({
      name: name ?? by,
      atMin: Math.max(0, minutesOfMoment(at) - happened.zeroMin),
    })),
    head,
  };
}
