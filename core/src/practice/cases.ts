import type { PlanTask } from '../planner/bench-of-task.ts';
import { panelOf, type ZoneSketch } from '../survey/sketch.ts';
import { shopSchema, targetSchema } from '../survey/shop.ts';

/** "What would you put here?": panels of our scenario to build a system for, in rising difficulty. */

export const CASE_TOPICS = {
  metal: 'Bare metal',
  finish: 'Old finish',
  patches: 'Patches',
  filler: 'Filler',
  parts: 'New parts',
  plastics: 'Plastics',
  fiberglass: 'Fiberglass',
  blend: 'Blend',
  air: 'Cold and damp',
} as const;
export type CaseTopic = keyof typeof CASE_TOPICS;

export interface PracticeCase {
  readonly id: string;
  readonly title: string;
  readonly topic: CaseTopic;
  /** 1 to 5. */
  readonly level: number;
  /** What came in, and what is wanted. */
  readonly story: string;
  readonly task: PlanTask;
}

interface CaseRow extends Omit<PracticeCase, 'task'> {
  readonly zones: readonly ZoneSketch[];
  readonly panel?: object;
  readonly shop?: object;
  readonly target?: object;
}

const FINISH = 'steel/ecoat:20/old-finish:95';
const GARAGE = { profile: 'garage', name: 'Lean-to' };

