import { contextFor, type Context } from '../operations/context.ts';
import type { Act } from '../operations/act.ts';
import { soundNeighbour, zoneOf, type PanelState } from '../operations/state.ts';
import { ADVICE, DECIDING, type Placed } from './all-rules.ts';
import { isRefusal, type RuleInput, type Verdict } from './rule.ts';
import {
  hearingIn,
  isSpeaking,
  knownAct,
  matterIn,
  newSearchMemory,
  wayOnArea,
  type Hearing,
  type KnownMatter,
  type SearchMemory,
  type Speaker,
} from './search-memory.ts';

/** What the rules say of an act. */

/** An act in a state of the panel. */
type Question = Omit<RuleInput, 'zone'>;

/** The sound neighbour that an area must come level with; null where it has none. */
function besideIn(memory: SearchMemory, { zone, panel }: RuleInput): KnownMatter | null {
  const neighbour = soundNeighbour(zone, panel);
  return neighbour && matterIn(memory, neighbour);
}

/** What a rule says that was heard before: what it said then, as long as that holds. */
function againOf(speaker: Speaker, input: RuleInput, { verdicts, memory }: Heard): readonly Verdict[] {
  const { rule, said } = speaker;
  if (rule.reads === 'panel') return rule.judge(input, verdicts);
  if (rule.reads === 'matter') return said;
  const beside = besideIn(memory, input);
  if (speaker.beside === beside) return said;
  speaker.beside = beside;
  return (speaker.said = rule.judge(input, verdicts));
}

/** What a rule says that is asked for the first time; it stays among the speakers where it may speak again. */
function firstOf(
  rule: Placed,
  input: RuleInput,
  speakers: Speaker[],
  { verdicts, memory }: Heard,
): readonly Verdict[] {
  const said = rule.judge(input, verdicts);
  const beside = rule.reads === 'neighbour' ? besideIn(memory, input) : null;
  if (said.length > 0 || rule.reads !== 'matter') speakers.push({ rule, said, beside });
  return said;
}

/** What was said of an act so far, rule by rule; `nths` has the place of the rule of each verdict. */
interface Heard {
  readonly verdicts: Verdict[];
  readonly nths: number[];
  /** The last rule that is asked: one that refuses the act, where that ends it. */
  mostNth: number;
  readonly memory: SearchMemory;
}

/** Adds verdicts behind those of the same rule and of rules before it. */
function add({ verdicts, nths }: Heard, nth: number, said: readonly Verdict[]): void {
  let at = nths.length;
  while (at > 0 && nths[at - 1]! > nth) at--;
  for (const verdict of said) {
    if (at === nths.length) {
      nths.push(nth);
      verdicts.push(verdict);
    } else {
      nths.splice(at, 0, nth);
      verdicts.splice(at, 0, verdict);
    }
    at++;
  }
}

function hear(all: Heard, nth: number, said: readonly Verdict[]): void {
  if (said.length === 0) return;
  add(all, nth, said);
  if (all.memory.endsAtRefusal && said.some(isRefusal)) all.mostNth = nth;
}

/** What the rules that concern an area say of it, first to last, added to what was said of other areas. */
function hearArea(hearing: Hearing, input: RuleInput, all: Heard): void {
  const { rules, of, speakers } = hearing;
  for (const speaker of speakers) {
    const { nth } = speaker.rule;
    if (nth > all.mostNth) return;
    hear(all, nth, againOf(speaker, input, all));
  }
  for (; hearing.nLooked < rules.length; hearing.nLooked++) {
    const rule = rules[hearing.nLooked]!;
    if (rule.nth > all.mostNth) return;
    if (isSpeaking(rule, input, of) && (!rule.concerns || rule.concerns(input)))
      hear(all, rule.nth, firstOf(rule, input, speakers, all));
  }
}

/** What each rule says about each area that it concerns, rule by rule; up to the first that refuses where a search asks. */
function heard(rules: readonly Placed[], { act, panel, context }: Question, memory: SearchMemory): Verdict[] {
  const { way } = knownAct(act, memory);
  const all: Heard = { verdicts: [], nths: [], mostNth: Infinity, memory };
  for (const [i, id] of act.zones.entries()) {
    const zone = zoneOf(panel, id);
    const input = { act, zone, panel, context: contextFor(zone, context) };
    hearArea(hearingIn(matterIn(memory, zone), wayOnArea(way, act, id, i), rules), input, all);
  }
  const { verdicts, nths, mostNth } = all;
  while (nths.length > 0 && nths[nths.length - 1]! > mostNth) {
    nths.pop();
    verdicts.pop();
  }
  return verdicts;
}

/**
 * Every verdict that decides about an act in this state: the trade's rules first, then what is physically wrong with
 * it. Empty when nobody has anything to say. O(rules of the operation x zones of the act).
 * @param memory what was heard before in this search
 */
export const decideAct = (
  act: Act,
  panel: PanelState,
  context: Context,
  memory = newSearchMemory(false),
): Verdict[] => heard(DECIDING.get(act.op)!, { act, panel, context }, memory);

/** How an act is done right: notes of the rules that only advise. */
export const adviceOn = (act: Act, panel: PanelState, context: Context): Verdict[] =>
  heard(ADVICE.get(act.op)!, { act, panel, context }, newSearchMemory(false));

/** All that is said of an act in this state, advice included. */
export const checkAct = (act: Act, panel: PanelState, context: Context): Verdict[] => [
  ...decideAct(act, panel, context),
  ...adviceOn(act, panel, context),
];
