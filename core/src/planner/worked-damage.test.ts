import { testWorked, type Worked } from '../testing/worked.ts';

/** Worked panels of local damage, roles and order: the daily work, and what a foreman looks for in its plan. */

const FINISH = 'steel/ecoat:20/old-finish:95';
const LID = { orientation: 'horizontal' };
/** What takes the panel as a whole, where only a patch of it is damaged. */
const NOT_ALL = ['prime-epoxy A', 'prime-build A', 'block A', 'strip-sand A'].flatMap((line) => [
  line,
  `${line} A`,
]);

const DENTS: readonly Worked[] = [
  {
    panel: 'a dent in a painted hood lid, filler over epoxy',
    zones: [{ stack: FINISH, areaM2: 1.4, findings: [{ kind: 'low', depthMm: 2, sizeMm: 90 }] }],
    facts: LID,
    has: [
      'strip-sand A/low P80',
      'feather A/low',
      'prime-epoxy A/low',
      'cure A/low',
      'abrade A/low P180',
      'fill A/low',
      'abrade A/low P180',
      'prime-build A/low',
      'abrade A P500',
      'block A/low',
      'seal A/low',
    ],
    hasNot: NOT_ALL,
    why: 'F2, O4, K5: opened, filled, built and blocked where it is; the rest only dulled, and before the dust flies',
  },
  {
    panel: 'the same dent, filler on metal',
    zones: [{ stack: FINISH, areaM2: 1.4, findings: [{ kind: 'low', depthMm: 2, sizeMm: 90 }] }],
    shop: { schools: { filler: 'on-metal' } },
    has: ['strip-sand A/low P80', 'fill A/low', 'prime-', 'block A/low'],
    hasNot: [...NOT_ALL, 'cure A'],
    why: 'F1: filler straight on the metal that the grinding left at P80',
  },
  {
    panel: 'a dent of which nobody measured the width',
    zones: [{ stack: FINISH, areaM2: 1.4, findings: [{ kind: 'low', depthMm: 1 }] }],
    has: ['strip-sand A/low', 'fill A/low'],
    hasNot: NOT_ALL,
    why: 'a dent in a one-zone panel is a dent, not the panel',
  },
  {
    panel: 'three dents in a painted roof',
    zones: [{ stack: FINISH, areaM2: 2, findings: [{ kind: 'low', depthMm: 1.5, sizeMm: 60, count: 3 }] }],
    facts: { ...LID, shape: 'flat' },
    has: ['strip-sand A/low', 'fill A/low', 'block A/low'],
    hasNot: [...NOT_ALL, 'strip-chemical', 'strip-blast'],
    why: 'patches of one kind are worked on together',
  },
  {
    panel: 'a dent over an old repair',
    zones: [
      {
        stack: 'steel/filler:900/old-finish:110',
        areaM2: 0.8,
        findings: [{ kind: 'low', depthMm: 0.8, sizeMm: 70 }],
      },
    ],
    has: ['strip-sand A/low', 'fill A/low', 'block A/low'],
    hasNot: NOT_ALL,
    why: 'opened to the old filler, which is sound; new filler on top of it',
  },
  {
    panel: 'a dent in an e-coated fender',
    zones: [{ stack: 'steel/ecoat:20', areaM2: 1, findings: [{ kind: 'low', depthMm: 1, sizeMm: 80 }] }],
    facts: { new: true },
    has: ['strip-sand A/low', 'prime-epoxy A/low', 'fill A/low', 'seal A A/low'],
    hasNot: NOT_ALL,
    why: 'filler does not lie on e-coat; the rest keeps it',
  },
  {
    panel: 'a dent in zinc-coated steel under paint',
    zones: [
      { stack: 'zinc-steel/old-finish:110', areaM2: 1, findings: [{ kind: 'low', depthMm: 1, sizeMm: 80 }] },
    ],
    has: ['strip-sand A/low P180', 'abrade A/low P240', 'prime-epoxy A/low', 'fill A/low'],
    hasNot: [...NOT_ALL, 'strip-sand A/low P80'],
    why: 'M10: opened without a grade that cuts zinc, epoxy under the filler',
  },
  {
    panel: 'a dent in a painted aluminium lid',
    zones: [
      {
        stack: 'aluminium/ecoat:20/old-finish:90',
        areaM2: 1.1,
        findings: [{ kind: 'low', depthMm: 1, sizeMm: 80 }],
      },
    ],
    has: ['strip-sand A/low', 'prime-epoxy A/low', 'fill A/low', 'block A/low'],
    hasNot: NOT_ALL,
    why: 'as on steel, with the grades of aluminium',
  },
  {
    panel: 'a dent in fiberglass under paint',
    zones: [
      {
        stack: 'fiberglass/old-finish:120',
        areaM2: 0.9,
        findings: [{ kind: 'low', depthMm: 1, sizeMm: 80 }],
      },
    ],
    has: ['strip-sand A/low P180', 'fill A/low', 'prime-', 'block A/low'],
    hasNot: [...NOT_ALL, 'prime-etch'],
    why: 'GP2, GP4: not into the cloth, no etch',
  },
  {
    panel: 'a shallow dent in a painted bumper',
    zones: [
      {
        stack: 'plastic-rigid/old-finish:90',
        areaM2: 1.2,
        findings: [{ kind: 'low', depthMm: 3, sizeMm: 120 }],
      },
    ],
    facts: { offVehicle: true },
    has: ['warm-out A/low', 'hand-over'],
    hasNot: ['strip-sand', 'fill', 'prime-build'],
    why: 'warmed out, the finish stays',
  },
  {
    panel: 'a high spot in a painted door',
    zones: [{ stack: FINISH, areaM2: 1.5, findings: [{ kind: 'high', heightMm: 1 }] }],
    has: ['strip-sand A/high', 'metal-repair A/high', 'fill A/high', 'block A/high'],
    hasNot: NOT_ALL,
    why: 'what is proud is brought down at the metal, never hidden',
  },
  {
    panel: 'a dent in a small zone',
    zones: [
      { stack: FINISH, areaM2: 1.5 },
      { stack: FINISH, areaM2: 0.02, findings: [{ kind: 'low', depthMm: 1 }] },
    ],
    has: ['strip-sand B', 'feather B', 'fill B', 'block B'],
    hasNot: ['strip-sand A', 'prime-build A'],
    why: 'a patch that takes more than half of its zone is the zone',
  },
];

