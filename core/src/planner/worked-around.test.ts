import { testWorked } from '../testing/worked.ts';

/** What lies around the damage: edges, masking, other materials, rough coats, and places nobody looks at. */

const FINISH = 'steel/ecoat:20/old-finish:110';
const chips = (count: number) => ({ kind: 'chips', count, sizeMm: 4 });
const low = (depthMm: number, sizeMm = 60) => ({ kind: 'low', depthMm, sizeMm });
const guard = { kind: 'chip-guard-wanted' };
const ECONOMY = { quality: 'economy' };

testWorked([
  {
    panel: 'a ding in a sound door',
    zones: [{ stack: FINISH, areaM2: 1.2, findings: [low(0.08, 40)] }],
    has: ['mask', 'prime-build A/low', 'abrade A P500', 'scuff A P360', 'degrease A', 'mask', 'seal A/low'],
    hasNot: ['scuff A/low'],
    why: 'K4: edges of what base goes on are padded, in one go with the dulling',
  },
  {
    panel: 'sound finish that only gets colour',
    zones: [{ stack: FINISH, areaM2: 1.2 }],
    has: ['scuff A P360', 'abrade A P500', 'degrease A', 'hand-over A'],
    hasNot: ['mask', 'seal'],
    why: 'K4: edges and face, nothing else',
  },
  {
    panel: 'a new e-coated fender',
    zones: [{ stack: 'steel/ecoat:20', areaM2: 0.8 }],
    facts: { new: true },
    has: ['degrease A', 'mask', 'seal A'],
    hasNot: ['scuff', 'abrade'],
    why: 'N1: sound e-coat is sealed as it is',
  },
  {
    panel: 'a part in its maker’s primer',
    zones: [{ stack: 'steel/part-primer:30', areaM2: 0.8 }],
    has: ['test A', 'scuff A P360', 'seal A'],
    why: 'N2, K4: sanded all over, its edges by pad',
  },
  {
    panel: 'a roof whose clear peels',
    zones: [{ stack: FINISH, areaM2: 2, findings: [{ kind: 'peeling', share: 0.6 }] }],
    facts: { orientation: 'horizontal', shape: 'flat' },
    has: ['strip-chemical A', 'abrade A P180', 'prime-epoxy A'],
    hasNot: ['scuff'],
    why: 'K4: what is stripped has no shine left at its edges',
  },
  {
    panel: 'a blend door',
    zones: [{ stack: FINISH, areaM2: 1.5, facts: { role: 'blend' } }],
    has: ['scuff A P800', 'abrade A P800', 'hand-over A'],
    hasNot: ['scuff A P360', 'seal'],
    why: 'K7: ultra-fine pad where colour fades out',
  },
  {
    panel: 'bare steel beside raw PP',
    zones: [
      { stack: 'steel', areaM2: 1.2 },
      { stack: 'plastic-olefin', areaM2: 0.8 },
    ],
    has: [
      'scuff B',
      'abrade B P360',
      'abrade A P180',
      'prime-epoxy A',
      'promote B',
      'prime-plastic B',
      'seal A B',
    ],
    hasNot: ['cure'],
    why: 'K5: plastic is padded before the epoxy beside it; both are primed in one session',
  },
  {
    panel: 'chips in steel and in a plastic part beside it',
    zones: [
      { stack: FINISH, areaM2: 1.2, findings: [chips(3)] },
      { stack: 'plastic-olefin/old-finish:90', areaM2: 0.8, findings: [chips(3)] },
    ],
    has: [
      'abrade A B P500',
      'scuff A B',
      'prime-epoxy A/chips',
      'promote B/chips',
      'prime-plastic B/chips',
      'prime-build A/chips B/chips',
      'cure A/chips B/chips',
    ],
    why: 'K5: all is dulled, padded and wiped before the first coat',
  },
  {
    panel: 'a dent of 1 mm in raw PP',
    zones: [{ stack: 'plastic-olefin', areaM2: 1.2, findings: [low(1)] }],
    has: [
      'abrade A/low P80',
      'promote A/low',
      'fill A/low',
      'abrade A/low P180',
      'promote A A/low',
      'prime-plastic',
    ],
    hasNot: ['abrade A/low P500'],
    why: 'F1: the tooth under paste is not sanded off',
  },
  {
    panel: 'a low of 0.08 mm in raw rigid plastic',
    zones: [{ stack: 'plastic-rigid', areaM2: 1.2, findings: [low(0.08)] }],
    has: ['abrade A A/low P360', 'prime-plastic A A/low', 'prime-build A/low', 'block A/low'],
    hasNot: ['fill', 'warm-out'],
    why: 'L1: built up on the plastic primer, not filled',
  },
  {
    panel: 'chip guard ordered on a painted sill',
    zones: [{ stack: FINISH, areaM2: 0.6, findings: [guard] }],
    has: ['scuff A', 'abrade A P320', 'degrease A', 'mask', 'tack A', 'texture-coat A', 'hand-over A'],
    hasNot: ['prime-epoxy'],
    why: 'keyed as its sheet asks, masked because it is sprayed',
  },
  {
    panel: 'chip guard ordered on bare steel',
    zones: [{ stack: 'steel', areaM2: 0.6, findings: [guard] }],
    has: ['prime-epoxy A', 'texture-coat A', 'hand-over A'],
    why: 'M1: metal is protected before it',
  },
  {
    panel: 'chip guard ordered on a new e-coated sill',
    zones: [{ stack: 'steel/ecoat:20', areaM2: 0.6, findings: [guard] }],
    has: ['mask', 'texture-coat A', 'seal A'],
    why: 'it lies under the last coat',
  },
  {
    panel: 'chip guard ordered on a chipped sill',
    zones: [{ stack: FINISH, areaM2: 0.6, findings: [guard, chips(10)] }],
    has: ['feather A/chips', 'prime-epoxy A/chips', 'texture-coat A A/chips'],
    why: 'chips are bare metal first; guard goes over all of the sill',
  },
  {
    panel: 'chip guard ordered on a sill with a dent of 1 mm',
    zones: [{ stack: FINISH, areaM2: 0.6, findings: [guard, low(1)] }],
    has: ['fill A/low', 'prime-build A/low', 'texture-coat A A/low', 'seal A A/low'],
    hasNot: ['block'],
    why: 'nobody blocks under a rough coat',
  },
  {
    panel: 'chip guard ordered on a sill beside a ding',
    zones: [
      { stack: FINISH, areaM2: 0.6, findings: [guard] },
      { stack: FINISH, areaM2: 1.2, findings: [low(0.08, 40)] },
    ],
    has: ['prime-build B/low', 'texture-coat A', 'block B/low', 'seal A B B/low'],
    why: 'each place gets its own',
  },
  {
    panel: 'four chips in a jamb, economy',
    zones: [{ stack: FINISH, areaM2: 0.3, findings: [chips(4)], facts: { face: 'edge' } }],
    target: ECONOMY,
    has: ['feather A/chips', 'prime-epoxy A/chips', 'hand-over'],
    hasNot: ['prime-build', 'guide-coat', 'block', 'mask'],
    why: 'L3: chips of a jamb are touched, by brush',
  },
  {
    panel: 'four chips in a jamb, standard',
    zones: [{ stack: FINISH, areaM2: 0.3, findings: [chips(4)], facts: { face: 'edge' } }],
    has: ['prime-build A/chips', 'block A/chips'],
    why: 'only economy takes a ledge there',
  },
  {
    panel: 'four chips on the outside, economy',
    zones: [{ stack: FINISH, areaM2: 0.3, findings: [chips(4)] }],
    target: ECONOMY,
    has: ['prime-build A/chips', 'block A/chips'],
    why: 'a face that is looked at is blocked',
  },
  {
    panel: 'a dent of 1 mm in a jamb, economy',
    zones: [{ stack: FINISH, areaM2: 0.3, findings: [low(1)], facts: { face: 'inside' } }],
    target: ECONOMY,
    has: ['strip-sand A/low', 'fill A/low'],
    why: 'a hollow of 1 mm is felt there too',
  },
  {
    panel: 'a door without sealer in the shop',
    zones: [{ stack: FINISH, areaM2: 1.2, findings: [low(0.4)] }],
    shop: { noneOf: ['sealer', 'epoxy for sealer', 'wet-on-wet'] },
    has: ['glaze A/low', 'prime-build A', 'block', 'hand-over'],
    hasNot: ['seal', 'prime-wet-on-wet'],
    why: 'S1: without one to seal the place, build makes one surface of the door',
  },
  {
    panel: 'a dent of 2 mm in a shop without epoxy',
    zones: [{ stack: FINISH, areaM2: 1.2, findings: [low(2)] }],
    shop: { noneOf: ['epoxy'] },
    has: ['fill A/low', 'prime-dtm A/low'],
    hasNot: ['prime-epoxy', 'prime-etch'],
    why: 'M1a: filler on metal, and its rim under direct-to-metal build',
  },
]);
