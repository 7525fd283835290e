import { wetFilmUm } from '../film/coverage.ts';
import { paceMPerS } from '../film/gun.ts';
import { GENERIC_SHELF } from '../materials/generic-shelf.ts';
import { readyVolumeSolids, type ProductSheet } from '../materials/sheet.ts';
import { isCoatOp } from '../operations/act.ts';
import type { Defect } from '../operations/mishaps.ts';
import type { Cause } from '../diagnosis/causes.ts';
import type { PlanTask } from '../planner/bench-of-task.ts';
import { makePlan } from '../planner/make-plan.ts';
import { openPlan } from '../planner/view-plan.ts';
import type { NewEntry } from '../record/entry.ts';
import { shopSchema, targetSchema } from '../survey/shop.ts';
import { minutesOfMoment, momentOfMinutes } from '../units/moment.ts';
import { panelOf, type ZoneSketch } from './bench.ts';
import { entriesAsPlanned } from './record.ts';

/** Generated defects: a panel done as planned with the usual scatter of a bench, and one cause written into its record. */

type ActEntry = Extract<NewEntry, { kind: 'act' }>;
type Random = () => number;

export interface DefectCase {
  readonly task: PlanTask;
  readonly record: readonly NewEntry[];
}

const SKETCHES = {
  steel: [
    { id: 'A', areaM2: 0.8, stack: 'steel/ecoat:20/old-finish:95' },
    { id: 'B', areaM2: 0.3, stack: 'steel', findings: [{ kind: 'coarse-scratches', grit: 'P80' }] },
  ],
  filled: [
    { id: 'A', areaM2: 0.8, stack: 'steel/ecoat:20/old-finish:95' },
    { id: 'B', areaM2: 0.3, stack: 'steel', findings: [{ kind: 'low', depthMm: 2, areaM2: 0.05 }] },
  ],
  soluble: [{ id: 'A', areaM2: 0.8, stack: 'steel/old-finish-soluble:120' }],
  trim: [{ id: 'A', areaM2: 0.4, stack: 'plastic-olefin' }],
} satisfies Record<string, readonly ZoneSketch[]>;
type PanelKind = keyof typeof SKETCHES;

const TRIM_FACTS = { new: true, offVehicle: true };

const taskOf = (kind: PanelKind, facts: object): PlanTask => ({
  panel: panelOf(SKETCHES[kind], { ...(kind === 'trim' ? TRIM_FACTS : {}), ...facts }),
  shop: shopSchema.parse({ celsius: 20, relativeHumidity: 50, nightCelsius: 18 }),
  target: targetSchema.parse({ base: { color: '#d8d8d0' } }),
  startOn: '2026-12-07',
});

const sheetOf = (id: string | undefined): ProductSheet | undefined =>
  GENERIC_SHELF.find((sheet) => sheet.id === id);

const made = new Map<PanelKind, readonly ActEntry[]>();

/** The plan of a panel, done as planned. */
function asPlanned(kind: PanelKind): readonly ActEntry[] {
  const known = made.get(kind);
  if (known) return known;
  const { view, actsOf } = openPlan(makePlan(taskOf(kind, {})));
  const { steps } = view.systems.find(({ id }) => id === view.chosen)!;
  const entries = entriesAsPlanned(steps, actsOf(view.chosen!)) as ActEntry[];
  made.set(kind, entries);
  return entries;
}

/** What a careful person writes down of a coat, some of it left out. */
function usualValues(sheet: ProductSheet, random: Random): object {
  const about = (value: number, share: number): number => value * (1 - share + 2 * share * random());
  const solids = readyVolumeSolids(sheet);
  const pace = paceMPerS({
    flowMlPerMin: 200,
    fanMm: 250,
    overlap: 0.5,
    transfer: 0.65,
    volumeSolids: solids,
    filmUm: sheet.film.perCoatUm,
  });
  const all = {
    wetUm: Math.round(about(wetFilmUm(sheet.film.perCoatUm, solids), 0.08)),
    flashMin: Math.round(sheet.flash.betweenCoatsMin * (1.1 + random() * 0.4)),
    bar: about(2, 0.12),
    distanceMm: Math.round(about(185, 0.12)),
    speedMPerS: about(pace, 0.1),
    reductionPercent: Math.round(random() * 6),
    celsius: about(20.5, 0.06),
    relativeHumidity: Math.round(about(52, 0.12)),
    ...(sheet.tipMm ? { tipMm: sheet.tipMm.from } : {}),
  };
  return Object.fromEntries(Object.entries(all).filter(() => random() < 0.7));
}