const CHIPS_AND_RUST: readonly Worked[] = [
  {
    panel: 'about 40 chips on a leading edge',
    zones: [
      { stack: FINISH, areaM2: 1.4, findings: [{ kind: 'chips', count: 40, sizeMm: 4, areaM2: 0.25 }] },
    ],
    has: [
      'feather A/chips',
      'abrade A/chips P180',
      'prime-epoxy A/chips',
      'prime-build A/chips',
      'block A/chips',
    ],
    hasNot: [...NOT_ALL, 'strip-sand'],
    why: 'M1, O4: to metal only where a chip is; epoxy, build and block on the band',
  },
  {
    panel: 'two percent of chips',
    zones: [{ stack: FINISH, areaM2: 1.4, findings: [{ kind: 'chips', share: 0.02 }] }],
    has: ['feather A/chips', 'prime-', 'block A/chips'],
    hasNot: [...NOT_ALL, 'strip-sand'],
    why: 'they do not bring build all over',
  },
  {
    panel: 'chips in a shop that etches spots',
    zones: [{ stack: FINISH, areaM2: 1.4, findings: [{ kind: 'chips', count: 12, sizeMm: 5 }] }],
    shop: { schools: { firstCoat: 'etch-spots' } },
    has: ['abrade A/chips', 'prime-etch A/chips', 'prime-build A/chips'],
    hasNot: [...NOT_ALL, 'prime-epoxy'],
    why: 'M1, M6: etch on spots, covered by build',
  },
  {
    panel: 'chips in a painted bumper, down to the plastic',
    zones: [
      {
        stack: 'plastic-olefin/old-finish:90',
        areaM2: 1.2,
        findings: [{ kind: 'chips', count: 15, sizeMm: 5 }],
      },
    ],
    has: ['feather A/chips', 'promote A/chips', 'prime-plastic A/chips'],
    hasNot: [...NOT_ALL, 'prime-epoxy', 'promote A'],
    why: 'P4: promoter where plastic is bare, and nowhere else',
  },
  {
    panel: 'a rust bubble on an arch lip',
    zones: [{ stack: FINISH, areaM2: 0.8, findings: [{ kind: 'rust-pitted', sizeMm: 60 }] }],
    has: [
      'strip-sand A/rust-pitted',
      'remove-rust A/rust-pitted',
      'condition A/rust-pitted',
      'abrade A/rust-pitted P180',
      'prime-epoxy A/rust-pitted',
      'block A/rust-pitted',
    ],
    hasNot: NOT_ALL,
    why: 'M5: bright metal all round, conditioner in the pits, sanded off before epoxy',
  },
  {
    panel: 'the same bubble in a shop that blasts',
    zones: [{ stack: FINISH, areaM2: 0.8, findings: [{ kind: 'rust-pitted', sizeMm: 60 }] }],
    shop: { schools: { strip: 'blast' } },
    has: ['strip-sand A/rust-pitted', 'strip-blast A/rust-pitted', 'prime-epoxy A/rust-pitted'],
    hasNot: [...NOT_ALL, 'condition', 'remove-rust'],
    why: 'M5: blasted where the shop blasts and the part bears it',
  },
  {
    panel: 'rust under sound-looking finish',
    zones: [{ stack: FINISH, areaM2: 1.2, findings: [{ kind: 'rust-surface' }] }],
    has: ['strip-sand A/rust-surface', 'remove-rust A/rust-surface', 'prime-', 'hand-over'],
    hasNot: NOT_ALL,
    why: 'M5: opened to bare metal, not thinned from the top',
  },
  {
    panel: 'rust on an e-coat edge',
    zones: [{ stack: 'steel/ecoat:20', areaM2: 1, findings: [{ kind: 'rust-surface', sizeMm: 30 }] }],
    facts: { new: true },
    has: ['strip-sand A/rust-surface', 'remove-rust A/rust-surface', 'prime-epoxy A/rust-surface', 'seal A'],
    hasNot: NOT_ALL,
    why: 'M5: the e-coat around it stays',
  },
  {
    panel: 'rust under old filler',
    zones: [{ stack: 'steel/filler:900', areaM2: 0.3, findings: [{ kind: 'rust-surface' }] }],
    has: ['strip-sand A P80', 'remove-rust A', 'prime-epoxy A', 'fill A'],
    hasNot: ['inspect'],
    why: 'M5: filler over rust comes out, whatever it looks like',
  },
  {
    panel: 'rust under old build',
    zones: [
      { stack: 'steel/epoxy:50/build:100', areaM2: 1, findings: [{ kind: 'rust-surface', sizeMm: 40 }] },
    ],
    has: ['strip-sand A/rust-surface', 'remove-rust A/rust-surface', 'prime-', 'hand-over'],
    hasNot: ['strip-sand A'],
    why: 'M5: opened through the build',
  },
  {
    panel: 'pitted rust all over a bare panel',
    zones: [{ stack: 'steel', areaM2: 0.6, findings: [{ kind: 'rust-pitted' }] }],
    has: ['remove-rust A', 'condition A', 'abrade A P180', 'prime-epoxy A'],
    hasNot: ['prime-etch'],
    why: 'M5, M6: conditioned, and no etch over what it leaves',
  },
  {
    panel: 'rust on zinc-coated steel under paint',
    zones: [
      { stack: 'zinc-steel/old-finish:110', areaM2: 1, findings: [{ kind: 'rust-surface', sizeMm: 40 }] },
    ],
    has: ['strip-sand A/rust-surface P180', 'remove-rust A/rust-surface P180', 'prime-epoxy A/rust-surface'],
    hasNot: [...NOT_ALL, 'remove-rust A/rust-surface P80'],
    why: 'M10: no grade that cuts the zinc around it',
  },
  {
    panel: 'rust and a dent in one door',
    zones: [
      {
        stack: FINISH,
        areaM2: 1.5,
        findings: [
          { kind: 'rust-surface', sizeMm: 40 },
          { kind: 'low', depthMm: 1.5, sizeMm: 80 },
        ],
      },
    ],
    has: [
      'strip-sand A/low A/rust-surface',
      'remove-rust A/rust-surface',
      'prime-epoxy A/low A/rust-surface',
      'fill A/low',
    ],
    hasNot: NOT_ALL,
    why: 'two patches share what they can, and no more',
  },
];

