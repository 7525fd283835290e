import { panelOf, type ZoneSketch } from '../testing/bench.ts';
import { withRoles } from './roles.ts';

/** Codes of what makes a door that was to be blended a refinish area; empty where it stays one. */
const because = (door: Omit<ZoneSketch, 'facts'>): string[] => {
  const { refinished, panel } = withRoles(panelOf([{ ...door, facts: { role: 'blend' } }]), {});
  const codes = refinished.flatMap((zone) => zone.because.map(({ code }) => code));
  expect(panel.zones[0]!.role).toBe(codes.length > 0 ? 'refinish' : 'blend');
  return codes;
};

const FINISH = 'steel/ecoat:20/old-finish:95';

test.each<[string, Omit<ZoneSketch, 'facts'>, readonly string[]]>([
  ['sound finish', { stack: FINISH }, []],
  ['a small spot', { stack: FINISH, findings: [{ kind: 'rub-through', spotMm: 5, count: 1 }] }, []],
  ['a dent', { stack: FINISH, findings: [{ kind: 'low', depthMm: 1 }] }, ['blend.findings']],
  [
    'finish that softens',
    { stack: FINISH, tests: [{ kind: 'solvent-rub', outcome: 'softens' }] },
    ['blend.soluble'],
  ],
  ['soluble finish', { stack: 'steel/old-finish-soluble:120' }, ['blend.soluble']],
  [
    'finish that a cut takes off',
    { stack: FINISH, tests: [{ kind: 'cross-cut', outcome: 3 }] },
    ['blend.comes-off'],
  ],
  ['finish that holds in the cut', { stack: FINISH, tests: [{ kind: 'cross-cut', outcome: 1 }] }, []],
  ['too much film', { stack: 'steel/old-finish:420' }, ['blend.thick']],
  [
    'filler over old finish',
    { stack: 'steel/old-finish:100/filler:800/old-finish:100' },
    ['blend.bad-ground'],
  ],
  ['sound filler under finish', { stack: 'steel/filler:900/old-finish:110' }, []],
  ['e-coat', { stack: 'steel/ecoat:20' }, ['blend.no-finish']],
  ['finish that peels', { stack: FINISH, findings: [{ kind: 'peeling', share: 0.3 }] }, ['blend.findings']],
])('%s', (_, door, codes) => expect(because(door)).toEqual(codes));

test('a panel without any blend area is left as it is', () => {
  const panel = panelOf([{ stack: 'steel/old-finish-soluble:120' }]);
  expect(withRoles(panel, {})).toEqual({ panel, refinished: [] });
});
