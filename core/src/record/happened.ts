import { LAYER_KIND_NAMES, type LayerKind } from '../materials/layer-kinds.ts';
import { isCoatOp } from '../operations/act.ts';
import type { PastAir } from '../operations/context.ts';
import type { DoneAct, Happening, Seen } from '../planner/happening.ts';
import type { DatedStart } from '../planner/work-start.ts';
import type { ShopAir } from '../survey/shop.ts';
import { dateAfter } from '../units/calendar.ts';
import { minutesOfMoment } from '../units/moment.ts';
import { heldOf, type Holding } from './corrections.ts';
import type { BodyOf, EntryKind, NewEntry } from './entry.ts';

/** From the entries of a record to what happened on the panel: acts and observations on the panel's own clock. */

const DAY_MIN = 24 * 60;
const EPOCH = '1970-01-01';

export interface Happened {
  /** When work began, by the shop's clock; null where nothing was done yet. */
  readonly start: DatedStart | null;
  readonly happenings: readonly Happening[];
  /** Air as it was measured meanwhile. */
  readonly airBefore: readonly PastAir[];
  /** The entries of the acts, in their order. */
  readonly acts: readonly ActEntry[];
  /** Minute of the panel's clock of the last entry, and of what it says that passed since. */
  readonly lastMin: number;
  /** Minutes from 1970 to the zero of the panel's clock. */
  readonly zeroMin: number;
}

type ActBody = BodyOf<'act'>;
/** An entry of something that was done. */
export type ActEntry = Extract<Holding, { kind: 'act' }>;

const listed = (um: number | readonly number[]): number[] => (typeof um === 'number' ? [um] : [...um]);

function actOf(body: ActBody, toMin: number): DoneAct {
  const { op, zones, sheetId, coats, grits, tool, isLightFirst, toneL, method, thenMin, minutes, values } =
    body;
  const real = {
    toMin,
    handsOnMin: minutes,
    flashMin: values?.flashMin,
    wetUm: values?.wetUm === undefined ? undefined : listed(values.wetUm),
    reductionPercent: values?.reductionPercent,
  };
  return { op, zones, sheetId, coats, grits, tool, isLightFirst, toneL, method, real, thenMin };
}

const layerOf = (kind: string): LayerKind | undefined =>
  (LAYER_KIND_NAMES as readonly string[]).includes(kind) ? (kind as LayerKind) : undefined;

/** Readings that say nothing of dry film. */
const NOT_DRY: ReadonlySet<string> = new Set(['wet', 'wet-film']);

/** What an entry tells of the panel, and of the air; nothing of what is only kept. */
interface Told {
  readonly happened?: Happening | null;
  readonly air?: { readonly celsius?: unknown; readonly relativeHumidity?: unknown } | undefined;
}

const nothing = (): Told => ({});

const TELLS: { readonly [K in EntryKind]: (body: BodyOf<K>, atMin: number) => Told } = {
  act: (body, atMin) => ({ happened: actOf(body, atMin), air: body.values }),
  reading: (body, atMin) => ({ happened: readingOf(body, atMin) }),
  defect: ({ defect, zones, spotMm, count, shows }, atMin) => ({
    happened: { seen: 'defect', atMin, defect, areas: zones, spotMm, count, shows },
  }),
  climate: (body) => ({ air: body }),
  check: nothing,
  pour: nothing,
  note: nothing,
  photo: nothing,
  // What it says is taken into the entry that it speaks of (corrections.ts).
  correction: nothing,
  sign: nothing,
  base: nothing,
};

const toldBy = ({ kind, body }: Holding, atMin: number): Told =>
  (TELLS[kind] as (body: Holding['body'], atMin: number) => Told)(body, atMin);

function readingOf({ zone, kind, um }: BodyOf<'reading'>, atMin: number): Seen | null {
  if (um === undefined || NOT_DRY.has(kind)) return null;
  return { seen: 'film', atMin, area: zone, um: listed(um), layer: layerOf(kind) };
}

/** Air that an entry tells of; null where it says nothing of it. */
function airOf(entry: Holding): ShopAir | null {
  const { celsius, relativeHumidity } = toldBy(entry, 0).air ?? {};
  return typeof celsius === 'number' && typeof relativeHumidity === 'number'
    ? { celsius, relativeHumidity }
    : null;
}

/** Measured air holds until the next that was measured, and back to the beginning for the first. */
function airBefore(
  entries: readonly Holding[],
  minuteOf: (entry: Holding) => number,
  lastMin: number,
): PastAir[] {
  const measured = entries.flatMap((entry) => {
    const air = airOf(entry);
    return air ? [{ atMin: minuteOf(entry), air }] : [];
  });
  return measured.map(({ air }, i) => ({ untilMin: measured[i + 1]?.atMin ?? lastMin, air }));
}

const wallTime = (minutes: number): DatedStart => {
  const days = Math.floor(minutes / DAY_MIN);
  return { startOn: dateAfter(EPOCH, days), startMin: minutes - days * DAY_MIN };
};

const isAct = (entry: Holding): entry is ActEntry => entry.kind === 'act';

/** Minutes from its beginning to its end that an act says of itself. */
function saidMin({ op, minutes = 0, values, coats }: ActBody): number {
  const most = typeof coats === 'object' ? Math.max(1, ...Object.values(coats)) : (coats ?? 1);
  return minutes + (isCoatOp(op) && values?.flashMin ? (most - 1) * values.flashMin : 0);
}

/**
 * What happened on a panel, corrections taken in. The panel's clock is 0 when its first work began.
 * @param utcOffsetMin by how much the shop's clock is ahead of UTC
 */
export function happenedOf(record: readonly NewEntry[], utcOffsetMin = 0): Happened {
  const { entries } = heldOf(record);
  const acts = entries.filter(isAct);
  const [first] = acts;
  const whole = (minutes: number): number => Math.round(minutes * 100) / 100;
  const zeroMin = first
    ? Math.floor(minutesOfMoment(first.at) - saidMin(first.body))
    : minutesOfMoment(entries[0]?.at ?? `${EPOCH}T00:00:00Z`);
  const minutes = new Map(entries.map((entry) => [entry, whole(minutesOfMoment(entry.at) - zeroMin)]));
  const minuteOf = (entry: Holding): number => minutes.get(entry)!;
  // In the order of time: the last is the latest.
  const lastMin = Math.max(0, minutes.get(entries.at(-1)!) ?? 0);
  const happenings = entries.flatMap((entry) => toldBy(entry, minuteOf(entry)).happened ?? []);
  return {
    start: first ? wallTime(zeroMin + utcOffsetMin) : null,
    happenings,
    airBefore: airBefore(entries, minuteOf, lastMin),
    acts,
    zeroMin,
    lastMin: lastMin + (acts.at(-1)?.body.thenMin ?? 0),
  };
}