const BREAKS: readonly Worked[] = [
  {
    panel: 'a painted bumper with a crack of 80 mm',
    zones: [
      { stack: 'plastic-olefin/old-finish:90', areaM2: 1.6, findings: [{ kind: 'crack', lengthMm: 80 }] },
    ],
    facts: { offVehicle: true },
    has: [
      'strip-sand A/crack',
      'abrade A/crack P80',
      'promote A/crack',
      'plastic-repair A/crack',
      'abrade A/crack P180',
      'promote A/crack',
      'prime-plastic A/crack',
      'block A/crack',
    ],
    hasNot: [...NOT_ALL, 'prime-epoxy', 'promote A'],
    why: 'P9, P4: bared, ground, promoted, mended, shaped, promoted again, primed past the repair',
  },
  {
    panel: 'a hole in a raw rigid cap',
    zones: [{ stack: 'plastic-rigid', areaM2: 0.3, findings: [{ kind: 'hole', lengthMm: 20 }] }],
    has: ['abrade A/hole P80', 'plastic-repair A/hole', 'prime-plastic', 'hand-over'],
    hasNot: ['plastic-repair A'],
    why: 'P9: paste in the hole, not over the cap',
  },
  {
    panel: 'a dent in a raw PP cover',
    zones: [{ stack: 'plastic-olefin', areaM2: 0.8, findings: [{ kind: 'low', depthMm: 1.5, sizeMm: 60 }] }],
    has: ['promote A/low', 'fill A/low', 'promote A', 'prime-plastic'],
    hasNot: ['fill A'],
    why: 'P4: paste on raw olefin gets promoter',
  },
  {
    panel: 'stress cracks under the paint of a fiberglass cap',
    zones: [
      {
        stack: 'fiberglass/old-finish:120',
        areaM2: 0.9,
        findings: [{ kind: 'crack', lengthMm: 120, count: 3 }],
      },
    ],
    has: [
      'strip-sand A/crack P180',
      'laminate-repair A/crack',
      'glaze A/crack',
      'prime-',
      'inspect A/crack',
      'block A/crack',
    ],
    hasNot: [...NOT_ALL, 'prime-etch', 'plastic-repair'],
    why: 'GP2, GP3: along each crack to sound laminate, pinholes closed and looked for again',
  },
  {
    panel: 'pinholes that show in the paint of an old repair',
    zones: [
      { stack: 'steel/filler:900/old-finish:110', areaM2: 0.8, findings: [{ kind: 'pinholes', sizeMm: 80 }] },
    ],
    has: ['strip-sand A/pinholes', 'glaze A/pinholes', 'prime-build A/pinholes', 'block A/pinholes'],
    hasNot: NOT_ALL,
    why: 'F7: the finish comes off there, down to the filler, so that they can be opened',
  },
  {
    panel: 'an open joint on a sill',
    zones: [{ stack: 'steel/epoxy:50', areaM2: 0.5, findings: [{ kind: 'open-joint', lengthMm: 300 }] }],
    has: ['seam-seal A/open-joint', 'hand-over'],
    hasNot: ['seam-seal A'],
    why: 'M1: sealed where it is open',
  },
  {
    panel: 'a sill whose chip guard peels',
    zones: [{ stack: 'steel/epoxy:50/texture:600', areaM2: 0.5, findings: [{ kind: 'peeling' }] }],
    has: ['strip-sand A', 'prime-epoxy A', 'texture-coat A', 'hand-over A'],
    hasNot: ['block', 'prime-build'],
    why: 'what was rough is rough again, over epoxy, and is asked no level',
  },
];

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
    has: ['abrade A/rub-through', 'seal A/rub-through', 'abrade A P800', 'hand-over'],
    hasNot: ['seal A', 'seal A A', 'prime-build A'],
    why: 'K7: a spot, not a sealed door',
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

testWorked([...DENTS, ...CHIPS_AND_RUST, ...BREAKS, ...FINISHES, ...ROLES, ...ORDER]);
