import { testWorked } from '../testing/worked.ts';

/** What dries before it is touched, what is sanded before anything fresh lies beside it, and what metal is protected by. */

const FINISH = 'steel/ecoat:20/old-finish:110';
const chip = { kind: 'chips', count: 1, sizeMm: 4 };
const dent = { kind: 'low', depthMm: 1.5, sizeMm: 80 };
const ON_METAL = { schools: { filler: 'on-metal' } };

testWorked([
  {
    panel: 'one chip in a sound door',
    zones: [{ stack: FINISH, areaM2: 1.4, findings: [chip] }],
    has: [
      'feather A/chips',
      'abrade A P500',
      'degrease A A/chips',
      'prime-epoxy A/chips',
      'mask',
      'prime-build A/chips',
      'seal A/chips',
    ],
    why: 'K5: the door is dulled and cleaned before the epoxy that nobody sands',
  },
  {
    panel: 'a small rub-through in a sound door',
    zones: [{ stack: FINISH, areaM2: 1.2, findings: [{ kind: 'rub-through', spotMm: 15, count: 1 }] }],
    has: [
      'abrade A P500',
      'degrease A',
      'mask',
      'abrade A/rub-through P180',
      'seal A/rub-through',
      'hand-over',
    ],
    why: 'K5, M2: dust is off before the paper lies on it, and metal is sanded last',
  },
  {
    panel: 'an open joint in a sound panel',
    zones: [{ stack: FINISH, areaM2: 1.2, findings: [{ kind: 'open-joint', lengthMm: 300 }] }],
    has: ['seam-seal A/open-joint', 'abrade A P500', 'mask', 'seal A/open-joint'],
    hasNot: ['block', 'abrade A/open-joint'],
    why: 'K5: dulled first; sealer of a joint is never sanded',
  },
  {
    panel: 'chips in chip guard under finish',
    zones: [
      {
        stack: 'steel/ecoat:20/texture:600/old-finish:90',
        areaM2: 0.8,
        findings: [{ kind: 'chips', count: 10, sizeMm: 8 }],
      },
    ],
    has: ['scuff A', 'prime-epoxy A/chips', 'texture-coat A/chips', 'tack A/chips', 'seal A/chips'],
    why: 'K5: grain is dulled by pad before; fresh chip guard is tacked, not wiped',
  },
  {
    panel: 'a blend door with a rub-through beside a filled dent',
    zones: [
      { stack: FINISH, areaM2: 1, findings: [dent], facts: { role: 'refinish' } },
      {
        stack: FINISH,
        areaM2: 1.2,
        findings: [{ kind: 'rub-through', spotMm: 5, count: 1 }],
        facts: { role: 'blend' },
      },
    ],
    has: ['block A/low', 'seal A/low', 'hand-over A'],
    hasNot: ['prime-build B ', 'seal B '],
    why: 'K7: a spot in a blend area stays a spot',
  },
  {
    panel: 'a filled dent by a shop that fills on metal',
    zones: [{ stack: FINISH, areaM2: 1.2, findings: [dent] }],
    shop: ON_METAL,
    has: [
      'fill A/low',
      'abrade A/low P180',
      'feather A/low',
      'prime-epoxy A/low',
      'prime-build A/low',
      'block',
    ],
    why: 'M1a: shaped, then feathered; epoxy over the bare rim before build',
  },
  {
    panel: 'a filled dent where it is too cold for epoxy',
    zones: [{ stack: FINISH, areaM2: 1.2, findings: [dent] }],
    shop: { celsius: 12, relativeHumidity: 70, profile: 'garage' },
    has: ['fill A/low', 'prime-dtm A/low', 'block A/low'],
    hasNot: ['prime-build'],
    why: 'M1a: direct-to-metal build protects the rim where epoxy cannot be sprayed',
  },
  {
    panel: 'a painted bumper with a crack',
    zones: [
      { stack: 'plastic-olefin/old-finish:90', areaM2: 1.6, findings: [{ kind: 'crack', lengthMm: 80 }] },
    ],
    facts: { offVehicle: true },
    has: [
      'plastic-repair A/crack',
      'abrade A P500',
      'promote A/crack',
      'prime-plastic A/crack',
      'seal A/crack',
    ],
    why: 'K5, P4: nobody sands while the promoter under the primer has its window open',
  },
  {
    panel: 'a fender with a strip of soft rubber that is kept',
    zones: [
      { stack: FINISH, areaM2: 0.8, findings: [chip] },
      { stack: 'plastic-soft', areaM2: 0.05, facts: { role: 'keep' } },
    ],
    has: ['prime-epoxy A/chips', 'mask A A/chips B', 'prime-build A/chips', 'hand-over A'],
    hasNot: ['abrade B', 'degrease B', 'prime-epoxy B', 'seal B'],
    why: 'P5: what is kept is masked and stops nothing',
  },
  {
    panel: 'a blend door whose finish thinner softens, beside a dent',
    zones: [
      { stack: FINISH, areaM2: 1, findings: [dent], facts: { role: 'refinish' } },
      {
        stack: FINISH,
        areaM2: 1.2,
        tests: [{ kind: 'solvent-rub', outcome: 'softens' }],
        facts: { role: 'blend' },
      },
    ],
    has: ['prime-epoxy', 'prime-build A/low', 'seal', 'hand-over A'],
    why: 'O2: it bears no colour that fades out, and is isolated or stripped as a refinished one',
  },
  {
    panel: 'a blend door whose film is half a millimetre',
    zones: [
      { stack: FINISH, areaM2: 1, findings: [dent], facts: { role: 'refinish' } },
      { stack: 'steel/old-finish:480', areaM2: 1.2, facts: { role: 'blend' } },
    ],
    has: ['strip-sand B', 'prime-epoxy', 'hand-over A'],
    why: 'O1: too much film comes off, also where it was to be blended',
  },
]);
