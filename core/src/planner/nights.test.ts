import { cureFrom } from '../operations/curing.ts';
import { benchOf } from '../testing/bench.ts';
import { planned } from '../testing/worked.ts';
import type { Step } from './plan.ts';

/** A hollow in a painted lid, filled over epoxy that has to cure first. */
const over = (shop: object) =>
  planned({
    panel: 'a hollow',
    why: '',
    has: [],
    zones: [
      {
        stack: 'steel/ecoat:20/old-finish:95',
        areaM2: 1.4,
        findings: [{ kind: 'low', depthMm: 2, sizeMm: 90 }],
      },
    ],
    shop: { schools: { filler: 'over-epoxy' }, ...shop },
  });
const cures = (shop: object): Step[] => {
  const { chosen, systems } = over(shop);
  return systems.find(({ id }) => id === chosen)!.steps.filter(({ op }) => op === 'cure');
};
const codes = (step: Step): string[] => step.why.map(({ code }) => code);

test('a mild night is used: epoxy cures through it in air', () => {
  const [epoxy] = cures({ nightCelsius: 14 });
  expect(epoxy!.waitMin).toBeGreaterThan(0.9 * 12 * 60);
  expect(codes(epoxy!)).toContain('cure.air');
});

test.each([
  ['near the dew point', { nightCelsius: 11 }],
  ['below what the sheet asks', { nightCelsius: 8, relativeHumidity: 30 }],
])('a night %s is kept out of by heat where there is some', (_, shop) => {
  const [epoxy] = cures(shop);
  expect(epoxy!.waitMin).toBeLessThan(120);
  expect(codes(epoxy!)).toEqual(expect.arrayContaining(['cure.bake', 'cure.not-at-night']));
});

test('without heat nothing cures in a cold night: the hours of that night come on top', () => {
  const [mild] = cures({ profile: 'garage', nightCelsius: 14, relativeHumidity: 30 });
  const [cold] = cures({ profile: 'garage', nightCelsius: 8, relativeHumidity: 30 });
  expect(codes(cold!)).toContain('cure.cold-night');
  expect(cold!.waitMin).toBeCloseTo(0.9 * 12 * 60 + 15 * 60, 6);
  expect(mild!.waitMin).toBeLessThan(cold!.waitMin);
});

test('without heat nothing is left uncured in a damp night: another way is chosen, this one says why', () => {
  const { chosen, systems } = over({ profile: 'garage', nightCelsius: 11 });
  const refusals = systems.flatMap(({ refusedBy }) => refusedBy);
  expect(refusals.map(({ code }) => code)).toContain('M3.night');
  const best = systems.find(({ id }) => id === chosen)!;
  for (const step of best.steps.filter(({ op }) => op === 'cure')) expect(step.waitMin).toBeLessThan(540);
});

test('the day is used first, then the night: a little more cure never takes a night more', () => {
  const { context } = benchOf([{ stack: 'steel' }], { shop: { celsius: 20, nightCelsius: 14 } });
  const sheet = context.shelf.get('epoxy-1-1')!;
  const afterMin = (minutes: number): number =>
    cureFrom({ ...sheet, sandAfterMin: 60, cure: [{ celsius: 20, minutes }] }, 300, context)!.after.value;
  for (let minutes = 200; minutes < 1500; minutes += 10) {
    const stepMin = afterMin(minutes + 10) - afterMin(minutes);
    expect(stepMin).toBeGreaterThan(0);
    expect(stepMin).toBeLessThan(20);
  }
});