interface Draft {
  entries: NewEntry[];
  facts: object;
  sheets?: readonly ProductSheet[];
  defectBody: object;
}

const later = (entry: NewEntry, minutes: number): NewEntry => ({
  ...entry,
  at: momentOfMinutes(minutesOfMoment(entry.at) + minutes),
});
/** All from an entry on happens so much later. */
const shiftFrom = (draft: Draft, nth: number, minutes: number): void => {
  draft.entries = draft.entries.map((entry, i) => (i >= nth ? later(entry, minutes) : entry));
};

const isAct = (entry: NewEntry): entry is ActEntry => entry.kind === 'act';
const isCoatEntry = (entry: NewEntry): entry is ActEntry => isAct(entry) && isCoatOp(entry.body.op);
const lastCoatAt = ({ entries }: Draft): number => entries.findLastIndex(isCoatEntry);
const find = ({ entries }: Draft, wanted: (entry: ActEntry) => boolean): number =>
  entries.findIndex((entry) => isAct(entry) && wanted(entry));

const change = (draft: Draft, nth: number, body: object): void => {
  draft.entries = draft.entries.with(nth, {
    ...draft.entries[nth]!,
    body: { ...draft.entries[nth]!.body, ...body },
  } as NewEntry);
};
const withValues = (draft: Draft, nth: number, values: object): void => {
  const entry = draft.entries[nth] as ActEntry;
  change(draft, nth, { values: { ...entry.body.values, ...values } });
};
const without = (draft: Draft, wanted: (entry: ActEntry, nth: number) => boolean): void => {
  draft.entries = draft.entries.filter((entry, nth) => !(isAct(entry) && wanted(entry, nth)));
};
const noting = (draft: Draft, text: string): void => {
  const last = draft.entries.at(-1)!;
  draft.entries.push({ id: 'noted', at: last.at, by: 'Prep B', kind: 'note', body: { text } });
};
const sheetAt = (draft: Draft, nth: number): ProductSheet =>
  sheetOf((draft.entries[nth] as ActEntry).body.sheetId)!;

const cutAfterLastCoat = (draft: Draft): void => {
  draft.entries = draft.entries.slice(0, lastCoatAt(draft) + 1);
};

