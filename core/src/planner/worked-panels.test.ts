import type { ZoneSketch } from '../testing/bench.ts';
import { planned, testWorked, type Worked } from '../testing/worked.ts';

const FINISH = 'steel/ecoat:20/old-finish:95';

const WORKED: readonly Worked[] = [
  {
    panel: 'a bare steel panel, stripped at P80',
    zones: [{ stack: 'steel', findings: [{ kind: 'coarse-scratches', grit: 'P80' }] }],
    has: ['wash A', 'degrease A', 'abrade A P180', 'prime-epoxy A', 'hand-over A'],
    hasNot: ['prime-etch', 'fill'],
    why: 'M1, M4: epoxy on P180 steel',
  },
  {
    panel: 'a sound finish to be repainted',
    zones: [{ stack: FINISH }],
    has: ['wash A', 'degrease A', 'abrade A', 'hand-over A'],
    hasNot: ['prime-', 'seal', 'strip-sand'],
    why: 'uniform sound finish is keyed and goes to base',
  },
  {
    panel: 'a stripped patch in a sound finish',
    zones: [
      { stack: FINISH, areaM2: 1.5 },
      { stack: 'steel', areaM2: 0.3 },
    ],
    has: ['feather B', 'prime-epoxy B', 'guide-coat B', 'block B', 'seal A B', 'hand-over A B'],
    hasNot: ['block A', 'prime-epoxy A'],
    why: 'O4, M1, B1, S1: feathered, protected, built level, sealed with the rest',
  },
  {
    panel: 'a dent of 1.5 mm in bare steel',
    zones: [{ stack: 'steel', findings: [{ kind: 'low', depthMm: 1.5 }] }],
    has: [
      'prime-epoxy',
      'cure A/low',
      'abrade A/low P180',
      'fill A/low',
      'abrade A/low P180',
      'prime-',
      'block A',
    ],
    why: 'F1: filler over cured, abraded epoxy, which is this shop’s school',
  },
  {
    panel: 'the same dent in a shop that fills on metal',
    zones: [{ stack: 'steel', findings: [{ kind: 'low', depthMm: 1.5 }] }],
    shop: { schools: { filler: 'on-metal' } },
    has: ['abrade A/low P80', 'fill A/low', 'prime-'],
    why: 'F1: the strongest key is P80 on metal',
  },
  {
    panel: 'found filler with pinholes, which may stay',
    zones: [
      {
        stack: 'steel/filler:700',
        findings: [{ kind: 'pinholes' }, { kind: 'coarse-scratches', grit: 'P80' }],
      },
    ],
    shop: { schools: { filler: 'on-metal' } },
    has: ['inspect A', 'glaze A', 'abrade A P180', 'prime-'],
    hasNot: ['strip-sand'],
    why: 'F7: pinholes are closed before primer',
  },
  {
    panel: 'a new e-coated part',
    zones: [{ stack: 'steel/ecoat:22' }],
    facts: { new: true },
    has: ['wash A', 'degrease A', 'tack A', 'seal A', 'hand-over A'],
    hasNot: ['abrade', 'strip-sand'],
    why: 'N1: the factory dip is left alone',
  },
  {
    panel: 'the same part in a shop that scuffs',
    zones: [{ stack: 'steel/ecoat:22' }],
    shop: { schools: { ecoat: 'scuff' } },
    has: ['abrade A P400', 'seal A'],
    why: 'N1: a key everywhere, by this shop’s school',
  },
  {
    panel: 'e-coat with a large cut-through in a shop that lets epoxy cure',
    shop: { schools: { epoxySealer: 'cured' } },
    zones: [
      { stack: 'steel/ecoat:22', areaM2: 1, findings: [{ kind: 'rub-through', spotMm: 90, count: 1 }] },
    ],
    has: ['prime-'],
    why: 'N3: too large for a sealer alone',
  },
  {
    panel: 'e-coat with a large cut-through',
    zones: [
      { stack: 'steel/ecoat:22', areaM2: 1, findings: [{ kind: 'rub-through', spotMm: 90, count: 1 }] },
    ],
    has: ['abrade A/rub-through P180', 'prime-epoxy A/rub-through', 'seal A A/rub-through', 'hand-over'],
    hasNot: ['prime-build', 'abrade A P180', 'prime-epoxy A'],
    why: 'M1, N1: epoxy on the scar, the e-coat around it sealed as it is',
  },
  {
    panel: 'a finish that peels on a third of the panel',
    zones: [
      { stack: FINISH, areaM2: 1, findings: [{ kind: 'peeling', share: 1 }] },
      { stack: FINISH, areaM2: 2 },
    ],
    has: ['strip-sand A B', 'prime-'],
    why: 'O1: over a fifth of the panel, all of it comes off',
  },
  {
    panel: 'a finish that peels in a small zone',
    zones: [
      { stack: FINISH, areaM2: 0.2, findings: [{ kind: 'peeling', share: 1 }] },
      { stack: FINISH, areaM2: 2 },
    ],
    has: ['strip-sand A', 'feather A', 'prime-'],
    hasNot: ['strip-sand A B', 'strip-sand B'],
    why: 'O1: local, so only that zone is stripped to a sound edge',
  },
  {
    panel: 'a finish painted over again and again',
    zones: [{ stack: 'steel/old-finish:480' }],
    has: ['strip-sand A', 'prime-'],
    why: 'O1: over 400 µm it comes off',
  },
  {
    panel: 'steel with surface rust',
    zones: [{ stack: 'steel', findings: [{ kind: 'rust-surface' }] }],
    has: ['remove-rust A', 'prime-epoxy A'],
    why: 'M5: to bright metal first',
  },
  {
    panel: 'an orange-peeled finish for show',
    zones: [{ stack: FINISH, findings: [{ kind: 'orange-peel' }] }],
    target: { quality: 'show' },
    has: ['abrade A', 'hand-over A'],
    why: 'B1: texture is levelled',
  },
  {
    panel: 'a patch in a same-day shop',
    zones: [
      { stack: FINISH, areaM2: 1.5 },
      { stack: 'steel', areaM2: 0.3 },
    ],
    shop: { schools: { pace: 'same-day' } },
    has: ['cure B', 'block B', 'seal A B'],
    why: 'B3: heat brings the build to 90 % in the same day',
  },
  {
    panel: 'a show car’s filled dent',
    zones: [{ stack: 'steel', findings: [{ kind: 'low', depthMm: 1 }] }],
    target: { quality: 'show' },
    has: ['fill A/low', 'abrade A/low P320', 'prime-'],
    why: 'F6: P180 would sink back at show quality',
  },
  {
    panel: 'a bare aluminium lid',
    zones: [{ stack: 'aluminium' }],
    has: ['degrease A', 'abrade A P180', 'prime-epoxy A'],
    hasNot: ['fill'],
    why: 'M1, M4: epoxy on aluminium abraded with its own abrasives',
  },
  {
    panel: 'a zinc-coated sill, bare',
    zones: [{ stack: 'zinc-steel' }],
    has: ['abrade A P240', 'prime-'],
    hasNot: ['abrade A P180', 'abrade A P80'],
    why: 'M10: keyed, never cut through',
  },
  {
    panel: 'a zinc-coated panel whose finish peels',
    zones: [{ stack: 'zinc-steel/old-finish:110', findings: [{ kind: 'peeling', share: 1 }] }],
    has: ['strip-sand A P180', 'abrade A P240', 'prime-'],
    hasNot: ['strip-sand A P80'],
    why: 'M10: stripped without a grade that cuts zinc',
  },
  {
    panel: 'a dent in zinc-coated steel',
    zones: [{ stack: 'zinc-steel', findings: [{ kind: 'low', depthMm: 1 }] }],
    shop: { schools: { filler: 'on-metal' } },
    has: ['prime-epoxy A', 'cure A', 'fill A'],
    why: 'M10: this filler’s sheet does not allow zinc, so epoxy comes first whatever the school',
  },
  {
    panel: 'a sound finish that thinner softens',
    zones: [{ stack: 'steel/old-finish:110', tests: [{ kind: 'solvent-rub', outcome: 'softens' }] }],
    has: ['prime-epoxy A'],
    why: 'O2: isolated with two coats of epoxy, or stripped',
  },
  {
    panel: 'a new part in its maker’s primer',
    zones: [{ stack: 'steel/part-primer:30' }],
    facts: { new: true },
    has: ['test A', 'seal A'],
    why: 'N2: the solvent rub comes first',
  },
  {
    panel: 'a soluble finish beside a rusty corner',
    zones: [
      { stack: 'steel/old-finish-soluble:140', areaM2: 0.9 },
      { stack: 'steel', areaM2: 0.2, findings: [{ kind: 'rust-surface' }] },
    ],
    has: ['strip-sand A', 'remove-rust B', 'prime-epoxy A B'],
    hasNot: ['abrade A B P320', 'abrade B P320', 'feather'],
    why: 'O2, M4: it comes off rather than being isolated beside bare metal, and nothing is left to feather',
  },
  {
    panel: 'a moulded nose cap with wax and pinholes',
    zones: [{ stack: 'fiberglass', findings: [{ kind: 'release-agent' }, { kind: 'pinholes' }] }],
    has: ['wash A', 'degrease A', 'degrease A', 'glaze A', 'abrade A', 'prime-', 'inspect A', 'hand-over A'],
    hasNot: ['prime-etch', 'strip-sand', 'abrade A P80'],
    why: 'GP1, GP3, F7: wax off first, every pinhole closed, and looked for again',
  },
  {
    panel: 'a fiberglass panel in a shop that bakes at 70 °C',
    zones: [
      { stack: 'fiberglass/old-finish:100', areaM2: 1 },
      { stack: 'fiberglass', areaM2: 0.2 },
    ],
    shop: { schools: { pace: 'same-day' }, rules: { bakeCelsius: 70 } },
    has: ['feather B', 'prime-', 'block B', 'seal A B'],
    why: 'GP4: too hot for the laminate, so it cures in air',
  },
  {
    panel: 'a raw new wheel-arch trim',
    zones: [{ stack: 'plastic-olefin' }],
    facts: { new: true },
    has: [
      'wash A',
      'temper A',
      'antistatic-wipe A',
      'scuff A',
      'abrade A P360',
      'promote A',
      'prime-plastic A',
    ],
    hasNot: ['degrease', 'prime-epoxy', 'prime-wet-on-wet'],
    why: 'P1, P2, P3, P4, P8: sweated out, wiped, keyed, promoted, primed inside the window',
  },
  {
    panel: 'the same trim in a garage without an oven',
    zones: [{ stack: 'plastic-olefin' }],
    facts: { new: true },
    shop: { profile: 'garage' },
    has: ['wash A', 'antistatic-wipe A', 'antistatic-wipe A', 'promote A', 'prime-plastic A'],
    hasNot: ['temper'],
    why: 'P2: what cannot be sweated out is wiped off twice',
  },
  {
    panel: 'the same trim in a shop that sprays plastic mode',
    zones: [{ stack: 'plastic-olefin' }],
    shop: { schools: { plasticSystem: 'plastic-mode' } },
    has: ['abrade A P360', 'prime-wet-on-wet A', 'hand-over A'],
    hasNot: ['promote', 'prime-plastic'],
    why: 'P10: one product whose sheet needs no promoter',
  },
  {
    panel: 'a grained mirror cap that keeps its grain',
    zones: [{ stack: 'plastic-rigid', findings: [{ kind: 'texture', want: 'keep' }] }],
    has: ['antistatic-wipe A', 'scuff A', 'prime-plastic A'],
    hasNot: ['abrade', 'block', 'prime-build'],
    why: 'P3: texture that stays is not sanded and not built over',
  },
  {
    panel: 'a grained cap that is to be smooth',
    zones: [{ stack: 'plastic-rigid', findings: [{ kind: 'texture', want: 'flatten' }] }],
    has: ['abrade A P360', 'prime-plastic A', 'prime-build A', 'block A'],
    why: 'P3, B1: the grain is built over and blocked',
  },
  {
    panel: 'a cracked bumper cover with dressing on it',
    zones: [{ stack: 'plastic-olefin', findings: [{ kind: 'crack', lengthMm: 60 }, { kind: 'dressing' }] }],
    has: [
      'wash A',
      'wash A',
      'abrade A/crack P80',
      'promote A/crack',
      'plastic-repair A/crack',
      'abrade A/crack P180',
      'promote A',
      'prime-plastic A',
      'block A',
    ],
    hasNot: ['fill', 'plastic-repair A A'],
    why: 'P1, P9: washed twice, ground, promoted, mended, shaped, promoted again',
  },
  {
    panel: 'a trim of which nobody knows what it is',
    zones: [{ stack: 'plastic-rigid', findings: [{ kind: 'unknown-plastic' }] }],
    has: ['antistatic-wipe A', 'test A', 'promote A', 'prime-plastic A'],
    why: 'P7: tape first; until something else is known it is taken for an olefin',
  },
  {
    panel: 'the same trim, marked ABS on its back',
    zones: [
      {
        stack: 'plastic-rigid',
        findings: [{ kind: 'unknown-plastic' }],
        tests: [{ kind: 'moulding-mark', outcome: 'ABS' }],
      },
    ],
    has: ['prime-plastic A'],
    hasNot: ['promote', 'test'],
    why: 'P4: fair surface energy, no promoter',
  },
  {
    panel: 'a plastic part that arrives primed',
    zones: [{ stack: 'plastic-primed' }],
    facts: { new: true },
    has: ['degrease A', 'abrade A', 'seal A'],
    hasNot: ['promote', 'temper', 'prime-epoxy'],
    why: 'K4: scuffed and sealed',
  },
  {
    panel: 'a painted bumper rubbed through to PP at its edge',
    zones: [
      { stack: 'plastic-olefin/old-finish:90', findings: [{ kind: 'rub-through', spotMm: 20, count: 2 }] },
    ],
    has: ['promote A', 'prime-plastic A'],
    why: 'K6, P4: the spot is promoted and primed again',
  },
  {
    panel: 'a bumper cover with a bare place beside sound paint',
    zones: [
      { stack: 'plastic-olefin/old-finish:90', areaM2: 0.9 },
      { stack: 'plastic-olefin', areaM2: 0.1 },
    ],
    has: ['feather B', 'promote B', 'prime-plastic B', 'prime-build', 'block B', 'seal A B'],
    hasNot: ['promote A'],
    why: 'O4, P4, S1: promoter where plastic is bare, level with the paint, one sealer over all',
  },
  {
    panel: 'a large flat roof skin painted over again and again',
    zones: [{ stack: 'steel/old-finish:480', areaM2: 1.8 }],
    facts: { shape: 'flat', orientation: 'horizontal' },
    has: [
      'abrade A P80',
      'mask A',
      'strip-chemical A',
      'wash A',
      'degrease A',
      'abrade A P180',
      'prime-epoxy A',
    ],
    hasNot: ['strip-sand', 'strip-blast'],
    why: 'M7, M8: no heat in a large flat panel; scored, taped, stripped, neutralised',
  },
  {
    panel: 'a bracket in a shop that blasts',
    zones: [{ stack: 'steel/old-finish:450', areaM2: 0.2 }],
    facts: { shape: 'sharp' },
    shop: { schools: { strip: 'blast' } },
    has: ['degrease A', 'strip-blast A', 'abrade A P180', 'prime-epoxy A'],
    why: 'M7: blasting reaches crevices and small parts',
  },
  {
    panel: 'a stone-chipped hood lid',
    zones: [{ stack: FINISH, findings: [{ kind: 'chips', share: 0.002 }] }],
    has: ['feather A', 'abrade A', 'prime-', 'block A'],
    hasNot: ['strip-sand'],
    why: 'O4, B1: chips are feathered and built level',
  },
  {
    panel: 'a sill whose joint sealer comes off with its peeling finish',
    zones: [{ stack: 'steel/epoxy:40/seam:1500/old-finish:100', findings: [{ kind: 'peeling', share: 1 }] }],
    has: ['strip-sand A', 'prime-epoxy A', 'seam-seal A', 'hand-over A'],
    why: 'M1: the joint is sealed again over primer',
  },
  {
    panel: 'a cracked fiberglass tailboard',
    zones: [{ stack: 'fiberglass', findings: [{ kind: 'crack', lengthMm: 80 }] }],
    has: ['degrease A', 'laminate-repair A', 'glaze A', 'prime-', 'inspect A', 'block A'],
    hasNot: ['plastic-repair', 'promote'],
    why: 'GP2: resin and cloth before anything is sprayed',
  },
  {
    panel: 'the panel next door, into which the colour fades',
    zones: [{ stack: FINISH }],
    facts: { role: 'blend' },
    has: ['wash A', 'degrease A', 'scuff A P800', 'abrade A P800', 'degrease A', 'hand-over A'],
    hasNot: ['prime-', 'seal'],
    why: 'K7: P800 all over, edges by pad, nothing sprayed',
  },
  {
    panel: 'a hood lid with its badge and jets still on',
    zones: [{ stack: FINISH }],
    facts: {
      parts: [
        { name: 'badge', plan: 'remove', bag: '1' },
        { name: 'jets', plan: 'mask' },
      ],
    },
    has: ['remove-part A', 'wash A', 'hand-over A'],
    why: 'C1: parts come off before the first wash',
  },
  {
    panel: 'somebody’s epoxy of last week on steel',
    zones: [{ stack: 'steel/epoxy:50' }],
    has: ['degrease A', 'abrade A', 'hand-over A'],
    hasNot: ['strip-sand', 'prime-etch'],
    why: 'K4, S8: a found primer is keyed like any coat past its window',
  },
  {
    panel: 'an e-coated part with overspray on it, in a shop that leaves e-coat alone',
    zones: [{ stack: 'steel/ecoat:22', findings: [{ kind: 'overspray' }] }],
    has: ['abrade A P400', 'seal A'],
    why: 'N1: nothing bonds on overspray, so it is scuffed all over',
  },
  {
    panel: 'a patch in a shop that finishes by hand, wet, and trusts its eye',
    zones: [
      { stack: FINISH, areaM2: 1.5 },
      { stack: 'steel', areaM2: 0.3 },
    ],
    shop: { schools: { finalSand: 'hand-wet', guideCoat: 'eye' } },
    has: ['guide-coat B', 'block B', 'abrade B P500', 'seal A B'],
    why: 'K1, K4: one guide coat, and a finer grit, because a wet hand scratches deeper than a soft pad',
  },
  {
    panel: 'a new e-coated part with a bare patch as large as a hand',
    zones: [
      { stack: 'steel/ecoat:22', areaM2: 1 },
      { stack: 'steel', areaM2: 0.2 },
    ],
    facts: { new: true },
    has: ['prime-epoxy B', 'prime-build A B', 'block A B'],
    hasNot: ['strip-sand'],
    why: 'B1: a repair stands proud of thin e-coat, so the build goes over all of it',
  },
  {
    panel: 'zones of the same size: a finish, a maker’s primer and bare steel',
    zones: [
      { stack: 'steel/part-primer:30', areaM2: 0.3 },
      { stack: 'steel/old-finish:115', areaM2: 0.3 },
      { stack: 'steel', areaM2: 0.3 },
    ],
    has: ['prime-epoxy C', 'prime-build', 'hand-over A B C'],
    why: 'B1: level with the taller of two neighbours of one size, whatever their order',
  },
];

