import { findingOf } from '../survey/finding.ts';
import type { Zone } from '../survey/zone.ts';
import { isUnknownPlastic, testOf, topKindOf } from '../survey/zone-facts.ts';
import { benchOfTask, type PlanTask } from './bench-of-task.ts';
import { makePlan } from './make-plan.ts';
import type { DecidingTest, PanelPlan } from './plan.ts';
import { wordsOnZone } from './titles.ts';
import { planPanel } from './plan-panel.ts';

/**
 * Tests that nobody has done yet and that decide between systems: the panel is planned once for each outcome, and a
 * test is named where its outcomes lead to different systems.
 */

type ZoneTest = NonNullable<Zone['tests']>[number];

interface Hypothesis {
  readonly test: string;
  readonly outcomes: readonly { readonly words: string; readonly result: ZoneTest }[];
}

const RUB: Hypothesis = {
  test: 'Solvent rub',
  outcomes: [
    { words: 'nothing comes off', result: { kind: 'solvent-rub', outcome: 'none' } },
    { words: 'it softens', result: { kind: 'solvent-rub', outcome: 'softens' } },
  ],
};
const FLOAT: Hypothesis = {
  test: 'Float test of a sliver',
  outcomes: [
    { words: 'it sinks', result: { kind: 'float', outcome: 'sinks' } },
    { words: 'it floats', result: { kind: 'float', outcome: 'floats' } },
  ],
};
const TAPE: Hypothesis = {
  test: 'Tape on the cleaned plastic',
  outcomes: [
    { words: 'it holds', result: { kind: 'tape-hold', outcome: 'holds' } },
    { words: 'it slides off', result: { kind: 'tape-hold', outcome: 'slides-off' } },
  ],
};
const RUBBED: ReadonlySet<string> = new Set(['part-primer', 'old-finish']);

/** What is unknown about a zone and could be tested. */
function hypothesesOf(zone: Zone): Hypothesis[] {
  const top = topKindOf(zone);
  const isUnsound = ['peeling', 'checked', 'reacted'].some((kind) =>
    findingOf(zone.findings, kind as 'peeling'),
  );
  const asks: readonly (readonly [Hypothesis, boolean])[] = [
    [RUB, RUBBED.has(top) && !isUnsound && testOf(zone, 'solvent-rub') === undefined],
    [FLOAT, isUnknownPlastic(zone) && testOf(zone, 'float') === undefined],
    [TAPE, isUnknownPlastic(zone) && testOf(zone, 'tape-hold') === undefined],
  ];
  return asks.flatMap(([hypothesis, isOpen]) => (isOpen ? [hypothesis] : []));
}

/** More than this is not tried: each costs a plan for every outcome. */
const MOST_TESTS = 6;

const isSame = (a: Zone, b: Zone): boolean =>
  JSON.stringify([a.layers, a.findings, a.tests]) === JSON.stringify([b.layers, b.findings, b.tests]);

/** Where a plan leads on a zone: what its best system does there, or what stops it. */
function leadsTo(task: PlanTask, zoneId: string): string {
  const stop = benchOfTask(task).stopped.find((stopped) => stopped.zoneId === zoneId);
  if (stop) return stop.text;
  const { systems, chosen } = makePlan(task);
  const best = systems.find(({ id }) => id === chosen);
  return best ? wordsOnZone(best.acts, zoneId) : 'No system';
}

export function decidingTests(task: PlanTask): DecidingTest[] {
  const { zones } = task.panel;
  // Zones that are alike in all that counts are tried once, for the first of them.
  const first = zones.filter((zone, i) => zones.findIndex((other) => isSame(other, zone)) === i);
  const tries = first.flatMap((zone) => hypothesesOf(zone).map((hypothesis) => ({ zone, hypothesis })));
  return tries.slice(0, MOST_TESTS).flatMap(({ zone, hypothesis }) => {
    const outcomes = hypothesis.outcomes.map(({ words, result }) => {
      const tested = zones.map((other) =>
        isSame(other, zone) ? { ...other, tests: [...(other.tests ?? []), result] } : other,
      );
      const tried = { ...task, panel: { ...task.panel, zones: tested } };
      return { outcome: words, leadsTo: leadsTo(tried, zone.id) };
    });
    const differ = new Set(outcomes.map((outcome) => outcome.leadsTo)).size > 1;
    return differ ? [{ zoneId: zone.id, test: hypothesis.test, outcomes }] : [];
  });
}

/** A plan with the tests that would decide between its systems. */
export const planWithTests = (task: PlanTask): PanelPlan => ({
  ...planPanel(task),
  tests: decidingTests(task),
});