/** How each cause gets into a record. */
const WRITES: Readonly<Record<Cause, (draft: Draft, random: Random) => void>> = {
  'wet-film-too-thick': (draft) => {
    const nth = lastCoatAt(draft);
    const sheet = sheetAt(draft, nth);
    withValues(draft, nth, {
      wetUm: Math.round(wetFilmUm(sheet.film.perCoatUm, readyVolumeSolids(sheet)) * 2.6),
    });
  },
  cold: (draft, random) => withValues(draft, lastCoatAt(draft), { celsius: 9 + random() * 4 }),
  'over-reduced': (draft, random) =>
    withValues(draft, lastCoatAt(draft), { reductionPercent: 14 + random() * 8 }),
  'pass-too-slow': (draft) => withValues(draft, lastCoatAt(draft), { speedMPerS: 0.1 }),
  'heavy-coat-on-curve': (draft) => {
    draft.facts = { shape: 'sharp' };
    change(draft, lastCoatAt(draft), { coats: 1 });
    const nth = lastCoatAt(draft);
    draft.sheets = [{ ...sheetAt(draft, nth), film: { ...sheetAt(draft, nth).film, coats: 2 } }];
  },
  'too-far': (draft) => withValues(draft, lastCoatAt(draft), { distanceMm: 320 }),
  'pressure-high': (draft) => withValues(draft, lastCoatAt(draft), { bar: 3.4 }),
  'fluid-low': (draft) => withValues(draft, lastCoatAt(draft), { tipMm: 0.8 }),
  hot: (draft) => withValues(draft, lastCoatAt(draft), { celsius: 33 }),
  'wrong-reducer': (draft) => noting(draft, 'took the fast reducer, the other can was empty'),
  'thick-material': (draft) => {
    const at = draft.entries[lastCoatAt(draft)]!.at;
    draft.entries.push({
      id: 'cup',
      at,
      by: 'Prep A',
      kind: 'reading',
      body: { zone: 'A', kind: 'flow-cup', seconds: 34 },
    });
  },
  'pressure-low': (draft) => withValues(draft, lastCoatAt(draft), { bar: 0.9 }),
  'coat-thin': (draft) => {
    const nth = lastCoatAt(draft);
    const sheet = sheetAt(draft, nth);
    withValues(draft, nth, {
      wetUm: Math.round(wetFilmUm(sheet.film.perCoatUm, readyVolumeSolids(sheet)) * 0.5),
    });
  },
  silicone: (draft) => noting(draft, 'trim dressing was sprayed at the next bench'),
  'degrease-skipped': (draft) => {
    const last = lastCoatAt(draft);
    without(
      draft,
      ({ body }, nth) => nth < last && (body.op === 'degrease' || body.op === 'antistatic-wipe'),
    );
  },
  'oil-in-line': (draft) => noting(draft, 'water trap was full, oil in it'),
  'touched-bare-handed': (draft) => noting(draft, 'touched it without gloves when masking'),
  'tack-skipped': (draft) => without(draft, ({ body }) => body.op === 'tack'),
  static: (draft) => without(draft, ({ body }) => body.op === 'antistatic-wipe'),
  'dry-floor': (draft) => withValues(draft, lastCoatAt(draft), { relativeHumidity: 24 }),
  'doors-opened': (draft) => noting(draft, 'booth door was open while it was wet'),
  'flash-too-short': (draft) => {
    const nth = lastCoatAt(draft);
    withValues(draft, nth, { flashMin: Math.round(sheetAt(draft, nth).flash.betweenCoatsMin * 0.3) });
  },
  'heat-too-early': (draft) => {
    const last = draft.entries[lastCoatAt(draft)] as ActEntry;
    draft.entries.push({
      ...last,
      id: 'baked',
      at: later(last, 25).at,
      body: { op: 'cure', zones: last.body.zones, method: 'bake', minutes: 24 },
    });
  },
  'last-grit-too-coarse': (draft) => {
    const nth = draft.entries.findLastIndex((entry) => isAct(entry) && entry.body.op === 'abrade');
    change(draft, nth, { grits: ['P120'] });
    const zones = (draft.entries[nth] as ActEntry).body.zones;
    draft.defectBody = { zones: [zones[0]] };
  },
  'slow-solvent': (draft) => withValues(draft, lastCoatAt(draft), { reductionPercent: 20 }),
  'not-cured': (draft) => {
    // The cure was cut short: sanding and all after it came hours early.
    const nth = draft.entries.findLastIndex((entry) => isAct(entry) && entry.body.op === 'cure');
    const [before, after] = [draft.entries[nth - 1]!, draft.entries[nth]!];
    const earlyMin = minutesOfMoment(after.at) - minutesOfMoment(before.at) - 12;
    without(draft, (_, i) => i === nth);
    shiftFrom(draft, nth, -earlyMin);
    draft.defectBody = { zones: [(after as ActEntry).body.zones[0]] };
  },
  'coarse-filler-scratch': (draft) => {
    const nth = find(draft, ({ body }) => body.op === 'abrade' && body.tool === 'block');
    change(draft, nth, { grits: ['P80'] });
    draft.defectBody = { zones: [(draft.entries[nth] as ActEntry).body.zones[0]] };
  },
  'feather-too-short': (draft) => {
    const nth = find(draft, ({ body }) => body.op === 'feather');
    const zones = (draft.entries[nth] as ActEntry).body.zones;
    without(draft, ({ body }) => body.op === 'feather');
    draft.defectBody = { zones: [zones[0]] };
  },
  'film-too-thick': (draft) => {
    const nth = lastCoatAt(draft);
    const sheet = sheetAt(draft, nth);
    withValues(draft, nth, {
      wetUm: Math.round(wetFilmUm(sheet.film.perCoatUm, readyVolumeSolids(sheet)) * 1.7),
    });
  },
  'soluble-not-isolated': (draft) => {
    draft.entries = draft.entries.slice(0, draft.entries.findIndex(isCoatEntry));
    const at = draft.entries.at(-1)!.at;
    const body = { op: 'prime-build' as const, zones: ['A'], sheetId: 'build-4-1-1', coats: 2, minutes: 12 };
    draft.entries.push({
      id: 'build',
      at: momentOfMinutes(minutesOfMoment(at) + 40),
      by: 'Prep A',
      kind: 'act',
      body,
    });
  },
  'forbidden-recoat': (draft) => {
    const nth = draft.entries.findIndex(isCoatEntry);
    const sheet = sheetAt(draft, nth);
    draft.sheets = [{ ...sheet, recoat: { ...sheet.recoat, forbidden: { fromMin: 20, toMin: 900 } } }];
    draft.defectBody = { zones: [(draft.entries[nth] as ActEntry).body.zones[0]] };
    const again = draft.entries[nth] as ActEntry;
    draft.entries = [...draft.entries.slice(0, nth + 1), { ...later(again, 90), id: 'again' }];
  },
  'no-key': (draft) => {
    without(draft, ({ body }) => body.op === 'abrade' && body.zones.includes('A'));
    draft.defectBody = { zones: ['A'] };
  },
  'promoter-window-missed': (draft) => {
    const nth = find(draft, ({ body }) => body.op === 'promote');
    shiftFrom(draft, nth + 1, 600);
    draft.defectBody = { zones: ['A'] };
  },
  contaminated: (draft) => {
    without(
      draft,
      ({ body }) => body.op === 'degrease' || body.op === 'antistatic-wipe' || body.op === 'wash',
    );
    draft.defectBody = {
      zones: [(draft.entries[draft.entries.findIndex(isCoatEntry)] as ActEntry).body.zones[0]],
    };
  },
  'recoat-window-missed': (draft) => {
    const nth = draft.entries.findIndex(isCoatEntry);
    shiftFrom(draft, nth + 1, 60 * 24 * 12);
    draft.defectBody = { zones: [(draft.entries[nth] as ActEntry).body.zones[0]] };
  },
  'exposure-missed': (draft) => {
    const nth = draft.entries.findIndex(isCoatEntry);
    shiftFrom(draft, nth, 600);
    draft.defectBody = { zones: [(draft.entries[nth] as ActEntry).body.zones[0]] };
  },
  'no-corrosion-layer': (draft) => {
    const nth = draft.entries.findIndex(isCoatEntry);
    draft.defectBody = { zones: [(draft.entries[nth] as ActEntry).body.zones[0]] };
    change(draft, nth, { op: 'prime-build', sheetId: 'build-4-1-1' });
  },
  'dew-margin-low': (draft) => {
    const nth = draft.entries.findIndex(isCoatEntry);
    draft.defectBody = { zones: [(draft.entries[nth] as ActEntry).body.zones[0]] };
    withValues(draft, nth, { celsius: 18, relativeHumidity: 84, surfaceCelsius: 16 });
  },
  'too-much-hardener': (draft) => {
    const nth = find(draft, ({ body }) => body.op === 'fill');
    withValues(draft, nth, { hardenerPercent: 5 });
    draft.defectBody = { zones: [(draft.entries[nth] as ActEntry).body.zones[0]] };
  },
  'bare-filler': (draft) => {
    const fill = find(draft, ({ body }) => body.op === 'fill');
    const zones = (draft.entries[fill] as ActEntry).body.zones;
    without(draft, ({ body }, nth) => nth > fill && isCoatOp(body.op) && body.op !== 'seal');
    draft.defectBody = { zones: [zones[0]] };
  },
  'mixed-tones': (draft) => {
    const nth = lastCoatAt(draft);
    change(draft, nth, { zones: ['B'], toneL: 20 });
  },
  'too-few-coats': (draft) => {
    const nth = draft.entries.findIndex(isCoatEntry);
    draft.defectBody = { zones: [(draft.entries[nth] as ActEntry).body.zones[0]] };
    draft.entries = draft.entries.slice(0, nth + 1);
    change(draft, nth, { coats: 1 });
  },
  'film-budget-too-small': (draft) => {
    const nth = find(draft, ({ body }) => body.op === 'prime-build');
    change(draft, nth, { coats: 1 });
    draft.defectBody = { zones: [(draft.entries[nth] as ActEntry).body.zones[0]] };
    draft.entries = draft.entries.slice(
      0,
      draft.entries.findIndex((entry) => isAct(entry) && entry.body.op === 'block') + 1,
    );
  },
  'block-too-stiff': (draft) => {
    noting(draft, 'used the long hard block');
    draft.entries = draft.entries
      .slice(0, -1)
      .slice(0, draft.entries.findIndex((entry) => isAct(entry) && entry.body.op === 'block') + 1)
      .concat(draft.entries.at(-1)!);
    const nth = find(draft, ({ body }) => body.op === 'prime-build');
    draft.defectBody = { zones: [(draft.entries[nth] as ActEntry).body.zones[0]] };
  },
  edges: (draft) => {
    draft.facts = {
      outline: [
        [0, 0],
        [1000, 0],
        [1000, 1100],
        [0, 1100],
      ],
    };
    const nth = find(draft, ({ body }) => body.op === 'prime-build');
    draft.entries = draft.entries.slice(
      0,
      draft.entries.findIndex((entry) => isAct(entry) && entry.body.op === 'block') + 1,
    );
    draft.defectBody = { zones: [(draft.entries[nth] as ActEntry).body.zones[0]], atMm: [500, 12] };
  },
  'no-additive': () => undefined,
  'rigid-on-soft': () => undefined,
  'sanded-early': (draft) => {
    const nth = draft.entries.findIndex(isCoatEntry);
    const epoxy = draft.entries[nth] as ActEntry;
    const body = { op: 'abrade', zones: epoxy.body.zones, grits: ['P320'], minutes: 5 } as const;
    draft.entries = [
      ...draft.entries.slice(0, nth + 1),
      { ...later(epoxy, 60), id: 'sanded', body } as unknown as NewEntry,
    ];
    draft.defectBody = { zones: [epoxy.body.zones[0]] };
  },
};