testWorked(WORKED);

const STOPPED: readonly (readonly [panel: string, zone: ZoneSketch, rule: string, text: RegExp])[] = [
  [
    'rusted through',
    { stack: 'steel', findings: [{ kind: 'rust-through' }] },
    'M5',
    /weld in sound metal, then plan again/,
  ],
  [
    'a hollow of 6 mm',
    { stack: 'steel', findings: [{ kind: 'low', depthMm: 6 }] },
    'F3',
    /6 mm of filler, at most 3 mm: metalwork first/,
  ],
  [
    'a dent of 8 mm in a painted bumper',
    { stack: 'plastic-olefin/old-finish:90', findings: [{ kind: 'low', depthMm: 8 }] },
    'F3',
    /deeper than warmth or paste takes out \(5 mm\)/,
  ],
  [
    'a dent of 4.5 mm in raw plastic',
    { stack: 'plastic-rigid', findings: [{ kind: 'low', depthMm: 4.5 }] },
    'F3',
    /\(4 mm\).* then enter the depth that is left/,
  ],
  [
    'a hollow of 3.5 mm in a fiberglass cap',
    { stack: 'fiberglass/old-finish:100', findings: [{ kind: 'low', depthMm: 3.5 }] },
    'F3',
    /filler goes 3 mm deep at most: build it up with resin and cloth first/,
  ],
  [
    'plastic that tape slides off',
    { stack: 'plastic-olefin', tests: [{ kind: 'tape-hold', outcome: 'slides-off' }] },
    'P7',
    /Do not paint until that is solved/,
  ],
  [
    'a crack in bare steel',
    { stack: 'steel', findings: [{ kind: 'crack', lengthMm: 40 }] },
    'M5',
    /^A crack in the metal: weld it shut, then plan again\.$/,
  ],
  [
    'a hole in a painted sill',
    { stack: FINISH, findings: [{ kind: 'hole', lengthMm: 12 }] },
    'M5',
    /weld it shut, then plan again/,
  ],
  [
    'a crack in a primed plastic part',
    { stack: 'plastic-primed', findings: [{ kind: 'crack', lengthMm: 40 }] },
    'P9',
    /find out which plastic it is, and survey it again/,
  ],
  ['very soft strip', { stack: 'plastic-soft' }, 'P5', /would crack at the first bend/],
  ['paint under metal', { stack: 'old-finish:90/steel' }, 'survey', /the substrate is the lowest layer/],
  [
    'rust on plastic',
    { stack: 'plastic-rigid', findings: [{ kind: 'rust-surface' }] },
    'survey',
    /take the finding out/,
  ],
  ['a found clear', { stack: 'steel/base:30/clear:60' }, 'survey', /recorded as old finish/],
];

