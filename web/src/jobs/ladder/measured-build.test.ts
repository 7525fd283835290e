import type { Zone } from '@blue-ledge/core';
import { measuredBuild } from './measured-build.ts';

const zone = (readings: Zone['readings']): Zone => ({
  id: 'B',
  name: 'patch',
  areaM2: 0.3,
  substrate: 'steel',
  layers: [{ kind: 'steel' }],
  findings: [],
  readings,
});

test('what lies under the build is taken off each reading', () => {
  const measured = measuredBuild(
    zone([
      { after: 'build', um: 150 },
      { after: 'build', um: 160 },
    ]),
    { underUm: 50 },
  );
  expect(measured).toMatchObject({ after: 'build', figures: { meanUm: 105, leastUm: 100, mostUm: 110 } });
});

test('once it is blocked, those readings count', () => {
  const measured = measuredBuild(
    zone([
      { after: 'build', um: 150 },
      { after: 'blocked', um: 110 },
    ]),
    { underUm: 50 },
  );
  expect(measured).toMatchObject({ after: 'blocked', figures: { meanUm: 60, count: 1 } });
});

test('a reading under what should lie there is no film, not less than none', () =>
  expect(measuredBuild(zone([{ after: 'build', um: 20 }]), { underUm: 50 })!.figures.meanUm).toBe(0));

test('no readings, no measurement', () => expect(measuredBuild(zone(undefined), { underUm: 50 })).toBeNull());
