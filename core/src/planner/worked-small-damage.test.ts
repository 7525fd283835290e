import { testWorked } from '../testing/worked.ts';

/** Small damage in a small time: nothing sound is opened because it is low, and a night is not spent for minutes. */

const FINISH = 'steel/ecoat:20/old-finish:110';
const OPENED = ['strip-sand', 'prime-epoxy', 'fill'];
const low = (depthMm: number, sizeMm = 50) => ({ kind: 'low', depthMm, sizeMm });

testWorked([
  {
    panel: 'a ding of 0.08 mm in a sound door',
    zones: [{ stack: FINISH, areaM2: 1.2, findings: [low(0.08, 40)] }],
    has: [
      'abrade A/low P320',
      'prime-build A/low',
      'guide-coat A/low',
      'block A/low',
      'seal A/low',
      'hand-over',
    ],
    hasNot: [...OPENED, 'glaze', 'prime-build A '],
    why: 'L1: dulled and built up',
  },
  {
    panel: 'a ding of 0.03 mm',
    zones: [{ stack: FINISH, areaM2: 1.2, findings: [low(0.03, 40)] }],
    has: ['prime-build A/low', 'block A/low', 'seal A/low'],
    hasNot: [...OPENED, 'glaze'],
    why: 'L1: no more film stays than fills it',
  },
  {
    panel: 'a ding of 0.4 mm, 60 mm across',
    zones: [{ stack: FINISH, areaM2: 1.2, findings: [low(0.4, 60)] }],
    has: ['abrade A/low P320', 'glaze A/low', 'abrade A/low P180', 'prime-build A/low', 'block A/low'],
    hasNot: OPENED,
    why: 'L1: glazed on the dulled finish, nothing is opened',
  },
  {
    panel: 'a dent of 0.8 mm',
    zones: [{ stack: FINISH, areaM2: 1.2, findings: [low(0.8, 70)] }],
    has: ['strip-sand A/low', 'prime-epoxy A/low', 'fill A/low', 'prime-build A/low'],
    why: 'L1: deeper than glaze goes, it is opened and filled',
  },
  {
    panel: 'a shallow and a deep one in one door',
    zones: [{ stack: FINISH, areaM2: 1.2, findings: [low(0.08, 40), low(2, 90)] }],
    has: ['strip-sand A/low-2', 'prime-epoxy A/low-2', 'fill A/low-2', 'prime-build A/low A/low-2', 'block'],
    hasNot: ['strip-sand A/low ', 'strip-sand A/low A'],
    why: 'L1: each by its own depth',
  },
  {
    panel: 'a shallow dent in a painted bumper of rigid plastic',
    zones: [{ stack: 'plastic-rigid/old-finish:90', areaM2: 0.8, findings: [low(0.3, 60)] }],
    has: ['warm-out A/low'],
    hasNot: ['strip-sand', 'glaze'],
    why: 'L0: warmed out first',
  },
  {
    panel: 'a low of 0.3 mm in fiberglass under paint',
    zones: [{ stack: 'fiberglass/old-finish:110', areaM2: 0.8, findings: [low(0.3, 60)] }],
    has: ['glaze A/low', 'prime-build A/low', 'block A/low'],
    hasNot: OPENED,
    why: 'L1: paint on a laminate as paint on steel',
  },
  {
    panel: 'a low of 0.3 mm in paint that thinner softens',
    zones: [{ stack: 'steel/old-finish-soluble:110', areaM2: 1.2, findings: [low(0.3, 60)] }],
    has: ['strip-sand A/low', 'prime-epoxy'],
    why: 'L0: soluble finish goes first, whatever the depth',
  },
  {
    panel: 'a ding of 0.08 mm in bare steel',
    zones: [{ stack: 'steel', areaM2: 0.6, findings: [low(0.08, 60)] }],
    has: ['prime-epoxy', 'prime-build', 'block'],
    hasNot: ['fill', 'glaze'],
    why: 'build over epoxy levels it',
  },
  {
    panel: 'pinholes in sound paint',
    zones: [{ stack: FINISH, areaM2: 1.2, findings: [{ kind: 'pinholes', sizeMm: 60 }] }],
    has: ['abrade A/pinholes P320', 'glaze A/pinholes', 'prime-build A/pinholes', 'block A/pinholes'],
    hasNot: OPENED,
    why: 'L1: blown out and glazed before the block, not ground to steel',
  },
  {
    panel: 'waves of 140 µm over a door',
    zones: [{ stack: FINISH, areaM2: 1.2, findings: [{ kind: 'waves', um: 140, wavelengthMm: 150 }] }],
    has: ['prime-build A', 'guide-coat A', 'block A', 'hand-over A'],
    hasNot: [...OPENED, 'strip'],
    why: 'L2: one build, blocked as far as film must stay',
  },
  {
    panel: 'waves of 200 µm over a door',
    zones: [{ stack: FINISH, areaM2: 1.2, findings: [{ kind: 'waves', um: 200, wavelengthMm: 150 }] }],
    has: [
      'prime-build A',
      'guide-coat A',
      'block A',
      'prime-build A',
      'guide-coat A',
      'block A',
      'hand-over A',
    ],
    hasNot: OPENED,
    why: 'L2: a second cycle of prime and block',
  },
  {
    panel: 'waves of 300 µm over a door, more than two cycles level',
    zones: [{ stack: FINISH, areaM2: 1.2, findings: [{ kind: 'waves', um: 300, wavelengthMm: 150 }] }],
    has: ['strip-sand A', 'prime-epoxy A', 'fill A', 'prime-build A', 'block A'],
    hasNot: ['glaze'],
    why: 'L2: what two cycles do not level is filled; nobody skims a door with glaze',
  },
  {
    panel: 'short waves of 150 µm in one place of a door',
    zones: [
      {
        stack: FINISH,
        areaM2: 1.2,
        findings: [{ kind: 'waves', um: 150, wavelengthMm: 80, sizeMm: 300 }],
      },
    ],
    has: ['glaze A/waves', 'prime-build A/waves', 'block A/waves', 'seal A/waves'],
    hasNot: ['strip-sand', 'prime-epoxy', 'prime-build A'],
    why: 'L2: glazed on dulled finish, built up where it is, nothing opened',
  },
  {
    panel: 'waves of 60 µm in one place of a door',
    zones: [
      { stack: FINISH, areaM2: 1.2, findings: [{ kind: 'waves', um: 60, wavelengthMm: 150, sizeMm: 300 }] },
    ],
    has: ['abrade A/waves P320', 'prime-build A/waves', 'block A/waves', 'seal A/waves'],
    hasNot: ['glaze', 'strip-sand', 'prime-build A'],
    why: 'L1: build levels it in its place; the door is dulled',
  },
]);