test.each(STOPPED)('%s is stopped, with what must happen first', (_, zone, rule, text) => {
  const plan = planned({ panel: '', zones: [zone], has: [], why: '' });
  expect(plan).toMatchObject({ chosen: null, systems: [], stopped: [{ zoneId: 'A', rule }] });
  expect(plan.stopped[0]!.text).toMatch(text);
});

test('soluble finish: both ways are offered, and a sealer straight on it is refused by O2', () => {
  const plan = planned({ panel: '', zones: [{ stack: 'steel/old-finish-soluble:120' }], has: [], why: '' });
  const titles = plan.systems.filter(({ verdict }) => verdict === 'ready').map(({ title }) => title);
  expect(titles.some((title) => title.startsWith('Epoxy'))).toBe(true);
  expect(titles.some((title) => title.startsWith('Thinner-soft paint off'))).toBe(true);
  expect(plan.systems.some(({ refusedBy }) => refusedBy[0]?.rule === 'O2')).toBe(true);
});

test('epoxy seals over sanded build where the shop says so, and is not offered where nobody asked for it', () => {
  const zones = [
    { stack: FINISH, areaM2: 1.5 },
    { stack: 'steel', areaM2: 0.3 },
  ];
  const titlesIn = (schools: object): string[] =>
    planned({ panel: '', zones, shop: { schools }, has: [], why: '' })
      .systems.filter(({ verdict }) => verdict === 'ready')
      .map(({ title }) => title);
  expect(titlesIn({ epoxySealer: 'wet-on-wet' })).toEqual(
    expect.arrayContaining(['Epoxy, build, sealer', 'Epoxy, build, epoxy as sealer']),
  );
  for (const schools of [{}, { epoxySealer: 'cured' }])
    expect(titlesIn(schools).filter((title) => title.includes('epoxy as sealer'))).toEqual([]);
});
