import { testWorked, type Worked } from '../testing/worked.ts';

/** Worked panels where it is not the damage that decides: finishes, roles of zones, and the order of the work. */

const FINISH = 'steel/ecoat:20/old-finish:95';
const LID = { orientation: 'horizontal' };
/** What takes the panel as a whole, where only a patch of it is damaged. */
const NOT_ALL = ['prime-epoxy A', 'prime-build A', 'block A', 'strip-sand A'].flatMap((line) => [
  line,
  `${line} A`,
]);

const FINISHES: readonly Worked[] = [
  {
    panel: 'a corner that peels',
    zones: [{ stack: FINISH, areaM2: 2, findings: [{ kind: 'peeling', share: 0.03 }] }],
    has: ['strip-sand A/peeling', 'feather A/peeling', 'prime-epoxy A/peeling', 'block A/peeling'],
    hasNot: [...NOT_ALL, 'strip-chemical'],
    why: 'O1: local, to a sound edge',
  },
  {
    panel: 'a roof of which one zone peels a little',
    zones: [
      { stack: FINISH, areaM2: 1.6 },
      { stack: FINISH, areaM2: 0.4, findings: [{ kind: 'checked', share: 0.2 }] },
    ],
    facts: { ...LID, shape: 'flat' },
    has: ['strip-sand B/checked', 'prime-epoxy B/checked', 'block B/checked'],
    hasNot: ['prime-epoxy A', 'prime-build A', 'strip-chemical', 'strip-sand B'],
    why: 'a roof is not primed because one zone of it peels',
  },
  {
    panel: 'a flat roof whose clear peels on 60 percent',
    zones: [{ stack: FINISH, areaM2: 2, findings: [{ kind: 'peeling', share: 0.6 }] }],
    facts: { ...LID, shape: 'flat' },
    has: ['abrade A P80', 'strip-chemical A', 'abrade A P180', 'prime-epoxy A', 'hand-over A'],
    hasNot: ['feather', 'strip-blast', 'strip-sand'],
    why: 'O1, M7, M8: all of it, chemically, and no edge is left to feather',
  },
  {
    panel: 'finish that takes the mark of a thumbnail',
    zones: [{ stack: FINISH, areaM2: 1, tests: [{ kind: 'thumbnail', outcome: 'marks' }] }],
    has: ['cure A', 'abrade A', 'hand-over A'],
    why: 'B3: it is given time before it is sanded',
  },
  {
    panel: 'finish on which water beads, as a file tells it',
    zones: [{ stack: FINISH, areaM2: 1, tests: [{ kind: 'water-break', outcome: 'beads' }] }],
    has: ['wash A', 'wash A', 'abrade A', 'hand-over A'],
    why: 'P1: what a test means holds however the survey came in',
  },
  {
    panel: 'finish over which a gauge reads filler, as a file tells it',
    zones: [{ stack: FINISH, areaM2: 1, tests: [{ kind: 'gauge', readingsUm: [1200, 1250, 1300] }] }],
    has: ['abrade A', 'hand-over A'],
    hasNot: ['strip-sand'],
    why: 'filler under sound finish stays',
  },
  {
    panel: 'finish over which a gauge reads half a millimetre',
    zones: [{ stack: FINISH, areaM2: 1, tests: [{ kind: 'gauge', readingsUm: [500, 520, 480] }] }],
    has: ['strip-sand A', 'prime-epoxy A'],
    why: 'O1: too much film comes off',
  },
  {
    panel: 'a soluble finish with a rust bubble',
    zones: [
      { stack: 'steel/old-finish-soluble:120', areaM2: 1, findings: [{ kind: 'rust-surface', sizeMm: 50 }] },
    ],
    has: ['strip-sand A/rust-surface', 'remove-rust A/rust-surface', 'prime-epoxy'],
    why: 'O2, M5: the bubble is opened whatever becomes of the rest',
  },
  {
    panel: 'filler that somebody spread on paint',
    zones: [{ stack: 'steel/old-finish:100/filler:700', areaM2: 0.4 }],
    has: ['strip-sand A P80', 'prime-epoxy A', 'fill A'],
    hasNot: ['inspect'],
    why: 'F2: it lies on what lets go of it',
  },
  {
    panel: 'filler that somebody spread on etch, under paint',
    zones: [{ stack: 'steel/etch:8/filler:500/old-finish:100', areaM2: 0.4 }],
    has: ['strip-sand A P80', 'prime-epoxy A', 'fill A'],
    why: 'F2, M6: nothing found is forgotten, also where paint hides it',
  },
  {
    panel: 'P80 scratches in a tenth of a painted quarter',
    zones: [
      {
        stack: 'steel/filler:900/old-finish:120',
        areaM2: 0.8,
        findings: [{ kind: 'coarse-scratches', grit: 'P80', areaM2: 0.1 }],
      },
    ],
    has: ['abrade A/coarse-scratches P320', 'prime-build A/coarse-scratches', 'block A/coarse-scratches'],
    hasNot: ['prime-build A A', 'strip-sand A'],
    why: 'sanded out and built level where they are',
  },
];