const ROWS: readonly CaseRow[] = [
  {
    id: 'stripped-lid',
    title: 'A stripped engine lid',
    topic: 'metal',
    level: 1,
    story: 'The lid of the book bus came back from the stripper, sanded bare at P80. It is straight.',
    zones: [{ areaM2: 1.2, stack: 'steel', findings: [{ kind: 'coarse-scratches', grit: 'P80' }] }],
    panel: { shape: 'flat', orientation: 'horizontal' },
  },
  {
    id: 'sound-door',
    title: 'A sound door in another colour',
    topic: 'finish',
    level: 1,
    story: 'The old finish of this door is sound and straight. It gets another colour, nothing else.',
    zones: [{ areaM2: 1.6, stack: FINISH }],
  },
  {
    id: 'new-corner',
    title: 'A new rear corner',
    topic: 'parts',
    level: 1,
    story: 'A new part in its factory dip, clean and undamaged. The shop leaves sound e-coat alone.',
    zones: [{ areaM2: 0.6, stack: 'steel/ecoat:22' }],
    panel: { new: true, offVehicle: true },
  },
  {
    id: 'hatch',
    title: 'An aluminium roof hatch',
    topic: 'metal',
    level: 2,
    story: 'Bare aluminium, degreased by nobody yet. It is not steel: mind its grade.',
    zones: [{ areaM2: 0.9, stack: 'aluminium' }],
    panel: { shape: 'flat', orientation: 'horizontal', offVehicle: true },
  },
  {
    id: 'bare-patch',
    title: 'A stripped patch in a sound door',
    topic: 'patches',
    level: 2,
    story: 'Somebody stripped zone B to steel for a test and left it. Zone A around it is sound.',
    zones: [
      { areaM2: 1.4, stack: FINISH },
      { areaM2: 0.25, stack: 'steel', findings: [{ kind: 'coarse-scratches', grit: 'P80' }] },
    ],
  },
  {
    id: 'dent-in-steel',
    title: 'A dent in bare steel',
    topic: 'filler',
    level: 2,
    story: 'A hollow of 1.5 mm in a bare panel. The shop lays filler over epoxy.',
    zones: [{ areaM2: 0.7, stack: 'steel', findings: [{ kind: 'low', depthMm: 1.5, sizeMm: 160 }] }],
  },
  {
    id: 'mirror-cap',
    title: 'A grained mirror cap',
    topic: 'plastics',
    level: 2,
    story: 'Rigid plastic with a grain that the customer wants to keep.',
    zones: [{ areaM2: 0.06, stack: 'plastic-rigid', findings: [{ kind: 'texture', want: 'keep' }] }],
    panel: { shape: 'sharp', offVehicle: true },
  },
  {
    id: 'chipped-hood',
    title: 'A stone-chipped hood',
    topic: 'patches',
    level: 2,
    story: 'Two dozen chips, some down to metal, on an otherwise sound hood of the pilot car.',
    zones: [{ areaM2: 1.5, stack: FINISH, findings: [{ kind: 'chips', count: 24, sizeMm: 4 }] }],
    panel: { orientation: 'horizontal' },
  },
  {
    id: 'wheel-arch',
    title: 'A raw wheel-arch trim',
    topic: 'plastics',
    level: 3,
    story:
      'A new moulding of PP/EPDM, straight out of its bag: release agent, and little that paint holds on to.',
    zones: [{ areaM2: 0.35, stack: 'plastic-olefin' }],
    panel: { new: true, offVehicle: true },
  },
  {
    id: 'nose-cap',
    title: 'A moulded nose cap',
    topic: 'fiberglass',
    level: 3,
    story: 'Fiberglass out of the mould, with release wax and pinholes.',
    zones: [
      { areaM2: 0.8, stack: 'fiberglass', findings: [{ kind: 'release-agent' }, { kind: 'pinholes' }] },
    ],
    panel: { offVehicle: true },
  },
  {
    id: 'dented-door',
    title: 'A dent in a painted door',
    topic: 'filler',
    level: 3,
    story:
      'A hollow of 2 mm as wide as a hand in a sound, painted door. The rest of the door stays as level as it is.',
    zones: [{ areaM2: 1.6, stack: FINISH, findings: [{ kind: 'low', depthMm: 2, sizeMm: 120 }] }],
  },
  {
    id: 'soluble-lid',
    title: 'A finish that thinner softens',
    topic: 'finish',
    level: 3,
    story:
      'The tractor’s bonnet was rattled over from cans, years ago. A cloth with thinner takes colour off.',
    zones: [{ areaM2: 0.9, stack: 'steel/old-finish-soluble:120' }],
  },
  {
    id: 'cut-through',
    title: 'A cut-through in new e-coat',
    topic: 'parts',
    level: 3,
    story: 'A new fender, but a careless pad went through the dip over 90 mm.',
    zones: [
      { areaM2: 0.8, stack: 'steel/ecoat:22', findings: [{ kind: 'rub-through', spotMm: 90, count: 1 }] },
    ],
    panel: { offVehicle: true },
  },
  {
    id: 'zinc-sill',
    title: 'A dent in a zinc-coated sill',
    topic: 'metal',
    level: 3,
    story:
      'Bare zinc with a hollow of 1 mm. This shop likes its filler on metal: read the filler’s sheet first.',
    zones: [{ areaM2: 0.5, stack: 'zinc-steel', findings: [{ kind: 'low', depthMm: 1, sizeMm: 120 }] }],
    shop: { schools: { filler: 'on-metal' } },
  },
  {
    id: 'blend-spot',
    title: 'One rub-through in a blend door',
    topic: 'blend',
    level: 3,
    story: 'Colour only fades out on this door. One spot of 5 mm is rubbed through to metal.',
    zones: [{ areaM2: 1.5, stack: FINISH, findings: [{ kind: 'rub-through', spotMm: 5, count: 1 }] }],
    panel: { role: 'blend' },
  },
  {
    id: 'blend-quarter',
    title: 'A quarter that only gets clear above',
    topic: 'blend',
    level: 4,
    story: 'Zone B has a small dent and gets colour; zone A above it only gets clear. Keep undercoat off it.',
    zones: [
      { areaM2: 0.8, stack: FINISH, facts: { role: 'clear-only' } },
      { areaM2: 0.6, stack: FINISH, findings: [{ kind: 'low', depthMm: 1, sizeMm: 70 }] },
    ],
  },
  {
    id: 'cracked-bumper',
    title: 'A cracked bumper cover',
    topic: 'plastics',
    level: 4,
    story: 'PP/EPDM with a crack of 60 mm, and dressing all over it.',
    zones: [
      {
        areaM2: 0.9,
        stack: 'plastic-olefin',
        findings: [{ kind: 'crack', lengthMm: 60 }, { kind: 'dressing' }],
      },
    ],
    panel: { offVehicle: true },
  },
  {
    id: 'third-peels',
    title: 'A third of it peels',
    topic: 'finish',
    level: 4,
    story: 'The finish lets go all over zone A, a third of the panel. Zone B still holds.',
    zones: [
      { areaM2: 0.8, stack: FINISH, findings: [{ kind: 'peeling', share: 1 }] },
      { areaM2: 1.6, stack: FINISH },
    ],
  },
  {
    id: 'cold-night',
    title: 'A dented lid before a cold night',
    topic: 'air',
    level: 4,
    story: 'The lean-to has no heat: 18 °C by day, 8 °C by night. The lid has a hollow of 2 mm.',
    zones: [
      {
        areaM2: 1.1,
        stack: FINISH,
        findings: [{ kind: 'low', depthMm: 2, sizeMm: 90 }],
      },
    ],
    shop: { ...GARAGE, celsius: 18, nightCelsius: 8, relativeHumidity: 40 },
  },
  {
    id: 'cracked-tailboard',
    title: 'A cracked fiberglass tailboard',
    topic: 'fiberglass',
    level: 4,
    story: 'The laminate is cracked through over 80 mm: what is sprayed comes last.',
    zones: [{ areaM2: 1.1, stack: 'fiberglass', findings: [{ kind: 'crack', lengthMm: 80 }] }],
    panel: { offVehicle: true },
  },
  {
    id: 'show-dent',
    title: 'A filled dent for show',
    topic: 'filler',
    level: 5,
    story:
      'The same dent in steel, but judged under lamps. A filler scratch that standard work hides shows here.',
    zones: [{ areaM2: 0.7, stack: 'steel', findings: [{ kind: 'low', depthMm: 1, sizeMm: 120 }] }],
    target: { quality: 'show' },
  },
  {
    id: 'rusty-corner',
    title: 'Soluble paint beside a rusty corner',
    topic: 'finish',
    level: 5,
    story: 'Zone A is paint that thinner softens; zone B is bare and rusty. What would you keep?',
    zones: [
      { areaM2: 0.9, stack: 'steel/old-finish-soluble:140' },
      { areaM2: 0.2, stack: 'steel', findings: [{ kind: 'rust-surface' }] },
    ],
  },
];

const DAY = '2026-12-07';

/** The cases, easy ones first. */
export const PRACTICE_CASES: readonly PracticeCase[] = ROWS.map(
  ({ zones, panel, shop, target, ...facts }) => ({
    ...facts,
    task: {
      panel: panelOf(zones, { id: facts.id, name: facts.title, ...panel }),
      shop: shopSchema.parse({ celsius: 20, nightCelsius: 14, currency: 'EUR', ...shop }),
      target: targetSchema.parse(target ?? {}),
      startOn: DAY,
    },
  }),
);
