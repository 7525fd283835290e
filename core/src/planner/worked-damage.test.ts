import { testWorked, type Worked } from '../testing/worked.ts';

/** Worked panels of local damage: the daily work, and what a foreman looks for in its plan. */

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
    has: ['strip-sand A/high', 'metal-repair A/high', 'prime-epoxy A/high', 'glaze A/high', 'block A/high'],
    hasNot: NOT_ALL,
    why: 'what is proud is brought down at the metal, never hidden; what the hammer leaves is glazed',
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

testWorked([...DENTS, ...CHIPS_AND_RUST, ...BREAKS]);