const ROLES: readonly Worked[] = [
  {
    panel: 'a door into which the colour fades, by its zone’s role',
    zones: [{ stack: FINISH, areaM2: 1.5, facts: { role: 'blend' } }],
    facts: { parts: [{ name: 'handle', plan: 'remove' }] },
    has: ['remove-part A', 'abrade A P800', 'hand-over A'],
    hasNot: ['prime-', 'seal', 'scuff A P360'],
    why: 'K7: no undercoat, edges by ultra-fine pad',
  },
  {
    panel: 'one rub-through of 5 mm in a blend door',
    zones: [{ stack: FINISH, areaM2: 1.5, findings: [{ kind: 'rub-through', spotMm: 5, count: 1 }] }],
    facts: { role: 'blend' },
    has: ['abrade A P800', 'abrade A/rub-through', 'seal A/rub-through', 'hand-over'],
    hasNot: ['seal A', 'seal A A', 'prime-build A'],
    why: 'K7, K5: a spot, not a sealed door, and nothing is sanded beside it',
  },
  {
    panel: 'a blend door of which five percent peel',
    zones: [{ stack: FINISH, areaM2: 1.5, findings: [{ kind: 'peeling', share: 0.05 }] }],
    facts: { role: 'blend' },
    has: ['strip-sand A/peeling', 'prime-epoxy A/peeling', 'block A/peeling'],
    why: 'K7: it is refinished after all, and the plan says so',
  },
  {
    panel: 'a quarter of which the upper half only gets clear',
    zones: [
      { stack: FINISH, areaM2: 0.8, facts: { role: 'clear-only' } },
      { stack: FINISH, areaM2: 0.6, findings: [{ kind: 'low', depthMm: 1, sizeMm: 70 }] },
    ],
    has: ['strip-sand B/low', 'prime-build B/low', 'seal B/low', 'hand-over A B'],
    hasNot: ['seal A', 'prime-build A', 'abrade A P320'],
    why: 'K7: primer and sealer stop short of what only gets clear',
  },
  {
    panel: 'a door whose inside is kept as it is',
    zones: [
      { stack: FINISH, areaM2: 1.5, findings: [{ kind: 'low', depthMm: 1, sizeMm: 70 }] },
      { stack: FINISH, areaM2: 1, facts: { role: 'keep', face: 'inside' } },
    ],
    has: ['strip-sand A/low', 'hand-over A A/low'],
    hasNot: ['abrade B', 'seal B', 'hand-over A A/low B'],
    why: 'what is kept is masked and left',
  },
  {
    panel: 'a back face that nobody looks at',
    zones: [
      { stack: FINISH, areaM2: 1 },
      {
        stack: FINISH,
        areaM2: 0.5,
        findings: [{ kind: 'waves', um: 40, wavelengthMm: 150 }],
        facts: { quality: 'economy', face: 'inside' },
      },
    ],
    has: ['abrade', 'hand-over A B'],
    hasNot: ['prime-', 'block'],
    why: 'judged by its own, lower quality',
  },
  {
    panel: 'six equal trims',
    zones: [{ stack: 'plastic-olefin', areaM2: 0.05 }],
    facts: { count: 6, offVehicle: true },
    has: ['promote A', 'prime-plastic A'],
    why: 'one batch',
  },
];

