/** What is otherwise than the record says, panel by panel and in sum. */
import { wordsOf } from './summary.mjs';

const LISTS = ['ready', 'refused', 'steps', 'remarks', 'notices'];

/** A step without its number: one that is put in before it changes every number after it. */
const bare = (name, line) => (name === 'steps' ? line.replace(/^\d+ /, '') : line);

/** Lines that only one of the two has, each as often as it has it more. */
function only(name, lines, others) {
  const left = others.map((line) => bare(name, line));
  return lines.filter((line) => {
    const i = left.indexOf(bare(name, line));
    if (i >= 0) left.splice(i, 1);
    return i < 0;
  });
}

/** @returns lines of one panel that went and came, by what they are of; null where nothing differs */
export function differenceOf(before, now) {
  if (before?.hash === now.hash) return null;
  if (!before) return { isNew: true, went: {}, came: {} };
  const pick = (a, b) =>
    Object.fromEntries(
      LISTS.map((name) => [name, only(name, a[name], b[name])]).filter(([, lines]) => lines.length > 0),
    );
  return {
    isNew: false,
    chose: [before.chosen, now.chosen],
    went: pick(before, now),
    came: pick(now, before),
  };
}

const opOf = (line) => line.split(' ')[1];

/** How many plans lost or won each operation, remark and refusal. */
function sums(differences) {
  const counts = new Map();
  const count = (sign, name, lines = []) => {
    const words = name === 'steps' ? lines.map(opOf) : lines.map((line) => line.replace(/^\S+: /, ''));
    for (const word of new Set(words)) {
      const key = `${sign} ${name}: ${word}`;
      counts.set(key, (counts.get(key) ?? 0) + 1);
    }
  };
  for (const { went, came } of differences)
    for (const name of LISTS.filter((each) => each !== 'ready')) {
      count('-', name, went[name]);
      count('+', name, came[name]);
    }
  return [...counts].sort(([, a], [, b]) => b - a);
}

const MOST_SUMS = 40;

/** @param changed panels that differ, each with its difference @param most that are shown step by step */
export function tell(changed, nPanels, most) {
  const lines = [`${changed.length} of ${nPanels} plans differ from the record.`];
  const differences = changed.map(({ difference }) => difference);
  const nChosen = differences.filter(({ chose }) => chose && chose[0] !== chose[1]).length;
  const nHidden = differences.filter(
    ({ isNew, went, came }) => !isNew && !hasAny(went) && !hasAny(came),
  ).length;
  if (nChosen > 0) lines.push(`In ${nChosen} another system is chosen.`);
  if (nHidden > 0)
    lines.push(
      `In ${nHidden} only what the summary leaves out differs: words, stacks, clocks, other systems.`,
    );
  for (const [what, n] of sums(differences).slice(0, MOST_SUMS))
    lines.push(`  ${String(n).padStart(5)}  ${what}`);
  for (const { panel, difference } of changed.slice(0, most))
    lines.push('', ...panelLines(panel, difference));
  if (changed.length > most) lines.push('', `${changed.length - most} more; all of them with --all.`);
  return lines.join('\n');
}

const hasAny = (lists) => Object.keys(lists).length > 0;

function panelLines(panel, { isNew, chose, went, came }) {
  const lines = [`panel ${panel.seed}: ${wordsOf(panel)}`];
  if (isNew) return [...lines, '  is not in the record yet'];
  if (chose[0] !== chose[1]) lines.push(`  chosen: ${chose[0]} -> ${chose[1]}`);
  for (const name of LISTS) {
    for (const line of went[name] ?? []) lines.push(`  - ${name}: ${line}`);
    for (const line of came[name] ?? []) lines.push(`  + ${name}: ${line}`);
  }
  return lines.length > 1 ? lines : [...lines, '  words, stacks, clocks or other systems'];
}