/** What was done up to the last coat matters for these: what came after it is left out. */
const OF_LAST_COAT: ReadonlySet<Defect> = new Set([
  'sag',
  'dry-spray',
  'orange-peel',
  'fisheye',
  'dust-nibs',
  'solvent-pop',
]);

const PANEL_OF: Partial<Record<Cause, PanelKind>> = {
  static: 'trim',
  'promoter-window-missed': 'trim',
  'soluble-not-isolated': 'soluble',
  'coarse-filler-scratch': 'filled',
  'feather-too-short': 'filled',
  'too-much-hardener': 'filled',
  'bare-filler': 'filled',
  'no-additive': 'trim',
  'rigid-on-soft': 'trim',
};

/** A record of a panel that has this defect by this cause, with the scatter of one seed. */
export function defectCase(defect: Defect, cause: Cause, random: Random): DefectCase {
  const kind = PANEL_OF[cause] ?? 'steel';
  const entries = asPlanned(kind).map((entry): NewEntry => {
    const sheet = sheetOf(entry.body.sheetId);
    return sheet && isCoatOp(entry.body.op)
      ? ({ ...entry, body: { ...entry.body, values: usualValues(sheet, random) } } as NewEntry)
      : entry;
  });
  const draft: Draft = { entries: [...entries], facts: {}, defectBody: {} };
  if (OF_LAST_COAT.has(defect)) cutAfterLastCoat(draft);
  WRITES[cause](draft, random);
  const lastCoat = draft.entries[lastCoatAt(draft)] as ActEntry;
  const at = momentOfMinutes(minutesOfMoment(draft.entries.at(-1)!.at) + 5);
  const body = { defect, zones: [lastCoat.body.zones[0]!], ...draft.defectBody };
  const found = { id: 'found', at, by: 'Prep A', kind: 'defect', body } as NewEntry;
  const task = taskOf(kind, draft.facts);
  return {
    task: draft.sheets ? { ...task, sheets: draft.sheets } : task,
    record: [...draft.entries, found],
  };
}