const ORDER: readonly Worked[] = [
  {
    panel: 'a new zinc skin with a ground weld',
    zones: [
      { stack: 'zinc-steel', areaM2: 3, findings: [{ kind: 'low', depthMm: 1, lengthMm: 800, sizeMm: 60 }] },
    ],
    facts: { shape: 'flat' },
    has: [
      'mask A',
      'abrade A A/low P240',
      'prime-epoxy A A/low',
      'fill A/low',
      'prime-build A/low',
      'block A/low',
    ],
    hasNot: ['prime-build A A/low', 'block A A/low'],
    why: 'M10, F1: epoxy all over, build on the weld and its taper only',
  },
  {
    panel: 'a bare side of nine square metres',
    zones: [{ stack: 'steel', areaM2: 9 }],
    facts: { shape: 'flat' },
    has: ['mask A', 'abrade A P180', 'prime-epoxy A'],
    hasNot: ['abrade A P180 A'],
    why: 'M2: in sections that each meet the clock, none abraded twice',
  },
  {
    panel: 'a bare side of forty square metres',
    zones: [{ stack: 'steel', areaM2: 40 }],
    facts: { shape: 'flat' },
    has: ['mask A', 'abrade A P180', 'prime-epoxy A', 'hand-over A'],
    why: 'M2: in many sections',
  },
  {
    panel: 'a bare panel in a shop that builds always',
    zones: [{ stack: 'steel', areaM2: 9 }],
    facts: { shape: 'flat' },
    shop: { schools: { build: 'always' } },
    has: ['prime-epoxy A', 'prime-build A', 'block A'],
    why: 'a school has force on a whole panel, however large',
  },
  {
    panel: 'a large flat skin in a shop that blasts',
    zones: [{ stack: 'steel/old-finish:450', areaM2: 1.8 }],
    facts: { shape: 'flat' },
    shop: { schools: { strip: 'blast' } },
    has: ['strip-chemical A', 'prime-epoxy A'],
    hasNot: ['strip-blast'],
    why: 'M7: blasting would warp it, so another way',
  },
  {
    panel: 'grain that stays on a painted bumper',
    zones: [
      { stack: 'plastic-olefin/old-finish:90', areaM2: 0.4, findings: [{ kind: 'texture', want: 'keep' }] },
    ],
    has: ['scuff A', 'hand-over A'],
    hasNot: ['abrade', 'block', 'prime-build'],
    why: 'P3: dulled by pad, and asked no level',
  },
  {
    panel: 'grain that stays on a primed part',
    zones: [{ stack: 'plastic-primed', areaM2: 0.4 }],
    facts: { finish: 'keep-texture', new: true },
    has: ['scuff A', 'seal A'],
    hasNot: ['abrade', 'block', 'prime-build'],
    why: 'P3: kept on primed parts too',
  },
  {
    panel: 'found filler, dirty',
    zones: [
      { stack: FINISH, areaM2: 1 },
      { stack: 'steel/filler:700', areaM2: 0.2 },
    ],
    has: ['inspect B', 'wash A', 'degrease A B'],
    hasNot: ['wash A B', 'wash B'],
    why: 'F5: no water on open filler',
  },
  {
    panel: 'a patch in a shop that keeps few grades',
    zones: [{ stack: FINISH, areaM2: 1.4, findings: [{ kind: 'chips', count: 10, sizeMm: 5 }] }],
    shop: { stock: ['P80', 'P150', 'P240', 'P320', 'P400', 'P500', 'P800'] },
    has: ['feather A/chips P320', 'prime-'],
    hasNot: ['feather A/chips P120'],
    why: 'only what the shop keeps is used',
  },
  {
    panel: 'sand-through while blocking, told by a survey',
    zones: [
      {
        stack: 'steel/epoxy:50/build:80',
        areaM2: 1,
        findings: [{ kind: 'rub-through', spotMm: 15, count: 1 }],
      },
    ],
    has: ['abrade A/rub-through P180', 'hand-over'],
    hasNot: ['strip-sand', 'prime-build A', 'fill'],
    why: 'M1: the spot is treated as metal, nothing else is done again',
  },
  {
    panel: 'a sand-through to filler',
    zones: [
      {
        stack: 'steel/filler:900/build:80',
        areaM2: 1,
        findings: [{ kind: 'rub-through', spotMm: 15, count: 1 }],
      },
    ],
    has: ['prime-build A/rub-through', 'hand-over'],
    hasNot: ['strip-sand'],
    why: 'K6: sand-through to filler is filler, and is primed again',
  },
];

testWorked([...FINISHES, ...ROLES, ...ORDER]);
